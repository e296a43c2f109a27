import { pinNode, type Graph } from '../../graph/graph.ts';
import type { PortAt } from '../../graph/cableJoins.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import type { ItemId } from '../../model/ids.ts';
import type { Pin } from '../../model/part.ts';
import { bringsStops } from '../newStops.ts';
import { dropLooseCables } from './looseCables.ts';

/** A port of an item, by their ids. */
export interface SupplyAt {
  readonly item: ItemId;
  readonly port: string;
}

/**
 * Joins a supply and its ground of one port to another, and no signal, in the place of cables that lead nowhere any more.
 * @returns false where the two do not go together, or where that brings something that stops; then nothing is joined
 */
export function joinSupply(draft: DraftEdits, from: SupplyAt, to: SupplyAt): boolean {
  const own = new DraftEdits(draft.graph.design);
  for (const { item, port } of [from, to]) dropLooseCables(own, item, port);
  const [a, b] = [own.port(from.item, from.port), own.port(to.item, to.port)].map(suppliesOnly);
  if (a === undefined || b === undefined || !own.take(planJoin(own.graph, a, b, 'meaning'))) return false;
  return isFed(own.graph, to) && !bringsStops(draft.graph, own.graph) && draft.take(own.edit('Power a part'));
}

/** A port as a plug sees it that has contacts for supplies and grounds alone. */
function suppliesOnly(at: PortAt | undefined): PortAt | undefined {
  if (at === undefined) return undefined;
  const pins = at.port.pins.map((pin): Pin => (isSupply(pin.role) || pin.role === 'gnd' ? pin : { ...pin, role: 'nc' }));
  return { ...at, port: { ...at.port, pins } };
}

function isFed(graph: Graph, { item, port }: SupplyAt): boolean {
  const pins = graph.items[graph.itemIx.get(item) ?? -1]?.part?.ports.find(({ id }) => id === port)?.pins ?? [];
  return pins.some(({ n, role }) => {
    const node = role === 'supply-in' || role === 'supply-through' ? pinNode(graph, item, port, n) : undefined;
    return node !== undefined && voltsAt(graph, node) !== undefined;
  });
}
