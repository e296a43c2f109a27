import type { Rotor } from '../../model/airframes/rotor.ts';
import { rotorEffects } from './rotorRows.ts';

/** What the motors that are left can do. Thrust is a share of what all motors give together. */
export interface RotorsLeft {
  /** The most thrust with which it lies level and does not turn; undefined where it cannot. */
  readonly steadyThrust: number | undefined;
  /** The most thrust with which it lies level, and may turn about itself; undefined where it cannot. */
  readonly levelThrust: number | undefined;
}

/** What is left of a frame without some of its motors, by index. */
export function rotorsLeft(rotors: readonly Rotor[], lost: readonly number[], isTilting = false): RotorsLeft {
  const effects = rotorEffects(rotors, isTilting);
  const alive = effects.filter((_, i) => !lost.includes(i));
  // A rear motor that leans goes both ways.
  const least = alive.map(([thrust]) => (thrust === 0 ? -1 : 0));
  const share = (axes: readonly number[]): number | undefined => {
    const most = mostThrust(alive, least, axes);
    // No thrust at all is no way to stay up.
    return most === undefined || most < 1e-9 ? undefined : most / rotors.length;
  };
  return { steadyThrust: share([1, 2, 3]), levelThrust: share([1, 2]) };
}

/**
 * The most thrust without moments about some axes, each motor between its least and 1. A linear program with as many equations as axes: at a best
 * corner all but so many motors are at an end, so that going through all corners finds it. Frames have eight motors at most.
 */
function mostThrust(effects: readonly (readonly number[])[], least: readonly number[], axes: readonly number[]): number | undefined {
  let best: number | undefined;
  const n = effects.length;
  for (const free of subsets(n, Math.min(axes.length, n))) {
    const fixed = Array.from({ length: n }, (_, i) => i).filter((i) => !free.includes(i));
    for (let ends = 0; ends < 1 << fixed.length; ends++) {
      const values = Array.from({ length: n }, () => 0);
      fixed.forEach((motor, k) => (values[motor] = (ends >> k) % 2 === 1 ? 1 : (least[motor] ?? 0)));
      if (!balance(effects, axes, free, values)) continue;
      if (values.some((value, i) => value < (least[i] ?? 0) - 1e-9 || value > 1 + 1e-9)) continue;
      const thrust = values.reduce((sum, value, i) => sum + value * (effects[i]?.[0] ?? 0), 0);
      if (best === undefined || thrust > best) best = thrust;
    }
  }
  return best;
}

function subsets(n: number, size: number): readonly (readonly number[])[] {
  if (size === 0) return [[]];
  return Array.from({ length: n }, (_, first) => first).flatMap((first) =>
    subsets(n - first - 1, size - 1).map((rest) => [first, ...rest.map((i) => i + first + 1)]),
  );
}

/** Sets the free motors so that there is no moment about the axes. @returns false where they cannot, or in more ways than one */
function balance(effects: readonly (readonly number[])[], axes: readonly number[], free: readonly number[], values: number[]): boolean {
  const rows = axes.map((axis) => {
    const rest = values.reduce((sum, value, i) => sum + (free.includes(i) ? 0 : value * (effects[i]?.[axis] ?? 0)), 0);
    return [...free.map((i) => effects[i]?.[axis] ?? 0), -rest];
  });
  const m = free.length;
  for (let column = 0; column < m; column++) {
    const pivot = rows.findIndex((row, r) => r >= column && Math.abs(row[column] ?? 0) > 1e-9);
    const [chosen, here] = [rows[pivot], rows[column]];
    if (chosen === undefined || here === undefined) return false;
    [rows[column], rows[pivot]] = [chosen, here];
    rows.forEach((row, r) => {
      if (r === column) return;
      const factor = (row[column] ?? 0) / (chosen[column] ?? 1);
      row.forEach((value, k) => (row[k] = value - factor * (chosen[k] ?? 0)));
    });
  }
  // Equations beyond the unknowns have to hold by themselves.
  if (rows.slice(m).some((row) => Math.abs(row[m] ?? 0) > 1e-9)) return false;
  free.forEach((motor, k) => (values[motor] = (rows[k]?.[m] ?? 0) / (rows[k]?.[k] ?? 1)));
  return true;
}
