import { isClearlyMore } from '../../../power/report/clearlyMore.ts';
import type { Graph } from '../../../graph/graph.ts';
import type { DeviceElement } from '../../../power/network/devicesOf.ts';
import { BURST_S } from '../../../model/burst.ts';
import { contactAmps } from '../../../model/connector.ts';
import { contactRating } from '../../../power/network/contactRating.ts';
import { contactName, matedName, type Contact } from '../../../power/network/edgeName.ts';
import { powerNetwork } from '../../../power/network/powerNetwork.ts';
import { ampsOfEdges } from '../../../power/network/readings.ts';
import { ratedAmps } from '../../../power/report/powerReport.ts';
import { motorOf } from '../../../power/scenarios/drives.ts';
import type { ScenarioResult } from '../../../power/scenarios/solveScenario.ts';
import type { Cause, Subject } from '../../finding.ts';
import { ofCable, ofDevice, ofMate } from './causes.ts';
import { workingSituations } from './situations.ts';

/** Something with a rating as findings speak of it. */
interface Described {
  readonly name: string;
  readonly discriminator: string;
  readonly where: readonly Subject[];
  readonly cause: Cause;
}

/** Something with a rating, where it is loaded most. */
export interface Overload extends Described {
  readonly device: number | undefined;
  /** The contact of a cable that it is, where it is one. */
  readonly contact: Contact | undefined;
  readonly amps: number;
  readonly limitA: number;
  readonly share: number;
  readonly result: ScenarioResult;
  /** The largest share in a situation that lasts. */
  readonly lastingShare: number;
  readonly lastingA: number;
}

/** Something with a rating: a device, or a piece of copper, by its edge of the graph. */
interface Rated {
  readonly describe: () => Described;
  readonly device: number | undefined;
  readonly edge: number | undefined;
  /** What may be carried for so long. */
  readonly limitA: (durationS: number) => number;
}

const cache = new WeakMap<Graph, readonly Overload[]>();

/** Above this share of a rating a lasting current is worth a note. */
export const HEADROOM = 0.8;

/**
 * What is loaded beyond its rating, or for long beyond the headroom that it should keep, at its worst over the situations. Conductors
 * are judged with the gauge of the wires.
 */
export function overloads(graph: Graph): readonly Overload[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const results = workingSituations(graph);
  const edgeAmps = results.map(({ network, before, circuit }) => ampsOfEdges(network, before, circuit.ohms));
  const list = [...ratedDevices(graph), ...ratedCopper(graph)].flatMap((rated) => worstOf(graph, rated, results, edgeAmps) ?? []);
  cache.set(graph, list);
  return list;
}

function worstOf(graph: Graph, rated: Rated, results: readonly ScenarioResult[], edgeAmps: readonly Float64Array[]): Overload | undefined {
  let worst: { readonly k: number; readonly amps: number; readonly limitA: number; readonly share: number } | undefined;
  let [lastingShare, lastingA] = [0, 0];
  for (const [k, result] of results.entries()) {
    const limitA = rated.limitA(result.scenario.durationS);
    const amps = rated.edge === undefined ? askedOf(result, rated.device ?? -1) : Math.abs(edgeAmps[k]?.[rated.edge] ?? 0);
    const share = amps / limitA;
    if (worst === undefined || isClearlyMore(share, worst.share)) worst = { k, amps, limitA, share };
    if (result.scenario.durationS === Infinity && share > lastingShare) [lastingShare, lastingA] = [share, amps];
  }
  const result = results[worst?.k ?? -1];
  if (worst === undefined || result === undefined || (worst.share <= 1 && lastingShare <= HEADROOM)) return undefined;
  const { amps, limitA, share } = worst;
  const edge = graph.edges[rated.edge ?? -1];
  const contact = edge?.is === 'contact' ? edge : undefined;
  return { ...rated.describe(), device: rated.device, contact, amps, limitA, share, result, lastingShare, lastingA };
}

