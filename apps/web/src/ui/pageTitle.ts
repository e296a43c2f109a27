import { useEffect } from 'react';

/** Names the browser's window after what is on it. @param title undefined where something else names it */
export function usePageTitle(title: string | undefined): void {
  useEffect(() => {
    if (title !== undefined) document.title = `${title} - Wired Falcon`;
  }, [title]);
}
