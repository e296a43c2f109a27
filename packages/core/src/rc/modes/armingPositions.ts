import type { SwitchPosition } from '../switchPositions.ts';
import type { Combination } from './combinations.ts';

/** When the motors may run: in no combination, in all of them, or in some, with the positions that these have in common. */
export type Arming =
  { readonly is: 'never' | 'always' } | { readonly is: 'some'; readonly count: number; readonly common: readonly SwitchPosition[] };

/** What arms, of combinations. */
export function armingOf(combinations: readonly Combination[]): Arming {
  const armed = combinations.filter(({ armedBy }) => armedBy.length > 0);
  if (armed.length === 0) return { is: 'never' };
  if (armed.length === combinations.length) return { is: 'always' };
  const common = armed[0]?.positions.filter(({ id, at }) =>
    armed.every(({ positions }) => positions.some((one) => one.id === id && one.at === at)),
  );
  return { is: 'some', count: armed.length, common: common ?? [] };
}
