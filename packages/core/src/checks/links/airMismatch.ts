import type { Graph } from '../../graph/graph.ts';
import { hopEndName, type Facet, type Hop } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { evidenceOf, hopEndSubject, setLikeOther } from './facetRemedies.ts';

/** Two radios that are bonded and do not hear one another as they are set. */
export const airMismatch: Check = {
  id: 'link.air-mismatch',
  stage: 'links',
  title: 'Radios that do not hear one another',
  run: ({ graph }) => hopsOf(graph).hops.flatMap((hop) => (hop.medium === 'air' ? apart(graph, hop) : [])),
};

const WHY: Partial<Readonly<Record<Facet['id'], string>>> = {
  band: 'No setting brings them together: another radio is needed at one end.',
  air: 'They are radios of two kinds: no setting brings them together.',
  version: 'Two major versions do not understand one another. Bring both to one before the day of the flight.',
  region: 'They hop over other channels and do not meet. Which region is allowed is said by the rules of the place.',
  'air-rate': 'What one sends is noise to the other.',
  'known-by': 'Each waits for another one.',
};

function apart(graph: Graph, hop: Hop): Saying[] {
  const { a, b } = hop;
  if (b === undefined) return [];
  return hop.facets
    .filter(({ verdict }) => verdict === 'differ')
    .map((facet): Saying => ({
      severity: 'mend',
      where: [hopEndSubject(a), hopEndSubject(b)],
      what: `${hopEndName(a)} and ${hopEndName(b)} do not hear one another. ${facet.title}: ${facet.a.value ?? '?'} against ${facet.b.value ?? '?'}.`,
      evidence: evidenceOf(hop, facet),
      why: WHY[facet.id] ?? 'The link does not come up.',
      discriminator: facet.id,
      remedies: (): readonly Remedy[] =>
        facet.id === 'known-by' && [facet.a, facet.b].some(({ value }) => value === 'not paired')
          ? [...paired(a.entry, facet.a), ...paired(b.entry, facet.b)]
          : [...setLikeOther(graph, a, facet.a, b, facet.b), ...setLikeOther(graph, b, facet.b, a, facet.a)],
    }));
}

/** Of an end that is not paired yet: that a person paired it. */
function paired({ item }: Hop['a']['entry'], { value, setting }: Facet['a']): Remedy[] {
  if (value !== 'not paired' || setting === undefined) return [];
  return [
    {
      label: `${item.ref} is paired now`,
      sentence: `Pair ${item.ref} as its steps say, with antennas on, and note it.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value: true, was: item.settings[setting] ?? null },
    },
  ];
}