/** Regulators, fuses, diodes, motor controllers and their motors. A pack is judged with the packs, a sensor with the sensors. */
function ratedDevices(graph: Graph): Rated[] {
  return powerNetwork(graph).devices.flatMap(({ device }, i): Rated[] => {
    const entry = graph.items[device.item];
    if (device.is !== 'element' || entry === undefined) return [];
    const { element } = device;
    if (element.is === 'battery' || element.is === 'sense' || ratedAmps(element) === undefined) return [];
    const where = [{ is: 'item', item: entry.item.id } as const];
    const own: Rated = {
      device: i,
      edge: undefined,
      describe: () => ({
        name: `${entry.item.ref} ${element.id}`,
        discriminator: `${entry.item.id} ${element.id}`,
        where,
        cause: { of: ofDevice(i), distance: 0 },
      }),
      limitA: (durationS) => limitIn(element, durationS),
    };
    const motor = element.is === 'drive' ? motorOf(graph, device.item, element) : undefined;
    if (motor === undefined) return [own];
    const { ref } = graph.items[motor.item]?.item ?? { ref: '?' };
    const describe = (): Described => ({
      name: ref,
      discriminator: `${entry.item.id} motor ${ref}`,
      where,
      cause: { of: ofDevice(i), distance: 1 },
    });
    return [own, { device: i, edge: undefined, describe, limitA: () => motor.motor.maxA }];
  });
}

/** What is asked of a device: what it carries, or what it was asked for when it gave way. */
function askedOf({ before }: ScenarioResult, i: number): number {
  if (before.trippings.length === 0) return Math.abs(before.amps[i] ?? 0);
  const tripped = before.trippings.find(({ device, what }) => device === i && (what === 'overload' || what === 'trip'));
  return tripped?.value ?? Math.abs(before.amps[i] ?? 0);
}

/** What may be carried for so long: the burst rating for a short while. */
function limitIn(element: DeviceElement, durationS: number): number {
  if (element.is === 'regulator') return durationS <= element.burstS ? element.burstA : element.continuousA;
  if (element.is === 'drive') return durationS <= BURST_S ? element.burstA : element.continuousA;
  return ratedAmps(element) ?? Infinity;
}

/** Links and switches with a rating, which is what the copper of a board and a switch carry, and the contacts of cables. */
function ratedCopper(graph: Graph): Rated[] {
  return graph.edges.flatMap((edge, i): Rated[] => {
    if (edge.is === 'contact') return contactAt(graph, edge, i);
    if (edge.is === 'mate') return matedAt(graph, edge, i);
    if (edge.is !== 'element' || (edge.element.is !== 'link' && edge.element.is !== 'switch')) return [];
    const { maxA, id } = edge.element;
    const entry = graph.items[edge.item];
    if (maxA === undefined || entry === undefined) return [];
    const describe = (): Described => ({
      name: `${entry.item.ref} ${id}`,
      discriminator: `${entry.item.id} ${id}`,
      where: [{ is: 'item', item: entry.item.id }],
      cause: { of: `${entry.item.id} ${id}`, distance: 0 },
    });
    return [{ describe, device: undefined, edge: i, limitA: () => maxA }];
  });
}

function matedAt(graph: Graph, mated: Extract<Graph['edges'][number], { is: 'mate' }>, edge: number): Rated[] {
  const { mate, connector } = mated;
  const describe = (): Described => ({
    name: matedName(graph, mated),
    discriminator: `${mate.id} ${edge - graph.edges.findIndex((other) => other.is === 'mate' && other.mate === mate)}`,
    where: [mate.a, mate.b].map(({ item }) => ({ is: 'item', item })),
    cause: { of: ofMate(mate), distance: 1 },
  });
  return [{ describe, device: undefined, edge, limitA: (durationS) => contactAmps(connector.family, durationS) }];
}

function contactAt(graph: Graph, contact: Contact, edge: number): Rated[] {
  const { end, n } = contact;
  const { at } = end;
  const cable = graph.cables[contact.cable];
  if (cable === undefined || at.is === 'free') return [];
  const describe = (): Described => ({
    name: contactName(graph, contact),
    discriminator: `${cable.id} ${end.id} ${n}`,
    where: [{ is: 'cable', cable: cable.id }, at.is === 'port' ? { is: 'item', item: at.item } : { is: 'cable', cable: at.cable }],
    cause: { of: ofCable(cable), distance: 1 },
  });
  return [{ describe, device: undefined, edge, limitA: (durationS) => contactRating(graph, end, durationS) }];
}
