import { quantity, current } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Check, Evidence, Saying } from '../finding.ts';
import { overloadRemedies } from './remedies/loadOffSupply.ts';
import { HEADROOM, overloads, type Overload } from './helpers/overloads.ts';

/** What carries more than it is made for. */
export const overCurrent: Check = {
  id: 'power.over-current',
  stage: 'power',
  title: 'More current than a part carries',
  run: ({ graph }) => overloads(graph).flatMap((overload) => (overload.share > 1.0005 ? [overloadSaying(graph, overload)] : [])),
};

/** What carries nearly what it is made for, for long. */
export const headroom: Check = {
  id: 'power.headroom',
  stage: 'power',
  title: 'Little left of a rating',
  leftToPeople: 'more headroom is a larger part',
  run: ({ graph }) =>
    overloads(graph).flatMap((overload) =>
      overload.share <= 1.0005 && overload.lastingShare > HEADROOM ? [headroomSaying(overload)] : [],
    ),
};

function evidenceOf({ name, amps, limitA, result }: Overload): Evidence {
  return { label: `${name}, ${result.scenario.title.toLowerCase()}`, value: current(amps), limit: current(limitA) };
}

function overloadSaying(graph: Graph, overload: Overload): Saying {
  const { name, amps, limitA, share, result } = overload;
  return {
    severity: share > 1.5 ? 'stop' : 'mend',
    where: overload.where,
    what: `${name} is asked for ${current(amps)} and is made for ${current(limitA)} (${result.scenario.title.toLowerCase()}).`,
    evidence: [evidenceOf(overload)],
    why: `${name} overheats or gives way, and what hangs on it stops.`,
    discriminator: overload.discriminator,
    remedies: () => overloadRemedies(graph, overload),
  };
}

function headroomSaying(overload: Overload): Saying {
  const { name, lastingA, limitA, lastingShare } = overload;
  return {
    severity: 'note',
    where: overload.where,
    what: `${name} carries ${current(lastingA)} for long, ${quantity(lastingShare * 100, '%')} of what it is made for.`,
    evidence: [{ label: `${name}, lasting`, value: current(lastingA), limit: current(limitA) }],
    why: 'Nothing is left for warm days, more load and ageing.',
    discriminator: overload.discriminator,
  };
}
