import { useRouteError } from 'react-router';

/** What a person sees when an address leads nowhere or a screen breaks. Edits that were made are saved or still queued. */
export function CrashPage() {
  const error = useRouteError();
  const isMissing = error === undefined || (typeof error === 'object' && error !== null && 'status' in error && error.status === 404);
  return (
    <main className="p-8">
      <h1 className="text-xl font-bold">{isMissing ? 'There is no such page' : 'This screen broke'}</h1>
      <p className="mt-2 max-w-prose">
        {isMissing
          ? 'Go back to the hangar and choose an aircraft.'
          : `Reload the page; what was saved is safe. ${error instanceof Error ? error.message : ''}`}
      </p>
      <a className="mt-4 inline-block underline" href="/">
        Back to the hangar
      </a>
    </main>
  );
}
