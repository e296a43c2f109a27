import {
  applyEdit,
  asId,
  shipped,
  newAircraft,
  nextReference,
  partKeyOf,
  sampleParts,
  type AircraftId,
  type Design,
  type ItemId,
  type Part,
} from '@wired-falcon/core';
import { Accounts, wrongAtRest, wrongNow } from './accounts.ts';
import { BrowserStore } from './browser.ts';
import { Chance } from './chance.ts';
import { Network, type Port } from './network.ts';
import type { RealWorkshop } from './realWorkshop.ts';
import { Window, type Browser } from './window.ts';

/** What happened in a world, and what was found wrong in it; nothing, if all is well. */
export interface WorldReport {
  readonly seed: number;
  readonly wrong: readonly string[];
  readonly steps: number;
  readonly edits: number;
  readonly requests: number;
  readonly restarts: number;
  readonly restores: number;
}

const PARTS: readonly Part[] = ['servo-9g', 'gnss-serial', 'telemetry']
  .map((word) => sampleParts.find(({ id }) => id.startsWith(word)))
  .filter((part) => part !== undefined);

const PORTS: readonly (readonly [number, Port])[] = [
  [6, 'server'],
  [2, 'nobody'],
  [1, 'stranger'],
  [1, 'busy'],
  [1, 'broken'],
];

/**
 * Some people with their browsers and windows work on one aircraft, over a network and a server to which all happens that may
 * happen; then all is well again, and what they have is compared with what the journal holds. The seed decides everything.
 */
export async function runWorld(workshop: RealWorkshop, seed: number): Promise<WorldReport> {
  const world = new World(workshop, seed);
  await world.begin();
  await world.live();
  await world.comeToRest();
  return world.report();
}

class World {
  readonly #id: AircraftId;
  readonly #chance: Chance;
  readonly #network: Network;
  readonly #browsers: readonly Browser[];
  readonly #wrong: string[] = [];
  readonly #windows: Window[] = [];
  readonly #accounts: Accounts;
  #steps = 0;
  #restarts = 0;
  #restores = 0;
  #hasBackup = false;
  #ids = 0;
  readonly #makeId = (): string => `w${this.seed}x${++this.#ids}`;
  readonly #isRestarted: boolean;
  readonly #isRestored: boolean;
  /** There are hours without trouble, in which everyone sees what the others did. */
  readonly #hasCalmHours: boolean;

