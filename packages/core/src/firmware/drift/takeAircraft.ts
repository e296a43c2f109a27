import { applyEdit } from '../../edits/applyEdit.ts';
import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { factFamily, fieldOf, type FactFamilyId } from '../../model/firmwareFacts.ts';
import { keptKey, type KeptLine } from '../../model/firmwarePlan.ts';
import { LIMITS } from '../../model/limits.ts';
import { textProblem } from '../../model/plainText.ts';
import type { TextContents } from '../configText.ts';
import { configurationOf, type Configuration } from '../configuration.ts';
import { FACT_SOURCES } from '../facts/factSources.ts';
import type { FactValue, TakenFact } from '../facts/factRow.ts';
import type { ReadDump } from '../readBack/readDump.ts';
import { scopeOf, type FirmwareScope } from '../scope.ts';
import { decode } from '../text/coding.ts';
import type { CompiledLine } from '../../dialects/lines/compiledText.ts';
import { lineWithValues } from '../text/delivered.ts';
import { driftOf, OPEN_KINDS, type DriftLine } from './driftOf.ts';

/** What it takes to make the aircraft's side the document's. */
export interface TakenSide {
  /** Batches that are made one after the other; none where nothing changes. */
  readonly edits: readonly Edit[];
  /** How many lines became values of the document, and how many are kept as they are. */
  readonly taken: number;
  readonly kept: number;
  /** Lines that cannot be taken, each as a sentence. */
  readonly refused: readonly string[];
}

/**
 * Makes what the aircraft has in some lines the document's. Where the document has a place for a value, an edit puts it there; what it has no
 * place for, or what it would not give back as it was read, is kept as a line. Afterwards none of these lines drifts.
 * @param isWanted which of the lines that are open, or that the dialect does not know
 * @param how `values` leaves out what the document has no place for
 */
export function takeAircraft(
  configuration: Configuration,
  dump: ReadDump,
  contents: TextContents | undefined,
  isWanted: (line: DriftLine) => boolean,
  how: 'values-and-lines' | 'values' = 'values-and-lines',
): TakenSide {
  const start = driftOf(configuration, dump, contents);
  const draft = new Draft(configuration.scope);
  const openLines = (): readonly DriftLine[] =>
    driftOf(draft.configuration(), dump, start.contents).lines.filter((line) => isOpen(line) && isWanted(line));
  // 1. Values that the document has a place for. One may bring others into the plan, so that it is looked at again.
  const tried = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const fresh = openLines().filter((line) => !tried.has(keyOf(line)));
    if (fresh.length === 0) break;
    for (const line of fresh) {
      tried.add(keyOf(line));
      draft.takeValues(line);
    }
  }
  // 2. What still drifts is kept as a line; so is what drifts only since another line is kept.
  const kept = new Set<string>();
  const refused: string[] = [];
  for (let round = 0; how === 'values-and-lines' && round < MOST_ROUNDS; round += 1) {
    const left = openLines().filter((line) => !kept.has(keyOf(line)));
    if (left.length === 0) break;
    for (const line of left) {
      kept.add(keyOf(line));
      const problem = draft.keep(line);
      if (problem !== undefined) refused.push(problem);
    }
  }
  const all = new Set([...tried, ...kept]);
  return { edits: batches(draft.edits, all.size), taken: all.size - kept.size, kept: kept.size - refused.length, refused };
}

/** A value that is taken may bring in lines that drift in their turn; so deep no dialect goes. */
const MOST_ROUNDS = 5;

function isOpen({ is }: DriftLine): boolean {
  return OPEN_KINDS.includes(is) || is === 'unknown';
}

function keyOf({ section, name }: DriftLine): string {
  return `${section}\n${name}`;
}

function batches(edits: readonly SimpleEdit[], lines: number): readonly Edit[] {
  const title = lines === 1 ? 'Take a line from the aircraft' : `Take ${lines} lines from the aircraft`;
  const found: Edit[] = [];
  for (let at = 0; at < edits.length; at += LIMITS.editsPerBatch)
    found.push({ kind: 'batch', title, edits: edits.slice(at, at + LIMITS.editsPerBatch) });
  return found;
}

/** The document as it becomes, edit by edit. */
class Draft {
  readonly edits: SimpleEdit[] = [];
  readonly #scope: FirmwareScope;
  #design: Design;
  #now: FirmwareScope;

  constructor(scope: FirmwareScope) {
    this.#scope = scope;
    this.#design = scope.graph.design;
    this.#now = scope;
  }

