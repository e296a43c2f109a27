import { useSession, useSessionState } from '../../session/SessionContext.tsx';
import { Trouble } from './Trouble.tsx';
import { Unmade } from './Unmade.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** What the product has to say: refusals and what happened elsewhere. Stays until it is dismissed or answered. */
export function Messages() {
  const session = useSession();
  const { messages, conflicts } = useSessionState();
  const { read } = useReadersUnits();
  return (
    <div aria-live="polite" className="no-print fixed bottom-12 left-4 z-20 flex max-h-[70vh] w-[440px] flex-col gap-2 overflow-y-auto">
      <Trouble />
      {conflicts.map((conflict) => (
        <Unmade key={conflict.editId} conflict={conflict} />
      ))}
      {messages.map((message) => (
        <div key={message.id} className="flex items-start gap-3 border border-ink bg-white px-3 py-2">
          <div className="grow">
            <p>{read(message.sentence)}</p>
            {message.offer !== undefined && (
              <button type="button" className="action mt-1.5 text-left" onClick={() => session.take(message)}>
                {read(message.offer.title)}
              </button>
            )}
          </div>
          <button type="button" className="text-ink2 underline" onClick={() => session.dismiss(message.id)}>
            dismiss
          </button>
        </div>
      ))}
    </div>
  );
}
