import type { AircraftId } from '@wired-falcon/core';
import { makeId } from './author.ts';
import { keepCopy } from './copies.ts';
import { EditSession } from './editSession.ts';
import { browserPendingStore } from './pendingStore.ts';
import { holdSession } from './sessionsAlive.ts';
import type { Opened } from './sessionState.ts';
import { takeUp } from './takeUp.ts';
import { transport } from './transport.ts';

const PULL_MS = 5000;
/** The copy for when the server is away follows the document at this distance at the most. */
const COPY_MS = 500;

/** A session on an aircraft that was opened, with everything of the browser around it. Ended by what is given beside it. */
export function startSession(id: AircraftId, opened: Opened, author: string): { readonly session: EditSession; readonly end: () => void } {
  const name = makeId();
  const release = holdSession(name);
  const session = new EditSession(id, opened, {
    transport,
    author,
    makeId,
    now: () => new Date().toISOString(),
    later: (task, ms) => {
      const timer = setTimeout(task, ms);
      return () => clearTimeout(timer);
    },
    keep: (kept) => browserPendingStore.save({ aircraft: id, session: name, author, ...kept }),
  });
  const stopCopies = followWithCopies(session, author);
  let isTakingUp = false;
  const takeUpTheRest = (): void => {
    if (isTakingUp) return;
    isTakingUp = true;
    takeUp(session, author, browserPendingStore, transport)
      // A browser that has no such store has nothing to take up either.
      .catch(() => undefined)
      .finally(() => (isTakingUp = false));
  };
  takeUpTheRest();
  const timer = setInterval(() => {
    if (document.visibilityState !== 'visible') return;
    takeUpTheRest();
    void session.pull();
  }, PULL_MS);
  const onOnline = (): void => session.retry();
  window.addEventListener('online', onOnline);
  return {
    session,
    end: () => {
      clearInterval(timer);
      window.removeEventListener('online', onOnline);
      stopCopies();
      session.close();
      release();
    },
  };
}

/** Keeps a copy of the confirmed document in this browser, some time after each change of it and at the end. */
function followWithCopies(session: EditSession, author: string): () => void {
  let kept = '';
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = (): void => {
    timer = undefined;
    const { epoch, version } = session.getState();
    if (kept === `${epoch} ${version}`) return;
    kept = `${epoch} ${version}`;
    // Where the browser has no room the aircraft cannot be opened while the server is away; nothing else hangs on it.
    keepCopy({ aircraft: session.id, author, savedAt: new Date().toISOString(), loaded: session.copy() }).catch(() => (kept = ''));
  };
  const stop = session.subscribe(() => (timer ??= setTimeout(keep, COPY_MS)));
  timer = setTimeout(keep, COPY_MS);
  return () => {
    stop();
    clearTimeout(timer);
    keep();
  };
}
