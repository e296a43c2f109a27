import { KeyForm } from '../../session/KeyForm.tsx';
import { useSession, useSessionState } from '../../session/SessionContext.tsx';

/** What keeps edits from the server and needs a person: the key of the workshop, or the reason that the server gives. */
export function Trouble() {
  const session = useSession();
  const { trouble, pending } = useSessionState();
  if (trouble === undefined || trouble.is === 'away') return null;
  const waiting = pending === 0 ? '' : pending === 1 ? ' One edit waits, and is kept.' : ` ${pending} edits wait, and are kept.`;
  if (trouble.is === 'key') {
    return (
      <section aria-label="Access key" className="border border-ink bg-white px-3 py-2">
        <p className="mb-1.5">This workshop needs its access key.{waiting}</p>
        <KeyForm onTaken={() => session.retry()} />
      </section>
    );
  }
  return (
    <section aria-label="The server does not accept edits" className="border border-ink bg-white px-3 py-2">
      <p>
        {trouble.sentence}
        {waiting}
      </p>
      <button type="button" className="action mt-1.5" onClick={() => session.retry()}>
        Try again
      </button>
    </section>
  );
}
