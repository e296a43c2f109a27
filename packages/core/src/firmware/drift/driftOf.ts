import { readNumber, sameNumber, type TemplateField } from '../../dialects/lines/lineTemplate.ts';
import type { LineClass } from '../../model/dialectText.ts';
import { fieldOf } from '../../model/firmwareFacts.ts';
import type { TextContents } from '../configText.ts';
import type { ConfigLine } from '../configLine.ts';
import type { Configuration } from '../configuration.ts';
import { givenBy } from '../passes.ts';
import { readDump, valuesOf, type DumpLine, type DumpValue, type ReadDump } from '../readBack/readDump.ts';
import { deliveredValues, lineWithValues } from '../text/delivered.ts';

/**
 * How a line of the plan and the aircraft agree. `lost`: the plan has it, and the aircraft does not, since a pass was missed. `at-delivered`: the
 * plan says nothing of it, and the aircraft has it as delivered. `unknown`: no template of the dialect writes such a line.
 */
export type DriftKind = 'same' | 'differs' | 'missing' | 'extra' | 'lost' | 'at-delivered' | 'unknown';

/** The kinds that a person has to settle. */
export const OPEN_KINDS: readonly DriftKind[] = ['differs', 'missing', 'extra', 'lost'];

/** One line, as it is planned and as it was read. */
export interface DriftLine {
  readonly is: DriftKind;
  readonly section: string;
  readonly name: string;
  readonly planned: ConfigLine | undefined;
  /** A line that is kept as the aircraft has it and follows from nothing. */
  readonly keptText: string | undefined;
  readonly read: DumpValue | Extract<DumpLine, { is: 'unknown' }> | undefined;
  /** Where the dump has no such line and the aircraft therefore is as delivered: the values of delivery. */
  readonly delivered: string | undefined;
  /** The line whose loading comes first, of a line that was lost: `loaded` where the aircraft has it, so that a pass was missed after it. */
  readonly lostBy: { readonly giver: string; readonly isLoaded: boolean } | undefined;
}

/** A line that is of this aircraft alone. */
export interface OwnDumpLine {
  readonly class: Exclude<LineClass, 'planned'>;
  readonly title: string;
  readonly read: DumpValue;
  /** What stands in the line. */
  readonly value: string;
  readonly isDelivered: boolean;
}

/** What became of every line of a dump. */
export interface DumpCounts {
  readonly total: number;
  readonly compared: number;
  readonly own: number;
  /** Said again further down, where the last one counts. */
  readonly repeated: number;
  /** Comments, headings, commands and blank lines. */
  readonly silent: number;
  readonly unknown: number;
  readonly bad: number;
}

export interface Drift {
  readonly lines: readonly DriftLine[];
  readonly own: readonly OwnDumpLine[];
  readonly bad: readonly Extract<DumpLine, { is: 'bad' }>[];
  readonly repeated: readonly DumpValue[];
  readonly contents: TextContents;
  /** Of the firmware in the aircraft, as the dump says, else as it is planned. */
  readonly version: string | undefined;
  readonly counts: DumpCounts;
}

/**
 * What a dump has otherwise than the plan, line by line, in the order of the plan; what the plan does not have comes after, in the order of
 * the dump.
 * @param contents what the dump holds, where a person says so; else as the dump says, else as it looks
 */
export function driftOf(configuration: Configuration, dump: ReadDump, contents?: TextContents): Drift {
  const { own, values, unknown, bad, silent } = sorted(dump);
  const { pairs, extra, repeated } = paired(configuration.lines, values);
  const kind = contents ?? dump.about.contents ?? looksLike(configuration, pairs);
  const readOf = new Map(pairs);
  const version = dump.about.version ?? configuration.scope.graph.design.aircraft.firmware.facts.version;
  const givers = giversOf(configuration, readOf);
  const planned = configuration.lines.map((line) => plannedDrift(configuration, line, readOf.get(line), kind, version, givers));
  const keptLines = keptDrift(configuration, unknown, extra);
  const isKept = new Set(keptLines.flatMap(({ read }) => (read === undefined ? [] : [read])));
  const others = [...extra, ...unknown]
    .filter((line) => !isKept.has(line))
    .sort((a, b) => a.number - b.number)
    .map((read) => extraDrift(configuration, read, version));
  return {
    lines: [...planned, ...keptLines, ...others],
    own,
    bad,
    repeated,
    contents: kind,
    version,
    counts: {
      total: dump.lines.length,
      compared: pairs.length + extra.length,
      own: own.length,
      repeated: repeated.length,
      silent,
      unknown: unknown.length,
      bad: bad.length,
    },
  };
}

