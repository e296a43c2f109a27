import type { AircraftId, EditId } from '@wired-falcon/core';
import type { AircraftResponse, EditOutcome, JournalEntry } from '@wired-falcon/contract';
import { arrivedOf } from './arrivedOf.ts';
import { failureOf, NoAnswer, type Failure } from './failure.ts';
import type { SessionTools, Trouble } from './sessionState.ts';
import type { SetAside } from './setAside.ts';
import type { Seen, SubmittedEdit } from './transport.ts';

/** The edits of one window that wait, and what becomes of them. */
export interface Queue {
  readonly id: AircraftId;
  readonly seen: Seen;
  readonly pending: readonly SubmittedEdit[];
  readonly aside: readonly SetAside[];
  /** Takes in journal rows that come right after what was seen. @returns false when they cannot be followed */
  readonly follow: (entries: readonly JournalEntry[], isAllSeen: boolean) => boolean;
  /** Takes edits out that are part of what was seen. */
  readonly drop: (editIds: ReadonlySet<EditId>) => void;
  readonly setAside: (submitted: SubmittedEdit, sentence: string, isUnfit: boolean) => void;
  readonly replace: (loaded: AircraftResponse, arrived: ReadonlySet<EditId>) => void;
  /** Called when `trouble` changed. */
  readonly onTrouble: () => void;
}

/** How long after a failure it is tried again: soon when nobody answered, less often when the server said why not. */
const RETRY_MS: Readonly<Record<Trouble['is'], number>> = { away: 2000, key: 10_000, held: 10_000 };
/** The most that goes in one request. */
const MOST_AT_ONCE = 100;
/** A server that wants the document loaded anew again and again is not asked again without a pause. */
const MOST_LOADS = 2;

/**
 * Brings the edits of a queue to the server, one request at a time, in order. Only a refusal of an edit by this server takes
 * it out of the queue; whatever else goes wrong, it stays and is tried again.
 *
 * What is asked next follows from two facts: whether the document has to be loaded anew, and whether any edits wait.
 */
export class Sender {
  #trouble: Trouble | undefined;
  /** Its own document is not on the way to the server's: nothing is sent before it is loaded anew. */
  #mustLoad = false;
  #mostAtOnce = MOST_AT_ONCE;
  /** Since an edit was acknowledged: what helps helps at once. */
  #loadsInARow = 0;
  #isAsking = false;
  #isClosed = false;
  #cancelRetry: (() => void) | undefined;

  constructor(
    private readonly queue: Queue,
    private readonly tools: Pick<SessionTools, 'transport' | 'author' | 'later'>,
    trouble: Trouble | undefined,
  ) {
    this.#trouble = trouble;
  }

  get trouble(): Trouble | undefined {
    return this.#trouble;
  }

  /** Sends what waits, unless a request is under way, which sends what waits then when it ends, or a retry is due. */
  send(): void {
    if (this.#cancelRetry === undefined) void this.#run();
  }

  /** Tries at once. */
  retry(): void {
    this.#stopWaiting();
    void this.#run();
  }

  /** Asks for what others did, when nothing waits. */
  async pull(): Promise<void> {
    if (this.#isAsking || this.#isClosed || this.#hasWork()) return;
    await this.#guarded(async () => {
      const answer = await this.tools.transport.since(this.queue.id, this.queue.seen);
      if (this.#isClosed) return;
      if (answer.is === 'other-document') this.#mustLoad = true;
      else if (answer.edits.length > 0) this.#follow(answer.edits, false);
    });
    this.send();
  }

  close(): void {
    this.#isClosed = true;
    this.#stopWaiting();
  }

  #hasWork(): boolean {
    return this.#mustLoad || this.queue.pending.length > 0;
  }

