import { decimals } from '../text/numbers.ts';
import type { Item } from './aircraft.ts';
import { TURNS, type ResolvedPart, type Turn, type Turns } from './part.ts';

/** Which way something turns, by its part or by a setting of the item; undefined as long as nobody says. */
export function turnOf(turns: Turns | undefined, item: Item | undefined): Turn | undefined {
  if (turns === undefined || item === undefined) return undefined;
  if (turns.is === 'always') return turns.turn;
  const value = item.settings[turns.setting];
  return TURNS.find((turn) => turn === value);
}

/** What a propeller is called: `15 x 5.5 in`, diameter by pitch. */
export function propellerSize({ diameterIn, pitchIn }: NonNullable<ResolvedPart['propeller']>): string {
  const written = (inches: number): string => decimals(inches, Number.isInteger(inches) ? 0 : 1);
  return `${written(diameterIn)} x ${written(pitchIn)} in`;
}

/** The setting by which a turn is said; undefined where the part has it always. */
export function turnSetting(part: ResolvedPart | undefined, what: 'spin' | 'propeller'): string | undefined {
  const turns = what === 'spin' ? part?.spin : part?.propeller?.turns;
  return turns?.is === 'by-setting' ? turns.setting : undefined;
}
