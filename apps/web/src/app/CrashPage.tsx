import { useRouteError } from 'react-router';

/** What a person sees when an address leads nowhere or a screen breaks. Edits that were made are saved or still queued. */
export function CrashPage() {
  const error = useRouteError();
  const isMissing = error === undefined || (typeof error === 'object' && error !== null && 'status' in error && error.status === 404);
  return (
    <main className="p-8">
      <h1 className="text-xl font-bold">{isMissing ? 'There is no such page' : 'This screen failed'}</h1>
      <p className="mt-2 max-w-prose">
        {isMissing
          ? 'Go back to the hangar and choose an aircraft.'
          : `Your edits are saved or kept in this browser. Load the page again. ${error instanceof Error ? error.message : ''}`}
      </p>
      {!isMissing && (
        <button type="button" className="action action-main mt-4" onClick={() => window.location.reload()}>
          Load again
        </button>
      )}
      <a className="mt-4 block underline" href="/">
        Back to the hangar
      </a>
    </main>
  );
}