  constructor(
    private readonly workshop: RealWorkshop,
    private readonly seed: number,
  ) {
    this.#id = asId<AircraftId>(`world${seed}`);
    this.#chance = new Chance(seed);
    const people = 2 + this.#chance.below(2);
    this.#browsers = Array.from({ length: people }, (_, i) => ({ name: `person ${i + 1}`, store: new BrowserStore(), key: 0 }));
    const keyOf = (name: string): number => this.#browsers.find((browser) => browser.name === name)?.key ?? -1;
    this.#network = new Network(workshop, this.#chance, keyOf);
    if (this.#chance.is(0.2)) this.#network.bodyLimit = 1500 + this.#chance.below(6000);
    this.#accounts = new Accounts(workshop, this.#windows);
    this.#isRestarted = seed % 10 === 3;
    this.#isRestored = seed % 10 === 7;
    this.#hasCalmHours = this.#chance.is(0.5);
  }

  async begin(): Promise<void> {
    let design: Design = { aircraft: newAircraft(this.#id, 'World'), ...shipped };
    for (const [i, part] of PARTS.entries()) {
      const item = {
        id: asId<ItemId>(`first${i}`),
        ref: nextReference(design.aircraft, part.kind),
        part: partKeyOf(part),
        where: 'aircraft' as const,
        settings: {},
      };
      const result = applyEdit(design, { kind: 'add-item', item });
      if ('design' in result) design = result.design;
    }
    this.workshop.acceptedNow = new Set();
    await this.workshop.create(design);
    for (const browser of this.#browsers) this.#openWindow(browser);
  }

  /** As much as happens in a day: each step is one thing that one of all does. */
  async live(): Promise<void> {
    const steps = 60 + this.#chance.below(140);
    for (let step = 0; step < steps; step++) {
      await this.#step();
      await this.#settle();
    }
  }

  async #step(): Promise<void> {
    const chance = this.#chance;
    const open = this.#windows.filter(({ isClosed }) => !isClosed);
    const working = open.filter(({ session }) => session !== undefined);
    const waiting = open.filter(({ hasTimers }) => hasTimers);
    const writing = this.#browsers.filter(({ store }) => !store.isQuiet);
    const act = chance.weighted<() => unknown>([
      [this.#network.isQuiet ? 0 : 30, () => this.#network.step(false)],
      [working.length > 0 ? 24 : 0, () => chance.of(working).act(PARTS)],
      [writing.length > 0 ? 14 : 0, () => chance.of(writing).store.step()],
      [waiting.length > 0 ? 6 : 0, () => chance.of(waiting).fire()],
      [working.length > 0 ? 5 : 0, () => void chance.of(working).session?.pull()],
      [open.length > 0 ? 4 : 0, () => void chance.of(open).open()],
      [working.length > 0 ? 2 : 0, () => chance.of(working).keepCopy()],
      [working.length > 0 ? 2 : 0, () => chance.of(working).takeUp()],
      [open.length > 0 ? 2 : 0, () => this.#closeWindow(chance.of(open))],
      [open.length < 5 ? 3 : 0, () => this.#openWindow(chance.of(this.#browsers))],
      [3, () => (this.#network.port = chance.weighted(PORTS) ?? 'server')],
      [0.4, () => (this.#network.key += 1)],
      [2, () => this.#handInKey(chance.of(this.#browsers))],
      [0.5, () => (chance.of(this.#browsers).store.isFull = chance.is(0.5))],
      [this.#hasCalmHours ? 8 : 0, () => this.#calmHour()],
      [this.#isRestarted ? 2 : 0, () => this.#restart()],
      [this.#isRestored && !this.#hasBackup ? 3 : 0, () => this.#backUp()],
      [this.#isRestored && this.#hasBackup ? 1.5 : 0, () => this.#restore()],
    ]);
    await act?.();
  }

  /** For once nothing is in the way: what waits arrives, and the windows that are open see it. */
  async #calmHour(): Promise<void> {
    this.#network.port = 'server';
    await this.#round();
  }

  /** Nothing is in the way any more. What waits arrives, and everyone sees it. */
  async comeToRest(): Promise<void> {
    this.#network.port = 'server';
    const before = this.#network.delivered;
    for (const { store } of this.#browsers) store.isFull = false;
    let calm = 0;
    for (let round = 0; calm < 3; round++) {
      const asked = this.#network.delivered - before;
      const isTooMuch = asked > 40 * this.#windows.length;
      if (isTooMuch || round > 400) {
        const what = isTooMuch ? `${asked} requests of ${this.#windows.length} windows` : `${round} rounds`;
        this.#wrong.push(`It does not come to rest in ${what}: ${this.#restless()}`);
        return;
      }
      calm = (await this.#round()) ? 0 : calm + 1;
    }
  }

  /** What is left to do, in words, for who looks into a world. */
  #restless(): string {
    const windows = this.#windows
      .filter(({ isClosed }) => !isClosed)
      .map(({ name, browser, session }) => {
        const state = session?.getState();
        return `${name} of ${browser.name}: ${state === undefined ? 'not open' : `${state.pending} wait, ${state.trouble?.is ?? 'no trouble'}`}`;
      });
    const records = this.#browsers.flatMap(({ name, store }) => [...store.records.keys()].map((session) => `${name} keeps ${session}`));
    return [...windows, ...records].join('; ');
  }

  /** @returns true when something still was to be done */
  async #round(): Promise<boolean> {
    for (const browser of this.#browsers) {
      this.#handInKey(browser);
      if (!this.#windows.some((window) => window.browser === browser && !window.isClosed)) this.#openWindow(browser);
    }
    const open = this.#windows.filter(({ isClosed }) => !isClosed);
    for (const window of open) {
      void window.open();
      window.takeUp();
      window.session?.retry();
      void window.session?.pull();
    }
    let isRestless = false;
    for (let n = 0; n < 2000 && !(this.#network.isQuiet && this.#browsers.every(({ store }) => store.isQuiet)); n++) {
      if (!this.#network.isQuiet) await this.#network.step(true);
      for (const { store } of this.#browsers) store.step();
      await this.#settle();
    }
    for (const { session } of open) {
      const state = session?.getState();
      if (state === undefined || state.pending > 0 || state.trouble !== undefined) isRestless = true;
    }
    const orphans = this.#browsers.some(({ store }) => [...store.records.keys()].some((name) => !store.alive.has(name)));
    return isRestless || orphans;
  }

  /** Compares what everyone has with what the journal holds. */
  async report(): Promise<WorldReport> {
    this.#wrong.push(...(await wrongAtRest(this.workshop, this.#id, this.#windows, this.#accounts)));
    const edits = new Set(this.#windows.flatMap(({ made }) => [...made.keys()])).size;
    const { seed } = this;
    return {
      seed,
      wrong: [...new Set(this.#wrong)],
      steps: this.#steps,
      edits,
      requests: this.#network.delivered,
      restarts: this.#restarts,
      restores: this.#restores,
    };
  }

  #openWindow(browser: Browser): void {
    const window = new Window(browser, this.#id, this.#network, this.#chance, this.#makeId);
    this.#windows.push(window);
    void window.open();
  }

  #closeWindow(window: Window): void {
    const { session } = window;
    if (session !== undefined && session.getState().keeping !== 'browser') this.#accounts.letGo(session);
    window.close(this.#chance.is(0.5));
  }

  /** The person is asked for the key when a window needs it, and types it. */
  #handInKey(browser: Browser): void {
    browser.key = this.#network.key;
    for (const { session, isClosed } of this.#windows.filter((window) => window.browser === browser))
      if (!isClosed && session?.getState().trouble?.is === 'key') session.retry();
  }

  async #restart(): Promise<void> {
    this.#restarts += 1;
    await this.workshop.restart();
  }

  #backUp(): void {
    this.#hasBackup = true;
    this.workshop.backUp(`world${this.seed}`);
  }

  async #restore(): Promise<void> {
    this.#restores += 1;
    await this.workshop.restore(`world${this.seed}`, this.#id);
  }

  /** Lets everything that follows from a step happen, and looks at what people are told then. */
  async #settle(): Promise<void> {
    this.#steps += 1;
    for (let turn = 0; turn < 4; turn++) await new Promise((resolve) => setImmediate(resolve));
    for (const window of this.#windows) {
      if (!window.isClosed) window.look();
    }
    this.#wrong.push(...wrongNow(this.#windows, this.#accounts));
  }
}
