import {
  byRank,
  cablesAtPort,
  findPin,
  fitPinMap,
  joinPins,
  joinRank,
  plainCable,
  proposeCable,
  takesSeveralCables,
  type Graph,
  type PinMap,
  type PortAt,
} from '@wired-falcon/core';
import { portOfPin } from '../selection/portOfPin.ts';
import type { EntryCommand, Suggestion } from './suggestion.ts';

interface Place {
  readonly at: PortAt;
  readonly n: number | undefined;
  readonly name: string;
}

/** More ports than these are not tried: each pair of them is a pin map to fit with every key. */
const MOST_FROM = 4;
const MOST_TO = 60;
const MOST_OFFERED = 12;

/** A cable that may be meant, with how much sense it makes. Its suggestion is made only where it is shown: it holds the whole edit. */
interface Offer {
  readonly rank: readonly number[];
  readonly suggestion: () => Suggestion;
}

/** `gnss1 > s4` wires two ports by meaning; `gnss1 uart.2 > fc1 s4.3` joins two pins of one cable. */
export const wireCommand: EntryCommand = {
  id: 'wire',
  example: 'gnss1 > s4',
  suggest: (text, { graph }) => {
    const [left, right, ...rest] = text.split('>');
    if (left === undefined || right === undefined || rest.length > 0) return [];
    const from = placesNamed(graph, left).slice(0, MOST_FROM);
    const to = placesNamed(graph, right).slice(0, MOST_TO);
    return from
      .flatMap((a) => to.filter((b) => b.at.itemId !== a.at.itemId).map((b) => wire(graph, a, b)))
      .sort((x, y) => byRank(x.rank, y.rank))
      .slice(0, MOST_OFFERED)
      .map(({ suggestion }) => suggestion());
  },
};

/** Ports, or pins, that a text can mean: `gnss1`, `gnss1 uart`, `s4`, `fc1 s4.2`. Controllers' ports come first. */
function placesNamed(graph: Graph, typed: string): Place[] {
  const [, words = '', digits] = /^(.*?)(?:\.(\d{1,2}))?$/.exec(typed.trim().toLowerCase()) ?? [];
  const wanted = words.split(/\s+/).filter((word) => word !== '');
  const n = digits === undefined ? undefined : Number(digits);
  const places = graph.items.flatMap(({ item, part }) =>
    (part?.ports ?? []).map((port) => ({ item, port, text: `${item.ref} ${port.label} ${port.id}`.toLowerCase() })),
  );
  return places
    .filter(({ text }) => wanted.every((word) => text.split(' ').some((part) => part.startsWith(word))))
    .flatMap(({ item, port }) => {
      const at = portOfPin(graph, { item: item.id, port: port.id });
      const isThere = n === undefined || port.pins.some((pin) => pin.n === n);
      return at === undefined || !isThere ? [] : [{ at, n, name: `${item.ref} ${port.label}${n === undefined ? '' : `.${n}`}` }];
    })
    .sort((x, y) => rank(graph, x) - rank(graph, y));
}

function rank(graph: Graph, place: Place): number {
  return graph.items[place.at.item]?.part?.kind === 'controller' ? 0 : 1;
}

function wire(graph: Graph, a: Place, b: Place): Offer {
  const text = `${a.name} > ${b.name}`;
  const shared = sharedCable(graph, a.at, b.at);
  if (a.n !== undefined && b.n !== undefined && shared !== undefined)
    return { rank: [0], suggestion: () => joinInside(graph, text, shared, a, b) };
  for (const { at } of [a, b]) {
    const [there] = cablesAtPort(graph, at.itemId, at.port.id);
    if (there !== undefined && !takesSeveralCables(at.port.connector))
      return impossible(text, `${at.ref} ${at.port.label} is taken by ${there.tag}`);
  }
  const map = fitPinMap(graph, a.at, b.at, 'meaning');
  if (map.pairs.length === 0) return impossible(text, 'no pin of one belongs to a pin of the other');
  return {
    rank: [1, ...joinRank(map, a.at)],
    suggestion: () => ({
      text,
      effect: effectOf(map, a.at),
      action: { is: 'edit', edit: proposeCable(graph, a.at, b.at, 'meaning').edit },
    }),
  };
}

/** What cannot be made comes after everything that can. */
function impossible(text: string, effect: string): Offer {
  return { rank: [2], suggestion: () => ({ text, effect, action: undefined }) };
}

function effectOf({ pairs, leftOut }: PinMap, { port }: PortAt): string {
  const crossed = pairs.some((pair) => port.pins[pair.a - 1]?.role === 'tx') ? ', pairs crossed' : '';
  const missing = leftOut.length > 0 ? `, ${leftOut.length} ${leftOut.length === 1 ? 'pin' : 'pins'} left out` : '';
  return `${pairs.length} ${pairs.length === 1 ? 'conductor' : 'conductors'} by meaning${crossed}${missing}`;
}

function sharedCable(graph: Graph, a: PortAt, b: PortAt) {
  return cablesAtPort(graph, a.itemId, a.port.id)
    .map((cable) => plainCable(graph, cable))
    .find((plain) => plain !== undefined && [plain.a, plain.b].every((at) => isAt(at, a) || isAt(at, b)));
}

function isAt(x: PortAt, y: PortAt): boolean {
  return x.itemId === y.itemId && x.port.id === y.port.id;
}

function joinInside(graph: Graph, text: string, plain: NonNullable<ReturnType<typeof sharedCable>>, a: Place, b: Place): Suggestion {
  const [first, second] = isAt(plain.a, a.at) ? [a.n ?? 1, b.n ?? 1] : [b.n ?? 1, a.n ?? 1];
  const pin = findPin(graph, { item: a.at.itemId, port: a.at.port.id, n: a.n ?? 1 });
  return {
    text,
    effect: `joins ${pin?.pin.label ?? ''} in ${plain.cable.tag}`,
    action: { is: 'edit', edit: joinPins(graph, plain, first, second) },
  };
}
