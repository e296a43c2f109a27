import type { Graph } from '../../graph/graph.ts';
import { hopEndName, type Facet, type Hop } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { NOT_PAIRED } from '../../links/chains/airFacets.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { evidenceOf, hopEndSubject, setLikeOther } from './facetRemedies.ts';

/** Two radios that are bonded and do not hear one another as they are set. */
export const airMismatch: Check = {
  id: 'link.air-mismatch',
  stage: 'links',
  title: 'Radios that do not link',
  run: ({ graph }) => hopsOf(graph).hops.flatMap((hop) => (hop.medium === 'air' ? apart(graph, hop) : [])),
};

const WHY: Partial<Readonly<Record<Facet['id'], string>>> = {
  band: 'No setting makes them compatible: another radio is needed at one end.',
  air: 'They are radios of two kinds: no setting makes them compatible.',
  version: 'Two major versions are not compatible. Update both to the same one before the day of the flight.',
  region: 'They hop on different channels. Local rules say which region setting is allowed.',
  'air-rate': "To the one, the other's signal is noise.",
  'known-by': 'Each waits for a different partner.',
};

function apart(graph: Graph, hop: Hop): Saying[] {
  const { a, b } = hop;
  if (b === undefined) return [];
  return hop.facets
    .filter(({ verdict }) => verdict === 'differ')
    .map((facet): Saying => ({
      severity: 'mend',
      where: [hopEndSubject(a), hopEndSubject(b)],
      what: `${hopEndName(a)} and ${hopEndName(b)} do not link. ${facet.title}: ${facet.a.value ?? '?'} against ${facet.b.value ?? '?'}.`,
      evidence: evidenceOf(hop, facet),
      why: WHY[facet.id] ?? 'The link is not established.',
      discriminator: facet.id,
      remedies: (): readonly Remedy[] =>
        [facet.a, facet.b].some(({ value }) => value === NOT_PAIRED)
          ? paired(hop, facet)
          : [...setLikeOther(graph, a, facet.a, b, facet.b), ...setLikeOther(graph, b, facet.b, a, facet.a)],
    }));
}

/** That a person paired them: noted at each end that does not have it yet. */
function paired({ a, b }: Hop, facet: Facet): Remedy[] {
  const edits = [
    { end: a, side: facet.a },
    { end: b, side: facet.b },
  ].flatMap(({ end, side: { value, setting } }): SimpleEdit[] => {
    if (end === undefined || value !== NOT_PAIRED || setting === undefined) return [];
    const { id, settings } = end.entry.item;
    return [{ kind: 'set-item-setting', item: id, setting, value: true, was: settings[setting] ?? null }];
  });
  const [first, second] = edits;
  const refs = [a, ...(b === undefined ? [] : [b])].map(({ entry }) => entry.item.ref);
  if (first === undefined) return [];
  return [
    {
      label: 'They are paired',
      sentence: `Pair ${listed(refs)} by their instructions, with antennas fitted, and record it.`,
      edit: second === undefined ? first : { kind: 'batch', title: `${listed(refs)} are paired`, edits },
    },
  ];
}
