import {
  applyEdit,
  asId,
  SCHEMA_VERSION,
  shipped,
  withRevisions,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type PutBack,
  type Refusal,
  type Revisions,
} from '@wired-falcon/core';
import type { AircraftResponse, HistoryEntry, JournalEntry } from '@wired-falcon/contract';
import { responseOf } from './copies.ts';
import { followEntries } from './followEntries.ts';
import { History, newestPossible } from './history.ts';
import { Keeper } from './keeper.ts';
import { MessageList, restoredWords, takenUpWords } from './messages.ts';
import { rebuild, unknownUndo } from './rebuild.ts';
import { Sender, type Queue } from './sender.ts';
import type { Opened, SessionMessage, SessionState, SessionTools } from './sessionState.ts';
import { Questions, type SetAside } from './setAside.ts';
import type { SubmittedEdit } from './transport.ts';

/**
 * One aircraft being worked on: the confirmed document, the edits that are made here and not acknowledged yet, and those that
 * could not be made. Made edits show at once; a `Sender` brings them to the server, in order.
 */
export class EditSession implements Queue {
  #confirmed: Design;
  #pending: readonly SubmittedEdit[] = [];
  /** Edits that the person is being asked about. */
  #aside: readonly SetAside[] = [];
  readonly #history = new History();
  readonly #keeper: Keeper;
  readonly #sender: Sender;
  #state: SessionState;
  readonly #asked = new Questions();
  #isClosed = false;
  #listeners = new Set<() => void>();
  readonly #messages = new MessageList();

