import { Component, type ReactNode } from 'react';
import type { Design } from '@wired-falcon/core';

interface ScreenBoundaryProps {
  /** What broke, in words: "The margin". */
  readonly what: string;
  /** When one of these changes, what broke is tried again. */
  readonly shows: Design;
  readonly at: string;
  readonly children: ReactNode;
}

interface State {
  readonly error: string | undefined;
  /** What it broke on; undefined while it is drawn. */
  readonly brokeOn: Pick<ScreenBoundaryProps, 'shows' | 'at'> | undefined;
}

const WHOLE: State = { error: undefined, brokeOn: undefined };

/** Keeps a screen that throws from taking what is around it along. It is drawn again with the next change of the document. */
export class ScreenBoundary extends Component<ScreenBoundaryProps, State> {
  override state: State = WHOLE;

  static getDerivedStateFromError(error: unknown): Partial<State> {
    return { error: error instanceof Error ? error.message : String(error) };
  }

  static getDerivedStateFromProps({ shows, at }: ScreenBoundaryProps, { error, brokeOn }: State): State {
    // The first pass after an error notes what it broke on; a later one with something else tries again.
    if (error === undefined || (brokeOn !== undefined && (brokeOn.shows !== shows || brokeOn.at !== at))) return WHOLE;
    return { error, brokeOn: { shows, at } };
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
        <button type="button" className="action action-main mt-4" onClick={() => this.setState(WHOLE)}>
          Draw it again
        </button>
      </section>
    );
  }
}