/** Reads a text and compares it. */
export function driftOfText(configuration: Configuration, text: string, contents?: TextContents): Drift {
  return driftOf(configuration, readDump(configuration.scope.text, text), contents);
}

type UnknownLine = Extract<DumpLine, { is: 'unknown' }>;

function sorted({ lines }: ReadDump) {
  const own: OwnDumpLine[] = [];
  const values: DumpValue[] = [];
  const unknown: UnknownLine[] = [];
  const bad: Extract<DumpLine, { is: 'bad' }>[] = [];
  let silent = 0;
  for (const line of lines) {
    if (line.is === 'unknown') unknown.push(line);
    else if (line.is === 'bad') bad.push(line);
    else if (line.is !== 'value') silent += 1;
    else if ('own' in line.compiled.is) own.push(ownLine(line, line.compiled.is.own));
    else values.push(line);
  }
  return { own, values, unknown, bad, silent };
}

function ownLine(
  read: DumpValue,
  { class: kind, title, delivered }: { class: OwnDumpLine['class']; title: string; delivered?: string },
): OwnDumpLine {
  const value = valuesOf(read);
  return { class: kind, title, read, value, isDelivered: delivered !== undefined && sameText(value, delivered) };
}

function sameText(a: string, b: string): boolean {
  return a === b || sameNumber(a, b);
}

