import { against, quantity, stated } from '../../text/numbers.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { usualOr } from '../../model/frame.ts';
import { baselinesOf, SIGMA_MM, type Baseline } from '../../radio/baselines.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { BESIDE_MM, besideAirframeMm } from './helpers/places.ts';

/** Two antennas that stand too near to each other for the heading that is wanted. */
export const headingBaseline: Check = {
  id: 'place.heading-baseline',
  stage: 'layout',
  title: 'Antenna baseline too short',
  run: ({ graph }) => {
    const wantedDeg = usualOr(graph.design.aircraft.airframe.frame?.numbers, 'headingErrorDeg');
    return baselinesOf(graph).flatMap((baseline): Saying[] => {
      const { item, ref, lengthMm, errorDeg } = baseline;
      if (errorDeg <= wantedDeg) return [];
      const wantedMm = SIGMA_MM / Math.tan((wantedDeg * Math.PI) / 180);
      return [
        {
          severity: 'mend',
          where: [{ is: 'item', item }],
          what: `The two antennas of ${ref} are ${quantity(lengthMm, 'mm')} apart: heading error ${quantity(errorDeg, 'degrees')}.`,
          evidence: [
            { label: 'baseline', ...against(lengthMm, wantedMm, 'mm') },
            { label: 'heading, one sigma', ...against(errorDeg, wantedDeg, 'deg') },
          ],
          why: 'The phase error acts over the baseline: twice the distance halves the heading error.',
          remedies: () => longer(graph, baseline, wantedMm),
        },
      ];
    });
  },
};

/** The second antenna further away on the same line, where the airframe goes on there. */
function longer(graph: Graph, { second, from, lengthMm, ref }: Baseline, wantedMm: number): readonly Remedy[] {
  const along = lengthMm === 0 ? [0, 1, 0] : second.at.map((value, axis) => (value - (from[axis] ?? 0)) / lengthMm);
  const more = Math.ceil((wantedMm + 1 - lengthMm) / 10) * 10;
  const [station = 0, butt = 0, water = 0] = second.at.map((value, axis) => value + more * (along[axis] ?? 0));
  if (besideAirframeMm(graph, [station, butt, water]) > BESIDE_MM) return [];
  const edits = (['station', 'butt', 'water'] as const).flatMap((name, axis): SimpleEdit[] => {
    const setting = `${second.radio.id}.${name}`;
    const was = second.item.settings[setting] ?? null;
    const change = more * (along[axis] ?? 0);
    const value = Math.round(((typeof was === 'number' ? was : 0) + change) * 10) / 10;
    return Math.abs(change) < 0.05 ? [] : [{ kind: 'set-item-setting', item: second.item.id, setting, value, was }];
  });
  return [
    {
      label: `${stated(more, 'mm')} further apart`,
      sentence: `Move the second antenna of ${ref} ${stated(more, 'mm')} further from the first, on the same line.`,
      edit: { kind: 'batch', title: `Antennas of ${ref} further apart`, edits },
    },
  ];
}
