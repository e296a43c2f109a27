import { current, currentAgainst, percent } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Check, Saying } from '../finding.ts';
import { overloadRemedies } from './remedies/loadOffSupply.ts';
import { situationWords } from './helpers/situations.ts';
import { HEADROOM, overloads, type Overload } from './helpers/overloads.ts';

/** What carries more than it is made for. */
export const overCurrent: Check = {
  id: 'power.over-current',
  stage: 'power',
  title: 'Current above a rating',
  run: ({ graph }) => overloads(graph).flatMap((overload) => (overload.share > 1.0005 ? [overloadSaying(graph, overload)] : [])),
};

/** What carries nearly what it is made for, for long. */
export const headroom: Check = {
  id: 'power.headroom',
  stage: 'power',
  title: 'Close to a rating',
  leftToPeople: 'more headroom is a larger part',
  run: ({ graph }) =>
    overloads(graph).flatMap((overload) =>
      overload.share <= 1.0005 && overload.lastingShare > HEADROOM ? [headroomSaying(overload)] : [],
    ),
};

function overloadSaying(graph: Graph, overload: Overload): Saying {
  const { name, amps, limitA, share, result } = overload;
  const asked = currentAgainst(amps, limitA);
  const situation = result.scenario.title.toLowerCase();
  return {
    severity: share > 1.5 ? 'stop' : 'mend',
    where: overload.where,
    what: `${name} carries ${asked.value}, rated ${asked.limit} (${situationWords(result.scenario)}).`,
    evidence: [{ label: `${name}, ${situation}`, ...asked }],
    why: `${name} overheats or fails, and everything that it feeds loses power.`,
    discriminator: overload.discriminator,
    cause: overload.cause,
    remedies: () => overloadRemedies(graph, overload),
  };
}

function headroomSaying(overload: Overload): Saying {
  const { name, lastingA, limitA, lastingShare } = overload;
  return {
    severity: 'note',
    where: overload.where,
    what: `${name} carries ${current(lastingA)} continuously, ${percent(lastingShare)} of its rating.`,
    evidence: [{ label: `${name}, lasting`, ...currentAgainst(lastingA, limitA) }],
    why: 'No margin is left for warm days, more load and ageing.',
    discriminator: overload.discriminator,
    cause: overload.cause,
  };
}
