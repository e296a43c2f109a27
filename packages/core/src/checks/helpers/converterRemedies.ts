import type { Edit } from '../../edits/registry.ts';
import { plainCable, portIn } from '../../graph/cableJoins.ts';
import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import {
  inverterBetween,
  lineShifterBetween,
  serialPin,
  shifterBetween,
  type Converted,
  type SerialSide,
} from '../../harness/looms/convertBetween.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import type { PinAt } from '../../harness/looms/putBetween.ts';
import type { Check, Remedy } from '../finding.ts';
import { graphAfter } from './tryEdit.ts';
import { inSentence, withArticle } from '../../text/sentences.ts';

/**
 * An inverter in the wire from one end to another.
 * @param check the check that must no longer speak of the two ends then
 */
export function addInverter(graph: Graph, from: SerialSide, to: SerialSide, check: Check): readonly Remedy[] {
  return remedyOf(graph, inverterBetween(graph, from, to), 'Insert an inverter', check);
}

/** A level shifter in both wires between two serial ends. */
export function addShifter(graph: Graph, one: SerialSide, other: SerialSide, check: Check): readonly Remedy[] {
  return remedyOf(graph, shifterBetween(graph, one, other), 'Insert a level shifter', check);
}

/** A level shifter in the one wire from an output to an input that wants more. */
export function addLineShifter(graph: Graph, talker: PinAt, listener: PinAt, check: Check): readonly Remedy[] {
  return remedyOf(graph, lineShifterBetween(graph, talker, listener), 'Insert a level shifter', check);
}

/** The inverter in the wire from one end to another taken out, and the two joined directly. */
export function withoutInverter(graph: Graph, from: SerialSide, to: SerialSide, check: Check): readonly Remedy[] {
  const [a, b] = [serialPin(graph, from.item, from.endpoint.tx), serialPin(graph, to.item, to.endpoint.rx)];
  const inverter = graph.items.find((_, item) => isInverterBehind(graph, item, from));
  if (a === undefined || b === undefined || inverter?.part === undefined) return [];
  const { item } = inverter;
  const draft = new DraftEdits(graph.design);
  const cables = (graph.cablesAtItem[graph.itemIx.get(item.id) ?? -1] ?? []).flatMap((cable) => graph.cables[cable] ?? []);
  if (!draft.make({ kind: 'remove-item', item: item.id })) return [];
  for (const cable of cables) if (plainCable(graph, cable) !== undefined) draft.make({ kind: 'remove-cable', cable: cable.id });
  const [x, y] = [a, b].map(({ at }) => portIn(draft.graph, draft.graph.itemIx.get(at.itemId) ?? -1, at.port.id));
  if (x === undefined || y === undefined || !draft.take(planJoin(draft.graph, x, y, { a: a.n, b: b.n }))) return [];
  const label = `Remove ${item.ref}`;
  const edit = draft.edit(`${label}, and connect ${a.at.ref} and ${b.at.ref}`);
  const sentence = `Remove the inverter ${item.ref}, and connect ${a.at.ref} ${a.at.port.label} and ${b.at.ref} ${b.at.port.label} directly.`;
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

function remedyOf(graph: Graph, converted: Converted | undefined, label: string, check: Check): readonly Remedy[] {
  if (converted === undefined) return [];
  const { edit, part, wires } = converted;
  if (!isMended(graph, edit, [wires[0].a, wires[0].b], check)) return [];
  const sentence = `Add ${withArticle(inSentence(part.name))}: ${wires.length === 1 ? 'the wire goes' : 'both wires go'} through it, and the cable gets its branches.`;
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
