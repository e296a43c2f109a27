/**
 * Has the application kept by the browser, so that a page opens while the server is away. While the server answers, a page comes
 * from it, so that a new build takes over at the next open. What the API answers is not kept here: the document has a copy of its
 * own (session/copies.ts), and edits their queue. Where a browser gives no service worker (plain HTTP beyond this machine)
 * everything works but opening a page while the server is away.
 */
export function keepThisBuild(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  // A browser that refuses (private windows) does without.
  window.addEventListener('load', () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), { once: true });
}
