import type { Graph } from '../../graph/graph.ts';
import { LINKS } from '../../model/linkIds.ts';
import { listed } from '../../text/lists.ts';
import type { Chain } from './chainsOf.ts';
import { hopEndName, MEDIA, type Facet, type Hop } from './hop.ts';

/** What a link is called: `RADIO1 telemetry`. */
export function chainName(graph: Graph, { item, kind }: Pick<Chain, 'item' | 'kind'>): string {
  return `${graph.items[item]?.item.ref ?? '?'} ${LINKS[kind.id]}`;
}

/** A chain in a sentence: what is wrong first. */
export function chainWords(graph: Graph, chain: Chain): string {
  const { state, hops, item, kind } = chain;
  const ref = graph.items[item]?.item.ref ?? '?';
  switch (state.is) {
    case 'off':
      return `${chainName(graph, chain)} is not needed.`;
    case 'agrees':
      return `${chainName(graph, chain)}: all settings match.`;
    case 'not-joined':
      return state.begun ? `${ref} is wired, and its ${LINKS[kind.id]} goes nowhere.` : `${ref} is not wired yet.`;
    case 'short': {
      if (state.end.item === item) return `No socket carries ${hopEndName(state.end)} over the network.`;
      return `Ends at ${hopEndName(state.end)}: ${kind.goesToPrograms ? 'no program reads what arrives there' : 'it goes no further'}.`;
    }
    case 'open': {
      const hop = hops[state.at];
      const unset = hop === undefined ? [] : openEnds(hop, state.facets);
      return `${listed(unset)} ${unset.length === 1 ? 'is' : 'are'} not set yet: ${state.facets.map(nameOf).join(', ')}.`;
    }
    case 'breaks': {
      const hop = hops[state.at];
      const ends = hop?.b === undefined ? '' : ` between ${hopEndName(hop.a)} and ${hopEndName(hop.b)}`;
      return `Breaks ${hop === undefined ? 'at the hop' : BREAKS_AT[hop.medium]}${ends}: ${state.facets.map(facetWords).join('; ')}.`;
    }
  }
}

const BREAKS_AT: Readonly<Record<Hop['medium'], string>> = {
  serial: `at the ${MEDIA.serial}`,
  rc: `at the ${MEDIA.rc}`,
  i2c: `at the ${MEDIA.i2c}`,
  can: `at the ${MEDIA.can}`,
  analog: `at the ${MEDIA.analog}`,
  video: `at the ${MEDIA.video}`,
  usb: 'at the USB',
  network: `at the ${MEDIA.network}`,
  air: 'in the air',
  socket: 'over the network',
};

/** What a facet is about, without its limit. */
function nameOf({ title }: Facet): string {
  return title.split(',')[0] ?? title;
}

function facetWords({ title, a, b }: Facet): string {
  return `${title}: ${a.value ?? 'not set'} against ${b.value ?? 'not set'}`;
}

/** The ends of a hop at which one of the facets is not set. */
function openEnds({ a, b }: Hop, facets: readonly Facet[]): string[] {
  return [
    ...(facets.some((facet) => facet.a.source === 'not set') ? [hopEndName(a)] : []),
    ...(b !== undefined && facets.some((facet) => facet.b.source === 'not set') ? [hopEndName(b)] : []),
  ];
}
