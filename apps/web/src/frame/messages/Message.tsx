import { useEffect, useState } from 'react';
import { useSession } from '../../session/SessionContext.tsx';
import type { SessionMessage } from '../../session/sessionState.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** How long a sentence stays that asks nothing: time to find it, and to read it twice. */
const LEAST_MS = 5000;
const MS_A_LETTER = 80;

/** One sentence. Where it asks nothing it goes by itself, but not while the page is hidden, or the pointer or the keys are on it. */
export function Message({ message }: { readonly message: SessionMessage }) {
  const session = useSession();
  const { read } = useReadersUnits();
  const [isHeld, setHeld] = useState(false);
  const isSeen = useIsSeen();
  const { id, sentence, offer } = message;
  const staysMs = offer === undefined && isSeen && !isHeld ? LEAST_MS + MS_A_LETTER * sentence.length : undefined;
  useEffect(() => {
    if (staysMs === undefined) return;
    const timer = setTimeout(() => session.dismiss(id), staysMs);
    return () => clearTimeout(timer);
  }, [session, id, staysMs]);
  return (
    <div
      className="flex items-start gap-3 border border-ink bg-white px-3 py-2"
      onPointerEnter={() => setHeld(true)}
      onPointerLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
    >
      <div className="grow">
        <p>{read(sentence)}</p>
        {offer !== undefined && (
          <button type="button" className="action mt-1.5 text-left" onClick={() => session.take(message)}>
            {read(offer.title)}
          </button>
        )}
      </div>
      <button type="button" className="text-ink2 underline" onClick={() => session.dismiss(id)}>
        dismiss
      </button>
    </div>
  );
}

/** Whether somebody can see the page: a message does not go in a window behind others. */
function useIsSeen(): boolean {
  const [isSeen, setSeen] = useState(() => document.visibilityState === 'visible');
  useEffect(() => {
    const look = (): void => setSeen(document.visibilityState === 'visible');
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, []);
  return isSeen;
}
