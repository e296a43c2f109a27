/*
 * Which sessions live, in all windows of this browser: the queue of one that does not is taken up by the next. A lock is held as
 * long as a session lives, and the browser gives it back when its window is gone, however it went. Browsers give locks only at
 * addresses that they trust (this machine, or https); elsewhere windows ask each other, and one that does not answer is taken for
 * gone. Should it live after all, nothing is lost or doubled: the server makes each edit once.
 */

const LOCK = 'wired-falcon-session-';
/** How long windows are given to answer. */
const ANSWER_MS = 400;

const aliveHere = new Set<string>();
const endedHere = new Set<string>();

type Word = { readonly is: 'who' } | { readonly is: 'here'; readonly sessions: readonly string[] };

let channel: BroadcastChannel | undefined;

/** Where windows ask each other, opened when it is first needed; undefined where there are locks. */
function channelHere(): BroadcastChannel | undefined {
  if (channel !== undefined || lockManager() !== undefined || typeof BroadcastChannel === 'undefined') return channel;
  channel = new BroadcastChannel(LOCK);
  channel.addEventListener('message', ({ data }: MessageEvent<Word>) => {
    if (data.is === 'who' && aliveHere.size > 0) say({ is: 'here', sessions: [...aliveHere] });
  });
  return channel;
}

function say(word: Word): void {
  channelHere()?.postMessage(word);
}

/** Tells every window that a session lives, until what this gives is called or the window is gone. */
export function holdSession(session: string): () => void {
  aliveHere.add(session);
  channelHere();
  let end: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  void lockManager()?.request(`${LOCK}${session}`, () => ended);
  return () => {
    aliveHere.delete(session);
    endedHere.add(session);
    end();
  };
}

/** The sessions that live in this window and in others. */
export async function sessionsAlive(): Promise<ReadonlySet<string>> {
  const elsewhere = await (lockManager() === undefined ? sessionsThatAnswer() : sessionsWithLock());
  // A lock is given back a moment after its session has ended; what ended in this window is known at once.
  return new Set([...aliveHere, ...elsewhere.filter((session) => !endedHere.has(session))]);
}

async function sessionsWithLock(): Promise<readonly string[]> {
  const held = (await lockManager()?.query())?.held ?? [];
  return held.flatMap(({ name }) => (name?.startsWith(LOCK) === true ? [name.slice(LOCK.length)] : []));
}

function sessionsThatAnswer(): Promise<readonly string[]> {
  const answered: string[] = [];
  const listen = ({ data }: MessageEvent<Word>): void => {
    if (data.is === 'here') answered.push(...data.sessions);
  };
  channelHere()?.addEventListener('message', listen);
  say({ is: 'who' });
  return new Promise((resolve) => {
    setTimeout(() => {
      channelHere()?.removeEventListener('message', listen);
      resolve(answered);
    }, ANSWER_MS);
  });
}

function lockManager(): LockManager | undefined {
  return typeof navigator !== 'undefined' && 'locks' in navigator ? navigator.locks : undefined;
}
