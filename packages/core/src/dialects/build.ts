import { asId, type DialectId } from '../model/ids.ts';

/** Short forms for writing a dialect's tables: each gives plain data and checks nothing; the sweep test does. */

/** Codes that are counted: the first number, the step, and what gets one, in the firmware's order; `words` puts a word before each. */
export function counted(first: number, step: number, ids: readonly string[], word = ''): Record<string, string> {
  return Object.fromEntries(ids.map((id, i) => [id, `${word}${first + i * step}`]));
}

export function dialectId(text: string): DialectId {
  return asId<DialectId>(text);
}
