import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { stacksOf, type PackPoles } from '../../graph/packsInSeries.ts';
import { replacements } from '../helpers/replacements.ts';
import type { Item } from '../../model/aircraft.ts';
import type { ItemId } from '../../model/ids.ts';
import type { Part } from '../../model/part.ts';
import type { Check, Saying } from '../finding.ts';

/** Capacities within this share are those of one kind of pack. */
const ALIKE_SHARE = 0.05;

/** Packs on top of each other that are not of one kind. */
export const seriesBatteries: Check = {
  id: 'power.series-batteries',
  stage: 'power',
  title: 'Packs in series that are not alike',
  run: ({ graph }) => stacksOf(graph).flatMap((stack) => stackSaying(graph, stack)),
};

/** Whether a part is a pack that is like all others of a stack. */
function isLike(packs: readonly { readonly entry: Item; readonly element: PackPoles['element'] }[], but: ItemId): (part: Part) => boolean {
  const others = packs.filter(({ entry }) => entry.id !== but);
  return ({ circuit }) =>
    circuit.some(
      (own) =>
        own.is === 'battery' &&
        others.every(({ element }) => own.chemistry === element.chemistry && own.capacityMah === element.capacityMah),
    );
}

function stackSaying(graph: Graph, stack: readonly PackPoles[]): Saying[] {
  const capacities = stack.map(({ element }) => element.capacityMah);
  const [least, most] = [Math.min(...capacities), Math.max(...capacities)];
  const isMixed = new Set(stack.map(({ element }) => element.chemistry)).size > 1;
  if (!isMixed && least >= most * (1 - ALIKE_SHARE)) return [];
  const packs = stack.flatMap(({ item, element }) => {
    const entry = graph.items[item]?.item;
    return entry === undefined ? [] : [{ entry, element }];
  });
  return [
    {
      severity: 'stop',
      where: packs.map(({ entry }) => ({ is: 'item', item: entry.id })),
      what: `${listed(packs.map(({ entry }) => entry.ref))} are in series and are not alike: ${
        isMixed ? 'their chemistry differs' : `${stated(least, 'mAh')} with ${stated(most, 'mAh')}`
      }.`,
      evidence: packs.map(({ entry, element }) => ({
        label: entry.ref,
        value: `${element.chemistry}, ${stated(element.capacityMah, 'mAh')}`,
      })),
      why: 'The same current flows through both. The smaller one is empty first and is then over-discharged: it swells and can catch fire.',
      remedies: () => packs.flatMap(({ entry }) => replacements(graph, entry.id, isLike(packs, entry.id))),
    },
  ];
}
