import {
  applyEdit,
  asId,
  nextReference,
  partKeyOf,
  rebaseEdit,
  withFreshIds,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type ItemId,
  type MakeId,
  type Part,
  type PutBack,
  type SimpleEdit,
} from '@wired-falcon/core';
import { EditSession } from '../../apps/web/src/session/editSession.ts';
import { failureOf } from '../../apps/web/src/session/failure.ts';
import type { Opened } from '../../apps/web/src/session/sessionState.ts';
import { takeUp } from '../../apps/web/src/session/takeUp.ts';
import { transportOver, type SubmittedEdit, type Transport } from '../../apps/web/src/session/transport.ts';
import { editFrom } from '../../packages/core/src/test/randomEdits/editFrom.ts';
import type { BrowserStore } from './browser.ts';
import type { Chance } from './chance.ts';
import type { Network } from './network.ts';

/** A browser: the person who uses it, what it keeps, and the key that was typed into it. */
export interface Browser {
  readonly name: string;
  readonly store: BrowserStore;
  key: number;
}

interface Timer {
  readonly task: () => void;
}

/** One window on the aircraft of a world, and what its person does. */
export class Window {
  readonly name: string;
  session: EditSession | undefined;
  /** Every edit that was made here, with those that were taken up. */
  readonly made = new Map<EditId, SubmittedEdit>();
  /** Those that the person was told of as not made, at some time. */
  readonly shown = new Set<EditId>();
  /** How often an undo was told not to be possible. */
  readonly saidOfUndo = new Set<string>();
  /** What a step found wrong about what was said to the person. */
  readonly wrong: string[] = [];
  readonly #transport: Transport;
  #timers: Timer[] = [];
  #opening = false;
  #isTakingUp = false;
  #closed = false;

