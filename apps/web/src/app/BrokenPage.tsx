import { useRouteError } from 'react-router';

/** In the place of a page that could not be fetched. The frame around it works on. */
export function BrokenPage() {
  const error = useRouteError();
  return (
    <section role="alert" className="p-6">
      <h2 className="text-lg font-bold">This page could not be loaded</h2>
      <p className="mt-2 max-w-prose">
        Your edits are saved or kept in this browser, and the other pages work. {error instanceof Error ? error.message : ''}
      </p>
      <button type="button" className="action action-main mt-4" onClick={() => window.location.reload()}>
        Load again
      </button>
    </section>
  );
}
