import type { Rotor } from '../../model/airframes/rotor.ts';

/** How much each lift motor adds for a full command, as shares of the largest; and how far a tilting rear motor leans. */
export interface RotorRows {
  readonly motors: readonly { readonly roll: number; readonly pitch: number; readonly yaw: number }[];
  /** Of a frame with a rear motor that tilts: its lean for a full yaw is 1; `trim` holds the nose still when all motors pull alike. */
  readonly tilt: { readonly yaw: number; readonly trim: number } | undefined;
}

/**
 * The torque about the upright axis that a propeller gives for its thrust, in lengths of an arm: a round figure of small propellers. The
 * rows hang on it only where a frame cannot turn without it.
 */
export const TORQUE_ARMS = 0.05;

/**
 * Thrust, roll, pitch and yaw that each motor gives for a unit of its own thrust, in lengths of an arm. Right wing down, nose up and nose
 * right are positive. A propeller that turns counter-clockwise, seen from above, turns the frame clockwise: nose right.
 */
export function rotorEffects(rotors: readonly Rotor[], isTilting: boolean): readonly (readonly [number, number, number, number])[] {
  const motors = rotors.map(({ azimuthDeg, turns }) => {
    const angle = (azimuthDeg * Math.PI) / 180;
    return [1, -Math.sin(angle), Math.cos(angle), turns === 'counter-clockwise' ? TORQUE_ARMS : -TORQUE_ARMS] as const;
  });
  // The rear motor leans: its thrust pushes the tail aside, an arm behind the middle.
  return isTilting ? [...motors, [0, 0, 0, 1]] : motors;
}

/**
 * The rows of lift motors from where they sit and how they turn: the least changes that give one moment and no other, and no thrust. With
 * the effects `B` of the motors these are the columns of `B' (B B')^-1`, the pseudo-inverse.
 * @throws where a frame cannot make some moment at all
 */
export function rotorRows(rotors: readonly Rotor[], isTilting = false): RotorRows {
  const effects = rotorEffects(rotors, isTilting);
  const columns = [1, 2, 3].map((axis) => {
    const wanted = [0, 1, 2, 3].map((k) => (k === axis ? 1 : 0));
    const gram = [0, 1, 2, 3].map((i) =>
      [0, 1, 2, 3].map((j) => effects.reduce((sum, effect) => sum + (effect[i] ?? 0) * (effect[j] ?? 0), 0)),
    );
    const multipliers = solved(gram, wanted);
    const raw = effects.map((effect) => effect.reduce((sum, part, k) => sum + part * (multipliers[k] ?? 0), 0));
    const largest = Math.max(...raw.map(Math.abs));
    return raw.map((value) => clean(value / largest));
  });
  const [roll = [], pitch = [], yaw = []] = columns;
  const motors = rotors.map((_, i) => ({ roll: roll[i] ?? 0, pitch: pitch[i] ?? 0, yaw: yaw[i] ?? 0 }));
  if (!isTilting) return { motors, tilt: undefined };
  const torque = effects.slice(0, rotors.length).reduce((sum, effect) => sum + effect[3], 0);
  return { motors, tilt: { yaw: yaw[rotors.length] ?? 0, trim: clean(-torque) } };
}

/** Rounding leaves crumbs where a sum is nothing. */
function clean(value: number): number {
  return Math.abs(value) < 1e-12 ? 0 : value;
}

/** The solution of four equations, by elimination with the largest pivot. */
function solved(matrix: readonly (readonly number[])[], right: readonly number[]): readonly number[] {
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0]);
  const at = (row: number, column: number): number => rows[row]?.[column] ?? 0;
  const n = rows.length;
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++) if (Math.abs(at(row, column)) > Math.abs(at(pivot, column))) pivot = row;
    const [chosen, here] = [rows[pivot], rows[column]];
    if (chosen === undefined || here === undefined || Math.abs(at(pivot, column)) < 1e-9)
      throw new Error('These motors cannot control every axis.');
    [rows[column], rows[pivot]] = [chosen, here];
    for (let row = 0; row < n; row++) {
      if (row === column) continue;
      const factor = at(row, column) / at(column, column);
      rows[row] = (rows[row] ?? []).map((value, k) => value - factor * at(column, k));
    }
  }
  return rows.map((_, i) => at(i, n) / at(i, i));
}
