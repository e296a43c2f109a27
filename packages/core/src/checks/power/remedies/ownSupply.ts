import { cablesAtPort, endsAtPort, placeAt, portAt, type PortAt } from '../../../graph/cableJoins.ts';
import { circuitNode, groupOf, pinNode, type Graph } from '../../../graph/graph.ts';
import type { Cable, CableEnd, Conductor, Item } from '../../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, mateOf } from '../../../model/connector.ts';
import { asId, type ConductorId, type LegId, type NodeId } from '../../../model/ids.ts';
import type { CircuitElement, Part, Port } from '../../../model/part.ts';
import type { Settings } from '../../../model/resolvePart.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { spliceCrowded } from '../../../harness/looms/spliceContact.ts';
import { feedPorts, isOpen, regulatorFor, type FeedPort } from '../../../harness/feeders.ts';
import { filters } from '../../../parts/small.ts';
import type { Remedy } from '../../finding.ts';
import { regulatorWords } from './railSupply.ts';
import { sizeFor } from './sizeFor.ts';

type Load = Extract<CircuitElement, { is: 'load' }>;

/** A regulator of its own for an item, from the pack; what fed it before is taken off. */
export function ownSupplyRemedies(graph: Graph, item: number, load: Load): readonly Remedy[] {
  for (const feed of feedPorts(graph)) {
    const margin = (load.maxV - load.minV) * 0.1;
    const chosen = regulatorFor(graph, {
      leastV: load.minV + margin,
      mostV: load.maxV - margin,
      nominalV: load.nominalV,
      amps: load.peakA,
      packV: feed.packV,
    });
    if (chosen === undefined) continue;
    const remedy = feedThrough(graph, item, load, feed, {
      ...chosen,
      label: chosen.there === undefined ? 'Add its own regulator' : `Use ${chosen.there.ref}`,
    });
    if (remedy !== undefined) return [remedy];
  }
  return [];
}

/** A coil and a capacitor between the pack and an item. */
export function filterRemedies(graph: Graph, item: number, load: Load): readonly Remedy[] {
  const part = filters.find(({ id }) => id === 'filter-lc-2a');
  const coil = part?.circuit.find(({ id }) => id === 'coil');
  if (part === undefined || coil?.is !== 'link' || typeof coil.maxA !== 'number' || load.peakA > coil.maxA) return [];
  for (const feed of feedPorts(graph)) {
    if (feed.packV.full > load.maxV) continue;
    const remedy = feedThrough(graph, item, load, feed, { part, settings: {}, label: 'Add an LC filter' });
    if (remedy !== undefined) return [remedy];
  }
  return [];
}

interface Feeder {
  readonly part: Part;
  readonly settings: Settings;
  readonly label: string;
  /** The item, where it is in the aircraft already. */
  readonly there?: Item;
}

function feedThrough(graph: Graph, item: number, load: Load, feed: FeedPort, { part, settings, label, there }: Feeder): Remedy | undefined {
  const entry = graph.items[item];
  if (entry === undefined) return undefined;
  const draft = new DraftEdits(graph.design);
  const feeder = there?.id ?? draft.add(part, `for ${entry.item.ref}`, settings);
  if (feeder === undefined || !draft.wire(draft.port(feed.at.itemId, feed.at.port.id), draft.port(feeder, 'in'))) return undefined;
  const out = draft.port(feeder, 'out');
  if (out === undefined || !joinSupply(draft, entry.item.id, load, out)) return undefined;
  return {
    label,
    sentence: `${regulatorWords({ part, there })} for ${entry.item.ref} from ${feed.at.ref} ${feed.at.port.label}, and disconnect ${entry.item.ref} from its present supply.`,
    edit: draft.edit(`${label} for ${entry.item.ref}`),
  };
}

/** Takes the supply wires at an item out, and joins its supply and ground to a feeder: at a free port, or as a branch of its cable. */
function joinSupply(draft: DraftEdits, item: PortAt['itemId'], load: Load, out: PortAt): boolean {
  const ports = supplyPorts(draft.graph, item, load);
  for (const port of ports) {
    for (const cable of cablesAtPort(draft.graph, item, port.id)) {
      const [end] = endsAtPort(cable, item, port.id);
      for (const conductor of end === undefined ? [] : conductorsAt(cable, end.id, underPlug(draft.graph, end, port), 'supply-in')) {
        if (!draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: conductor.id })) return false;
      }
    }
  }
  const open = ports.find((port) => isOpen(draft.graph, item, port));
  if (open !== undefined) {
    const isWired = draft.wire(out, draft.port(item, open.id), 'meaning', sizeFor(load.peakA, out.port.connector, open.connector));
    return isWired && sparePairs(draft, item, open, load.peakA);
  }
  const [plugged] = ports;
  const [cable] = plugged === undefined ? [] : cablesAtPort(draft.graph, item, plugged.id);
  return plugged !== undefined && cable !== undefined && branchTo(draft, item, plugged, cable, out, load.peakA);
}

