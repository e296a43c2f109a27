import type { Edit } from '../../../edits/registry.ts';
import type { Graph, GraphItem } from '../../../graph/graph.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { isOpen } from '../../../harness/feeders.ts';
import { findPin, joinVerdict, type FoundPin } from '../../../harness/joinVerdict.ts';
import type { ItemId } from '../../../model/ids.ts';
import type { PinRole, Port } from '../../../model/part.ts';
import type { Remedy } from '../../finding.ts';

/** How many cables are tried for one weakness. */
const MOST_TRIED = 12;

/**
 * A cable from a supply that is in the aircraft to an empty power input of a controller that stops: nothing is bought.
 * @param dead the references of what stops
 * @param mends whether an edit makes an end of it
 */
export function rewiredInput(graph: Graph, dead: readonly string[], mends: (edit: Edit) => boolean): readonly Remedy[] {
  const stopped = graph.items.filter(({ item, part }) => part?.kind === 'controller' && dead.includes(item.ref));
  let tried = 0;
  for (const { item: at, port: input } of stopped.flatMap((entry) => openPorts(graph, entry, 'supply-in'))) {
    for (const { item: from, port: supply } of graph.items.flatMap((entry) => openPorts(graph, entry, 'supply-out'))) {
      if (from.id === at.id || !suits(graph, from.id, supply, at.id, input) || ++tried > MOST_TRIED) continue;
      const draft = new DraftEdits(graph.design);
      if (!draft.wire(draft.port(from.id, supply.id), draft.port(at.id, input.id))) continue;
      const edit = draft.edit(`A second supply for ${at.ref}`);
      if (!mends(edit)) continue;
      return [
        {
          label: 'Wire the second input',
          sentence: `Wire ${at.ref} ${input.label} to ${from.ref} ${supply.label}: it keeps running when the first supply fails.`,
          edit,
        },
      ];
    }
  }
  return [];
}

/** True where the supply of one port is what the other takes: only then is it worth a trial. */
function suits(graph: Graph, from: ItemId, supply: Port, at: ItemId, input: Port): boolean {
  const pinsIn = (item: ItemId, port: Port, role: PinRole): readonly FoundPin[] =>
    port.pins.flatMap((pin) => (pin.role === role ? (findPin(graph, { item, port: port.id, n: pin.n }) ?? []) : []));
  const inputs = pinsIn(at, input, 'supply-in');
  return pinsIn(from, supply, 'supply-out').some((one) => inputs.some((other) => joinVerdict(graph, one, other).is === 'good'));
}

/** The ports of an item with a supply pin of a role that nothing is on. A computer's USB is no supply of an aircraft. */
function openPorts(
  graph: Graph,
  { item, part }: GraphItem,
  role: PinRole,
): readonly { readonly item: GraphItem['item']; readonly port: Port }[] {
  const ports = (part?.ports ?? []).filter(({ pins }) => pins.some((pin) => pin.role === role) && pins.every((pin) => pin.role !== 'usb'));
  return ports.filter((port) => isOpen(graph, item.id, port)).map((port) => ({ item, port }));
}