/** The name without the number that a second line of it has. */
function baseName(name: string): string {
  return name.replace(/ #\d+$/, '');
}

/** Which read line is which planned one. Of lines of one name those that say the same go together, and of a name that the plan has once the last one counts. */
function paired(lines: readonly ConfigLine[], values: readonly DumpValue[]) {
  const groups = <T extends { readonly name: string }>(some: readonly T[], sectionOf: (one: T) => string): Map<string, T[]> => {
    const found = new Map<string, T[]>();
    for (const one of some) {
      const key = `${sectionOf(one)}\n${baseName(one.name)}`;
      const group = found.get(key);
      if (group === undefined) found.set(key, [one]);
      else group.push(one);
    }
    return found;
  };
  const planned = groups(lines, ({ section }) => section.id);
  const pairs: [ConfigLine, DumpValue][] = [];
  const extra: DumpValue[] = [];
  const repeated: DumpValue[] = [];
  for (const [key, read] of groups(values, ({ section }) => section)) {
    const plan = planned.get(key) ?? [];
    const isListed = (read[0]?.compiled.values.length ?? 0) > 0 && plan.length > 1;
    if (!isListed) {
      const last = read.at(-1);
      for (const one of read.slice(0, -1)) repeated.push(one);
      const [line] = plan;
      if (last !== undefined && line !== undefined) pairs.push([line, last]);
      else if (last !== undefined) extra.push(last);
      continue;
    }
    const left = [...read];
    const open = plan.filter((line) => {
      const at = left.findIndex((one) => isSame(line, one));
      const found = at < 0 ? undefined : left.splice(at, 1)[0];
      if (found !== undefined) pairs.push([line, found]);
      return found === undefined;
    });
    open.forEach((line) => {
      const next = left.shift();
      if (next !== undefined) pairs.push([line, next]);
    });
    for (const one of left) extra.push(one);
  }
  return { pairs, extra, repeated };
}

/** True where the aircraft has the line as it is to be loaded. */
function isSame(line: ConfigLine, read: DumpValue): boolean {
  if (line.keptAs !== undefined && line.text.trim() === read.text.trim()) return true;
  if (line.text !== line.derived) return false;
  return line.compiled.values.every((field) => sameValue(line, field, read));
}

function sameValue(line: ConfigLine, field: TemplateField, read: DumpValue): boolean {
  const planned = line.values.find((value) => value.field === field.name)?.code ?? '';
  const code = read.codes.get(field.name) ?? '';
  if (planned === code) return true;
  const coding = fieldOf(line.family, field.name)?.coding;
  return coding?.by === 'number' && readNumber(field, planned) !== undefined && sameNumber(planned, code);
}

/** A dump that has a planned line as it is delivered has all lines; one that has none of these holds the differences only. */
function looksLike({ lines }: Configuration, pairs: readonly (readonly [ConfigLine, DumpValue])[]): TextContents {
  const read = new Map(pairs);
  const delivered = lines.filter(({ isDelivered }) => isDelivered);
  return delivered.length > 0 && delivered.every((line) => !read.has(line)) ? 'differences' : 'complete';
}

type Givers = ReadonlyMap<string, { readonly name: string; readonly isLoaded: boolean }>;

/** Of each prerequisite the line that gives it, and whether the aircraft has it so. */
function giversOf({ lines }: Configuration, readOf: ReadonlyMap<ConfigLine, DumpValue>): Givers {
  const givers = new Map<string, { name: string; isLoaded: boolean }>();
  for (const line of lines) {
    const given = givenBy(line);
    if (given === undefined) continue;
    const read = readOf.get(line);
    const isLoaded = read !== undefined && isSame(line, read);
    const known = givers.get(given);
    if (known === undefined || (known.isLoaded && !isLoaded)) givers.set(given, { name: line.text, isLoaded });
  }
  return givers;
}

function plannedDrift(
  { scope }: Configuration,
  line: ConfigLine,
  read: DumpValue | undefined,
  contents: TextContents,
  version: string | undefined,
  givers: Givers,
): DriftLine {
  const shared = { section: line.section.id, name: line.name, planned: line, keptText: undefined, read, lostBy: undefined };
  if (line.text === '') return { ...shared, is: read === undefined ? 'same' : 'extra', delivered: undefined };
  const deliveredHere = deliveredValues(scope.text, version, line.template);
  const delivered = read === undefined && contents === 'differences' ? deliveredHere : undefined;
  const agrees =
    read === undefined
      ? delivered !== undefined && line.text === lineWithValues(line.compiled, line.derived, delivered)
      : isSame(line, read);
  if (agrees) return { ...shared, is: 'same', delivered };
  const giver = line.needs === undefined ? undefined : givers.get(line.needs);
  const isBare = read === undefined || isDeliveredRead(read, deliveredHere);
  if (giver !== undefined && isBare && !line.isDelivered)
    return { ...shared, is: 'lost', delivered, lostBy: { giver: giver.name, isLoaded: giver.isLoaded } };
  return { ...shared, is: read === undefined && delivered === undefined ? 'missing' : 'differs', delivered };
}

function isDeliveredRead(read: DumpValue, delivered: string | undefined): boolean {
  return delivered !== undefined && valuesOf(read) === delivered;
}

/** Lines that are kept and follow from nothing: there or not. */
function keptDrift({ extra: kept }: Configuration, unknown: readonly UnknownLine[], extra: readonly DumpValue[]): DriftLine[] {
  const all = [...unknown, ...extra];
  return kept.map(({ section, line, text }): DriftLine => {
    const read = all.find((one) => one.section === section && one.name === line);
    const is = read === undefined ? 'missing' : read.text.trim() === text.trim() ? 'same' : 'differs';
    return { is, section, name: line, planned: undefined, keptText: text, read, delivered: undefined, lostBy: undefined };
  });
}

function extraDrift({ scope }: Configuration, read: DumpValue | UnknownLine, version: string | undefined): DriftLine {
  const shared = {
    section: read.section,
    name: read.name,
    planned: undefined,
    keptText: undefined,
    read,
    delivered: undefined,
    lostBy: undefined,
  };
  if (read.is === 'unknown') return { ...shared, is: 'unknown' };
  const { is } = read.compiled;
  const delivered = 'planned' in is ? deliveredValues(scope.text, version, is.planned) : undefined;
  return { ...shared, is: delivered !== undefined && valuesOf(read) === delivered ? 'at-delivered' : 'extra' };
}
