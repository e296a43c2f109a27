import { stated } from '../text/numbers.ts';
import { circuitNode, groupOf, pinNode, type Graph } from '../graph/graph.ts';
import { driverAt, drivesDirectly, voltsAt } from '../graph/railsOf.ts';
import type { ItemId } from '../model/ids.ts';
import type { CircuitElement, Pin, PinRole, Port } from '../model/part.ts';

/** One pin of one item. */
export interface PinAddress {
  readonly item: ItemId;
  readonly port: string;
  readonly n: number;
}

/** What joining two pins would mean. */
export type JoinVerdict =
  | { readonly is: 'good'; readonly why: string }
  | { readonly is: 'pointless'; readonly why: string }
  | { readonly is: 'harmful'; readonly why: string };

/** The pin at an address with its item and port, or undefined when it is not there. */
export interface FoundPin {
  readonly itemIx: number;
  readonly ref: string;
  readonly port: Port;
  readonly pin: Pin;
  readonly node: number;
}

export function findPin(graph: Graph, at: PinAddress): FoundPin | undefined {
  const itemIx = graph.itemIx.get(at.item);
  const node = pinNode(graph, at.item, at.port, at.n);
  const found = node === undefined ? undefined : graph.nodes[node];
  const ref = graph.items[itemIx ?? -1]?.item.ref;
  if (itemIx === undefined || node === undefined || found?.is !== 'pin' || ref === undefined) return undefined;
  return { itemIx, ref, port: found.port, pin: found.pin, node };
}

/** A pin as people name it: `pin 2 (TX) of GNSS1 UART`. */
export function pinName(pin: FoundPin): string {
  return `pin ${pin.pin.n} (${pin.pin.label}) of ${pin.ref} ${pin.port.label}`;
}

/** True for pins that carry supply in one direction or another. */
export function isSupply(role: PinRole): boolean {
  return role === 'supply-in' || role === 'supply-out' || role === 'supply-through';
}

/** True for pins that carry a signal: neither supply nor ground, and not left open. */
export function isSignal(role: PinRole): boolean {
  return !isSupply(role) && role !== 'gnd' && role !== 'nc' && role !== 'phase' && role !== 'switch';
}

/** True for pins that drive their wire high and low by themselves. */
export function drives(role: PinRole): boolean {
  return role === 'tx' || role === 'rts' || role === 'pulse-out' || role === 'video-out' || role === 'analog-out';
}

/** Which role a signal of a role wants at the other end. */
const PARTNER: Readonly<Partial<Record<PinRole, readonly PinRole[]>>> = {
  tx: ['rx', 'single-wire'],
  rx: ['tx', 'single-wire'],
  'single-wire': ['single-wire', 'tx', 'rx'],
  cts: ['rts'],
  rts: ['cts'],
  sda: ['sda'],
  scl: ['scl'],
  'can-h': ['can-h'],
  'can-l': ['can-l'],
  'pulse-out': ['pulse-in'],
  'pulse-in': ['pulse-out'],
  'video-out': ['video-in'],
  'video-in': ['video-out'],
  'analog-out': ['analog-in'],
  'analog-in': ['analog-out'],
  usb: ['usb'],
  phase: ['phase'],
  switch: ['switch'],
  antenna: ['antenna'],
};

/** True when two roles belong together by their meaning alone. */
export function rolesMatch(a: PinRole, b: PinRole): boolean {
  if (a === 'gnd' && b === 'gnd') return true;
  if (isSupply(a) && isSupply(b)) return feeds(a, b) || feeds(b, a);
  return PARTNER[a]?.includes(b) ?? false;
}

function feeds(from: PinRole, to: PinRole): boolean {
  if (from === 'supply-out') return to === 'supply-in' || to === 'supply-through';
  return from === 'supply-through' && (to === 'supply-in' || to === 'supply-through');
}

/** What joining two pins would do, with the voltages that stand at them now. Both must belong to different items. */
export function joinVerdict(graph: Graph, a: FoundPin, b: FoundPin): JoinVerdict {
  const [first, second] = [a.pin.role, b.pin.role];
  if (a.itemIx === b.itemIx) return { is: 'pointless', why: `Both pins are on ${a.ref}.` };
  if (first === 'nc' || second === 'nc') return { is: 'pointless', why: `${pinName(first === 'nc' ? a : b)} is not connected inside.` };
  if (isSupply(first) && isSupply(second)) return supplyVerdict(graph, a, b);
  if (isSupply(first) !== isSupply(second)) return mixedVerdict(graph, isSupply(first) ? a : b, isSupply(first) ? b : a);
  if (rolesMatch(first, second)) return { is: 'good', why: `${a.pin.label} to ${b.pin.label}` };
  if (first === 'gnd' || second === 'gnd') return { is: 'pointless', why: 'Ground on a signal: the signal is held low.' };
  if (first === 'tx' && second === 'tx') return { is: 'pointless', why: 'Both drive the wire, and neither hears the other.' };
  if (first === 'rx' && second === 'rx') return { is: 'pointless', why: 'Both listen, and nothing drives the wire.' };
  return { is: 'pointless', why: `${first} and ${second} do not belong together.` };
}

