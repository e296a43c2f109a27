import { EdgeWriter, inverted, levelAfter, type Edges, type Level } from './edges.ts';

/** How bytes go over a serial wire. */
export interface UartFrame {
  readonly baud: number;
  readonly parity: 'none' | 'even' | 'odd';
  readonly stopBits: 1 | 2;
  /** True where the wire idles low and a start bit is high, as SBUS has it. */
  readonly isInverted: boolean;
}

const DATA_BITS = 8;
const NS_PER_S = 1e9;

/** How long a byte is on the wire, in nanoseconds, start and stop bits included. */
export function byteNs({ baud, parity, stopBits }: UartFrame): number {
  return ((1 + DATA_BITS + (parity === 'none' ? 0 : 1) + stopBits) * NS_PER_S) / baud;
}

/**
 * Bytes as the signal on the wire, one right after the other.
 * @param startNs when the first start bit begins
 */
export function edgesOfBytes(bytes: readonly number[], frame: UartFrame, startNs = 0): Edges {
  const bitNs = NS_PER_S / frame.baud;
  const writer = new EdgeWriter(1);
  let bit = 0;
  const put = (level: Level): void => {
    writer.set(startNs + Math.round(bit * bitNs), level);
    bit += 1;
  };
  for (const byte of bytes) {
    put(0);
    for (let i = 0; i < DATA_BITS; i++) put(bitOf(byte, i));
    if (frame.parity !== 'none') put(parityOf(byte, frame.parity));
    for (let i = 0; i < frame.stopBits; i++) put(1);
  }
  return frame.isInverted ? inverted(writer.edges) : writer.edges;
}

/** A byte as a receiver gets it. */
export interface ReceivedByte {
  readonly atNs: number;
  readonly byte: number;
  /** What is wrong with it: the stop bit was low, or the parity does not fit. */
  readonly error: 'framing' | 'parity' | undefined;
}

/** What a receiver that is set to a frame makes of a signal: it looks for a start edge and samples every bit in its middle. */
export function bytesOfEdges(edges: Edges, frame: UartFrame): readonly ReceivedByte[] {
  const line = new Reader(frame.isInverted ? inverted(edges) : edges);
  const bitNs = NS_PER_S / frame.baud;
  const bitsBeforeStop = 1 + DATA_BITS + (frame.parity === 'none' ? 0 : 1);
  const received: ReceivedByte[] = [];
  let next = line.fallAfter(-Infinity);
  while (next !== undefined) {
    const start = next;
    const sample = (bit: number): Level => line.levelAt(start + (bit + 0.5) * bitNs);
    // A start bit that is high again in its middle was noise.
    if (sample(0) === 1) {
      next = line.fallAfter(start);
      continue;
    }
    let byte = 0;
    for (let i = 0; i < DATA_BITS; i++) byte |= sample(1 + i) << i;
    const isParityRight = frame.parity === 'none' || sample(1 + DATA_BITS) === parityOf(byte, frame.parity);
    const isWhole = sample(bitsBeforeStop) === 1;
    received.push({ atNs: start, byte, error: !isWhole ? 'framing' : isParityRight ? undefined : 'parity' });
    next = line.fallAfter(start + (bitsBeforeStop + 0.5) * bitNs);
  }
  return received;
}

function bitOf(byte: number, i: number): Level {
  return ((byte >> i) & 1) === 1 ? 1 : 0;
}

function parityOf(byte: number, parity: 'even' | 'odd'): Level {
  let ones = 0;
  for (let i = 0; i < DATA_BITS; i++) ones += bitOf(byte, i);
  return (ones % 2 === 1) === (parity === 'even') ? 1 : 0;
}

/** Goes along a signal; what is asked for lies ever later. */
class Reader {
  readonly #edges: Edges;
  /** The last change at or before where it was looked. */
  #at = -1;

  constructor(edges: Edges) {
    this.#edges = edges;
  }

  levelAt(ns: number): Level {
    this.#goTo(ns);
    return levelAfter(this.#edges, this.#at);
  }

  /** The next change from high to low behind a time. */
  fallAfter(ns: number): number | undefined {
    this.#goTo(ns);
    for (let n = this.#at + 1; n < this.#edges.atNs.length; n++) if (levelAfter(this.#edges, n) === 0) return this.#edges.atNs[n];
    return undefined;
  }

  #goTo(ns: number): void {
    const { atNs } = this.#edges;
    for (let next = atNs[this.#at + 1]; next !== undefined && next <= ns; next = atNs[this.#at + 1]) this.#at += 1;
  }
}
