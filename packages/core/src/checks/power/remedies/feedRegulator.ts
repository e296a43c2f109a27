import { circuitNode, groupOf, pinNode, type Graph } from '../../../graph/graph.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { feedPorts, isOpen } from '../../../harness/feeders.ts';
import type { CircuitElement } from '../../../model/part.ts';
import type { Remedy } from '../../finding.ts';

/** A cable from a pack to the input of a regulator, where that is open and the pack is within its range. */
export function feedRemedies(graph: Graph, item: number, regulator: Extract<CircuitElement, { is: 'regulator' }>): readonly Remedy[] {
  const entry = graph.items[item];
  const input = circuitNode(graph, item, regulator.in);
  const net = input === undefined ? -1 : groupOf(graph.nets, input);
  const port = entry?.part?.ports.find(
    (one) =>
      isOpen(graph, entry.item.id, one) &&
      one.pins.some((pin) => pin.role === 'supply-in' && groupOf(graph.nets, pinNode(graph, entry.item.id, one.id, pin.n) ?? -2) === net),
  );
  if (entry === undefined || port === undefined) return [];
  for (const { at, packV } of feedPorts(graph)) {
    if (packV.full > regulator.inputMaxV || packV.empty < regulator.inputMinV) continue;
    const draft = new DraftEdits(graph.design);
    if (!draft.wire(draft.port(at.itemId, at.port.id), draft.port(entry.item.id, port.id))) continue;
    return [
      {
        label: 'Wire its input',
        sentence: `Wire ${entry.item.ref} ${port.label} to ${at.ref} ${at.port.label}.`,
        edit: draft.edit(`Wire the input of ${entry.item.ref}`),
      },
    ];
  }
  return [];
}
