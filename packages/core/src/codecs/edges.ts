/** A level on a wire. */
export type Level = 0 | 1;

/** A digital signal: the level that it begins with, and when it changes. Times in whole nanoseconds, rising; nothing is sampled. */
export interface Edges {
  readonly startsAt: Level;
  readonly atNs: readonly number[];
}

/** A signal that stays at a level. */
export function quiet(level: Level): Edges {
  return { startsAt: level, atNs: [] };
}

/** The same signal upside down. */
export function inverted({ startsAt, atNs }: Edges): Edges {
  return { startsAt: startsAt === 0 ? 1 : 0, atNs };
}

/** The level from the nth change on; of -1 the level at the start. */
export function levelAfter({ startsAt }: Edges, n: number): Level {
  return (startsAt + n + 1) % 2 === 0 ? 0 : 1;
}

/** Puts changes of level together to a signal, leaving out what changes nothing. */
export class EdgeWriter {
  readonly #atNs: number[] = [];
  readonly #startsAt: Level;
  #level: Level;

  constructor(startsAt: Level) {
    this.#startsAt = startsAt;
    this.#level = startsAt;
  }

  /** The level from a time on; times must not fall. */
  set(atNs: number, level: Level): void {
    if (level === this.#level) return;
    this.#level = level;
    // Two changes at one time are none.
    if (this.#atNs.at(-1) === atNs) this.#atNs.pop();
    else this.#atNs.push(atNs);
  }

  get edges(): Edges {
    return { startsAt: this.#startsAt, atNs: this.#atNs };
  }
}

/** A pulse: when it rises, and how long it is high, both in nanoseconds. */
export interface Pulse {
  readonly atNs: number;
  readonly widthNs: number;
}

/** Every whole pulse of a signal: high between a rise and a fall that are both seen. */
export function pulsesOf(edges: Edges): readonly Pulse[] {
  const pulses: Pulse[] = [];
  for (const [n, atNs] of edges.atNs.entries()) {
    const falls = edges.atNs[n + 1];
    if (levelAfter(edges, n) === 1 && falls !== undefined) pulses.push({ atNs, widthNs: falls - atNs });
  }
  return pulses;
}
