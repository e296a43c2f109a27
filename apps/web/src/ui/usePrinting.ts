import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

let isPrinting = false;

/** True while the browser takes the page as it will be printed: what is drawn only in part is drawn whole then. */
export function usePrinting(): boolean {
  return useSyncExternalStore(subscribe, () => isPrinting);
}

function subscribe(tell: () => void): () => void {
  const begins = (): void => told(true, tell);
  const ends = (): void => told(false, tell);
  window.addEventListener('beforeprint', begins);
  window.addEventListener('afterprint', ends);
  return () => {
    window.removeEventListener('beforeprint', begins);
    window.removeEventListener('afterprint', ends);
  };
}

/** The page is taken as soon as the event is over, so that it has to be drawn by then. */
function told(now: boolean, tell: () => void): void {
  isPrinting = now;
  flushSync(tell);
}
