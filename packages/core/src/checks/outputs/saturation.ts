import { MIX_FIGURES, type MixFigure } from '../../model/outputPlan.ts';
import { mixerOf } from '../../outputs/mixing/mixerOf.ts';
import { mixShare } from '../../outputs/mixing/surfaceRows.ts';
import { saturationOf, type Axis } from '../../outputs/mixing/saturation.ts';
import { mainRack, slotsIn } from '../../outputs/plan/racks.ts';
import { percent } from '../../text/numbers.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Less than this of an axis is too little to fly on. */
const LEAST_LEFT = 0.3;

/** At full command of one axis too little of another is left. */
export const saturation: Check = {
  id: 'output.saturation',
  stage: 'outputs',
  title: 'Mixer saturates',
  run: ({ graph }) => {
    const { design } = graph;
    const rack = mainRack(graph);
    if (rack === undefined || slotsIn(rack).every(({ use }) => use === undefined)) return [];
    return saturationOf(mixerOf(design)).flatMap(({ full, other, remains }): Saying[] => {
      if (remains >= LEAST_LEFT) return [];
      return [
        {
          severity: 'note',
          where: [{ is: 'item', item: rack.entry.item.id }],
          what: `At full ${full} only ${percent(remains)} of ${other} is left (${rack.entry.item.ref}).`,
          evidence: [{ label: `${other} at full ${full}`, value: percent(remains), limit: percent(LEAST_LEFT) }],
          why: 'A surface or motor is at its limit, and the other command has no more effect.',
          discriminator: `${full} ${other}`,
          remedies: () => usualShares(design.aircraft.mixing, [full, other]),
        },
      ];
    });
  },
};

/** The usual shares of both axes, where they are not these. */
function usualShares(mixing: Parameters<typeof mixShare>[0], axes: readonly Axis[]): Remedy[] {
  const figures = axes.filter((axis) => mixShare(mixing, axis) > MIX_FIGURES[axis].usual) satisfies readonly MixFigure[];
  if (figures.length === 0) return [];
  return [
    {
      label: 'Usual gains',
      sentence: 'Mix both axes with the usual gains, so that each leaves room for the other.',
      edit: {
        kind: 'batch',
        title: 'Usual mixer gains',
        edits: figures.map((figure) => ({ kind: 'set-mix-figure', figure, value: null, was: mixing[figure] ?? null })),
      },
    },
  ];
}
