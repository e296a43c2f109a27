import type { Conflict } from '../session/sessionState.ts';
import { useSession, useSessionState } from '../session/SessionContext.tsx';

/** What the product has to say: refusals and what happened elsewhere. Stays until it is dismissed or answered. */
export function Messages() {
  const session = useSession();
  const { messages, conflicts } = useSessionState();
  return (
    <div aria-live="polite" className="no-print fixed bottom-12 left-4 z-20 flex w-[440px] flex-col gap-2">
      {conflicts.map((conflict) => (
        <Question key={conflict.editId} conflict={conflict} />
      ))}
      {messages.map((message) => (
        <div key={message.id} className="flex items-start gap-3 border border-ink bg-white px-3 py-2">
          <p className="grow">{message.sentence}</p>
          <button type="button" className="text-ink2 underline" onClick={() => session.dismiss(message.id)}>
            dismiss
          </button>
        </div>
      ))}
    </div>
  );
}

/** An edit that others came in the way of: the person decides, and is never overruled. */
function Question({ conflict }: { readonly conflict: Conflict }) {
  const session = useSession();
  return (
    <div role="group" aria-label={`Not made: ${conflict.title}`} className="border border-ink bg-white px-3 py-2">
      <p>
        <span className="font-semibold">{conflict.title}</span> is not made yet. {conflict.sentence}
      </p>
      <div className="mt-1.5 flex gap-1.5">
        {conflict.again !== undefined && (
          <button type="button" className="action action-main" onClick={() => session.decide(conflict.editId, 'mine')}>
            Make mine
          </button>
        )}
        <button type="button" className="action" onClick={() => session.decide(conflict.editId, 'theirs')}>
          Keep what is there
        </button>
      </div>
    </div>
  );
}
