import type { Graph } from '../../graph/graph.ts';
import { hexAddress } from '../../model/settingsOf.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import { isOtherReading, runsOutOfScale } from '../analogReadings.ts';
import type { Bus, BusMember } from '../buses/busOf.ts';
import { canBuses, isTerminated, staticNode, terminationOf, withSameNode, type CanMember } from '../buses/canBuses.ts';
import { addressOf, i2cBuses, i2cFigures, isI2cDevice, sharersOf, type I2cDevice, type I2cEndpoint } from '../buses/i2cBuses.ts';
import type { Facet, FacetSide, HopEnd } from './hop.ts';
import { fixedSide, settingSide } from './sides.ts';

/** What a device on an I2C bus and the host of it have to agree on: one address each, and edges that rise in time for the clock. */
export function i2cFacets(graph: Graph, device: HopEnd, host: HopEnd): readonly Facet[] {
  const bus = i2cBuses(graph).find(({ members }) => members.some(isAt(device)) && members.some(isAt(host)));
  const member = bus?.members.filter(isI2cDevice).find(isAt(device));
  return bus === undefined || member === undefined ? [] : [addressFacet(graph, bus, member), ...riseFacets(graph, bus, host)];
}

function addressFacet(graph: Graph, bus: Bus<I2cEndpoint>, device: BusMember<I2cDevice>): Facet {
  const others = sharersOf(bus, device);
  const address = hexAddress(addressOf(device));
  return {
    id: 'bus-address',
    title: 'I2C address',
    a: settingSide(graph, device.entry, `${device.endpoint.id}.address`, address),
    b: fixedSide(others.length === 0 ? `no other at ${address}` : `${address} of ${named(others)}`),
    verdict: others.length === 0 ? 'agree' : 'differ',
  };
}

/** The figures of the bus that no device decides alone, and the clock that the host is set to. */
function riseFacets(graph: Graph, bus: Bus<I2cEndpoint>, host: HopEnd): Facet[] {
  const { figures, clock } = i2cFigures(bus);
  if (figures.length === 0) {
    return [{ id: 'pull-ups', title: 'pull-ups', a: fixedSide('no pull-up'), b: fixedSide('one pair at least'), verdict: 'differ' }];
  }
  return figures.map(({ id, label, value, limit, share }): Facet => {
    const verdict = share > 1 ? 'differ' : 'agree';
    if (id !== 'rise') return { id, title: label, a: fixedSide(`${value} ${OF_BUS[id]}`), b: fixedSide(limit), verdict };
    const within = settingSide(graph, host.entry, `${host.signal.id}.clock`, `${stated(clock, 'kHz')}: ${limit}`);
    return { id, title: 'clock and rise time', a: fixedSide(`rise time ${value}`), b: within, verdict };
  });
}

const OF_BUS = { 'pull-ups': 'pull-up', capacitance: 'on the bus' } as const;

/** What two members of a CAN bus have to agree on: a node id each, and a bus that is terminated at its two ends. */
export function canFacets(graph: Graph, from: HopEnd, to: HopEnd): readonly Facet[] {
  const bus = canBuses(graph).find(({ members }) => members.some(isAt(from)) && members.some(isAt(to)));
  const [a, b] = [bus?.members.find(isAt(from)), bus?.members.find(isAt(to))];
  if (bus === undefined || a === undefined || b === undefined) return [];
  const { on, is } = terminationOf(bus);
  return [
    {
      id: 'node',
      title: 'CAN node id',
      a: nodeSide(graph, a, withSameNode(bus, a)),
      b: nodeSide(graph, b, withSameNode(bus, b)),
      verdict: [a, b].some((member) => withSameNode(bus, member).length > 0) ? 'differ' : 'agree',
    },
    {
      id: 'termination',
      title: `termination, ${on.length} on the bus, 2 needed`,
      a: terminationSide(graph, a),
      b: terminationSide(graph, b),
      verdict: is === 'wrong' ? 'differ' : 'agree',
    },
  ];
}

function nodeSide(graph: Graph, member: CanMember, others: readonly CanMember[]): FacetSide {
  const node = staticNode(member);
  const words = node === undefined ? 'node given by the bus' : `node ${node}${others.length === 0 ? '' : ` (${named(others)} too)`}`;
  return settingSide(graph, member.entry, `${member.endpoint.id}.node`, words);
}

function terminationSide(graph: Graph, member: CanMember): FacetSide {
  return settingSide(graph, member.entry, `${member.endpoint.id}.terminated`, isTerminated(member) ? 'terminated' : 'not terminated');
}

/** What an analog output gives, and what the input reads. */
export function analogFacets(from: HopEnd, to: HopEnd): readonly Facet[] {
  const [gives, reads] = [from, to].map(({ signal }) => (signal.is === 'endpoint' ? signal.endpoint : undefined));
  if (gives?.is !== 'analog-out' || reads?.is !== 'analog-sense') return [];
  return [
    {
      id: 'reading',
      title: 'reading',
      a: fixedSide(gives.purpose),
      b: fixedSide(reads.purpose),
      verdict: isOtherReading(gives, reads) ? 'differ' : 'agree',
    },
    {
      id: 'range',
      title: 'range',
      a: fixedSide(`outputs up to ${stated(gives.fullScaleV, 'V')}`),
      b: fixedSide(`reads up to ${stated(reads.fullScaleV, 'V')}`),
      verdict: runsOutOfScale(gives, reads) ? 'differ' : 'agree',
    },
  ];
}

function named(members: readonly BusMember<I2cEndpoint | CanMember['endpoint']>[]): string {
  return listed(members.map(({ entry }) => entry.item.ref));
}

const isAt =
  ({ item, signal }: HopEnd) =>
  (member: BusMember<I2cEndpoint | CanMember['endpoint']>): boolean =>
    member.item === item && member.endpoint.id === signal.id;
