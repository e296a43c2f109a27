import type { Graph } from '../../graph/graph.ts';
import type { CableEnd } from '../../model/aircraft.ts';
import type { NodeId } from '../../model/ids.ts';
import type { CircuitElement, ResolvedPart } from '../../model/part.ts';
import { wireName } from '../network/edgeName.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import { leadsOf } from '../solve/leadsOf.ts';

/** What a fault does to the circuit. */
export interface FaultEffect {
  /** Resistors that are open. */
  readonly open: readonly number[];
  /** Devices that are off. */
  readonly off: readonly number[];
  /** Regulators that are shorted from input to output. */
  readonly through: readonly number[];
  /** Loads that are shorted. */
  readonly shorted: readonly number[];
}

/** What a fault takes whatever the wiring is: these items, a pack, or (a regulator that puts its input through) one of those it feeds. */
export type Takes =
  { readonly is: 'items'; readonly items: readonly number[] } | { readonly is: 'pack' } | { readonly is: 'one-of-the-dead' };

/** A single fault, or several that do the same. */
export interface Fault {
  /** Stable over versions in which the same things have the same names. */
  readonly id: string;
  /** What fails, one or more that do the same, each as a person names it. */
  readonly names: readonly string[];
  readonly effect: FaultEffect;
  readonly takes: Takes;
}

const NOTHING: FaultEffect = { open: [], off: [], through: [], shorted: [] };

/**
 * Every single fault of a network, each effect once: a wire or contact open, a connector pulled, a supply lost, a regulator off or
 * shorted through, a motor controller dead with its regulator, a load shorted. In the order of cables and items. What is in series
 * fails as one, and so do both wires that lead to one load alone: without either it is off.
 */
export function faultsOf(network: PowerNetwork): readonly Fault[] {
  const byEffect = new Map<string, { namings: (() => string)[]; effect: FaultEffect; takes: Takes }>();
  const loadAtEndOf = loadsAtTheEnd(network);
  const add: Add = (naming, effect, takes) => {
    const key = keyOf(effect, loadAtEndOf);
    if (key === '|||') return;
    const known = byEffect.get(key);
    if (known === undefined) byEffect.set(key, { namings: [naming], effect, takes });
    else {
      known.namings.push(naming);
      // In series with the only lead of something, every piece takes what that lead takes.
      if (weightOf(takes) > weightOf(known.takes)) known.takes = takes;
    }
  };
  deviceFaults(network, add);
  const ends = fedEnds(network.graph);
  openWires(network, ends, add);
  pulledConnectors(network, ends, add);
  return [...byEffect.values()].map(({ namings, effect, takes }) => new NamedFault(namings, effect, takes));
}

/** For each resistor the load that it alone leads to on one side, or -1. */
function loadsAtTheEnd({ shape }: PowerNetwork): Int32Array {
  const { resistorOf } = leadsOf(shape);
  const loads = new Int32Array(shape.resistorA.length).fill(-1);
  resistorOf.forEach((resistor, i) => {
    if (resistor >= 0 && shape.devices[i >> 1]?.kind === 'draw') loads[resistor] = i >> 1;
  });
  return loads;
}

/** The same for effects that cost the same: a load is off without either of the leads that are its own. */
function keyOf({ open, off, through, shorted }: FaultEffect, loadAtEndOf: Int32Array): string {
  const isLead = (branch: number): boolean => (loadAtEndOf[branch] ?? -1) >= 0;
  if (!open.some(isLead)) return `${open.join()}|${off.join()}|${through.join()}|${shorted.join()}`;
  const without = new Set([...off, ...open.filter(isLead).map((branch) => loadAtEndOf[branch] ?? -1)]);
  const rest = open.filter((branch) => !isLead(branch));
  return `${rest.join()}|${[...without].sort((a, b) => a - b).join()}|${through.join()}|${shorted.join()}`;
}

/** A fault whose names are made when somebody reads them: of hundreds that are tried a few are shown. */
class NamedFault implements Fault {
  readonly effect: FaultEffect;
  readonly takes: Takes;
  readonly #namings: readonly (() => string)[];
  #names: readonly string[] | undefined;

  constructor(namings: readonly (() => string)[], effect: FaultEffect, takes: Takes) {
    this.#namings = namings;
    this.effect = effect;
    this.takes = takes;
  }

