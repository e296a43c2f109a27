import type { Graph } from '../../graph/graph.ts';
import type { DeviceElement } from '../../power/network/devicesOf.ts';
import { ampsOfEdges } from '../../power/network/readings.ts';
import { ratedAmps } from '../../power/report/powerReport.ts';
import { motorOf } from '../../power/scenarios/drives.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Subject } from '../finding.ts';
import { workingSituations } from './situations.ts';

/** Something with a rating, where it is loaded most. */
export interface Overload {
  readonly name: string;
  readonly discriminator: string;
  readonly item: number | undefined;
  readonly where: readonly Subject[];
  readonly device: number | undefined;
  readonly amps: number;
  readonly limitA: number;
  readonly share: number;
  readonly result: ScenarioResult;
  /** The largest share in a situation that lasts. */
  readonly lastingShare: number;
  readonly lastingA: number;
}

const cache = new WeakMap<Graph, readonly Overload[]>();

/** Everything with a rating at its worst over the situations. Conductors and contacts are judged with the gauge of the wires. */
export function overloads(graph: Graph): readonly Overload[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const found = new Map<string, Overload>();
  const rated = ratedCopper(graph);
  for (const result of workingSituations(graph)) {
    for (const one of [...devicesIn(graph, result), ...copperIn(graph, rated, result)]) {
      const before = found.get(one.discriminator);
      const isLasting = result.scenario.durationS === Infinity;
      const lasting = { lastingShare: isLasting ? one.share : 0, lastingA: isLasting ? one.amps : 0 };
      const worse = before === undefined || one.share > before.share ? { ...one, ...lasting } : before;
      const held = before !== undefined && before.lastingShare > lasting.lastingShare ? before : lasting;
      found.set(one.discriminator, { ...worse, lastingShare: held.lastingShare, lastingA: held.lastingA });
    }
  }
  const list = [...found.values()];
  cache.set(graph, list);
  return list;
}

type Reading = Omit<Overload, 'lastingShare' | 'lastingA'>;

function devicesIn(graph: Graph, result: ScenarioResult): Reading[] {
  return result.network.devices.flatMap(({ device }, i): Reading[] => {
    const entry = graph.items[device.item];
    if (device.is !== 'element' || entry === undefined) return [];
    // A pack is judged with the packs, what a sensor can read with the sensors.
    if (device.element.is === 'battery' || device.element.is === 'sense') return [];
    const limitA = limitIn(device.element, result.scenario.durationS);
    if (limitA === undefined) return [];
    const base = { where: [{ is: 'item', item: entry.item.id } as const], item: device.item, device: i, result };
    const reading = (name: string, id: string, amps: number, limit: number): Reading => ({
      ...base,
      name,
      discriminator: `${entry.item.id} ${id}`,
      amps,
      limitA: limit,
      share: amps / limit,
    });
    const asked = askedOf(result, i);
    const own = reading(`${entry.item.ref} ${device.element.id}`, device.element.id, asked, limitA);
    const motor = device.element.is === 'drive' ? motorOf(graph, device.item, device.element) : undefined;
    if (motor === undefined) return [own];
    const ref = graph.items[motor.item]?.item.ref ?? '?';
    return [own, reading(ref, `motor ${motor.item}`, asked, motor.motor.maxA)];
  });
}

/** What is asked of a device: what it carries, or what it was asked for when it gave way. */
function askedOf({ before }: ScenarioResult, i: number): number {
  const tripped = before.trippings.find(({ device, what }) => device === i && (what === 'overload' || what === 'trip'));
  return tripped?.value ?? Math.abs(before.amps[i] ?? 0);
}

/** What may be carried for so long: the burst rating for a short while. */
function limitIn(element: DeviceElement, durationS: number): number | undefined {
  if (element.is === 'regulator') return durationS <= element.burstS ? element.burstA : element.continuousA;
  // Motor controllers stand their burst rating for ten seconds (sample data give none of their own).
  if (element.is === 'drive') return durationS <= 10 ? element.burstA : element.continuousA;
  return ratedAmps(element);
}

/** The edges of the graph that are links and switches with a rating: what the copper of a board and a switch carry. */
function ratedCopper(graph: Graph): readonly number[] {
  return graph.edges.flatMap((edge, i) => {
    const isRated =
      edge.is === 'element' && (edge.element.is === 'link' || edge.element.is === 'switch') && edge.element.maxA !== undefined;
    return isRated ? [i] : [];
  });
}

function copperIn(graph: Graph, rated: readonly number[], result: ScenarioResult): Reading[] {
  if (rated.length === 0) return [];
  const amps = ampsOfEdges(result.network, result.before, result.circuit.ohms);
  return rated.flatMap((i): Reading[] => {
    const edge = graph.edges[i];
    if (edge?.is !== 'element' || (edge.element.is !== 'link' && edge.element.is !== 'switch')) return [];
    const { maxA } = edge.element;
    const entry = graph.items[edge.item];
    const carried = Math.abs(amps[i] ?? 0);
    if (maxA === undefined || entry === undefined || carried < 1e-6) return [];
    return [
      {
        name: `${entry.item.ref} ${edge.element.id}`,
        discriminator: `${entry.item.id} ${edge.element.id}`,
        item: edge.item,
        where: [{ is: 'item', item: entry.item.id }],
        device: undefined,
        amps: carried,
        limitA: maxA,
        share: carried / maxA,
        result,
      },
    ];
  });
}
