import { runsOf } from '../../harness/runs.ts';
import { portOfSignal, type Facet, type Hop, type HopEnd } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import { grouped } from '../../text/grouped.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Saying } from '../finding.ts';
import type { Graph } from '../../graph/graph.ts';
import { oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { evidenceOf, hopEndSubject } from './facetRemedies.ts';

/** Battery current at the input for battery voltage, or the other way round. */
export const wrongReading: Check = {
  id: 'link.wrong-reading',
  stage: 'links',
  title: 'Signal on the wrong input',
  run: ({ graph }) => [...grouped(astrayHops(graph), pairKey).values()].map((hops) => sayingFor(graph, hops)),
};

interface Astray {
  readonly hop: Hop;
  readonly to: HopEnd;
  readonly facet: Facet;
}

function astrayHops(graph: Graph): Astray[] {
  return hopsOf(graph).hops.flatMap((hop) => {
    const facet = hop.facets.find(({ id, verdict }) => id === 'reading' && verdict === 'differ');
    return facet === undefined || hop.b === undefined ? [] : [{ hop, to: hop.b, facet }];
  });
}

const pairKey = ({ hop, to }: Astray): string => `${hop.a.entry.item.id} ${to.entry.item.id}`;

/** Two readings that are exchanged are one mistake. */
function sayingFor(graph: Graph, [first, ...rest]: readonly [Astray, ...Astray[]]): Saying {
  const all = [first, ...rest];
  const { hop, to } = first;
  const readings = all.map(({ facet }) => `${facet.a.value ?? '?'} on the input for ${facet.b.value ?? '?'}`);
  return {
    severity: 'mend',
    where: [hopEndSubject(hop.a), hopEndSubject(to)],
    what: `${hop.a.entry.item.ref} is read wrongly by ${to.entry.item.ref}: ${listed(readings)}.`,
    evidence: all.flatMap((one) => evidenceOf(one.hop, one.facet)),
    why: 'The autopilot confuses the two: it warns of a full pack, or does not warn of an empty one.',
    discriminator: 'readings',
    remedies: () => oneOrNone(repinned(graph, hop.a, to)),
  };
}

/** The pin map by meaning for what joins the two ports. */
function repinned(graph: Graph, ...ends: readonly [HopEnd, HopEnd]) {
  const run = runsOf(graph).find((one) =>
    ends.every(({ entry, signal }) =>
      [one.a, one.b].some(({ itemId, port }) => itemId === entry.item.id && port.id === portOfSignal(signal)),
    ),
  );
  return run === undefined ? undefined : repinByMeaning(graph, run);
}