  async #run(): Promise<void> {
    while (!this.#isAsking && !this.#isClosed && this.#cancelRetry === undefined && this.#hasWork()) {
      await this.#guarded(() => (this.#mustLoad ? this.#load() : this.#submit()));
    }
  }

  /** One request. What goes wrong is noted, and waited for. */
  async #guarded(request: () => Promise<void>): Promise<void> {
    this.#isAsking = true;
    try {
      await request();
      if (this.#isClosed) return;
      this.#stopWaiting();
      this.#setTrouble(undefined);
    } catch (error) {
      if (!this.#isClosed) this.#onFailure(failureOf(error));
    } finally {
      this.#isAsking = false;
    }
  }

  async #submit(): Promise<void> {
    const { id, seen, pending } = this.queue;
    const batch = pending.slice(0, this.#mostAtOnce);
    let answer;
    try {
      answer = await this.tools.transport.submit(id, seen, batch);
    } catch (error) {
      const failure = failureOf(error);
      if (failure.is !== 'too-large' && failure.is !== 'bad-edit') throw error;
      return this.#narrow(batch, failure.sentence);
    }
    if (this.#isClosed) return;
    this.#mostAtOnce = Math.min(MOST_AT_ONCE, this.#mostAtOnce * 2);
    switch (answer.is) {
      case 'other-document':
        this.#mustLoad = true;
        return;
      case 'stale':
        if (answer.since.length === 0) this.#mustLoad = true;
        else this.#follow(answer.since, false);
        return;
      case 'done':
        this.#loadsInARow = 0;
        this.#settle(batch, answer.outcomes, answer.version);
    }
  }

  /** Half as many, until the one is found that cannot be taken. */
  #narrow(batch: readonly SubmittedEdit[], sentence: string): void {
    const [only] = batch;
    if (only === undefined || this.#isClosed) return;
    if (batch.length > 1) this.#mostAtOnce = Math.floor(batch.length / 2);
    else this.queue.setAside(only, sentence, true);
  }

  #settle(batch: readonly SubmittedEdit[], outcomes: readonly EditOutcome[], version: number): void {
    const byId = new Map(batch.map((submitted) => [submitted.editId, submitted]));
    const seenVersion = this.queue.seen.version;
    const accepted: JournalEntry[] = [];
    const before = new Set<EditId>();
    for (const outcome of outcomes) {
      const submitted = byId.get(outcome.editId);
      if (outcome.is !== 'accepted' || submitted === undefined) continue;
      const { editId, at, by, edit } = submitted;
      if (outcome.version > seenVersion) accepted.push({ version: outcome.version, editId, at, by, title: outcome.title, edit });
      else before.add(editId);
    }
    // What it says was done has to lead from what was seen to where the server is; if not, something lies between that was not told.
    if (seenVersion + accepted.length !== version) {
      this.#mustLoad = true;
      return;
    }
    this.#follow(accepted, true);
    this.queue.drop(before);
    const refused = outcomes.find((outcome) => outcome.is === 'refused');
    const submitted = refused === undefined ? undefined : byId.get(refused.editId);
    if (refused !== undefined && submitted !== undefined) this.queue.setAside(submitted, refused.refusal.sentence, false);
  }

  #follow(entries: readonly JournalEntry[], isAllSeen: boolean): void {
    if (!this.queue.follow(entries, isAllSeen)) this.#mustLoad = true;
  }

  /** The document anew, with what of the waiting edits it holds already. */
  async #load(): Promise<void> {
    const { transport, author } = this.tools;
    if (this.#loadsInARow >= MOST_LOADS) {
      this.#loadsInARow = 0;
      throw new NoAnswer();
    }
    const loaded = await transport.load(this.queue.id, author);
    const arrived = await this.#arrivedUntil(loaded.version);
    if (this.#isClosed) return;
    this.#loadsInARow += 1;
    this.#mustLoad = false;
    this.queue.replace(loaded, arrived);
  }

  /** Which of the waiting edits are in the journal up to a version; what came later is told by the edits since. */
  async #arrivedUntil(version: number): Promise<ReadonlySet<EditId>> {
    const { id, pending, aside } = this.queue;
    const asked = [...pending, ...aside.map(({ submitted }) => submitted)].map(({ editId }) => editId);
    const arrived = await arrivedOf(this.tools.transport, id, asked);
    return new Set([...arrived].filter(([, at]) => at <= version).map(([editId]) => editId));
  }

  #onFailure(failure: Failure): void {
    const trouble: Trouble = failure.is === 'too-large' || failure.is === 'bad-edit' ? { is: 'held', sentence: failure.sentence } : failure;
    this.#stopWaiting();
    this.#cancelRetry = this.tools.later(() => {
      this.#cancelRetry = undefined;
      void this.#run();
    }, RETRY_MS[trouble.is]);
    this.#setTrouble(trouble);
  }

  #setTrouble(trouble: Trouble | undefined): void {
    if (trouble === this.#trouble) return;
    this.#trouble = trouble;
    this.queue.onTrouble();
  }

  #stopWaiting(): void {
    this.#cancelRetry?.();
    this.#cancelRetry = undefined;
  }
}