  configuration(): Configuration {
    return configurationOf(this.#now);
  }

  /** Makes an edit; false where it is refused. */
  #make(edit: SimpleEdit): boolean {
    const outcome = applyEdit(this.#design, edit);
    if ('refused' in outcome) return false;
    const scope = scopeOf(graphOf(outcome.design), this.#scope.entry.item.id);
    if (typeof scope === 'string') return false;
    this.edits.push(edit);
    this.#design = outcome.design;
    this.#now = scope;
    return true;
  }

  /** Takes each value of a line that is otherwise; of several values with one code the first that the document takes. */
  takeValues(line: DriftLine): void {
    const compiled = line.planned?.compiled ?? (line.read?.is === 'value' ? line.read.compiled : undefined);
    if (compiled === undefined || !('planned' in compiled.is)) return;
    const family = compiled.is.planned.of;
    const keySets = line.planned === undefined ? this.#keysOf(line, compiled, family) : [line.planned.row.keys];
    if (line.planned === undefined && this.#takeRow(line, compiled, family, keySets)) return;
    for (const { field, code } of this.#codesOf(line, compiled)) {
      const spec = fieldOf(family, field.name);
      if (spec === undefined || line.planned?.values.some((value) => value.field === field.name && value.code === code) === true) continue;
      const candidates = decode(this.#now, spec.coding, field, code);
      keySets.some((keys) => candidates.some((value) => this.#take(family, { keys, field: field.name, value })));
    }
  }

  /** Takes a row that is not in the document as a whole; false where its family has no rows of its own in the document. */
  #takeRow(line: DriftLine, compiled: CompiledLine, family: FactFamilyId, keySets: readonly TakenFact['keys'][]): boolean {
    const { takeRow } = FACT_SOURCES[family];
    if (takeRow === undefined) return false;
    const values = Object.fromEntries(
      this.#codesOf(line, compiled).map(({ field, code }) => {
        const spec = fieldOf(family, field.name);
        return [field.name, spec === undefined ? undefined : decode(this.#now, spec.coding, field, code)[0]];
      }),
    );
    return keySets.some((keys) => {
      const edit = takeRow(this.#now, { keys, values });
      return edit !== undefined && this.#make(edit);
    });
  }

  #take(family: FactFamilyId, taken: TakenFact): boolean {
    const edit = FACT_SOURCES[family].take?.(this.#now, taken);
    return edit !== undefined && this.#make(edit);
  }

  /** The keys of a line that is not planned, as values of ours. */
  #keysOf(line: DriftLine, compiled: CompiledLine, family: FactFamilyId): readonly Readonly<Record<string, FactValue>>[] {
    if (line.read?.is !== 'value') return [];
    const { codes } = line.read;
    const { keys } = factFamily(family);
    return compiled.keys.reduce<readonly Readonly<Record<string, FactValue>>[]>(
      (sets, field) => {
        const spec = keys[field.name];
        const values = spec === undefined ? [] : decode(this.#now, spec.coding, field, codes.get(field.name) ?? '');
        return sets.flatMap((set) => values.map((value) => ({ ...set, [field.name]: value })));
      },
      [{}],
    );
  }

  /** What the aircraft has in each field of a line, read or as delivered. */
  #codesOf(line: DriftLine, compiled: CompiledLine) {
    const { read } = line;
    if (read?.is === 'value') return compiled.values.map((field) => ({ field, code: read.codes.get(field.name) ?? '' }));
    const { delivered } = line;
    if (delivered === undefined) return [];
    return delivered.split(' ').flatMap((code, i) => {
      const field = compiled.values[i];
      return field === undefined ? [] : [{ field, code }];
    });
  }

  /** Keeps a line as the aircraft has it. Gives what is wrong with it, where it cannot be kept. */
  keep(line: DriftLine): string | undefined {
    const text = textOf(line);
    const problem =
      textProblem(text) ?? (text.length > LIMITS.keptLineChars ? `has more than ${LIMITS.keptLineChars} characters` : undefined);
    if (problem !== undefined) return `Line ${line.read?.number ?? ''} cannot be kept: it ${problem}.`;
    const item = this.#scope.entry.item.id;
    const value: KeptLine = { item, section: line.section, line: line.name, text };
    const key = keptKey(value);
    const { kept } = this.#design.aircraft.firmware;
    const was = Object.hasOwn(kept, key) ? (kept[key] ?? null) : null;
    // A line that follows from nothing and is not in the aircraft either is let go of.
    const isGone = text === '' && line.planned === undefined;
    return this.#make({ kind: 'keep-line', key, value: isGone ? null : value, was }) ? undefined : `"${line.name}" cannot be kept.`;
  }
}

/** The line as the aircraft has it: read, or as delivered; empty where it has none. */
function textOf({ read, planned, delivered }: DriftLine): string {
  if (read !== undefined) return read.text.trim();
  return delivered === undefined || planned === undefined ? '' : lineWithValues(planned.compiled, planned.derived, delivered);
}
