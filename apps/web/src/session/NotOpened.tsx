import { failureOf } from './failure.ts';
import { KeyForm } from './KeyForm.tsx';

/** In the place of an aircraft that could not be opened: why, and what to do. */
export function NotOpened({ error, onRetry }: { readonly error: Error; readonly onRetry: () => void }) {
  const failure = failureOf(error);
  return (
    <main className="p-6">
      <h1 className="text-xl font-bold">
        {failure.is === 'key' ? 'This workshop needs its access key' : 'This aircraft cannot be opened'}
      </h1>
      {failure.is === 'key' ? (
        <div className="mt-3">
          <KeyForm onTaken={onRetry} />
        </div>
      ) : (
        <>
          <p className="mt-2 max-w-prose">
            {failure.is === 'away'
              ? 'The server does not answer, and this browser has not seen the aircraft before. Edits that were made here wait until it is back.'
              : error.message}
          </p>
          <button type="button" className="action action-main mt-4" onClick={onRetry}>
            Try again
          </button>
        </>
      )}
      <a className="mt-4 block underline" href="/">
        Back to the hangar
      </a>
    </main>
  );
}
