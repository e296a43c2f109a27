import { uniqBy } from 'es-toolkit';
import type { ByHandStep, DialectSection, LineTemplate } from '../model/dialectText.ts';
import type { FactFamilyId } from '../model/firmwareFacts.ts';
import type { KeptLine } from '../model/firmwarePlan.ts';
import { FACT_SOURCES } from './facts/factSources.ts';
import type { ConfigLine } from './configLine.ts';
import type { FactRow, RowsOf } from './facts/factRow.ts';
import { inPasses, type Passes } from './passes.ts';
import { pressSteps, type PressStep } from './pressed.ts';
import type { FirmwareScope } from './scope.ts';
import { compiledText, type CompiledLine } from '../dialects/lines/compiledText.ts';
import { deliveredValues, lineWithValues } from './text/delivered.ts';
import { LineNames } from '../dialects/lines/lineName.ts';
import { writeLine, type LeftOut, type WrittenLine } from './text/writeLine.ts';

/** Everything to load into one controller, and what is left to a person. */
export interface Configuration extends Passes {
  readonly scope: FirmwareScope;
  /** Lines that follow from nothing and are kept as the aircraft has them. */
  readonly extra: readonly KeptLine[];
  readonly leftOut: readonly LeftOut[];
  readonly byHand: readonly ByHandStep[];
  /** On a board that takes no text: what is pressed. Such a board has no lines. */
  readonly pressed: readonly PressStep[];
}

const cache = new WeakMap<FirmwareScope['graph'], Map<number, Configuration>>();

/**
 * The configuration of a controller. The same aircraft gives the same lines in the same order: sections as the dialect has them, in each the
 * rows of a family one after the other, each row with all its lines.
 */
export function configurationOf(scope: FirmwareScope): Configuration {
  const known = cache.get(scope.graph) ?? new Map<number, Configuration>();
  cache.set(scope.graph, known);
  const configuration = known.get(scope.index) ?? derived(scope);
  known.set(scope.index, configuration);
  return configuration;
}

function derived(scope: FirmwareScope): Configuration {
  const rows = rowsByFamily(scope);
  const byHand = (scope.text.byHand ?? []).filter(({ of }) => of === undefined || rows(of).length > 0);
  if (takesNoText(scope)) {
    return { scope, lines: [], passes: 0, extra: [], leftOut: [], unmet: [], byHand, pressed: pressSteps(scope, rows) };
  }
  const { written, leftOut } = writtenLines(scope, rows);
  const names = new LineNames();
  const { kept, facts } = scope.graph.design.aircraft.firmware;
  const item = scope.entry.item.id;
  const keptHere = Object.values(kept).filter((line) => line.item === item);
  const keptBy = new Map(keptHere.map((line) => [`${line.section}\n${line.line}`, line]));
  const lines = written.map((line): Omit<ConfigLine, 'pass' | 'needs'> => {
    const name = names.next(line.section.id, line.name);
    const keptAs = keptBy.get(`${line.section.id}\n${name}`);
    const text = keptAs?.text ?? line.text;
    const delivered = deliveredValues(scope.text, facts.version, line.template);
    const isDelivered = delivered !== undefined && text === lineWithValues(line.compiled, line.text, delivered);
    return { ...line, name, derived: line.text, text, keptAs, isDelivered };
  });
  const taken = new Set(lines.flatMap(({ keptAs }) => (keptAs === undefined ? [] : [keptAs])));
  const extra = keptHere
    .filter((line) => line.text !== '' && !taken.has(line))
    .sort((a, b) => (`${a.section}\n${a.line}` < `${b.section}\n${b.line}` ? -1 : 1));
  return { scope, ...inPasses(scope, lines), extra, leftOut, byHand, pressed: [] };
}

/** True for a board on which everything is set by hand. */
export function takesNoText({ text, part }: Pick<FirmwareScope, 'text' | 'part'>): boolean {
  const target = part.board?.target;
  return target !== undefined && text.pressed?.boards.includes(target) === true;
}

function rowsByFamily(scope: FirmwareScope): RowsOf {
  const known = new Map<FactFamilyId, readonly FactRow[]>();
  return (family) => {
    const rows = known.get(family) ?? FACT_SOURCES[family].rows(scope);
    known.set(family, rows);
    return rows;
  };
}

function writtenLines(
  scope: FirmwareScope,
  rows: RowsOf,
): { readonly written: readonly WrittenLine[]; readonly leftOut: readonly LeftOut[] } {
  const written: WrittenLine[] = [];
  const leftOut: LeftOut[] = [];
  for (const { family, lines } of groupsOf(scope)) {
    for (const row of rows(family)) {
      for (const { compiled, planned } of lines) {
        if (planned.only !== undefined && !row.tags.includes(planned.only)) continue;
        const made = writeLine(scope, compiled, planned, row);
        if ('leftOut' in made) leftOut.push(...made.leftOut);
        else if (made.line !== undefined) written.push(made.line);
      }
    }
  }
  return { written, leftOut: uniqBy(leftOut, ({ what, title, value }) => `${what}\n${title}\n${value}`) };
}

interface LineGroup {
  readonly family: FactFamilyId;
  readonly section: DialectSection;
  readonly lines: { readonly compiled: CompiledLine; readonly planned: LineTemplate }[];
}

/** Lines of one family that follow each other in a section. */
function groupsOf({ text }: FirmwareScope): readonly LineGroup[] {
  const groups: LineGroup[] = [];
  for (const compiled of compiledText(text).lines) {
    if (!('planned' in compiled.is)) continue;
    const { planned } = compiled.is;
    const last = groups.at(-1);
    if (last?.family === planned.of && last.section === compiled.section) last.lines.push({ compiled, planned });
    else groups.push({ family: planned.of, section: compiled.section, lines: [{ compiled, planned }] });
  }
  return groups;
}
