import type { Graph } from '../../graph/graph.ts';
import type { Endpoint } from '../../model/part.ts';
import { endKey, type Facet, type Hop, type HopEnd, type Medium } from './hop.ts';
import { analogFacets, canFacets, i2cFacets } from './busFacets.ts';
import { rcFacets } from './rcFacets.ts';
import { fixedSide } from './sides.ts';
import { sharedCopper, type PinnedEnd } from './sharedCopper.ts';

/** How two endpoints that share copper are one hop. */
interface CopperRule {
  readonly medium: Medium;
  /** True where the first talks to the second by such a hop; told whether its pin is that of a serial port too, whose hop it is then. */
  readonly joins: (from: Endpoint, to: Endpoint, pins: readonly [string, string], isAlsoSerial: boolean) => boolean;
  readonly facets: (graph: Graph, from: PinnedEnd, to: PinnedEnd) => readonly Facet[];
}

/** One entry a medium. Serial wires have their own rules, since parts are looked through. */
const RULES: readonly CopperRule[] = [
  {
    medium: 'rc',
    joins: (from, to, [, pin], isAlsoSerial) =>
      from.is === 'rc-out' && (to.is === 'rc-in' || (to.is === 'uart' && to.rx === pin && !isAlsoSerial)),
    facets: rcFacets,
  },
  {
    medium: 'i2c',
    joins: (from, to, pins) => from.is === 'i2c-device' && to.is === 'i2c-host' && from.sda === pins[0] && to.sda === pins[1],
    facets: (graph, from, to) => i2cFacets(graph, from.end, to.end),
  },
  {
    medium: 'can',
    joins: (from, to, pins) => from.is === 'can' && to.is === 'can' && from.high === pins[0] && to.high === pins[1],
    facets: (graph, from, to) => canFacets(graph, from.end, to.end),
  },
  {
    medium: 'analog',
    joins: (from, to) => from.is === 'analog-out' && to.is === 'analog-sense',
    facets: (_, from, to) => analogFacets(from.end, to.end),
  },
  {
    medium: 'video',
    joins: (from, to) => from.is === 'video-out' && to.is === 'video-in',
    facets: (_, { endpoint: from }, { endpoint: to }) =>
      from.is === 'video-out' && to.is === 'video-in' ? [standardFacet(from.standards, to.standards)] : [],
  },
  {
    medium: 'usb',
    joins: (from, to) => from.is === 'usb' && to.is === 'usb',
    facets: (_, from, to) => usbFacet(from.endpoint, to.endpoint),
  },
  { medium: 'network', joins: (from, to) => from.is === 'network' && to.is === 'network', facets: () => [] },
];

function standardFacet(sends: readonly string[], reads: readonly string[]): Facet {
  const agree = sends.some((standard) => reads.includes(standard));
  return {
    id: 'standard',
    title: 'video standard',
    a: fixedSide(sends.join(' or ')),
    b: fixedSide(reads.join(' or ')),
    verdict: agree ? 'agree' : 'differ',
  };
}

function usbFacet(from: Endpoint, to: Endpoint): Facet[] {
  if (from.is !== 'usb' || to.is !== 'usb') return [];
  const kinds = [from.as, to.as];
  const verdict = kinds.includes(undefined) ? 'unknown' : kinds[0] === kinds[1] ? 'differ' : 'agree';
  return [{ id: 'kind', title: 'host and device', a: fixedSide(from.as), b: fixedSide(to.as), verdict }];
}

/** Every hop over copper but serial wires, each pair of endpoints once, in natural order. */
export function copperHops(graph: Graph): readonly Hop[] {
  const hops = new Map<string, Hop>();
  for (const sharing of sharedCopper(graph).values()) {
    if (sharing.length < 2) continue;
    for (const from of sharing) for (const to of sharing) addHop(graph, hops, from, to);
  }
  return [...hops.values()];
}

function addHop(graph: Graph, hops: Map<string, Hop>, from: PinnedEnd, to: PinnedEnd): void {
  if (from.end.item === to.end.item) return;
  const isAlsoSerial = from.end.entry.part?.endpoints.some((other) => other.is === 'uart' && other.tx === from.pin) === true;
  const rule = RULES.find(({ joins }) => joins(from.endpoint, to.endpoint, [from.pin, to.pin], isAlsoSerial));
  if (rule === undefined) return;
  const keys = [endKey(from.end), endKey(to.end)];
  const key = keys.join(' - ');
  if (hops.has(key) || hops.has([...keys].reverse().join(' - '))) return;
  const ends: readonly [HopEnd, HopEnd] = [from.end, to.end];
  hops.set(key, { medium: rule.medium, a: ends[0], b: ends[1], facets: rule.facets(graph, from, to) });
}
