import { shownName } from '../../dialects/lines/lineName.ts';
import { sameNumber } from '../../dialects/lines/lineTemplate.ts';
import type { LineClass } from '../../model/dialectText.ts';
import type { DumpLine, ReadDump } from '../readBack/readDump.ts';

/** A line that two dumps have otherwise. */
export interface DumpDifference {
  readonly is: 'differs' | 'only-first' | 'only-second';
  readonly section: string;
  readonly name: string;
  /** What the line is for; `unknown` where the dialect does not know it. */
  readonly class: LineClass | 'unknown';
  /** The whole line of each, with its number. */
  readonly first: { readonly number: number; readonly text: string } | undefined;
  readonly second: { readonly number: number; readonly text: string } | undefined;
}

type Named = Extract<DumpLine, { is: 'value' } | { is: 'unknown' }>;

/** The lines that two dumps of one dialect have otherwise, in the order of the first and then of the second. */
export function betweenDumps(first: ReadDump, second: ReadDump): readonly DumpDifference[] {
  const [before, after] = [byName(first), byName(second)];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key): DumpDifference[] => {
    const [a, b] = [before.get(key), after.get(key)];
    const one = a ?? b;
    if (one === undefined || (a !== undefined && b !== undefined && saysTheSame(a, b))) return [];
    return [
      {
        is: a === undefined ? 'only-second' : b === undefined ? 'only-first' : 'differs',
        section: one.section,
        name: shownName(one.name),
        class: classOf(one),
        first: a === undefined ? undefined : { number: a.number, text: a.text.trim() },
        second: b === undefined ? undefined : { number: b.number, text: b.text.trim() },
      },
    ];
  });
}

function byName({ lines }: ReadDump): ReadonlyMap<string, Named> {
  return new Map(
    lines.flatMap((line) => (line.is === 'value' || line.is === 'unknown' ? [[`${line.section}\n${line.name}`, line] as const] : [])),
  );
}

function classOf(line: Named): DumpDifference['class'] {
  if (line.is === 'unknown') return 'unknown';
  return 'own' in line.compiled.is ? line.compiled.is.own.class : 'planned';
}

function saysTheSame(a: Named, b: Named): boolean {
  if (a.is === 'unknown' || b.is === 'unknown') return a.text.trim() === b.text.trim();
  return a.compiled.values.every(({ name }) => {
    const [one, other] = [a.codes.get(name) ?? '', b.codes.get(name) ?? ''];
    return one === other || sameNumber(one, other);
  });
}