function mixedVerdict(graph: Graph, supply: FoundPin, other: FoundPin): JoinVerdict {
  if (other.pin.role === 'gnd') return { is: 'harmful', why: `Supply of ${supply.ref} on the ground of ${other.ref}: reversed.` };
  const volts = voltsAt(graph, supply.node);
  const most = other.pin.logic?.inputMaxV;
  if (volts !== undefined && most !== undefined && volts > most) {
    return { is: 'harmful', why: `${stated(volts, 'V')} on a pin that withstands ${stated(most, 'V')}.` };
  }
  return { is: 'pointless', why: `Supply on a ${other.pin.role} pin.` };
}

function supplyVerdict(graph: Graph, a: FoundPin, b: FoundPin): JoinVerdict {
  if (!rolesMatch(a.pin.role, b.pin.role)) {
    const both =
      a.pin.role === 'supply-in'
        ? 'Both are supply inputs; neither feeds the other.'
        : 'Both are supply outputs: two supplies would drive each other.';
    return a.pin.role === 'supply-in' ? { is: 'pointless', why: both } : { is: 'harmful', why: both };
  }
  const joined = groupOf(graph.nets, a.node) === groupOf(graph.nets, b.node);
  const [atA, atB] = [driverAt(graph, a.node), driverAt(graph, b.node)];
  const wouldFight =
    atA !== undefined && atB !== undefined && atA !== atB && drivesDirectly(graph, atA, a.node) && drivesDirectly(graph, atB, b.node);
  if (!joined && wouldFight) {
    const names = [atA, atB].map((driver) => graph.items[driver.item]?.item.ref ?? '?');
    return { is: 'harmful', why: `${names[0]} and ${names[1]} would drive one rail together.` };
  }
  const isFromA = atA !== undefined || (atB === undefined && a.pin.role === 'supply-out');
  const [source, sink] = isFromA ? [a, b] : [b, a];
  const volts = voltsAt(graph, source.node) ?? setVoltsAt(graph, source);
  const window = supplyWindow(graph, sink);
  if (volts !== undefined && window !== undefined && volts > window.maxV) {
    return { is: 'harmful', why: `${stated(volts, 'V')}; ${sink.ref} accepts ${stated(window.maxV, 'V')} at most.` };
  }
  if (volts !== undefined && window !== undefined && volts < window.startsV) {
    return { is: 'pointless', why: `${stated(volts, 'V')}; ${sink.ref} needs ${stated(window.startsV, 'V')} at least.` };
  }
  return { is: 'good', why: volts === undefined ? 'supply' : `${stated(volts, 'V')} from ${source.ref}` };
}

/** What a regulator is set to give at a pin once it is fed itself, in volts; undefined where none does. */
function setVoltsAt(graph: Graph, { itemIx, node }: FoundPin): number | undefined {
  const net = groupOf(graph.nets, node);
  for (const element of graph.items[itemIx]?.part?.circuit ?? []) {
    if (element.is !== 'regulator') continue;
    const out = circuitNode(graph, itemIx, element.out);
    if (out !== undefined && groupOf(graph.nets, out) === net) return element.setV;
  }
  return undefined;
}

/** The voltages that the loads, regulators and inputs behind a supply pin accept, in volts; below `startsV` none of them works. Undefined when none says. */
export function supplyWindow(
  graph: Graph,
  pin: FoundPin,
): { readonly startsV: number; readonly minV: number; readonly maxV: number; readonly nominalV: number } | undefined {
  const part = graph.items[pin.itemIx]?.part;
  const behind = netsBehind(graph, pin);
  const touches = (address: string): boolean => behind.has(groupOf(graph.nets, circuitNode(graph, pin.itemIx, address) ?? -1));
  const windows = (part?.circuit ?? []).flatMap((element) => windowsOf(element, touches));
  if (windows.length === 0) return undefined;
  return {
    startsV: Math.min(...windows.map((window) => window.minV)),
    minV: Math.max(...windows.map((window) => window.minV)),
    maxV: Math.min(...windows.map((window) => window.maxV)),
    nominalV: windows[0]?.nominalV ?? 0,
  };
}

/** The nets that a pin leads to inside its part, through current sensors, traces and switches. */
function netsBehind(graph: Graph, { itemIx, node }: FoundPin): ReadonlySet<number> {
  const behind = new Set([groupOf(graph.nets, node)]);
  const through = (graph.items[itemIx]?.part?.circuit ?? []).flatMap((element) => {
    if (element.is !== 'link' && element.is !== 'sense' && element.is !== 'switch') return [];
    return [[element.a, element.b].map((address) => groupOf(graph.nets, circuitNode(graph, itemIx, address) ?? -1))];
  });
  for (let before = 0; before < behind.size;) {
    before = behind.size;
    for (const nets of through) if (nets.some((net) => behind.has(net))) for (const net of nets) behind.add(net);
  }
  return behind;
}

interface Window {
  readonly minV: number;
  readonly maxV: number;
  readonly nominalV: number;
}

function windowsOf(element: CircuitElement, touches: (address: string) => boolean): Window[] {
  switch (element.is) {
    case 'load':
      return touches(element.supply) ? [element] : [];
    case 'regulator':
      return touches(element.in) ? [{ minV: element.inputMinV, maxV: element.inputMaxV, nominalV: element.inputMaxV }] : [];
    case 'drive':
      return touches(element.plus) ? [{ minV: element.minV, maxV: element.maxV, nominalV: element.maxV }] : [];
    case 'selector':
      return element.inputs
        .filter((input) => touches(input.node))
        .map((input) => ({ minV: input.minV, maxV: input.absoluteMaxV, nominalV: (input.minV + input.maxV) / 2 }));
    default:
      return [];
  }
}
