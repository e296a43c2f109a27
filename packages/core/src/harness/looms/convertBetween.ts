import type { Edit } from '../../edits/registry.ts';
import { portIn } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { UartEndpoint } from '../../model/part.ts';
import { converters } from '../../parts/converters.ts';
import { putBetween, type Between, type PinAt } from './putBetween.ts';

/** A serial end whose wires are led through something. */
export interface SerialSide {
  readonly item: number;
  readonly endpoint: UartEndpoint;
}

/** A part put in between, and the wires that are led through it. */
export interface Converted {
  /** With placeholders. */
  readonly edit: Edit;
  readonly part: Between['part'];
  /** Each wire that is cut, by its two ends. */
  readonly wires: readonly [Between['wires'][number], ...Between['wires'][number][]];
}

/** What a converter of these samples stands and needs. */
const WINDOW_V = [3.6, 5.5] as const;

/** An inverter in the wire from one end to another; undefined where they are not joined directly, or nothing there feeds it. */
export function inverterBetween(graph: Graph, from: SerialSide, to: SerialSide): Converted | undefined {
  const [a, b] = [serialPin(graph, from.item, from.endpoint.tx), serialPin(graph, to.item, to.endpoint.rx)];
  if (a === undefined || b === undefined) return undefined;
  return converted(
    graph,
    {
      part: named('inverter-level-shifter'),
      label: `from ${a.at.ref} to ${b.at.ref}`,
      wires: [{ a, b, atA: 'in.1', atB: 'out.1' }],
      supply: 'in.2',
      ground: 'in.3',
      windowV: WINDOW_V,
    },
    'Insert an inverter',
  );
}

/** A level shifter in both wires between two serial ends, the one with the lower level on its low side; undefined where none of the samples does. */
export function shifterBetween(graph: Graph, one: SerialSide, other: SerialSide): Converted | undefined {
  const [levelOne, levelOther] = [one, other].map((side) => levelOf(graph, side));
  if (levelOne === undefined || levelOther === undefined || levelOne === levelOther) return undefined;
  const [high, low, lowV] = levelOne > levelOther ? [one, other, levelOther] : [other, one, levelOne];
  const id = SHIFTERS.get(lowV);
  if (id === undefined) return undefined;
  const [highTx, highRx] = [serialPin(graph, high.item, high.endpoint.tx), serialPin(graph, high.item, high.endpoint.rx)];
  const [lowTx, lowRx] = [serialPin(graph, low.item, low.endpoint.tx), serialPin(graph, low.item, low.endpoint.rx)];
  const wires = [
    ...(highTx === undefined || lowRx === undefined ? [] : [{ a: highTx, b: lowRx, atA: 'high.2', atB: 'low.1' }]),
    ...(lowTx === undefined || highRx === undefined ? [] : [{ a: highRx, b: lowTx, atA: 'high.3', atB: 'low.2' }]),
  ];
  const label = `between ${wires[0]?.a.at.ref ?? ''} and ${wires[0]?.b.at.ref ?? ''}`;
  return converted(
    graph,
    { part: named(id), label, wires, supply: 'high.1', ground: 'high.4', windowV: WINDOW_V },
    'Insert a level shifter',
  );
}

/** A level shifter in the one wire from an output of 3.3 V to an input that wants 5 V: LED data. */
export function lineShifterBetween(graph: Graph, talker: PinAt, listener: PinAt): Converted | undefined {
  return converted(
    graph,
    {
      part: named('level-shifter-line-5v'),
      label: `between ${listener.at.ref} and ${talker.at.ref}`,
      wires: [{ a: talker, b: listener, atA: 'in.1', atB: 'out.1' }],
      supply: 'in.2',
      ground: 'in.3',
      windowV: WINDOW_V,
    },
    'Insert a level shifter',
  );
}

/** The level shifters of the samples by the volts of their low side. */
const SHIFTERS: ReadonlyMap<number, string> = new Map([
  [1.8, 'level-shifter-serial-1v8'],
  [3.3, 'level-shifter-serial-3v3'],
]);

/** A pin of an item by its address, `port.n`. */
export function serialPin(graph: Graph, item: number, address: string | undefined): PinAt | undefined {
  if (address === undefined) return undefined;
  const dot = address.lastIndexOf('.');
  const at = portIn(graph, item, address.slice(0, dot));
  return at === undefined ? undefined : { at, n: Number(address.slice(dot + 1)) };
}

function converted(graph: Graph, between: Between, label: string): Converted | undefined {
  const [first, ...others] = between.wires;
  if (first === undefined) return undefined;
  const edit = putBetween(graph, between, `${label} between ${first.a.at.ref} and ${first.b.at.ref}`);
  return edit === undefined ? undefined : { edit, part: between.part, wires: [first, ...others] };
}

function named(id: string): Between['part'] {
  const part = converters.find((one) => one.id === id);
  if (part === undefined) throw new Error(`There is no sample part ${id}.`);
  return part;
}

function levelOf(graph: Graph, { item, endpoint }: SerialSide): number | undefined {
  const at = serialPin(graph, item, endpoint.rx ?? endpoint.tx);
  return at?.at.port.pins.find(({ n }) => n === at.n)?.logic?.highV;
}