  get names(): readonly string[] {
    return (this.#names ??= this.#namings.map((naming) => naming()));
  }

  get id(): string {
    return this.names[0] ?? '';
  }
}

type Add = (naming: () => string, effect: FaultEffect, takes: Takes) => void;

function weightOf(takes: Takes): number {
  return takes.is === 'items' ? Math.min(takes.items.length, 1) : 2;
}

const NO_ITEM: Takes = { is: 'items', items: [] };

function deviceFaults({ graph, devices }: PowerNetwork, add: Add): void {
  const refOf = (item: number): string => graph.items[item]?.item.ref ?? '?';
  devices.forEach(({ device }, i) => {
    if (device.is !== 'element') return;
    const ref = refOf(device.item);
    const { element } = device;
    if (isPack(element)) {
      const isOneOfSeveral = devices.some(
        (other, j) => j !== i && other.device.is === 'element' && other.device.item === device.item && isPack(other.device.element),
      );
      add(() => `${ref}${isOneOfSeveral ? ` ${element.id}` : ''} lost`, { ...NOTHING, off: [i] }, { is: 'pack' });
    }
    if (element.is === 'regulator') {
      const takes: Takes = isOnlySupplyOf(graph.items[device.item]?.part) ? { is: 'items', items: [device.item] } : NO_ITEM;
      add(() => `${ref} ${element.id} off`, { ...NOTHING, off: [i] }, takes);
      add(() => `${ref} ${element.id} failed shorted`, { ...NOTHING, through: [i] }, { is: 'one-of-the-dead' });
    }
    if (element.is === 'load')
      add(() => `${ref} ${element.id} shorted`, { ...NOTHING, shorted: [i] }, { is: 'items', items: [device.item] });
  });
  graph.items.forEach(({ part }, item) => {
    if (part?.kind !== 'motor-controller') return;
    const own = devices.flatMap(({ device }, i) => (device.item === item ? [i] : []));
    add(() => `${refOf(item)} dead`, { ...NOTHING, off: own }, { is: 'items', items: [item] });
  });
}

/** True for a controller that lives on its own regulators, with one port for its supply besides USB: without one of them it is a dead board. */
function isOnlySupplyOf(part: ResolvedPart | undefined): boolean {
  if (part?.kind !== 'controller') return false;
  const fed = part.ports.filter(({ pins }) => pins.some(({ role }) => role === 'supply-in') && !pins.some(({ role }) => role === 'usb'));
  return fed.length === 1;
}

function isPack({ is }: CircuitElement): boolean {
  return is === 'battery' || is === 'source';
}

/** Wires and contacts in series carry one current: they fail as one. */
function openWires({ graph, copper }: PowerNetwork, ends: FedEnds, add: Add): void {
  copper.branches.forEach(({ edges }, branch) => {
    for (const { edge } of edges) {
      const at = graph.edges[edge];
      if (at?.is !== 'conductor') continue;
      const { a, b } = at.conductor;
      add(() => `${wireName(graph, at)} open`, { ...NOTHING, open: [branch] }, takenBy(ends, at.cable, [a.node, b.node]));
    }
  });
}

function pulledConnectors({ graph, copper }: PowerNetwork, ends: FedEnds, add: Add): void {
  const pulled = new Map<string, { readonly cable: number; readonly end: CableEnd; readonly open: Set<number> }>();
  copper.branches.forEach(({ edges }, branch) => {
    for (const { edge } of edges) {
      const at = graph.edges[edge];
      if (at?.is !== 'contact') continue;
      const key = `${at.cable}|${at.end.id}`;
      const known = pulled.get(key) ?? { cable: at.cable, end: at.end, open: new Set<number>() };
      known.open.add(branch);
      pulled.set(key, known);
    }
  });
  for (const { cable, end, open } of pulled.values()) {
    const conductors = Object.values(graph.cables[cable]?.conductors ?? {});
    const reached = conductors.filter(({ a, b }) => a.node === end.id || b.node === end.id).flatMap(({ a, b }) => [a.node, b.node]);
    const effect = { ...NOTHING, open: [...open].sort((a, b) => a - b) };
    add(() => `${graph.cables[cable]?.tag ?? '?'} pulled at ${placeOf(graph, end)}`, effect, takenBy(ends, cable, reached));
  }
}

/** What depends on an end of a cable however the rest is wired. */
interface FedEnd {
  readonly item: number;
  /** A pack with no other way out. */
  readonly isOnlyWayOut: boolean;
  /** Something that takes power and has no other port to be fed at. */
  readonly isOnlyWayIn: boolean;
}

/** The ends of each cable that are at ports, by node. */
type FedEnds = readonly ReadonlyMap<NodeId, FedEnd>[];

function fedEnds(graph: Graph): FedEnds {
  return graph.cables.map((cable) => {
    const ends = new Map<NodeId, FedEnd>();
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end' || node.at.is !== 'port') continue;
      const { port } = node.at;
      const item = graph.itemIx.get(node.at.item);
      const part = graph.items[item ?? -1]?.part;
      if (item === undefined || part === undefined) continue;
      const isFed = part.circuit.some(({ is }) => is === 'load' || is === 'drive');
      ends.set(node.id, {
        item,
        isOnlyWayOut: part.kind === 'battery' && isOnlyAt(part, port, ['supply-out', 'supply-through']),
        isOnlyWayIn: isFed && isOnlyAt(part, port, ['supply-in', 'supply-through']),
      });
    }
    return ends;
  });
}

/** True when a part has pins of these roles at one port alone, and it is this one. */
function isOnlyAt(part: ResolvedPart, port: string, roles: readonly string[]): boolean {
  const ports = part.ports.filter(({ pins }) => pins.some(({ role }) => roles.includes(role)));
  return ports.length === 1 && ports[0]?.id === port;
}

/**
 * What loses its supply with wires between these nodes of a cable however the rest is wired. Only the nodes that the wires reach: a
 * loom feeds several things by wires of their own.
 */
function takenBy(ends: FedEnds, cable: number, nodes: readonly NodeId[]): Takes {
  const items: number[] = [];
  for (const id of nodes) {
    const end = ends[cable]?.get(id);
    if (end?.isOnlyWayOut === true) return { is: 'pack' };
    if (end?.isOnlyWayIn === true && !items.includes(end.item)) items.push(end.item);
  }
  return { is: 'items', items };
}

function placeOf(graph: Graph, end: CableEnd): string {
  if (end.at.is !== 'port') return 'its other half';
  const { item, port } = end.at;
  const entry = graph.items[graph.itemIx.get(item) ?? -1];
  return `${entry?.item.ref ?? '?'} ${entry?.part?.ports.find(({ id }) => id === port)?.label ?? port}`;
}
