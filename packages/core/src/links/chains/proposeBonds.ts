import type { Graph } from '../../graph/graph.ts';
import type { Bond } from '../../model/bond.ts';
import { asId, type BondId, type ItemId } from '../../model/ids.ts';
import { byNatural } from '../../model/naturalOrder.ts';
import type { RadioTraits } from '../../model/radio.ts';
import { airFacets, type AirEnd } from './airFacets.ts';
import type { Facet } from './hop.ts';

/** Two radios that could be bonded, and what they would have to agree on. */
export interface BondProposal {
  /** With a placeholder for its id. */
  readonly bond: Bond;
  readonly a: AirEnd;
  readonly b: AirEnd;
  readonly facets: readonly Facet[];
  /** True where both are made for one another, whatever is set. */
  readonly fits: boolean;
}

/** The bonds of an item, in natural order of what it is bonded with. */
export function bondsOf(graph: Graph, item: ItemId): readonly Bond[] {
  const otherRef = ({ a, b }: Bond): string => graph.design.aircraft.items[a.item === item ? b.item : a.item]?.ref ?? '';
  return Object.values(graph.design.aircraft.bonds)
    .filter(({ a, b }) => a.item === item || b.item === item)
    .sort(byNatural(otherRef));
}

/** Every radio of other items that a radio of an item could be bonded with and is not yet; those that fit first. */
export function proposeBonds(graph: Graph, item: ItemId): readonly BondProposal[] {
  const ix = graph.itemIx.get(item);
  const own = ix === undefined ? undefined : graph.items[ix];
  const bonds = bondsOf(graph, item);
  const isBonded = (radio: string, other: ItemId, otherRadio: string): boolean =>
    bonds.some(({ a, b }) =>
      [
        [a, b],
        [b, a],
      ].some(([one, two]) => one?.item === item && one.radio === radio && two?.item === other && two.radio === otherRadio),
    );
  const found = mainRadios(own?.part?.radios).flatMap((radio) =>
    graph.items.flatMap((entry): BondProposal[] =>
      own === undefined || entry === own
        ? []
        : mainRadios(entry.part?.radios)
            .filter((other) => talks(radio, other) && !isBonded(radio.id, entry.item.id, other.id))
            .map((other) => proposal(graph, { entry: own, radio }, { entry, radio: other })),
    ),
  );
  return [...found.filter(({ fits }) => fits), ...found.filter(({ fits }) => !fits)];
}

function proposal(graph: Graph, a: AirEnd, b: AirEnd): BondProposal {
  const facets = airFacets(graph, a, b);
  const bond: Bond = {
    id: asId<BondId>('?1'),
    a: { item: a.entry.item.id, radio: a.radio.id },
    b: { item: b.entry.item.id, radio: b.radio.id },
  };
  const isForeign = facets.some(({ id, verdict }) => (id === 'band' || id === 'air') && verdict === 'differ');
  return { bond, a, b, facets, fits: !isForeign };
}

/** Radios that have a link: a second antenna and what only hears satellites have none. */
function mainRadios(radios: readonly RadioTraits[] | undefined): readonly RadioTraits[] {
  return (radios ?? []).filter(({ air, diversityOf }) => air !== undefined && diversityOf === undefined);
}

/** One of the two has to send, and the other to hear. */
function talks(a: RadioTraits, b: RadioTraits): boolean {
  return (a.sendsDbm !== undefined && b.hears !== undefined) || (b.sendsDbm !== undefined && a.hears !== undefined);
}
