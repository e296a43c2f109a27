import type { ByHandStep, LineClass } from '../../model/dialectText.ts';
import { inPassTexts, type PlacedLine } from '../configText.ts';
import type { Configuration } from '../configuration.ts';
import type { DumpValue, ReadDump } from '../readBack/readDump.ts';

/** Lines of one aircraft alone that are not loaded into the next one. */
export interface LeftToSister {
  readonly class: Exclude<LineClass, 'planned'>;
  readonly title: string;
  /** What is done on the sister instead; undefined where it comes about by itself. */
  readonly todo: string | undefined;
  readonly lines: readonly string[];
}

/** What the next aircraft of a series gets. */
export interface NextOfSeries {
  /** A text for each pass, to be loaded with a restart after each. */
  readonly texts: readonly string[];
  /** How many lines are in them. */
  readonly count: number;
  /** What is not loaded, since it is of the first one alone: to be done anew. */
  readonly left: readonly LeftToSister[];
  /** Lines that the dialect does not know, so that nobody can say whose they are. They are not loaded. */
  readonly unknown: readonly string[];
  readonly byHand: readonly ByHandStep[];
}

/**
 * The configuration of an aircraft as built, less what is of it alone. Lines keep their order; what the plan knows is loaded in its pass, and
 * what it does not know in the last one.
 * @param configuration of the aircraft that the dump is of
 */
export function nextOfSeries(configuration: Configuration, dump: ReadDump): NextOfSeries {
  const { scope, lines: planned, passes, byHand } = configuration;
  const passOf = new Map(planned.map(({ section, name, pass }) => [`${section.id}\n${name}`, pass]));
  const lines: PlacedLine[] = [];
  const left = new Map<string, LeftToSister>();
  const unknown: string[] = [];
  for (const line of dump.lines) {
    if (line.is === 'unknown') unknown.push(line.text.trim());
    if (line.is !== 'value') continue;
    const { is } = line.compiled;
    if ('own' in is) addLeft(left, line, is.own);
    else lines.push({ section: line.section, pass: passOf.get(`${line.section}\n${line.name}`) ?? passes, text: line.text.trim() });
  }
  return { texts: inPassTexts(scope, lines), count: lines.length, left: [...left.values()], unknown, byHand };
}

function addLeft(
  left: Map<string, LeftToSister>,
  { text }: DumpValue,
  own: { readonly id: string; readonly class: LeftToSister['class']; readonly title: string; readonly todo?: string },
): void {
  const before = left.get(own.id);
  left.set(own.id, {
    class: own.class,
    title: own.title,
    todo: own.todo ?? (own.class === 'calibration' ? 'Calibrate it on the next aircraft.' : undefined),
    lines: [...(before?.lines ?? []), text.trim()],
  });
}
