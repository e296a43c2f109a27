import { useState } from 'react';

interface CopyButtonProps {
  readonly label: string;
  /** The text, or what makes it when it is wanted; undefined where there is none, which whoever makes it says. */
  readonly text: string | (() => Promise<string | undefined>);
}

/** Copies a text. Where a browser lets no page write into its clipboard, the text is shown chosen, so that the keyboard takes it. */
export function CopyButton({ label, text }: CopyButtonProps) {
  const [state, setState] = useState<{ readonly is: 'idle' | 'copied' } | { readonly is: 'by-hand'; readonly text: string }>({
    is: 'idle',
  });
  const copy = async (): Promise<void> => {
    const wanted = typeof text === 'string' ? text : await text();
    if (wanted === undefined) return;
    try {
      await navigator.clipboard.writeText(wanted);
      setState({ is: 'copied' });
    } catch {
      setState({ is: 'by-hand', text: wanted });
    }
  };
  return (
    <>
      <button type="button" className="action" onClick={() => void copy()}>
        {label}
      </button>
      <span role="status" className="text-[12.5px] text-ink2">
        {state.is === 'copied' ? 'Copied.' : ''}
      </span>
      {state.is === 'by-hand' && (
        <label className="block w-full text-[12.5px]">
          This browser does not let the page copy. Press Ctrl C:
          <textarea readOnly className="field value mt-0.5 block h-24 w-full" ref={(element) => element?.select()} value={state.text} />
        </label>
      )}
    </>
  );
}
