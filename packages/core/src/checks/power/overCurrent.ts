import { current, currentAgainst, percent } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { replacements } from '../helpers/replacements.ts';
import { overloadRemedies } from './remedies/loadOffSupply.ts';
import { largerPlugs } from './remedies/largerPlugs.ts';
import { situationWords } from './helpers/situations.ts';
import { HEADROOM, overloads, type Overload } from './helpers/overloads.ts';
import { inSentence } from '../../text/sentences.ts';

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
  run: ({ graph }) =>
    overloads(graph).flatMap((overload) =>
      overload.share <= 1.0005 && overload.lastingShare > HEADROOM ? [headroomSaying(graph, overload)] : [],
    ),
};

function overloadSaying(graph: Graph, overload: Overload): Saying {
  const { name, amps, limitA, share, result } = overload;
  const asked = currentAgainst(amps, limitA);
  const situation = inSentence(result.scenario.title);
  return {
    severity: share > 1.5 ? 'stop' : 'mend',
    where: overload.where,
    what: `${name} carries ${asked.value}, rated ${asked.limit} (${situationWords(result.scenario)}).`,
    evidence: [{ label: `${name}, ${situation}`, ...asked }],
    why: `${name} overheats or fails, and everything that it feeds loses power.`,
    discriminator: overload.discriminator,
    cause: overload.cause,
    remedies: () => [...overloadRemedies(graph, overload), ...larger(graph, overload)],
  };
}

/**
 * What is larger than what is too small: connectors between two cables; elsewhere another part, also where the contact is on a connector
 * of the part. A wire is of no part, and a motor is chosen for its thrust.
 */
function larger(graph: Graph, overload: Overload): readonly Remedy[] {
  const { device, contact, result } = overload;
  const at = contact?.end.at;
  if (at?.is === 'mate') return largerPlugs(graph, overload);
  const ix = at?.is === 'port' ? graph.itemIx.get(at.item) : result.network.devices[device ?? -1]?.device.item;
  const { item, part } = graph.items[ix ?? -1] ?? {};
  return item === undefined || part?.kind === 'motor' ? [] : replacements(graph, item.id);
}

function headroomSaying(graph: Graph, overload: Overload): Saying {
  const { name, lastingA, limitA, lastingShare } = overload;
  return {
    severity: 'note',
    where: overload.where,
    what: `${name} carries ${current(lastingA)} continuously, ${percent(lastingShare)} of its rating.`,
    evidence: [{ label: `${name}, lasting`, ...currentAgainst(lastingA, limitA) }],
    why: 'No margin is left for warm days, more load and ageing.',
    discriminator: overload.discriminator,
    cause: overload.cause,
    remedies: () => larger(graph, overload),
  };
}
