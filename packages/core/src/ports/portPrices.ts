import { portOfEndpoint } from '../model/endpointPins.ts';
import type { LinkKindId } from '../model/linkIds.ts';
import type { Endpoint } from '../model/part.ts';
import type { BoardPort } from './boardPorts.ts';
import type { LinkSeeker } from './linkSeekers.ts';

/** One thing that speaks against a port, or for another: a sentence for a person and a number for the search. */
export interface Price {
  readonly words: string;
  readonly cost: number;
}

export function priceOf(prices: readonly Price[]): number {
  return prices.reduce((sum, { cost }) => sum + cost, 0);
}

/** What costs how much. What is wired stays unless something is gained that no port otherwise gives. */
const COSTS = {
  moved: 100,
  remade: 6,
  labelledForOther: 12,
  notLabelled: 4,
  soldered: 2,
} as const;

/** What leaving a link out costs, that an item needs and that it can do without: beyond all prices of ports together. */
export const LEFT_OUT = { needed: 1_000_000, optional: 10_000 } as const;
/** What a rule that gives way costs: less than a link, more than all ports. */
export const GIVES_WAY = 100_000;

/** Words on boards, and the links that they are meant for. */
const LABELS: readonly (readonly [RegExp, readonly LinkKindId[]])[] = [
  [/\b(rc|sbus|sat)\b/i, ['rc']],
  [/\b(pos|position|gps|gnss)\b/i, ['position', 'heading']],
  [/\b(telem|radio|link|tel)\b/i, ['telemetry', 'companion']],
  [/\bvideo\b/i, ['text']],
  [/\btelemetry\b/i, ['motor-reports']],
  [/\bpower\b/i, ['battery']],
  [/\bconsole\b/i, []],
];

/** What of the price hangs on where the port is, what is printed beside it and how it is joined. */
export function placePrices({ now, kinds, entry, cabledTo }: LinkSeeker, from: readonly Endpoint[], port: BoardPort): Price[] {
  if (now?.item === port.item && port.endpoints.some(({ id }) => id === now.endpoint) && from.some(({ id }) => id === now.from)) return [];
  if (now === undefined && cabledTo.has(`${port.entry.item.id} ${port.port}`)) {
    return [{ words: 'the present cable has to be remade', cost: COSTS.remade }];
  }
  const name = port.title.slice(port.entry.item.ref.length + 1);
  const meant = LABELS.find(([word]) => word.test(name))?.[1];
  return [
    ...(now === undefined ? [] : [{ words: 'it has to be moved', cost: COSTS.moved }]),
    ...(meant === undefined
      ? port.isBus
        ? []
        : [{ words: `"${name}" does not mention it`, cost: COSTS.notLabelled }]
      : meant.some((kind) => kinds.includes(kind))
        ? []
        : [{ words: `"${name}" uses it for something else`, cost: COSTS.labelledForOther }]),
    ...(isPluggable(entry, from, port) ? [] : [{ words: 'it is soldered', cost: COSTS.soldered }]),
  ];
}

function isPluggable(entry: LinkSeeker['entry'], [from]: readonly Endpoint[], port: BoardPort): boolean {
  const own = from === undefined ? undefined : portOfEndpoint(from);
  const ports = [entry.part?.ports.find(({ id }) => id === own), port.entry.part?.ports.find(({ id }) => id === port.port)];
  return ports.every((one) => one !== undefined && !SOLDERED.includes(one.connector.family));
}

const SOLDERED: readonly string[] = ['solder-pad', 'power-pad'];
