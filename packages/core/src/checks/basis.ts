import { withPlainSpaces } from '../text/numbers.ts';
import type { Evidence, Severity } from './finding.ts';
import { inWordsOfToday } from './renamedFacts.ts';

/*
 * The basis of a finding: its facts as a text that a waiver keeps. It says how it was written, so that a waiver given under an earlier
 * way of writing numbers is judged by its numbers and does not lapse for the way they look.
 */

/** Begins every basis that is written now. */
const WRITTEN = '4; ';
/** Begins those in which numbers were written as now, and some facts in other words; those before begin with the severity. */
const OTHER_WORDS = /^[23]; /;

/** The facts that a finding rests on, in metric units whoever looks. */
export function basisOf(severity: Severity, evidence: readonly Evidence[]): string {
  const facts = evidence.map((fact) => [fact.label, fact.value, fact.limit ?? ''].join(' = '));
  return withPlainSpaces(WRITTEN + [severity, ...facts].join('; '));
}

/** Whether a waiver with this basis holds for a finding with that one. */
export function holdsFor(waived: string, found: string): boolean {
  if (waived.startsWith(WRITTEN)) return waived === found;
  const facts = found.slice(WRITTEN.length);
  if (OTHER_WORDS.test(waived)) return readsAs(inWordsOfToday(waived.replace(OTHER_WORDS, '')), facts);
  return tellsSame(inWordsOfToday(waived), facts);
}

/** The names of situations were written in small letters before. */
function readsAs(before: string, now: string): boolean {
  return before.toLowerCase() === now.toLowerCase();
}

/** How much of a value the rule of its unit may have rounded away where it had more digits before. */
const ROUNDED_SHARE = 0.005;

function tellsSame(before: string, now: string): boolean {
  const [was, is] = [factsIn(before), factsIn(now)];
  if (was.words !== is.words || was.numbers.length !== is.numbers.length) return false;
  return was.numbers.every((one, i) => {
    const other = is.numbers[i];
    if (other === undefined) return false;
    // A whole number may be one that somebody stated: then nothing of it was rounded away.
    const rounded = Math.max(one.halfStep, other.isWhole ? 0 : other.halfStep, ROUNDED_SHARE * Math.abs(other.value));
    return Math.abs(one.value - other.value) <= rounded * (1 + 1e-9);
  });
}

interface WrittenNumber {
  readonly value: number;
  /** Half of the step of its last digit: by so much it may have been rounded. */
  readonly halfStep: number;
  readonly isWhole: boolean;
}

/** A number that stands by itself, with the units that were written in two ways. Numbers inside of names are words. */
const NUMBER = /(?<![\w.-])(-?\d+(?:\.(\d+))?)(?: (mA|A|mm)(?!\w))?(?![\w]|\.\d)/g;

function factsIn(text: string): { readonly words: string; readonly numbers: readonly WrittenNumber[] } {
  const numbers: WrittenNumber[] = [];
  const words = text.replace(NUMBER, (_, digits: string, behind: string | undefined, unit: string | undefined) => {
    const per = unit === 'mA' ? 1e-3 : 1;
    numbers.push({ value: Number(digits) * per, halfStep: 0.5 * per * 10 ** -(behind ?? '').length, isWhole: behind === undefined });
    // A length had no unit in some facts.
    return unit === undefined || unit === 'mm' ? '#' : '# A';
  });
  return { words, numbers };
}
