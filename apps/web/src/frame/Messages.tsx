import { useSession, useSessionState } from '../session/SessionContext.tsx';

/** What the product has to say: refusals and what happened elsewhere. Stays until it is dismissed. */
export function Messages() {
  const session = useSession();
  const { messages } = useSessionState();
  return (
    <div aria-live="polite" className="no-print fixed bottom-12 left-4 z-20 flex w-[440px] flex-col gap-2">
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
