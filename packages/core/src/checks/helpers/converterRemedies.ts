import type { Edit } from '../../edits/registry.ts';
import { plainCable, portIn } from '../../graph/cableJoins.ts';
import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import { putBetween, type Between, type PinAt } from '../../harness/looms/putBetween.ts';
import type { UartEndpoint } from '../../model/part.ts';
import { converters } from '../../parts/converters.ts';
import type { Check, Remedy } from '../finding.ts';
import { graphAfter } from './tryEdit.ts';

/** A serial end whose wires are led through something. */
interface SerialSide {
  readonly item: number;
  readonly endpoint: UartEndpoint;
}

/** What a converter of these samples stands and needs. */
const WINDOW_V = [3.6, 5.5] as const;

function named(id: string): Between['part'] {
  const part = converters.find((one) => one.id === id);
  if (part === undefined) throw new Error(`There is no sample part ${id}.`);
  return part;
}

/**
 * An inverter in the wire from one end to another.
 * @param check the check that must no longer speak of the two ends then
 */
export function inverterBetween(graph: Graph, from: SerialSide, to: SerialSide, check: Check): readonly Remedy[] {
  const [a, b] = [pinAt(graph, from.item, from.endpoint.tx), pinAt(graph, to.item, to.endpoint.rx)];
  if (a === undefined || b === undefined) return [];
  const between: Between = {
    part: named('inverter-level-shifter'),
    label: `from ${a.at.ref} to ${b.at.ref}`,
    wires: [{ a, b, atA: 'in.1', atB: 'out.1' }],
    supply: 'in.2',
    ground: 'in.3',
    windowV: WINDOW_V,
  };
  return remedyOf(graph, between, 'Put an inverter in', check);
}

/** A level shifter in both wires between two serial ends, the one with the lower level on its low side. */
export function shifterBetween(graph: Graph, one: SerialSide, other: SerialSide, check: Check): readonly Remedy[] {
  const levels = [one, other].map((side) => levelOf(graph, side));
  const [levelOne, levelOther] = levels;
  if (levelOne === undefined || levelOther === undefined || levelOne === levelOther) return [];
  const [high, low, lowV] = levelOne > levelOther ? [one, other, levelOther] : [other, one, levelOne];
  const id = lowV === 1.8 ? 'level-shifter-serial-1v8' : lowV === 3.3 ? 'level-shifter-serial-3v3' : undefined;
  if (id === undefined) return [];
  const [highTx, highRx] = [pinAt(graph, high.item, high.endpoint.tx), pinAt(graph, high.item, high.endpoint.rx)];
  const [lowTx, lowRx] = [pinAt(graph, low.item, low.endpoint.tx), pinAt(graph, low.item, low.endpoint.rx)];
  const wires = [
    ...(highTx === undefined || lowRx === undefined ? [] : [{ a: highTx, b: lowRx, atA: 'high.2', atB: 'low.1' }]),
    ...(lowTx === undefined || highRx === undefined ? [] : [{ a: highRx, b: lowTx, atA: 'high.3', atB: 'low.2' }]),
  ];
  if (wires.length === 0) return [];
  const label = `between ${wires[0]?.a.at.ref ?? ''} and ${wires[0]?.b.at.ref ?? ''}`;
  return remedyOf(
    graph,
    { part: named(id), label, wires, supply: 'high.1', ground: 'high.4', windowV: WINDOW_V },
    'Put a level shifter in',
    check,
  );
}

/** The inverter in the wire from one end to another taken out, and the two joined directly. */
export function withoutInverter(graph: Graph, from: SerialSide, to: SerialSide, check: Check): readonly Remedy[] {
  const [a, b] = [pinAt(graph, from.item, from.endpoint.tx), pinAt(graph, to.item, to.endpoint.rx)];
  const inverter = graph.items.find((_, item) => isInverterBehind(graph, item, from));
  if (a === undefined || b === undefined || inverter?.part === undefined) return [];
  const { item } = inverter;
  const draft = new DraftEdits(graph.design);
  const cables = (graph.cablesAtItem[graph.itemIx.get(item.id) ?? -1] ?? []).flatMap((cable) => graph.cables[cable] ?? []);
  if (!draft.make({ kind: 'remove-item', item: item.id })) return [];
  for (const cable of cables) if (plainCable(graph, cable) !== undefined) draft.make({ kind: 'remove-cable', cable: cable.id });
  const [x, y] = [a, b].map(({ at }) => portIn(draft.graph, draft.graph.itemIx.get(at.itemId) ?? -1, at.port.id));
  if (x === undefined || y === undefined || !draft.take(planJoin(draft.graph, x, y, { a: a.n, b: b.n }))) return [];
  const label = `Take ${item.ref} out`;
  const edit = draft.edit(`${label}, and join ${a.at.ref} and ${b.at.ref}`);
  const sentence = `Take the inverter ${item.ref} out, and join ${a.at.ref} ${a.at.port.label} and ${b.at.ref} ${b.at.port.label} directly.`;
  return isMended(graph, edit, [a, b], check) ? [{ label, sentence, edit }] : [];
}

/** True for an inverter whose input is on the wire that an end talks on. */
function isInverterBehind(graph: Graph, item: number, from: SerialSide): boolean {
  const part = graph.items[item]?.part;
  const talks = from.endpoint.tx === undefined ? undefined : circuitNode(graph, from.item, from.endpoint.tx);
  if (part === undefined || talks === undefined) return false;
  return part.routes
    .filter(({ transform }) => transform === 'invert')
    .some((route) => {
      const input = part.endpoints.find(({ id }) => id === route.from);
      const node = input?.is === 'uart' && input.rx !== undefined ? circuitNode(graph, item, input.rx) : undefined;
      return node !== undefined && groupOf(graph.wires, node) === groupOf(graph.wires, talks);
    });
}

function remedyOf(graph: Graph, between: Between, label: string, check: Check): readonly Remedy[] {
  const [wire] = between.wires;
  if (wire === undefined) return [];
  const title = `${label} between ${wire.a.at.ref} and ${wire.b.at.ref}`;
  const edit = putBetween(graph, between, title);
  if (edit === undefined || !isMended(graph, edit, [wire.a, wire.b], check)) return [];
  const sentence = `Add a ${between.part.name.toLowerCase()}: ${between.wires.length === 1 ? 'the wire goes' : 'both wires go'} through it, and the cable gets its branches.`;
  return [{ label, sentence, edit }];
}

/** True where an edit can be made, and the check says nothing of the two ends then. */
function isMended(graph: Graph, edit: Edit, ends: readonly PinAt[], check: Check): boolean {
  const after = graphAfter(graph, edit);
  if (after === undefined) return false;
  return !check.run({ graph: after }).some(({ where }) => {
    const named = where.flatMap((subject) => ('item' in subject ? [subject.item] : []));
    return ends.every(({ at }) => named.includes(at.itemId));
  });
}

function levelOf(graph: Graph, { item, endpoint }: SerialSide): number | undefined {
  const at = pinAt(graph, item, endpoint.rx ?? endpoint.tx);
  return at?.at.port.pins.find(({ n }) => n === at.n)?.logic?.highV;
}

function pinAt(graph: Graph, item: number, address: string | undefined): PinAt | undefined {
  if (address === undefined) return undefined;
  const dot = address.lastIndexOf('.');
  const at = portIn(graph, item, address.slice(0, dot));
  return at === undefined ? undefined : { at, n: Number(address.slice(dot + 1)) };
}