  constructor(
    readonly id: AircraftId,
    { loaded, from }: Opened,
    private readonly tools: SessionTools,
  ) {
    this.#confirmed = { ...withRevisions(shipped, loaded), aircraft: loaded.aircraft };
    this.#history.load(loaded.history);
    const { epoch, version } = loaded;
    this.#keeper = new Keeper({ epoch, version, edits: this.#pending, aside: this.#aside }, tools.keep, () => this.#set({}));
    this.#sender = new Sender(this, tools, from === 'server' ? undefined : { is: 'away' });
    this.#state = {
      design: this.#confirmed,
      seq: 1,
      last: { is: 'reset' },
      version,
      epoch,
      pending: 0,
      saving: 'saved',
      trouble: this.#sender.trouble,
      keeping: this.#keeper.keeping,
      savedAt: loaded.updatedAt,
      undo: this.#history.undo,
      redo: this.#history.redo,
      messages: this.#messages.all,
      conflicts: [],
    };
  }

  readonly getState = (): SessionState => this.#state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Makes an edit at once and sends it. A refusal changes nothing and is also shown as a message. */
  make(edit: Edit): { readonly refused: Refusal } | { readonly title: string } {
    const result = this.#make(edit);
    if ('refused' in result) this.say(result.refused.sentence);
    return result;
  }

  #make(edit: Edit): { readonly refused: Refusal } | { readonly title: string } {
    const undoes = this.#undoesOf(edit);
    const result = applyEdit(this.#state.design, edit, () => undoes ?? { refused: unknownUndo });
    if ('refused' in result) return result;
    const editId = asId<EditId>(this.tools.makeId());
    const submitted: SubmittedEdit = { editId, at: this.tools.now(), by: this.tools.author, schema: SCHEMA_VERSION, edit };
    this.#pending = [...this.#pending, submitted];
    this.#history.wait(this.#pending, [{ editId, title: result.title, inverse: result.inverse }]);
    this.#set({
      design: result.design,
      seq: this.#state.seq + 1,
      last: { is: 'edit', edit, ...(undoes === undefined ? {} : { undoes }) },
    });
    this.#sender.send();
    return { title: result.title };
  }

  /**
   * Takes up edits that a window which is gone had not sent, and that are not part of what this one has seen: they are made
   * again, in order, on what the document is now.
   */
  resume(edits: readonly SubmittedEdit[], aside: readonly SetAside[] = []): void {
    const known = new Set([...this.#pending, ...this.#aside.map(({ submitted }) => submitted)].map(({ editId }) => editId));
    const isFresh = ({ editId }: SubmittedEdit): boolean => !known.has(editId) && this.#history.inverseOf(editId) === undefined;
    const fresh = edits.filter(isFresh);
    const freshAside = aside.filter(({ submitted }) => isFresh(submitted));
    if (fresh.length + freshAside.length === 0) return;
    this.#aside = [...freshAside, ...this.#aside];
    // After those that are here: they may have arrived, with their answer lost, so that nothing may come before them.
    this.#rebuild([...this.#pending, ...fresh], fresh.length === 0 ? [] : [takenUpWords(fresh.length)]);
    this.#sender.send();
  }

  /** The person's word on an edit that was set aside: made on what is there now, or let go. */
  decide(editId: EditId, word: 'mine' | 'theirs'): void {
    const again = this.#state.conflicts.find((conflict) => conflict.editId === editId)?.again;
    if (word === 'mine' && again === undefined) return;
    this.#aside = this.#aside.filter(({ submitted }) => submitted.editId !== editId);
    this.#set({});
    if (word === 'mine' && again !== undefined) this.make(again);
  }

  /** Takes the newest of this person's edits back. Where others came in its way, says so and offers the next one that can be. */
  undo(): void {
    this.#takeBack(this.#history.undo, 'Undo', 'There is nothing to undo.');
  }

  /** Makes the edit again that was taken back last. */
  redo(): void {
    this.#takeBack(this.#history.redo, 'Redo', 'There is nothing to redo.');
  }

  #takeBack(stack: readonly HistoryEntry[], word: 'Undo' | 'Redo', nothing: string): void {
    const newest = stack.at(-1);
    if (newest === undefined) return this.say(nothing);
    const result = this.#make({ kind: 'undo', of: newest.editId });
    if (!('refused' in result)) return;
    const { sentence } = result.refused;
    const next = newestPossible(this.#state.design, stack);
    if (next === undefined) this.say(sentence);
    else this.say(sentence, { title: `${word} instead: ${next.title}`, edit: { kind: 'undo', of: next.editId } });
  }

  /** Does what a message offers. */
  take({ id, offer }: SessionMessage): void {
    this.dismiss(id);
    if (offer !== undefined) this.make(offer.edit);
  }

  /** Makes parts and dialects known, so that they can be added, chosen and adopted. */
  learn(revisions: Revisions): void {
    const { parts, dialects } = withRevisions(this.#confirmed, revisions);
    if (parts === this.#confirmed.parts && dialects === this.#confirmed.dialects) return;
    this.#confirmed = { ...this.#confirmed, parts, dialects };
    const design = { ...this.#state.design, ...withRevisions(this.#state.design, revisions) };
    this.#set({ design, seq: this.#state.seq + 1, last: { is: 'reset' } });
  }

  /** Shows a sentence until it is dismissed; one that is shown already is not shown twice. */
  say(sentence: string, offer?: SessionMessage['offer']): void {
    this.#messages.say(sentence, offer);
    this.#set({});
  }

  dismiss(id: number): void {
    this.#messages.dismiss(id);
    this.#set({});
  }

  /** Asks for what other windows and people did. Called now and then while the page is visible. */
  pull(): Promise<void> {
    return this.#sender.pull();
  }

  /** Tries again at once: the network is back, or the key was handed in. */
  retry(): void {
    this.#keeper.again();
    this.#sender.retry();
  }

  /** The confirmed document as the server would give it, for a window that opens while the server is away. */
  copy(): AircraftResponse {
    const { epoch, version, savedAt: updatedAt } = this.#state;
    return responseOf(this.#confirmed, { epoch, version, updatedAt, history: this.#history.confirmed });
  }

  /** Nobody looks at it any more: it must not take anything up, since it could tell nobody what became of it. */
  get isClosed(): boolean {
    return this.#isClosed;
  }

  close(): void {
    this.#isClosed = true;
    this.#sender.close();
    this.#listeners.clear();
  }

  // What the sender needs of the queue.

  get pending(): readonly SubmittedEdit[] {
    return this.#pending;
  }

  get aside(): readonly SetAside[] {
    return this.#aside;
  }

  get seen(): { readonly epoch: string; readonly version: number } {
    return this.#state;
  }

  onTrouble(): void {
    if (this.#sender.trouble !== undefined) this.#keeper.again();
    this.#set({});
  }

  /**
   * Takes in edits that are in the journal: those of others, and those of this window.
   * @returns false when they cannot be followed here, for example since one names a part that this window does not know
   */
  follow(entries: readonly JournalEntry[], isAllSeen: boolean): boolean {
    const followed = followEntries(this.#confirmed, this.#state.version, entries, (edit) => this.#undoesOf(edit));
    if (followed === undefined) return false;
    this.#confirmed = followed.design;
    for (const { entry, inverse } of followed.made) {
      const { editId, title, edit, by } = entry;
      if (by === this.tools.author) this.#history.confirm(edit, { editId, title, inverse });
    }
    const last = entries.at(-1);
    if (last !== undefined) this.#state = { ...this.#state, version: last.version, savedAt: last.at };
    // The queue may have been made anew while these were on their way: they were made as they were sent.
    const isAsSent = isAllSeen && entries.every((entry, i) => isSameEdit(entry, this.#pending[i]));
    const arrived = new Set(entries.map(({ editId }) => editId));
    const left = this.#pending.filter(({ editId }) => !arrived.has(editId));
    this.#aside = this.#aside.filter(({ submitted }) => !arrived.has(submitted.editId));
    if (isAsSent) this.#onlyAcknowledged(left);
    else this.#rebuild(left);
    return true;
  }

  /** The edits that were sent are acknowledged, and nothing else came between: what is shown stays as it is. */
  #onlyAcknowledged(left: readonly SubmittedEdit[]): void {
    this.#pending = left;
    this.#history.wait(left, []);
    this.#set({ savedAt: this.tools.now() });
  }

  /** Takes edits out that the journal holds already, as part of what this window has seen. */
  drop(editIds: ReadonlySet<EditId>): void {
    const left = this.#pending.filter(({ editId }) => !editIds.has(editId));
    const aside = this.#aside.filter(({ submitted }) => !editIds.has(submitted.editId));
    if (left.length === this.#pending.length && aside.length === this.#aside.length) return;
    this.#aside = aside;
    this.#rebuild(left);
  }

  /** Takes an edit out that the server refused, for the person to decide about. */
  setAside(submitted: SubmittedEdit, sentence: string, isUnfit: boolean): void {
    const left = this.#pending.filter(({ editId }) => editId !== submitted.editId);
    const { edit } = submitted;
    if (edit.kind === 'undo') return this.#rebuild(left, [sentence]);
    this.#aside = [...this.#aside, { submitted, sentence, ...(isUnfit ? { isUnfit } : {}) }];
    this.#rebuild(left);
  }

  /**
   * Begins anew with a document that need not have grown out of the one before; what waits is made again on it.
   * @param arrived what of it the document holds already
   */
  replace(loaded: AircraftResponse, arrived: ReadonlySet<EditId>): void {
    const isOtherEpoch = loaded.epoch !== this.#state.epoch;
    const isOlder = loaded.version < this.#state.version;
    this.#confirmed = { ...withRevisions(this.#confirmed, loaded), aircraft: loaded.aircraft };
    this.#history.load(loaded.history);
    const { epoch, version, updatedAt: savedAt } = loaded;
    this.#state = { ...this.#state, epoch, version, savedAt };
    const left = this.#pending.filter(({ editId }) => !arrived.has(editId));
    this.#aside = this.#aside.filter(({ submitted }) => !arrived.has(submitted.editId));
    this.#rebuild(left, isOtherEpoch || isOlder ? [restoredWords(left.length)] : []);
  }

  #undoesOf(edit: Edit): PutBack | undefined {
    return edit.kind === 'undo' ? this.#history.inverseOf(edit.of) : undefined;
  }

  /** Makes what waits again on the confirmed document. */
  #rebuild(waiting: readonly SubmittedEdit[], told: readonly string[] = []): void {
    const { design, pending, entries, aside, sentences } = rebuild(this.#confirmed, waiting, this.#aside, (of) =>
      this.#history.inverseOf(of),
    );
    this.#pending = pending;
    this.#aside = aside;
    this.#history.wait(pending, entries);
    this.#set({ design, seq: this.#state.seq + 1, last: { is: 'reset' } });
    for (const sentence of [...told, ...sentences]) this.say(sentence);
  }

  #set(change: Partial<SessionState>): void {
    const { trouble } = this.#sender;
    const state = { ...this.#state, ...change };
    const { design, epoch, version } = state;
    this.#keeper.want({ epoch, version, edits: this.#pending, aside: this.#aside });
    this.#state = {
      ...state,
      pending: this.#pending.length,
      saving: this.#pending.length === 0 ? 'saved' : trouble === undefined ? 'saving' : 'waiting',
      trouble,
      keeping: this.#keeper.keeping,
      undo: this.#history.undo,
      redo: this.#history.redo,
      messages: this.#messages.all,
      conflicts: this.#asked.on(design, this.#aside),
    };
    for (const listener of this.#listeners) listener();
  }
}

function isSameEdit(entry: JournalEntry, submitted: SubmittedEdit | undefined): boolean {
  return submitted?.editId === entry.editId && submitted.edit === entry.edit;
}
