import { useState } from 'react';
import type { Conflict } from '../../session/setAside.ts';
import { useSession } from '../../session/SessionContext.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** An edit that could not be made: the person decides, is never overruled, and loses nothing that was typed. */
export function Unmade({ conflict }: { readonly conflict: Conflict }) {
  const session = useSession();
  const [isShown, setShown] = useState(false);
  const { editId, title, sentence, again, text } = conflict;
  const { read } = useReadersUnits();
  return (
    <div role="group" aria-label={`Not made: ${title}`} className="border border-ink bg-white px-3 py-2">
      <p>
        {/* A mark in the text that turns the reading direction turns no more than the text itself. */}
        <bdi className="font-semibold">{read(title)}</bdi> is not made yet. <bdi>{read(sentence)}</bdi>
      </p>
      <div className="mt-1.5 flex gap-1.5">
        {again !== undefined && (
          <button type="button" className="action action-main" onClick={() => session.decide(editId, 'mine')}>
            Apply mine
          </button>
        )}
        <button type="button" className="action" onClick={() => session.decide(editId, 'theirs')}>
          {again === undefined ? 'Discard it' : 'Keep the present state'}
        </button>
        <button type="button" className="action" aria-expanded={isShown} onClick={() => setShown(!isShown)}>
          Copy
        </button>
      </div>
      {isShown && <EditText text={text} />}
    </div>
  );
}

/** The edit as text, chosen and in the clipboard where the browser lets a page write there. */
function EditText({ text }: { readonly text: string }) {
  return (
    <textarea
      aria-label="The edit as text"
      className="field mt-1.5 h-32 w-full font-mono text-[12px]"
      readOnly
      value={text}
      ref={(area) => {
        if (area === null) return;
        area.focus();
        area.select();
        // On plain HTTP beyond this machine there is no clipboard for pages; the text is chosen, so that Ctrl C takes it.
        if ('clipboard' in navigator) void navigator.clipboard.writeText(text).catch(() => undefined);
      }}
    />
  );
}
