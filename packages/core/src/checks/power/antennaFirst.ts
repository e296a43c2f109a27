import { stated } from '../../text/numbers.ts';
import { circuitNode, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { ANTENNA_SETTING, NO_ANTENNA } from '../../model/antennaSetting.ts';
import type { Check, Saying } from '../finding.ts';

/** A transmitter that gets power and has no antenna. */
export const antennaFirst: Check = {
  id: 'power.antenna-first',
  stage: 'power',
  title: 'Transmitter without an antenna',
  run: ({ graph }) => graph.items.flatMap((_, item) => bareSaying(graph, item)),
};

function bareSaying(graph: Graph, item: number): Saying[] {
  const entry = graph.items[item];
  if (entry?.item.settings[ANTENNA_SETTING] !== NO_ANTENNA) return [];
  const load = entry.part?.circuit.find((element) => element.is === 'load');
  const node = load?.is === 'load' ? circuitNode(graph, item, load.supply) : undefined;
  const volts = node === undefined ? undefined : voltsAt(graph, node);
  if (volts === undefined) return [];
  const { ref } = entry.item;
  return [
    {
      severity: 'stop',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${ref} has no antenna and is powered at ${stated(volts, 'V')}.`,
      evidence: [
        { label: 'supply', value: stated(volts, 'V') },
        { label: 'antenna', value: NO_ANTENNA, limit: 'fitted before power' },
      ],
      why: 'Transmitted power is reflected into the output stage and destroys it. Fit the antenna before any power is applied.',
      remedies: () => [
        {
          label: 'Fit the antenna',
          sentence: `Record that the antenna of ${ref} is fitted, once it is.`,
          edit: { kind: 'set-item-setting', item: entry.item.id, setting: ANTENNA_SETTING, value: null, was: NO_ANTENNA },
        },
      ],
    },
  ];
}
