import {
  afterRow,
  applyEdit,
  asId,
  catalogue,
  emptyStacks,
  insist,
  partKeyOf,
  rebaseEdit,
  titleOf,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type Part,
  type PutBack,
  type Refusal,
  type UndoStacks,
} from '@wired-falcon/core';
import type { AircraftResponse, EditOutcome, HistoryEntry, JournalEntry } from '@wired-falcon/contract';
import { conflictFor, type Kept, type SessionState, type SessionTools } from './sessionState.ts';
import type { SubmittedEdit } from './transport.ts';

const RETRY_MS = 2000;

/**
 * One aircraft being worked on: the confirmed document, the edits that are made here and not acknowledged yet, and the one
 * request at a time that carries them, in order. Made edits show at once.
 */
export class EditSession {
  #confirmed: Design;
  #pending: readonly SubmittedEdit[] = [];
  /** Edits that the person is being asked about. */
  #asked: readonly SubmittedEdit[] = [];
  #kept: Kept = { version: 0, edits: [], asked: [] };
  #history = new Map<EditId, HistoryEntry>();
  #stacks: UndoStacks;
  #state: SessionState;
  #listeners = new Set<() => void>();
  #isSending = false;
  #cancelRetry: (() => void) | undefined;
  #messageCount = 0;
  #isClosed = false;

