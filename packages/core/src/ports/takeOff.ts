import type { DraftEdits } from '../harness/draftEdits.ts';
import { tidyLoom } from '../harness/looms/tidyLoom.ts';
import type { Cable } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';

/**
 * Takes a device off a controller that a cable leads to. A cable between the two alone goes; of one that leads to others too, such as what
 * feeds the device or a second controller, only the branches to this one do.
 * @param isBoard true for the controller, or for any where the link arrives at none
 */
export function takeOff(draft: DraftEdits, cable: Cable, device: ItemId, isBoard: (item: ItemId) => boolean): void {
  const ends = Object.values(cable.nodes).flatMap((node) => (node.is === 'end' ? [node] : []));
  const isBetweenThem = ends.every(({ at }) => at.is !== 'mate' && (at.is === 'free' || at.item === device || isBoard(at.item)));
  if (isBetweenThem) {
    draft.make({ kind: 'remove-cable', cable: cable.id });
    return;
  }
  for (const { id, at } of ends) {
    if (at.is !== 'port' || !isBoard(at.item)) continue;
    const wires = Object.values(draft.cable(cable.id)?.conductors ?? {}).filter(({ a, b }) => a.node === id || b.node === id);
    for (const wire of wires) draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: wire.id });
    const leg = Object.values(draft.cable(cable.id)?.legs ?? {}).find(({ a, b }) => a === id || b === id);
    // A leg that other wires go along stays, and its end is taken out of the port.
    if (leg === undefined || !draft.make({ kind: 'remove-leg', cable: cable.id, leg: leg.id }))
      draft.make({ kind: 'set-cable-end', cable: cable.id, node: id, at: { is: 'free' }, was: at });
  }
  tidyLoom(draft, cable.id);
}
