import { uniqBy } from 'es-toolkit';
import { shownName } from '../../dialects/lines/lineName.ts';
import type { LineClass } from '../../model/dialectText.ts';
import type { Configuration } from '../configuration.ts';
import type { TextContents } from '../configText.ts';
import { plannedTarget } from '../scope.ts';
import { OPEN_KINDS, type Drift, type DriftKind, type DriftLine, type DumpCounts } from '../drift/driftOf.ts';
import { driftWords } from '../drift/driftWords.ts';
import { readBackOf } from '../readBack/calibration.ts';
import { valuesOf, type DumpAbout, type ReadDump } from '../readBack/readDump.ts';
import { leadsTo, type DecidedAt } from './decidedAt.ts';

/** So much of a line that nobody understands is shown. */
const MOST_SHOWN = 120;

/** One line of a drift as plain values to show. */
export interface DriftRow {
  /** Its own among the rows. */
  readonly key: string;
  readonly is: DriftKind | Exclude<LineClass, 'planned'> | 'bad' | 'repeated';
  readonly section: string;
  readonly name: string;
  /** Of the line in the dump. */
  readonly number: number | undefined;
  /** The values as they are written; empty where there are none. */
  readonly plan: string;
  readonly there: string;
  readonly words: string;
  readonly places: readonly { readonly words: string; readonly place: DecidedAt | undefined }[];
}

export interface DriftView {
  readonly rows: readonly DriftRow[];
  readonly counts: DumpCounts;
  readonly kinds: Readonly<Partial<Record<DriftRow['is'], number>>>;
  readonly contents: TextContents;
  readonly about: DumpAbout;
  /** What the document keeps of the dump. */
  readonly found: ReturnType<typeof readBackOf>;
  /** Where the dump is of another target or version than planned, in sentences. */
  readonly otherFirmware: readonly string[];
}

/** A drift to show: what is to settle first, then what is of the aircraft alone, what could not be read, and what is as planned. */
export function driftView({ scope }: Configuration, drift: Drift, dump: ReadDump): DriftView {
  const { about } = dump;
  const compared = drift.lines.map((line): DriftRow => ({
    key: `${line.section}\n${line.name}`,
    is: line.is,
    section: line.section,
    name: shownName(line.name),
    number: line.read?.number,
    ...sides(line),
    words: driftWords(scope, line),
    places: uniqBy(line.planned?.from ?? [], ({ words }) => words).map(({ path, words }) => ({ words, place: leadsTo(path) })),
  }));
  const own = drift.own.map(({ class: kind, title, read, value, isDelivered }): DriftRow => ({
    ...bare(`own ${read.number}`, read),
    is: kind,
    name: shownName(read.name),
    there: value,
    words: kind === 'calibration' ? `${title}: ${isDelivered ? 'default, not calibrated' : 'own value, no drift'}` : title,
  }));
  const bad = drift.bad.map((line): DriftRow => ({
    ...bare(`bad ${line.number}`, line),
    is: 'bad',
    words: `Line ${line.number} ${line.why}.`,
  }));
  const repeated = drift.repeated.map((line): DriftRow => ({
    ...bare(`repeated ${line.number}`, line),
    is: 'repeated',
    words: 'Repeated further down; the last one counts.',
  }));
  const rows = [...compared, ...own, ...bad, ...repeated];
  const kinds: Partial<Record<DriftRow['is'], number>> = {};
  for (const { is } of rows) kinds[is] = (kinds[is] ?? 0) + 1;
  const sorted = [...rows.filter(isToSettle), ...rows.filter((row) => !isToSettle(row))];
  return {
    rows: sorted,
    counts: drift.counts,
    kinds,
    contents: drift.contents,
    about,
    found: readBackOf(dump),
    otherFirmware: otherFirmware(),
  };

  function otherFirmware(): readonly string[] {
    const target = plannedTarget(scope.graph, scope.entry);
    const { version } = scope.graph.design.aircraft.firmware.facts;
    return [
      ...(about.board !== undefined && target !== undefined && about.board !== target
        ? [`The dump is from board target ${about.board}; ${target} is planned.`]
        : []),
      ...(about.version !== undefined && version !== undefined && about.version !== version
        ? [`The dump is from version ${about.version}; ${version} is planned.`]
        : []),
    ];
  }

  function sides(line: DriftLine): { readonly plan: string; readonly there: string } {
    const { planned, read, keptText, delivered } = line;
    const plan =
      planned === undefined
        ? (keptText ?? '')
        : planned.text === planned.derived
          ? planned.values.map(({ code }) => code).join(' ')
          : planned.text;
    if (read === undefined) return { plan, there: delivered ?? '' };
    if (read.is === 'unknown') return { plan, there: read.text.trim().slice(0, MOST_SHOWN) };
    return { plan, there: planned !== undefined && planned.text !== planned.derived ? read.text.trim() : valuesOf(read) };
  }
}

function bare(key: string, { number, text }: { readonly number: number; readonly text: string }) {
  return { key, section: '', name: text.trim().slice(0, MOST_SHOWN), number, plan: '', there: '', places: [] };
}

/** True for a row that a person has to settle. */
export function isToSettle({ is }: Pick<DriftRow, 'is'>): boolean {
  return OPEN_KINDS.some((kind) => kind === is);
}
