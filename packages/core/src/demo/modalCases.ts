import type { ModalOption, ModalProblem } from '../assign/solveModal.ts';

export interface ModalSize {
  readonly seekers: number;
  readonly places: number;
  readonly groups: number;
}

/** A made-up problem of seekers, places and modes that is somewhat like outputs of a board: the same for the same seed. */
export function modalCase(seed: number, { seekers, places, groups }: ModalSize): ModalProblem {
  let state = (seed * 7919 + 17) >>> 0;
  const draw = (): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
  const chance = (share: number): boolean => draw() < share;
  const groupOf = Array.from({ length: places }, (_, place) => Math.floor((place * groups) / places));
  // What a group can make: PWM at three rates; of some groups frames or lights too.
  const kinds = Array.from({ length: groups }, () => [
    'slow',
    'middle',
    'fast',
    ...(chance(0.6) ? ['frames'] : []),
    ...(chance(0.2) ? ['lights'] : []),
  ]);
  const wishes = [['slow'], ['slow', 'middle'], ['slow', 'middle', 'fast', 'frames'], ['fast', 'frames'], ['lights']] as const;
  return {
    groupOf,
    groups: kinds.map(() => ({ opening: 30 })),
    seekers: Array.from({ length: seekers }, () => {
      const x = draw();
      const wish: readonly string[] = wishes[x < 0.4 ? 0 : x < 0.65 ? 1 : x < 0.8 ? 2 : x < 0.93 ? 3 : 4];
      const wired = chance(0.5) ? Math.floor(draw() * places) : undefined;
      const options = groupOf.flatMap((group, place): ModalOption[] => {
        if (chance(0.15)) return [];
        const modes = wish.flatMap((mode, i) =>
          kinds[group]?.includes(mode) === true
            ? [{ mode, cost: (wired === undefined ? place : place === wired ? 0 : 100 + place) + (wish.length - 1 - i) }]
            : [],
        );
        return modes.length === 0 ? [] : [{ place, modes }];
      });
      return { options, without: 10_000 };
    }),
  };
}
