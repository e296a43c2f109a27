import type { Graph, GraphItem } from '../../graph/graph.ts';
import type { Bond, RadioPlace } from '../../model/bond.ts';
import { byNatural } from '../../model/naturalOrder.ts';
import type { RadioTraits } from '../../model/radio.ts';
import { airFacets } from './airFacets.ts';
import { endKey, type Hop, type HopEnd, type Signal } from './hop.ts';

/** A radio as the end of a hop. */
export function radioSignal(radio: RadioTraits): Extract<Signal, { is: 'radio' }> {
  return { is: 'radio', id: radio.id, radio };
}

/**
 * Hops through the air: each bond, in natural order; then the radios of what flies that are in none, and whose other end on the ground
 * their part states. A bond wins over what a part states.
 */
export function airHops(graph: Graph): readonly Hop[] {
  const bonded = Object.values(graph.design.aircraft.bonds)
    .flatMap((bond) => bondHop(graph, bond) ?? [])
    .sort(byNatural(({ a, b }) => `${a.entry.item.ref} ${b?.entry.item.ref ?? ''}`));
  const inBond = new Set(bonded.flatMap(({ a, b }) => (b === undefined ? [endKey(a)] : [endKey(a), endKey(b)])));
  return [...bonded, ...statedHops(graph).filter(({ a }) => !inBond.has(endKey(a)))];
}

function bondHop(graph: Graph, { a, b }: Bond): Hop | undefined {
  const [one, other] = [radioAt(graph, a), radioAt(graph, b)];
  if (one === undefined || other === undefined || one.item === other.item) return undefined;
  // What flies comes first, then the order of the items: the same hop whichever way round the bond was made.
  const isSwapped = (one.entry.item.where !== 'aircraft' && other.entry.item.where === 'aircraft') || one.item > other.item;
  const [first, second] =
    isSwapped && !(one.entry.item.where === 'aircraft' && other.entry.item.where !== 'aircraft') ? [other, one] : [one, other];
  return {
    medium: 'air',
    a: first,
    b: second,
    facets: airFacets(graph, { entry: first.entry, radio: first.signal.radio }, { entry: second.entry, radio: second.signal.radio }),
  };
}

interface RadioEnd extends HopEnd {
  readonly signal: Extract<Signal, { is: 'radio' }>;
}

function radioAt(graph: Graph, place: RadioPlace): RadioEnd | undefined {
  const item = graph.itemIx.get(place.item);
  const entry: GraphItem | undefined = item === undefined ? undefined : graph.items[item];
  const radio = entry?.part?.radios?.find(({ id }) => id === place.radio);
  return item === undefined || entry === undefined || radio === undefined ? undefined : { item, entry, signal: radioSignal(radio) };
}

function statedHops(graph: Graph): Hop[] {
  return graph.items.flatMap((entry, item): Hop[] =>
    entry.item.where !== 'aircraft'
      ? []
      : (entry.part?.radios ?? [])
          .filter(({ otherEnd, diversityOf }) => otherEnd !== undefined && diversityOf === undefined)
          .map((radio) => ({ medium: 'air', a: { item, entry, signal: radioSignal(radio) }, b: undefined, facets: [] })),
  );
}
