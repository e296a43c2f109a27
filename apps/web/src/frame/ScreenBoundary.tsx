import { Component, type ReactNode } from 'react';

interface ScreenBoundaryProps {
  /** What broke, in words: "The wiring page". */
  readonly what: string;
  /** When this changes, what broke is tried again: the number of the document, and the address. */
  readonly tryAgainOn: string;
  readonly children: ReactNode;
}

interface State {
  readonly error: string | undefined;
  readonly brokeOn: string;
}

/** Keeps a screen that throws from taking what is around it along. It is drawn again with the next change of the document. */
export class ScreenBoundary extends Component<ScreenBoundaryProps, State> {
  override state: State = { error: undefined, brokeOn: '' };

  static getDerivedStateFromError(error: unknown): Partial<State> {
    return { error: error instanceof Error ? error.message : String(error) };
  }

  static getDerivedStateFromProps({ tryAgainOn }: ScreenBoundaryProps, { error, brokeOn }: State): State {
    // The first pass after an error notes what it broke on; a later one with something else tries again.
    if (error === undefined || (brokeOn !== '' && brokeOn !== tryAgainOn)) return { error: undefined, brokeOn: '' };
    return { error, brokeOn: tryAgainOn };
  }

  override render(): ReactNode {
    const { what, children } = this.props;
    const { error } = this.state;
    if (error === undefined) return children;
    return (
      <section role="alert" className="p-6">
        <h2 className="text-lg font-bold">{what} broke</h2>
        <p className="mt-2 max-w-prose">
          Your edits are saved or kept in this browser, and everything else works. It is drawn again with the next change of the aircraft,
          or now. The error: {error}
        </p>
        <button type="button" className="action action-main mt-4" onClick={() => this.setState({ error: undefined, brokeOn: '' })}>
          Draw it again
        </button>
      </section>
    );
  }
}
