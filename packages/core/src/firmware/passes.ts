import type { Prerequisite } from '../model/dialectText.ts';
import type { ConfigLine } from './configLine.ts';
import type { FirmwareScope } from './scope.ts';
import { lineWithValues } from './text/delivered.ts';

type Unplaced = Omit<ConfigLine, 'pass' | 'needs'>;

/** The lines in the order in which they are loaded. */
export interface Passes {
  readonly lines: readonly ConfigLine[];
  /** How many passes there are, with a restart after each. */
  readonly passes: number;
  /** Lines whose prerequisite nothing gives. */
  readonly unmet: readonly { readonly line: ConfigLine; readonly prerequisite: Prerequisite }[];
}

/**
 * The passes in which lines are loaded. A line that needs a prerequisite comes in the pass after the lines that give it, since the firmware
 * knows it only after these are saved and it was restarted. Within a pass the order stays.
 */
export function inPasses(scope: FirmwareScope, lines: readonly Unplaced[]): Passes {
  const prerequisites = new Map((scope.text.prerequisites ?? []).map((one) => [one.id, one]));
  const needs = new Map(lines.map((line) => [line, neededBy(line)]));
  const givers = new Map<string, Unplaced[]>();
  for (const line of lines) {
    const given = givenBy(line);
    if (given !== undefined) givers.set(given, [...(givers.get(given) ?? []), line]);
  }
  const passes = new Map<string, number>();
  const placed = lines.map((line): ConfigLine => {
    const prerequisite = needs.get(line);
    return { ...line, needs: prerequisite, pass: prerequisite === undefined ? 1 : passAfter(prerequisite, new Set()) };
  });
  const isGiven = ({ needs: need }: ConfigLine): boolean => need === undefined || givers.has(need);
  // What the firmware does not have as long as a prerequisite is off, and what is to be as delivered anyway, is not written at all.
  const there = placed.filter((line) => isGiven(line) || !line.isDelivered || line.keptAs !== undefined);
  const unmet = there.flatMap((line) => {
    const prerequisite: Prerequisite | undefined = isGiven(line) ? undefined : prerequisites.get(line.needs ?? '');
    return prerequisite === undefined ? [] : [{ line, prerequisite }];
  });
  const sorted = [...there].sort((a, b) => a.pass - b.pass);
  return { lines: sorted, passes: Math.max(1, ...sorted.map(({ pass }) => pass)), unmet };

  /** The pass in which a prerequisite holds. Prerequisites that go round in a circle end where they come back. */
  function passAfter(prerequisite: string, seen: Set<string>): number {
    const known = passes.get(prerequisite);
    if (known !== undefined) return known;
    if (seen.has(prerequisite)) return 1;
    seen.add(prerequisite);
    const before = [...new Set((givers.get(prerequisite) ?? []).map((line) => needs.get(line)))];
    const pass = 1 + Math.max(0, ...before.map((one) => (one === undefined ? 1 : passAfter(one, seen))));
    passes.set(prerequisite, pass);
    return pass;
  }
}

/** The prerequisite that a line needs, where it is for rows such as this. */
function neededBy({ template: { needs }, row }: Unplaced): string | undefined {
  if (needs === undefined || (needs.of !== undefined && !row.tags.includes(needs.of))) return undefined;
  return needs.prerequisite;
}

/** The prerequisite that a line gives as it is loaded: with the values that it has to have, or with any that are not as delivered. */
export function givenBy({ template: { gives }, compiled, isDelivered, text, derived }: Unplaced): string | undefined {
  if (gives === undefined || text === '') return undefined;
  const isGiving = gives.values === undefined ? !isDelivered : text === lineWithValues(compiled, derived, gives.values);
  return isGiving ? gives.prerequisite : undefined;
}
