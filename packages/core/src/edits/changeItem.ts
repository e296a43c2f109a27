import type { Aircraft, Item } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';
import { refuse, type Outcome } from './family.ts';
import { issue } from './references.ts';

/**
 * Changes one item of an aircraft, or says that it is gone.
 * @param issuedRef a reference that is given out by the change
 */
export function changeItem(
  aircraft: Aircraft,
  id: ItemId,
  change: (item: Item) => Item | Extract<Outcome, { refused: unknown }>,
  issuedRef?: string,
): Outcome {
  const item = aircraft.items[id];
  if (item === undefined) return refuse('unknown-item', 'The item is no longer there.', id);
  const changed = change(item);
  if ('refused' in changed) return changed;
  const issued = issuedRef === undefined ? aircraft.issued : issue(aircraft.issued, issuedRef);
  return { aircraft: { ...aircraft, items: { ...aircraft.items, [id]: changed }, issued } };
}
