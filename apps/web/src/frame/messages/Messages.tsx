import { useSessionState } from '../../session/SessionContext.tsx';
import { Message } from './Message.tsx';
import { Trouble } from './Trouble.tsx';
import { Unmade } from './Unmade.tsx';

/** What the product has to say: refusals and what happened elsewhere. Above the sheet, so that the entry line stays free; what asks stays until it is answered. */
export function Messages() {
  const { messages, conflicts } = useSessionState();
  return (
    <div
      aria-live="polite"
      className="no-print absolute top-2 left-4 z-20 flex max-h-[70vh] w-[440px] max-w-[calc(100vw-2rem)] flex-col gap-2 overflow-y-auto"
    >
      <Trouble />
      {conflicts.map((conflict) => (
        <Unmade key={conflict.editId} conflict={conflict} />
      ))}
      {messages.map((message) => (
        <Message key={message.id} message={message} />
      ))}
    </div>
  );
}
