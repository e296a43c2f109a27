import { isLiftFunction, type OutputFunction } from '../../model/outputFunctions.ts';
import { USUAL_TRAVEL, type OutputTravel } from '../../model/outputPlan.ts';
import { COMMANDS, type Command, type Commands, type MixerRow } from './mixerRow.ts';

/** What a function gives within its limits. */
export interface MixedValue {
  readonly row: MixerRow;
  readonly value: number;
}

/** The axes that lift motors share with each other; when one of them is at its end, all give way alike. */
const ATTITUDE: readonly Command[] = ['roll', 'pitch', 'yaw'];

/**
 * The values of all functions for these commands. A surface stops at its end. Lift motors keep their common thrust and give as much of
 * the attitude as leaves none of them below still or above full; with no lift asked for they stand.
 */
export function mixed(rows: readonly MixerRow[], commands: Commands): readonly MixedValue[] {
  const lift = clamp(commands.lift ?? 0, 0, 1);
  const lifting = rows.filter((row) => isLiftFunction(row.function));
  const share = lift === 0 ? 0 : Math.min(1, ...lifting.map((row) => room(sum(row, commands, ATTITUDE), lift)));
  return rows.map((row): MixedValue => {
    if (isLiftFunction(row.function)) {
      const attitude = sum(row, commands, ATTITUDE);
      return { row, value: lift === 0 ? 0 : clamp(lift + share * attitude, 0, 1) };
    }
    const plain = row.trim + sum(row, commands);
    const asked = plain > 0 ? plain * row.downShare : plain;
    return { row, value: clamp(asked, row.scale === 'surface' || row.scale === 'passed' ? -1 : 0, 1) };
  });
}

/** The share of an attitude part that leaves a motor between still and full. */
function room(attitude: number, lift: number): number {
  if (attitude === 0) return 1;
  return attitude > 0 ? (1 - lift) / attitude : lift / -attitude;
}

function sum({ weights }: MixerRow, commands: Commands, of: readonly Command[] = COMMANDS): number {
  return of.reduce((total, command) => total + (weights[command] ?? 0) * (commands[command] ?? 0), 0);
}

function clamp(value: number, least: number, most: number): number {
  return Math.min(Math.max(value, least), most);
}

/** The pulse of a value, in microseconds: between the limits of its output, from the trim on to both sides, or from the least up for what opens or turns. */
export function pulseUs({ row, value }: MixedValue, travel: OutputTravel = {}): number {
  const { minUs, trimUs, maxUs, reversed } = { ...USUAL_TRAVEL, reversed: false, ...travel };
  if (row.scale === 'motor' || row.scale === 'opens') return reversed ? maxUs - value * (maxUs - minUs) : minUs + value * (maxUs - minUs);
  const turned = reversed ? -value : value;
  return turned >= 0 ? trimUs + turned * (maxUs - trimUs) : trimUs + turned * (trimUs - minUs);
}

/** The row of a function. */
export function rowOf(rows: readonly MixerRow[], name: OutputFunction): MixerRow | undefined {
  return rows.find((row) => row.function === name);
}