  constructor(
    readonly browser: Browser,
    private readonly id: AircraftId,
    network: Network,
    private readonly chance: Chance,
    private readonly makeId: MakeId,
  ) {
    this.name = makeId();
    browser.store.alive.add(this.name);
    this.#transport = transportOver((address, init) =>
      network.fetch(browser.name, { address, body: typeof init?.body === 'string' ? init.body : undefined }),
    );
  }

  get isClosed(): boolean {
    return this.#closed;
  }

  get hasTimers(): boolean {
    return this.#timers.length > 0;
  }

  /** Opens the aircraft, or tries to: as the server has it, or as the browser kept it. */
  async open(): Promise<void> {
    if (this.session !== undefined || this.#opening || this.#closed) return;
    this.#opening = true;
    const opened = await this.#opened();
    this.#opening = false;
    if (opened === undefined || this.isClosed) return;
    const store = this.browser.store.seenBy(this.name);
    const { name: author } = this.browser;
    const session = new EditSession(this.id, opened, {
      transport: this.#transport,
      author,
      makeId: this.makeId,
      now: () => '2026-11-24T10:00:00.000Z',
      later: (task) => {
        const timer = { task };
        this.#timers.push(timer);
        return () => (this.#timers = this.#timers.filter((other) => other !== timer));
      },
      keep: (kept) => store.save({ aircraft: this.id, session: this.name, author, ...kept }),
    });
    this.session = session;
    session.subscribe(() => this.look());
    this.takeUp();
  }

  /** Takes up what closed windows left. */
  takeUp(): void {
    if (this.#isTakingUp || this.session === undefined) return;
    this.#isTakingUp = true;
    takeUp(this.session, this.browser.name, this.browser.store.seenBy(this.name), this.#transport).then(
      () => (this.#isTakingUp = false),
      () => (this.#isTakingUp = false),
    );
  }

  async #opened(): Promise<Opened | undefined> {
    try {
      return { loaded: await this.#transport.load(this.id, this.browser.name), from: 'server' };
    } catch (error) {
      const { copy } = this.browser.store;
      return failureOf(error).is === 'away' && copy !== undefined ? { loaded: structuredClone(copy), from: 'browser' } : undefined;
    }
  }

  /** Keeps the document for when the server is away. */
  keepCopy(): void {
    if (this.session !== undefined) this.browser.store.copy = structuredClone(this.session.copy());
  }

  close(isLost: boolean): void {
    this.#closed = true;
    this.session?.close();
    this.#timers = [];
    this.browser.store.crash(this.name, isLost);
  }

  /** One timer runs out. */
  fire(): void {
    const [timer] = this.#timers.splice(this.chance.below(this.#timers.length), 1);
    timer?.task();
  }

  /** Looks after each change at what the person is told, and notes what is there. */
  look(): void {
    const { session } = this;
    if (session === undefined) return;
    for (const submitted of session.pending) this.made.set(submitted.editId, submitted);
    for (const { submitted } of session.aside) {
      if (!this.shown.has(submitted.editId)) this.#lookAtRefusal(submitted.edit);
      this.made.set(submitted.editId, submitted);
      this.shown.add(submitted.editId);
    }
    for (const { sentence } of session.getState().messages) if (sentence.startsWith('Cannot undo')) this.saidOfUndo.add(sentence);
  }

  /** Names that others took are given out anew: for a name alone nothing is set aside. */
  #lookAtRefusal(edit: Edit): void {
    const { session } = this;
    const design = session?.getState().design;
    const result = design === undefined ? undefined : applyEdit(design, rebaseEdit(design, edit).edit);
    if (result !== undefined && 'refused' in result && result.refused.code === 'ref-taken')
      this.wrong.push(`An edit was not made for a name that was taken: ${result.refused.sentence}`);
  }

  /** The person does something. */
  act(parts: readonly Part[]): void {
    const { session, chance } = this;
    if (session === undefined) return;
    const { design, conflicts, messages, undo } = session.getState();
    chance.weighted<() => void>([
      [8, () => this.#edit({ kind: 'set-aircraft-name', name: `Name ${chance.below(1000)}`, was: design.aircraft.name })],
      [3, () => this.#edit({ kind: 'set-aircraft-note', note: `note ${chance.below(1000)}`, was: design.aircraft.note ?? '' })],
      [1, () => this.#edit({ kind: 'set-aircraft-note', note: `unfit \u202E ${chance.below(1000)}`, was: design.aircraft.note ?? '' })],
      [6, () => this.#addTwo(parts)],
      [8, () => this.#random()],
      [undo.length > 0 ? 9 : 0, () => this.#undo()],
      [2, () => session.redo()],
      [conflicts.length > 0 ? 4 : 0, () => session.decide(chance.of(conflicts).editId, chance.is(0.5) ? 'mine' : 'theirs')],
      [messages.length > 0 ? 3 : 0, () => session.take(chance.of(messages))],
    ])?.();
    this.look();
  }

  #edit(edit: Edit): void {
    this.session?.make(edit);
  }

  #random(): void {
    const { session, chance } = this;
    if (session === undefined) return;
    const draw = { kind: chance.below(100), x: chance.below(9999), y: chance.below(9999), z: chance.below(9999), isStale: chance.is(0.1) };
    const edit = editFrom(session.getState().design, draw);
    if (edit.kind !== 'batch') return this.#edit(withFreshIds(edit, this.makeId));
    const edits = edit.edits
      .map((one) => withFreshIds(one, this.makeId))
      .flatMap((one) => (one.kind === 'batch' || one.kind === 'undo' ? [] : [one]));
    this.#edit({ ...edit, edits });
  }

  /** Two of a kind in one batch, as a person adds "servo x2". */
  #addTwo(parts: readonly Part[]): void {
    const { session, chance } = this;
    if (session === undefined) return;
    const part = chance.of(parts);
    const { edits } = twoOf(session.getState().design, part, this.makeId);
    this.#edit({ kind: 'batch', title: `Add two: ${part.name}`, edits });
  }

  /** Undo does something, offers something, or there is nothing that can be taken back. */
  #undo(): void {
    const { session } = this;
    if (session === undefined) return;
    const before = session.getState();
    session.undo();
    const after = session.getState();
    if (after.pending > before.pending) return;
    const offer = after.messages.at(-1)?.offer;
    const could = before.undo.filter(({ editId, inverse }) => couldBePutBack(before.design, editId, inverse));
    if (offer === undefined && could.length > 0)
      this.wrong.push(`Undo is stuck, though "${could.at(-1)?.title ?? ''}" could be taken back.`);
  }
}

function couldBePutBack(design: Design, of: EditId, inverse: PutBack): boolean {
  return 'design' in applyEdit(design, { kind: 'undo', of }, () => inverse);
}

function twoOf({ aircraft }: Design, part: Part, makeId: MakeId): { readonly edits: SimpleEdit[] } {
  const edits = [0, 1].map((n): SimpleEdit => {
    const item = {
      id: asId<ItemId>(makeId()),
      ref: nextReference(aircraft, part.kind, n),
      part: partKeyOf(part),
      where: 'aircraft' as const,
      settings: {},
    };
    return { kind: 'add-item', item };
  });
  return { edits };
}