/** Where one contact carries too little, its fellows for the same supply and ground are wired too. */
function sparePairs(draft: DraftEdits, item: PortAt['itemId'], port: Port, amps: number): boolean {
  if (CONNECTOR_FAMILIES[port.connector.family].contactA >= amps) return true;
  const [cable] = cablesAtPort(draft.graph, item, port.id);
  const [leg] = Object.values(cable?.legs ?? {});
  const [end] = cable === undefined ? [] : endsAtPort(cable, item, port.id);
  if (cable === undefined || leg === undefined || end === undefined) return false;
  const used = Object.values(cable.conductors);
  const { pins } = underPlug(draft.graph, end, port);
  const areJoined = pins.every((pin) => {
    const first = used.find((conductor) => pins.some(({ n, role }) => role === pin.role && nAt(conductor, end.id) === n));
    const isFree = !used.some((conductor) => nAt(conductor, end.id) === pin.n);
    if (first === undefined || !isFree || (pin.role !== 'supply-in' && pin.role !== 'gnd')) return true;
    const [a, b] = first.a.node === end.id ? [{ ...first.a, n: pin.n }, first.b] : [first.a, { ...first.b, n: pin.n }];
    return draft.make({ kind: 'add-conductor', cable: cable.id, conductor: { ...first, id: asId<ConductorId>('?1'), a, b } });
  });
  return areJoined && spliceCrowded(draft, cable.id, [leg.a, leg.b]);
}

function nAt({ a, b }: Conductor, node: NodeId): number {
  return a.node === node ? a.n : b.n;
}

/** The ports at which a load of an item takes its supply. */
function supplyPorts(graph: Graph, item: PortAt['itemId'], load: Load): readonly Port[] {
  const ix = graph.itemIx.get(item) ?? -1;
  const node = circuitNode(graph, ix, load.supply);
  const net = node === undefined ? -1 : groupOf(graph.nets, node);
  return (graph.items[ix]?.part?.ports ?? []).filter((port) =>
    port.pins.some((pin) => pin.role === 'supply-in' && groupOf(graph.nets, pinNode(graph, item, port.id, pin.n) ?? -2) === net),
  );
}

/** A port as the plug of an end sees it. */
function underPlug(graph: Graph, end: CableEnd, port: Port): Port {
  return portAt(graph, end)?.port ?? port;
}

function conductorsAt(cable: Cable, node: NodeId, port: Port, role: 'supply-in' | 'gnd'): readonly Conductor[] {
  const contacts = port.pins.filter((pin) => pin.role === role).map(({ n }) => n);
  return Object.values(cable.conductors).filter(({ a, b }) => {
    const own = a.node === node ? a : b.node === node ? b : undefined;
    return own !== undefined && contacts.includes(own.n);
  });
}

function branchTo(draft: DraftEdits, item: PortAt['itemId'], port: Port, cable: Cable, out: PortAt, amps: number): boolean {
  const [end] = endsAtPort(cable, item, port.id);
  const pinOf = (at: Port, ...roles: readonly string[]): number | undefined => at.pins.find(({ role }) => roles.includes(role))?.n;
  const own = end === undefined ? port : underPlug(draft.graph, end, port);
  const [supply, ground] = [pinOf(own, 'supply-in'), pinOf(own, 'gnd')];
  const [outSupply, outGround] = [pinOf(out.port, 'supply-out', 'supply-through'), pinOf(out.port, 'gnd')];
  if (end === undefined || supply === undefined || ground === undefined || outSupply === undefined || outGround === undefined) return false;
  const node = asId<NodeId>('?1');
  const leg = asId<LegId>('?2');
  const isAdded = draft.make({
    kind: 'add-leg',
    cable: cable.id,
    leg: { id: leg, a: end.id, b: node },
    node: { id: node, is: 'end', at: placeAt(out), connector: mateOf(out.port.connector) },
  });
  if (!isAdded) return false;
  const now = draft.graph.cables.find(({ id }) => id === cable.id);
  const added = Object.values(now?.legs ?? {}).find((candidate) => cable.legs[candidate.id] === undefined);
  if (added === undefined) return false;
  const awg = sizeFor(amps, end.connector, out.port.connector) ?? 26;
  const areJoined = [[supply, outSupply, 'red'] as const, [ground, outGround, 'black'] as const].every(([from, to, colour]) =>
    draft.make({
      kind: 'add-conductor',
      cable: cable.id,
      conductor: { id: asId<ConductorId>('?3'), leg: added.id, a: { node: end.id, n: from }, b: { node: added.b, n: to }, awg, colour },
    }),
  );
  return areJoined && spliceCrowded(draft, cable.id, [end.id]);
}
