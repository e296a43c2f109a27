import type { Graph } from '../../graph/graph.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { OutputUse } from '../../model/outputPlan.ts';
import type { Stick } from '../../model/rcUses.ts';
import { mixerOf } from '../mixing/mixerOf.ts';
import type { Command, MixerRow } from '../mixing/mixerRow.ts';

/** What is asked of surfaces one after the other, each in full to its positive side. */
export const ASKED = {
  roll: { ask: 'Push the roll stick to the right.', stick: 'roll', towards: 1 },
  pitch: { ask: 'Pull the pitch stick back, towards you.', stick: 'pitch', towards: -1 },
  yaw: { ask: 'Push the yaw stick to the right.', stick: 'yaw', towards: 1 },
  flap: { ask: 'Extend the flaps.', stick: undefined, towards: 1 },
  brake: { ask: 'Extend the air brakes.', stick: undefined, towards: 1 },
} as const satisfies Partial<
  Readonly<Record<Command, { readonly ask: string; readonly stick: Stick | undefined; readonly towards: 1 | -1 }>>
>;
export type AskedCommand = keyof typeof ASKED;
export const askedCommands = ['roll', 'pitch', 'yaw', 'flap', 'brake'] as const satisfies readonly AskedCommand[];

/** A surface that an output moves. */
export interface Moved {
  readonly row: MixerRow;
  readonly use: OutputUse;
}

/** The surfaces that have an output, with their rows; of several outputs of one function the first. */
export function movedSurfaces({ design }: Graph): readonly Moved[] {
  const uses = Object.values(design.aircraft.outputs);
  return mixerOf(design).flatMap((row): Moved[] => {
    const use = uses.find((one) => one.function === row.function);
    return use === undefined || (row.scale !== 'surface' && row.scale !== 'opens') ? [] : [{ row, use }];
  });
}

/** The way a surface goes for a full command, positive down or right: of a spoiler, which opens upwards, the other way. */
export function wayOf({ function: name, weights }: MixerRow, command: Command): number {
  const weight = weights[command] ?? 0;
  return name.startsWith('spoiler') ? -weight : weight;
}

/** A way in words, of what people see. */
export function wayWords(name: OutputFunction, way: number): string {
  if (name === 'ailerons') return way > 0 ? 'left one down' : 'left one up';
  if (name.startsWith('rudder') || name === 'steering' || name === 'tail-tilt') return way > 0 ? 'right' : 'left';
  return way > 0 ? 'down' : 'up';
}

/** The motors that push it ahead. */
export const THRUST = ['throttle', 'throttle-left', 'throttle-right'] as const satisfies readonly OutputFunction[];

/** Left and right of what shares two commands or more: elevons, tail halves, flaperons. Their answers tell swapped outputs from reversed ones. */
export function pairsOf(moved: readonly Moved[]): readonly (readonly [Moved, Moved])[] {
  return moved.flatMap((left) => {
    if (!left.row.function.endsWith('-left')) return [];
    const name = left.row.function.replace(/-left$/, '-right');
    const right = moved.find(({ row }) => row.function === name);
    const commands = askedCommands.filter((command) => wayOf(left.row, command) !== 0);
    return right === undefined || commands.length < 2 ? [] : [[left, right] as const];
  });
}
