import {
  byRank,
  findPin,
  joinMap,
  joinRank,
  joinWay,
  mateName,
  pinsOfStretch,
  loomOf,
  planJoin,
  splicesFor,
  type Graph,
  type JoinWay,
  type MateId,
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

/** A join that may be meant, with how much sense it makes. Its suggestion is made only where it is shown: it holds the whole edit. */
interface Offer {
  readonly rank: readonly number[];
  readonly suggestion: () => Suggestion;
}

/** `gnss1 > s4` joins two ports by signal; `gnss1 uart.2 > fc1 s4.3` joins two pins. */
export const wireCommand: EntryCommand = {
  id: 'wire',
  example: 'gnss1 > s4',
  suggest: (text, { graph }) => {
    const [left, right, ...rest] = text.split('>');
    if (left === undefined || right === undefined || rest.length > 0) return [];
    const from = placesNamed(graph, left).slice(0, MOST_FROM);
    const to = placesNamed(graph, right).slice(0, MOST_TO);
    return from
      .flatMap((a) => to.filter((b) => b.at.itemId !== a.at.itemId).map((b) => join(graph, a, b)))
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

/** Free ports come before those that hold a plug: there the cable gets a branch. */
const WAY_RANK: Readonly<Record<JoinWay['is'], number>> = { cable: 0, inside: 1, branch: 1, merge: 2, mated: 3 };

function join(graph: Graph, a: Place, b: Place): Offer {
  const text = `${a.name} > ${b.name}`;
  const wish = a.n === undefined || b.n === undefined ? 'meaning' : { a: a.n, b: b.n };
  const map = joinMap(graph, a.at, b.at, wish);
  const way = joinWay(graph, map.a, map.b);
  if (map.pairs.length === 0 || way.is === 'mated') return impossible(text, whyNone(graph, way));
  return {
    // A branch that needs no splice comes before one that does: what is in the plug already is seldom wanted twice.
    rank: [WAY_RANK[way.is], splicesFor(graph, map) === 0 ? 0 : 1, ...joinRank(map)],
    suggestion: () => {
      const edit = planJoin(graph, a.at, b.at, wish);
      if (edit === undefined) return { text, effect: whyNone(graph, way), action: undefined };
      return { text, effect: effectOf(graph, way, map, a, b), action: { is: 'edit', edit } };
    },
  };
}

function whyNone(graph: Graph, way: JoinWay): string {
  if (way.is === 'mated') return `occupied: ${matedWords(graph, way.mate)}`;
  if (way.is === 'inside') return `${loomOf(way).tag} already connects them`;
  return way.is === 'cable' ? 'no pins of the two belong together' : 'no pin is left to connect';
}

/** What cannot be made comes after everything that can. */
function impossible(text: string, effect: string): Offer {
  return { rank: [Infinity], suggestion: () => ({ text, effect, action: undefined }) };
}

/** What Enter will do: in which cable, with how many conductors, and what is left out or spliced. */
function effectOf(graph: Graph, way: JoinWay, map: PinMap, a: Place, b: Place): string {
  const { pairs, leftOut } = map;
  const isByPin = a.n !== undefined && b.n !== undefined;
  const crossed = !isByPin && pairs.some((pair) => map.a.port.pins[pair.a - 1]?.role === 'tx') ? ', pairs crossed' : '';
  const missing = !isByPin && leftOut.length > 0 ? `, ${count(leftOut.length, 'pin')} left out` : '';
  const splices = splicesFor(graph, map);
  const spliced = splices === 0 ? '' : `, ${count(splices, 'splice')}`;
  const what = isByPin ? `1 conductor, ${pinLabel(graph, a)} to ${pinLabel(graph, b)}` : `${count(pairs.length, 'conductor')} by signal`;
  return `${wayWords(way)}${what}${seatWords(map)}${crossed}${missing}${spliced}`;
}

/** Over which pins of a row plugs go: `, on FC1 servos pins 4-6`. */
function seatWords({ a, b }: PinMap): string {
  return [a, b]
    .filter(({ stretch }) => stretch !== undefined)
    .map((at) => `, on ${at.ref} ${at.port.label}${pinsOfStretch(at)}`)
    .join('');
}

function matedWords({ design }: Graph, id: MateId): string {
  const mate = design.aircraft.mates[id];
  return mate === undefined ? 'another port' : mateName(design, mate);
}

function wayWords(way: JoinWay): string {
  switch (way.is) {
    case 'cable':
    case 'mated':
      return '';
    case 'branch':
      return `branch of ${way.of.cable.tag}: `;
    case 'inside':
      return `in ${way.a.cable.tag}: `;
    case 'merge':
      return `${way.b.cable.tag} becomes part of ${way.a.cable.tag}: `;
  }
}

function count(n: number, thing: string): string {
  return `${n} ${n === 1 ? thing : `${thing}s`}`;
}

function pinLabel(graph: Graph, { at, n }: Place): string {
  return n === undefined ? '' : (findPin(graph, { item: at.itemId, port: at.port.id, n })?.pin.label ?? String(n));
}
