import { against, percent, quantity, stated } from '../../text/numbers.ts';
import { AIR_KG_M3, GRAVITY } from '../../layout/air.ts';
import { balanceOf, type Balance } from '../../layout/balance.ts';
import type { PlacedItem } from '../../layout/placedItems.ts';
import { meanWing } from '../../layout/wingGeometry.ts';
import type { FramePlan } from '../../model/frame.ts';
import type { Check, Saying } from '../finding.ts';
import { hoverOf, type Hover } from '../../power/scenarios/hoverOf.ts';
import { heaviest } from './helpers/places.ts';

/** The lift coefficient at which a plain small wing stalls: a round estimate. */
const STALL_CL = 1.2;
/** An estimate is only worth a word when it is off by more than this. */
const STALL_SLACK = 1.05;

/** Heavier than allowed, or so heavy that it stalls above the speed it is to fly, or hovers with little to spare. */
export const allUpMass: Check = {
  id: 'place.mass',
  stage: 'layout',
  title: 'All-up mass',
  leftToPeople: 'saving weight is a choice of parts',
  run: ({ graph }) => {
    const { frame } = graph.design.aircraft.airframe;
    const balance = balanceOf(graph);
    const heavy = heaviest(graph);
    if (frame === undefined || balance === undefined || heavy === undefined) return [];
    return [...tooHeavy(frame, balance, heavy), ...stallsEarly(frame, balance, heavy), ...hoversHard(hoverOf(graph), balance, heavy)];
  },
};

function tooHeavy({ numbers: { maxMassG } }: FramePlan, { massG }: Balance, { item, massG: heavyG }: PlacedItem): Saying[] {
  if (maxMassG === undefined || massG <= maxMassG) return [];
  return [
    {
      severity: 'stop',
      where: [{ is: 'item', item: item.id }],
      what: `The aircraft weighs ${quantity(massG, 'g')} with what is placed, above the ${quantity(maxMassG, 'g')} allowed; ${item.ref} is ${quantity(heavyG, 'g')} of it.`,
      evidence: [{ label: 'mass of what is placed', ...against(massG, maxMassG, 'g') }],
      why: 'The airframe is not built for it, and rules may not allow it. Remove something, or build it lighter.',
      discriminator: 'limit',
    },
  ];
}

/** Lift equals weight: `V = sqrt(2 m g / (rho S Cl))`. */
export function stallSpeedMs(massG: number, areaMm2: number): number {
  return Math.sqrt((2 * (massG / 1000) * GRAVITY) / (AIR_KG_M3 * (areaMm2 / 1e6) * STALL_CL));
}

function stallsEarly(frame: FramePlan, { massG }: Balance, { item, massG: heavyG }: PlacedItem): Saying[] {
  const wing = meanWing(frame);
  const asked = frame.numbers.stallMs;
  if (wing === undefined || asked === undefined) return [];
  const speed = stallSpeedMs(massG, wing.areaMm2);
  if (speed <= asked * STALL_SLACK) return [];
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: item.id }],
      what: `With ${quantity(massG, 'g')}, ${quantity(heavyG, 'g')} of it ${item.ref}, it stalls at about ${quantity(speed, 'm/s')}, above the ${stated(asked, 'm/s')} of the brief.`,
      evidence: [
        { label: 'stall speed, estimate', ...against(speed, asked, 'm/s') },
        { label: 'wing area', value: quantity(wing.areaMm2 / 1e4, 'cm2') },
      ],
      why: `Estimated with a lift coefficient of ${STALL_CL}, flaps up. Measure it at a safe height.`,
      discriminator: 'stall',
    },
  ];
}

/** Above this share of the throttle too little is left to right itself in a gust. */
const HOVER_SHARE = 0.6;

function hoversHard(hover: Hover | undefined, { massG }: Balance, { item, massG: heavyG }: PlacedItem): Saying[] {
  if (hover === undefined || hover.throttle <= HOVER_SHARE) return [];
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: item.id }],
      what: hover.isEnough
        ? `With ${quantity(massG, 'g')}, ${quantity(heavyG, 'g')} of it ${item.ref}, it hovers at about ${percent(hover.throttle)} throttle.`
        : `With ${quantity(massG, 'g')}, ${quantity(heavyG, 'g')} of it ${item.ref}, it does not hover even at full throttle (estimate).`,
      evidence: [
        { label: 'throttle in hover, estimate', value: percent(hover.throttle), limit: percent(HOVER_SHARE) },
        { label: `for each of ${hover.motors} motors`, value: quantity(hover.wattsEach, 'W') },
      ],
      why: 'The rest of the throttle is the reserve for gusts and a weak pack. Estimated from the size of the propellers: hover low, and read the throttle.',
      discriminator: 'hover',
    },
  ];
}
