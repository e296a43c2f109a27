import { graphOf } from '../../graph/graphOf.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import type { Design } from '../../model/design.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { ItemId } from '../../model/ids.ts';
import { configText } from '../configText.ts';
import type { ConfigLine } from '../configLine.ts';
import { configurationOf, type Configuration } from '../configuration.ts';
import { NO_SCOPE, scopeOf } from '../scope.ts';

/** A line that another dialect, or another revision of one, writes otherwise for an aircraft. */
export interface ChangedLine {
  /** What it is about. */
  readonly what: string;
  /** Undefined where there is no such line. */
  readonly was: string | undefined;
  readonly now: string | undefined;
}

/** What an aircraft's configuration would be in another dialect. */
export interface DialectPreview {
  readonly text: string;
  readonly count: number;
  readonly changed: readonly ChangedLine[];
  /** What the other dialect has no code for. */
  readonly leftOut: readonly string[];
}

/** The configuration of an aircraft in another dialect, and the lines in which it differs from the present one; a sentence where there is none. */
export function previewDialect(design: Design, dialect: Dialect, controller?: ItemId): DialectPreview | { readonly sentence: string } {
  const key = dialectKeyOf(dialect);
  const other: Design = {
    ...design,
    dialects: new Map([...design.dialects, [key, dialect]]),
    aircraft: { ...design.aircraft, dialect: key },
  };
  const scope = scopeOf(graphOf(other), controller);
  if (typeof scope === 'string') return { sentence: NO_SCOPE[scope] };
  const now = configurationOf(scope);
  const before = scopeOf(graphOf(design), controller);
  return {
    text: configText(now),
    count: now.lines.length,
    changed: changedLines(typeof before === 'string' ? undefined : configurationOf(before), now),
    leftOut: now.leftOut.map(({ what, title, words }) => `${what}: no code for ${title} ${words}.`),
  };
}

/** Lines are the same ones where they are of one name in the dialect and about one thing, however they are written. */
function changedLines(was: Configuration | undefined, now: Configuration): readonly ChangedLine[] {
  const [before, after] = [byWhat(was?.lines ?? []), byWhat(now.lines)];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key): ChangedLine[] => {
    const [one, other] = [before.get(key), after.get(key)];
    if (one?.text === other?.text) return [];
    return [{ what: (one ?? other)?.row.what ?? '', was: one?.text, now: other?.text }];
  });
}

function byWhat(lines: readonly ConfigLine[]): ReadonlyMap<string, ConfigLine> {
  const seen = new Map<string, number>();
  return new Map(
    lines.map((line) => {
      const base = `${line.template.id}\n${line.row.what}`;
      const count = (seen.get(base) ?? 0) + 1;
      seen.set(base, count);
      return [`${base}\n${count}`, line];
    }),
  );
}
