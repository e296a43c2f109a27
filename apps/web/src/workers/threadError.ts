/** Why a thread is gone: what it threw, or, where its script did not arrive, that; the event of that has no message, whatever its type says. */
export function threadError(event: Event): string {
  return 'message' in event && typeof event.message === 'string' && event.message !== ''
    ? event.message
    : 'Its script could not be loaded.';
}
