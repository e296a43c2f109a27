import { against, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { dropPath } from '../../power/report/dropPath.ts';
import { sayTripping } from '../../power/report/sayEvents.ts';
import type { Check, Evidence, Saying } from '../finding.ts';
import { causeOfLow } from './helpers/causes.ts';
import { lowLoads, type LowLoad } from './helpers/lowLoads.ts';
import { lowVoltageRemedies } from './remedies/lowVoltage.ts';
import { inSentence } from '../../text/sentences.ts';

/** A load that has less than its least voltage in a situation where it should work, before anything resets. */
export const underVoltage: Check = {
  id: 'power.under-voltage',
  stage: 'power',
  title: 'Under-voltage',
  run: ({ graph }) => lowLoads(graph).map((low) => sayingOf(graph, low)),
};

const VITAL = ['controller', 'rc-receiver', 'servo', 'handheld-link'];

function sayingOf(graph: Graph, low: LowLoad): Saying {
  const { result, volts, minV } = low;
  const entry = graph.items[low.item];
  const ref = entry?.item.ref ?? '?';
  const drops = dropPath(result, low.device).slice(0, 3);
  const seen = against(volts, minV, 'V');
  const evidence: Evidence[] = [
    {
      label: `${ref} ${low.element}, ${inSentence(result.scenario.title)}`,
      ...seen,
    },
    ...drops.map((drop) => ({ label: `dropped in ${drop.name}`, value: quantity(drop.volts, 'V') })),
    ...result.before.trippings.slice(0, 2).map((tripping) => ({ label: 'first', value: sayTripping(result.network, tripping) })),
  ];
  const cause = causeOfLow(graph, low);
  const isVital = VITAL.includes(entry?.part?.kind ?? '');
  return {
    severity: isVital ? 'stop' : 'mend',
    where: entry === undefined ? [] : [{ is: 'item', item: entry.item.id }],
    what: `${ref} ${low.element} gets ${seen.value}, below the ${seen.limit} that it needs (${inSentence(result.scenario.title)}).`,
    evidence,
    why: isVital
      ? `${ref} resets or loses force in flight, and control is lost.`
      : `${ref} resets or does not perform to its data in this situation.`,
    discriminator: low.element,
    ...(cause === undefined ? {} : { cause }),
    remedies: () => lowVoltageRemedies(graph, low),
  };
}