  constructor(
    readonly id: AircraftId,
    loaded: AircraftResponse,
    private readonly tools: SessionTools,
  ) {
    this.#confirmed = { aircraft: loaded.aircraft, parts: withParts(catalogue, loaded.parts) };
    const { undo, redo } = loaded.history;
    for (const entry of [...undo, ...redo]) this.#history.set(entry.editId, entry);
    this.#stacks = { undo: undo.map((entry) => entry.editId), redo: redo.map((entry) => entry.editId) };
    this.#state = {
      design: this.#confirmed,
      seq: 1,
      last: { is: 'reset' },
      version: loaded.version,
      pending: 0,
      saving: 'saved',
      savedAt: loaded.updatedAt,
      undo,
      redo,
      messages: [],
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
    const undoes = edit.kind === 'undo' ? this.#history.get(edit.of)?.inverse : undefined;
    const result = applyEdit(this.#state.design, edit, () => undoes ?? { refused: unknownUndo });
    if ('refused' in result) {
      this.say(result.refused.sentence);
      return result;
    }
    const editId = asId<EditId>(this.tools.makeId());
    const submitted: SubmittedEdit = { editId, at: this.tools.now(), by: this.tools.author, edit };
    this.#pending = [...this.#pending, submitted];
    this.#note(editId, edit, result.title, result.inverse);
    this.#set({
      design: result.design,
      seq: this.#state.seq + 1,
      last: { is: 'edit', edit, ...(undoes === undefined ? {} : { undoes }) },
    });
    void this.#send();
    return { title: result.title };
  }

  /** Takes up edits that a window which is gone had not sent: they are made again, in order, on what the document is now. */
  resume(edits: readonly SubmittedEdit[], asked: readonly SubmittedEdit[] = []): void {
    const known = new Set([...this.#pending, ...this.#asked].map((submitted) => submitted.editId));
    const fresh = edits.filter((submitted) => !known.has(submitted.editId));
    if (fresh.length === 0 && asked.length === 0) return;
    for (const { editId, edit } of fresh) {
      this.#stacks = afterRow(this.#stacks, { editId, undoOf: edit.kind === 'undo' ? edit.of : undefined });
    }
    this.#pending = [...fresh, ...this.#pending];
    this.#asked = [...asked.filter((submitted) => !known.has(submitted.editId)), ...this.#asked];
    this.#rebuild(
      fresh.length === 0
        ? undefined
        : `${fresh.length === 1 ? 'One edit' : `${fresh.length} edits`} of an earlier window had not reached the server and ${fresh.length === 1 ? 'is' : 'are'} taken up here.`,
    );
    void this.#send();
  }

  /** The person's word on an edit that others came in the way of: made on what stands there now, or let go. */
  decide(editId: EditId, word: 'mine' | 'theirs'): void {
    const again = this.#state.conflicts.find((conflict) => conflict.editId === editId)?.again;
    this.#asked = this.#asked.filter((submitted) => submitted.editId !== editId);
    this.#set({});
    if (word === 'mine' && again !== undefined) this.make(again);
  }

  /** Takes the newest of this person's edits back. */
  undo(): void {
    const of = this.#stacks.undo.at(-1);
    if (of === undefined) this.say('There is nothing to undo.');
    else this.make({ kind: 'undo', of });
  }

  /** Makes the edit again that was taken back last. */
  redo(): void {
    const of = this.#stacks.redo.at(-1);
    if (of === undefined) this.say('There is nothing to redo.');
    else this.make({ kind: 'undo', of });
  }

  /** Makes parts known, so that items of them can be added and adopted. */
  learn(parts: readonly Part[]): void {
    const fresh = parts.filter((part) => !this.#confirmed.parts.has(partKeyOf(part)));
    if (fresh.length === 0) return;
    this.#confirmed = { aircraft: this.#confirmed.aircraft, parts: withParts(this.#confirmed.parts, fresh) };
    const { aircraft, parts: known } = this.#state.design;
    this.#set({ design: { aircraft, parts: withParts(known, fresh) }, seq: this.#state.seq + 1, last: { is: 'reset' } });
  }

  /** Shows a sentence until it is dismissed. */
  say(sentence: string): void {
    this.#messageCount += 1;
    this.#set({ messages: [...this.#state.messages.slice(-2), { id: this.#messageCount, sentence }] });
  }

  dismiss(id: number): void {
    this.#set({ messages: this.#state.messages.filter((message) => message.id !== id) });
  }

  /** Asks for what other windows and people did. Called now and then while the page is visible. */
  async pull(): Promise<void> {
    if (this.#isSending || this.#pending.length > 0 || this.#isClosed) return;
    this.#isSending = true;
    try {
      const { edits } = await this.tools.transport.since(this.id, this.#state.version);
      if (edits.length > 0) await this.#catchUp(edits);
    } catch {
      // Nothing is lost by not having seen the others' edits yet; the next edit or pull asks again.
    } finally {
      this.#isSending = false;
    }
    void this.#send();
  }

  close(): void {
    this.#isClosed = true;
    this.#cancelRetry?.();
    this.#listeners.clear();
  }

  #set(change: Partial<SessionState>): void {
    const pending = this.#pending.length;
    const entries = (ids: readonly EditId[]): HistoryEntry[] =>
      ids.map((id) => this.#history.get(id)).filter((entry) => entry !== undefined);
    const isOffline = this.#isWaitingToRetry();
    this.#state = {
      ...this.#state,
      ...change,
      pending,
      saving: pending === 0 ? 'saved' : isOffline ? 'offline' : 'saving',
      undo: entries(this.#stacks.undo),
      redo: entries(this.#stacks.redo),
    };
    this.#state = { ...this.#state, conflicts: this.#asked.map((submitted) => conflictFor(this.#state.design, submitted)) };
    this.#keep();
    for (const listener of this.#listeners) listener();
  }

  #keep(): void {
    const { version } = this.#state;
    const isSame = this.#kept.edits === this.#pending && this.#kept.asked === this.#asked;
    if (isSame && (version === this.#kept.version || this.#pending.length === 0)) return;
    this.#kept = { version, edits: this.#pending, asked: this.#asked };
    this.tools.keep?.(this.#kept);
  }

  #note(editId: EditId, edit: Edit, title: string, inverse: PutBack): void {
    this.#history.set(editId, { editId, title, inverse });
    this.#stacks = afterRow(this.#stacks, { editId, undoOf: edit.kind === 'undo' ? edit.of : undefined });
  }

  async #send(): Promise<void> {
    if (this.#isSending || this.#isClosed || this.#pending.length === 0) return;
    this.#isSending = true;
    this.#cancelRetry?.();
    this.#cancelRetry = undefined;
    const batch = this.#pending.slice(0, 100);
    try {
      const answer = await this.tools.transport.submit(this.id, this.#state.version, batch);
      if (answer.is === 'stale') await this.#catchUp(answer.since);
      else this.#settle(batch, answer.outcomes, answer.version);
    } catch (error) {
      this.#onFailure(error);
    } finally {
      this.#isSending = false;
    }
    if (!this.#isWaitingToRetry()) void this.#send();
  }

  #isWaitingToRetry(): boolean {
    return this.#cancelRetry !== undefined;
  }

  /** The edits stay and are tried again; what the server will never take is dropped with its reason. */
  #onFailure(error: unknown): void {
    const answered = error instanceof Error && 'status' in error && typeof error.status === 'number' && error.status < 500;
    if (answered) {
      this.#pending = this.#pending.slice(1);
      this.#rebuild(error instanceof Error ? error.message : 'The server refused an edit.');
      return;
    }
    this.#cancelRetry = this.tools.later(() => {
      this.#cancelRetry = undefined;
      void this.#send();
    }, RETRY_MS);
    this.#set({});
  }

  #settle(batch: readonly SubmittedEdit[], outcomes: readonly EditOutcome[], version: number): void {
    const accepted = new Set(outcomes.filter((outcome) => outcome.is === 'accepted').map((outcome) => outcome.editId));
    const refused = outcomes.find((outcome) => outcome.is === 'refused');
    for (const submitted of batch) {
      if (accepted.has(submitted.editId)) this.#confirm(submitted.edit, this.#undoesOf(submitted.edit));
    }
    const done = new Set([...accepted, ...(refused === undefined ? [] : [refused.editId])]);
    this.#pending = this.#pending.filter((submitted) => !done.has(submitted.editId));
    this.#set({ version, savedAt: this.tools.now() });
    if (refused?.is === 'refused') this.#rebuild(refused.refusal.sentence);
  }

  #undoesOf(edit: Edit): PutBack | undefined {
    return edit.kind === 'undo' ? this.#history.get(edit.of)?.inverse : undefined;
  }

  /** False when the edit cannot be followed here, for example since it names a part that this window does not know. */
  #confirm(edit: Edit, undoes: PutBack | undefined): boolean {
    const result = applyEdit(this.#confirmed, edit, () => undoes ?? { refused: unknownUndo });
    if ('design' in result) this.#confirmed = result.design;
    return 'design' in result;
  }

  /** Takes in edits that were made elsewhere (or here, with the answer lost), then makes the pending ones again on top. */
  async #catchUp(entries: readonly JournalEntry[]): Promise<void> {
    const isFollowed = entries.every((entry) => this.#confirm(entry.edit, entry.undoes));
    const loaded = isFollowed ? undefined : await this.tools.transport.load(this.id, this.tools.author);
    if (loaded !== undefined) this.#confirmed = { aircraft: loaded.aircraft, parts: withParts(this.#confirmed.parts, loaded.parts) };
    if (entries.some((entry) => entry.by === this.tools.author && !this.#history.has(entry.editId))) void this.#reloadHistory();
    const arrived = new Set(entries.map((entry) => entry.editId));
    this.#pending = this.#pending.filter((submitted) => !arrived.has(submitted.editId));
    const version = loaded?.version ?? entries.at(-1)?.version ?? this.#state.version;
    this.#set({ version });
    this.#rebuild();
  }

  /** What this person did in another window can be undone here too. Until it is known, undo goes on with what was done here. */
  async #reloadHistory(): Promise<void> {
    try {
      const { history, parts } = await this.tools.transport.load(this.id, this.tools.author);
      this.learn(parts);
      for (const entry of [...history.undo, ...history.redo]) this.#history.set(entry.editId, entry);
      if (this.#pending.length > 0) return;
      this.#stacks = { undo: history.undo.map((entry) => entry.editId), redo: history.redo.map((entry) => entry.editId) };
      this.#set({});
    } catch {
      // The server is away; nothing is lost, and the next load of the page knows the whole history.
    }
  }

  /** Makes the pending edits again on the confirmed document. What no longer can be made is dropped, and its reason said. */
  #rebuild(sentence?: string): void {
    let design = this.#confirmed;
    const kept: SubmittedEdit[] = [];
    const sentences = sentence === undefined ? [] : [sentence];
    for (const submitted of this.#pending) {
      const { edit, renamed } = rebaseEdit(design, submitted.edit);
      const undoes = this.#undoesOf(edit);
      const result = applyEdit(design, edit, () => undoes ?? { refused: unknownUndo });
      if ('refused' in result) {
        // An edit that sets a value is asked about, never dropped: what was typed is the person's to let go.
        if (insist(design, edit) !== undefined) this.#asked = [...this.#asked, submitted];
        else sentences.push(`${titleOf(design, edit)} was not made: ${result.refused.sentence}`);
        this.#stacks = { undo: this.#stacks.undo.filter((id) => id !== submitted.editId), redo: emptyStacks.redo };
        continue;
      }
      design = result.design;
      kept.push({ ...submitted, edit });
      this.#history.set(submitted.editId, { editId: submitted.editId, title: result.title, inverse: result.inverse });
      for (const { from, to } of renamed) sentences.push(`${from} was used by someone else meanwhile; yours is now ${to}.`);
    }
    this.#pending = kept;
    this.#set({ design, seq: this.#state.seq + 1, last: { is: 'reset' } });
    for (const text of sentences) this.say(text);
  }
}

function withParts(known: Design['parts'], more: readonly Part[]): Design['parts'] {
  return new Map([...known, ...more.map((part) => [partKeyOf(part), part] as const)]);
}

const unknownUndo: Refusal = {
  code: 'unknown-edit',
  sentence: 'The edit to undo is not known here. Reload the page and try again.',
  about: [],
};
