import type { Graph } from '../graph/graph.ts';
import type { DraftEdits } from '../harness/draftEdits.ts';
import { tidyLoom } from '../harness/looms/tidyLoom.ts';
import type { Cable } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';

/**
 * Takes a device off the controllers that a cable leads to. A cable between them alone goes; of one that leads to others too, such as what
 * feeds the device, only the branches to controllers do.
 */
export function takeOff(draft: DraftEdits, graph: Graph, cable: Cable, device: ItemId): void {
  const ends = Object.values(cable.nodes).flatMap((node) => (node.is === 'end' ? [node] : []));
  const isAtBoard = (item: ItemId): boolean => graph.items[graph.itemIx.get(item) ?? -1]?.part?.kind === 'controller';
  const isBetweenThem = ends.every(({ at }) => at.is !== 'mate' && (at.is === 'free' || at.item === device || isAtBoard(at.item)));
  if (isBetweenThem) {
    draft.make({ kind: 'remove-cable', cable: cable.id });
    return;
  }
  for (const { id, at } of ends) {
    if (at.is !== 'port' || !isAtBoard(at.item)) continue;
    const wires = Object.values(draft.cable(cable.id)?.conductors ?? {}).filter(({ a, b }) => a.node === id || b.node === id);
    for (const wire of wires) draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: wire.id });
    const leg = Object.values(draft.cable(cable.id)?.legs ?? {}).find(({ a, b }) => a === id || b === id);
    // A leg that other wires go along stays, and its end is taken out of the port.
    if (leg === undefined || !draft.make({ kind: 'remove-leg', cable: cable.id, leg: leg.id }))
      draft.make({ kind: 'set-cable-end', cable: cable.id, node: id, at: { is: 'free' }, was: at });
  }
  tidyLoom(draft, cable.id);
}
