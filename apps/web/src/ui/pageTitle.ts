import { useEffect } from 'react';

/** Names the browser's window after what is on it. */
export function usePageTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} - Wired Falcon`;
  }, [title]);
}
