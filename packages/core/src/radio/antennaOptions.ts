import { ANTENNAS, type AntennaKind } from '../model/radio.ts';
import type { RadioAt } from './antennasOf.ts';
import { linkBudget, reachM, type Heights, type LinkBudget } from './linkBudget.ts';

/** A pair of antennas for a link, and how far it reaches with the margin that is wanted. */
export interface AntennaOption {
  readonly air: AntennaKind;
  readonly ground: AntennaKind;
  readonly isPresent: boolean;
  readonly budget: LinkBudget;
  readonly reachM: number;
  /** Against the pair that is there: 0.69 is 31 % less. */
  readonly share: number;
}

/** Antennas for the air: those without a beam, since an aircraft turns. */
const FOR_THE_AIR: readonly AntennaKind[] = ['whip', 'dipole', 'crossed-loops', 'crossed-loops-left'];
const FOR_THE_GROUND: readonly AntennaKind[] = ['whip', 'dipole', 'stacked', 'crossed-loops', 'plate', 'upright-plate', 'long-beam'];

/** Every sensible pair of antennas for a radio, the furthest first; none when it has no other end. */
export function antennaOptions(radio: RadioAt, heights: Heights, wantedDb: number): readonly AntennaOption[] {
  const present = linkBudget(radio);
  if (present === undefined) return [];
  const reachOf = ({ lossDb, mhz }: LinkBudget): number => reachM(lossDb - wantedDb, mhz, heights);
  const airs = [...new Set([radio.antenna, ...FOR_THE_AIR])];
  const grounds = [...new Set([radio.groundAntenna, ...FOR_THE_GROUND])];
  return airs
    .flatMap((air) =>
      grounds.flatMap((ground): AntennaOption[] => {
        const budget = linkBudget(radio, { antenna: air, axis: radio.axis }, ground);
        if (budget === undefined) return [];
        const isPresent = air === radio.antenna && ground === radio.groundAntenna;
        return [{ air, ground, isPresent, budget, reachM: reachOf(budget), share: reachOf(budget) / reachOf(present) }];
      }),
    )
    .sort((a, b) => b.reachM - a.reachM || Number(b.isPresent) - Number(a.isPresent));
}

/** `whip to stacked dipoles`. */
export function pairName({ air, ground }: Pick<AntennaOption, 'air' | 'ground'>): string {
  return `${ANTENNAS[air].title} to ${ANTENNAS[ground].title}`;
}
