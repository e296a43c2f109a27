import { isLiftFunction } from '../../model/outputFunctions.ts';
import { mixed } from './mixed.ts';
import type { Command, Commands, MixerRow } from './mixerRow.ts';

/** What is left of one axis while another is asked for in full. */
export interface Saturation {
  readonly full: Axis;
  readonly other: Axis;
  /** From 0 to 1, in the worst of all directions. */
  readonly remains: number;
}

const AXES = ['roll', 'pitch', 'yaw'] as const satisfies readonly Command[];
export type Axis = (typeof AXES)[number];

/** Thrust at which lift motors are looked at: about that of hover. */
const HOVER_LIFT = 0.5;

/** Every pair of axes that share a surface or a motor, with what remains of the second at full command of the first. */
export function saturationOf(rows: readonly MixerRow[]): readonly Saturation[] {
  return AXES.flatMap((full) =>
    AXES.flatMap((other): Saturation[] => {
      const isShared = rows.some(({ weights }) => (weights[full] ?? 0) !== 0 && (weights[other] ?? 0) !== 0);
      return full === other || !isShared ? [] : [{ full, other, remains: remains(rows, full, other) }];
    }),
  );
}

/** The least of what the surfaces and the lift motors leave. */
function remains(rows: readonly MixerRow[], full: Axis, other: Axis): number {
  const shared = rows.filter(({ weights }) => (weights[full] ?? 0) !== 0 && (weights[other] ?? 0) !== 0);
  // A surface that stops while its partner goes on moves the first axis too: what is left is what all have left.
  const surfaces = shared.filter(({ scale }) => scale === 'surface').map((row) => (1 - weight(row, full)) / weight(row, other));
  return Math.min(1, ...surfaces.map((left) => Math.max(left, 0)), motorsLeave(rows, full, other));
}

function weight({ weights }: MixerRow, axis: Axis): number {
  return Math.abs(weights[axis] ?? 0);
}

/** Lift motors give way alike: the share of the second axis that comes, in the worst direction of both. */
function motorsLeave(rows: readonly MixerRow[], full: Axis, other: Axis): number {
  const lifting = rows.filter((row) => isLiftFunction(row.function));
  const change = (before: Commands, after: Commands): number => {
    const [from, to] = [before, after].map((commands) => mixed(lifting, { lift: HOVER_LIFT, ...commands }));
    return lifting.reduce((sum, row, i) => sum + (row.weights[other] ?? 0) * ((to?.[i]?.value ?? 0) - (from?.[i]?.value ?? 0)), 0);
  };
  const ends = [-1, 1].flatMap((first) => [-1, 1].map((second) => ({ first, second })));
  return Math.min(
    ...ends.map(({ first, second }) => {
      const alone = change({}, { [other]: second });
      return alone === 0 ? 1 : change({ [full]: first }, { [full]: first, [other]: second }) / alone;
    }),
  );
}
