import type { DialectSection, DialectText, LineTemplate, OwnLine } from '../../model/dialectText.ts';
import { factFamilies, isFactFamily } from '../../model/firmwareFacts.ts';
import { LINE_CLASSES, ROW_TAGS } from '../../model/dialectText.ts';
import { listed } from '../../text/lists.ts';

/*
 * The lines of a dialect as one text to edit. A section begins with `@ id, heading: title` (the heading may be left out); each line below it is
 * a line of the dialect, its name first and what it writes last:
 *
 *   @ ports, [ports]: Serial ports
 *   port-role (port; delivered 0; needs soft-port of software) P{port}.ROLE {role}
 *   gyro-zero (calibration, zero of a gyro; delivered 0; todo Leave it still.) GYRO.{axis}.ZERO {value}
 *
 * What begins with `--` says nothing.
 */

/** Something that cannot be read in a sheet: the line, from 1, and the character in it, from 1. */
export interface SheetProblem {
  readonly line: number;
  readonly column: number;
  readonly sentence: string;
}

/** Where each line of a dialect stands in its sheet. */
export interface SheetLine {
  readonly section: string;
  /** Undefined for the line with which the section begins. */
  readonly name: string | undefined;
  readonly line: number;
}

export interface ReadSheet {
  readonly sections: DialectText['sections'];
  readonly problems: readonly SheetProblem[];
  readonly lines: readonly SheetLine[];
}

/** The sections of a dialect as a text. */
export function writeSheet(sections: DialectText['sections']): string {
  return sections
    .map((section) => `${[head(section), ...section.lines.map(plannedLine), ...(section.own ?? []).map(ownLine)].join('\n')}\n`)
    .join('\n');
}

function head({ id, heading, title }: DialectSection): string {
  return `@ ${id}${heading === undefined ? '' : `, ${heading}`}: ${title}`;
}

function plannedLine({ id, of, write, only, delivered, needs, gives }: LineTemplate): string {
  const marks = [
    of,
    ...(only === undefined ? [] : [`only ${only}`]),
    ...(delivered === undefined ? [] : [`delivered ${delivered}`]),
    ...(needs === undefined ? [] : [`needs ${needs.prerequisite}${needs.of === undefined ? '' : ` of ${needs.of}`}`]),
    ...(gives === undefined ? [] : [`gives ${gives.prerequisite}${gives.values === undefined ? '' : ` when ${gives.values}`}`]),
  ];
  return `${id} (${marks.join('; ')}) ${write}`;
}

function ownLine({ id, match, class: kind, title, delivered, todo }: OwnLine): string {
  const marks = [
    `${kind}, ${title}`,
    ...(delivered === undefined ? [] : [`delivered ${delivered}`]),
    ...(todo === undefined ? [] : [`todo ${todo}`]),
  ];
  return `${id} (${marks.join('; ')}) ${match}`;
}

const HEAD = /^@ ([a-z0-9][a-z0-9-]{0,39})(?:, ([^:]{1,40}))?: (.+)$/;
const LINE = /^([a-z0-9][a-z0-9-]{0,39}) \((.*?)\) (\S.*)$/;

/** Reads a sheet. What cannot be read is said and left out; everything else is read all the same. */
export function readSheet(text: string): ReadSheet {
  const sections: { id: string; title: string; heading?: string; lines: LineTemplate[]; own: OwnLine[] }[] = [];
  const problems: SheetProblem[] = [];
  const lines: SheetLine[] = [];
  text.split(/\r\n|\n|\r/).forEach((raw, i) => {
    const line = i + 1;
    const content = raw.trimEnd();
    if (content === '' || content.startsWith('--')) return;
    const begins = HEAD.exec(content);
    if (begins !== null) {
      const [, id = '', heading, title = ''] = begins;
      sections.push({ id, title, ...(heading === undefined ? {} : { heading }), lines: [], own: [] });
      lines.push({ section: id, name: undefined, line });
      return;
    }
    if (content.startsWith('@')) {
      problems.push({
        line,
        column: 1,
        sentence: 'A section begins like this: @ ports: Serial ports. A heading comes after a comma: @ ports, [ports]: Serial ports.',
      });
      return;
    }
    const section = sections.at(-1);
    if (section === undefined) {
      problems.push({ line, column: 1, sentence: 'The first line begins a section: @ ports: Serial ports.' });
      return;
    }
    const read = readLine(content);
    if ('sentence' in read) {
      problems.push({ line, column: read.column, sentence: read.sentence });
      return;
    }
    if ('planned' in read) section.lines.push(read.planned);
    else section.own.push(read.own);
    lines.push({ section: section.id, name: 'planned' in read ? read.planned.id : read.own.id, line });
  });
  return {
    sections: sections.map(({ own, ...section }) => (own.length === 0 ? section : { ...section, own })),
    problems,
    lines,
  };
}

interface Wrong {
  readonly column: number;
  readonly sentence: string;
}

function readLine(content: string): { readonly planned: LineTemplate } | { readonly own: OwnLine } | Wrong {
  const found = LINE.exec(content);
  if (found === null)
    return {
      column: 1,
      sentence: 'A line has a name, its family in brackets, and the text that it writes: port-role (port) P{port}.ROLE {role}',
    };
  const [, id = '', inner = '', write = ''] = found;
  const column = id.length + 3;
  const [first = '', ...marks] = inner.split('; ');
  const [kind = '', ...titleParts] = first.split(', ');
  if (kind === 'calibration' || kind === 'identity' || kind === 'counter')
    return ownOf(id, kind, titleParts.join(', '), marks, write, column);
  if (!isFactFamily(first))
    return {
      column,
      sentence: `"${first}" is not a family of facts. The families are: ${listed(factFamilies)}; or ${listed(
        Object.keys(LINE_CLASSES).filter((one) => one !== 'planned'),
        'or',
      )} with a title.`,
    };
  return plannedOf(id, first, marks, write, column);
}

function ownOf(
  id: string,
  kind: OwnLine['class'],
  title: string,
  marks: readonly string[],
  match: string,
  column: number,
): { readonly own: OwnLine } | Wrong {
  if (title === '') return { column, sentence: `A ${kind} has a title: (${kind}, zero of a gyro).` };
  let own: OwnLine = { id, match, class: kind, title };
  for (const mark of marks) {
    const [word, rest] = splitMark(mark);
    if (word === 'delivered' && rest !== '') own = { ...own, delivered: rest };
    else if (word === 'todo' && rest !== '') own = { ...own, todo: rest };
    else
      return {
        column: column + inBrackets(mark, marks),
        sentence: `"${mark}" is not understood. Possible: "delivered 0" and "todo Leave it still."`,
      };
  }
  return { own };
}

function plannedOf(
  id: string,
  of: LineTemplate['of'],
  marks: readonly string[],
  write: string,
  column: number,
): { readonly planned: LineTemplate } | Wrong {
  let planned: LineTemplate = { id, of, write };
  for (const mark of marks) {
    const next = withMark(planned, mark);
    if (next === undefined)
      return {
        column: column + inBrackets(mark, marks),
        sentence: `"${mark}" is not understood. Possible: "only ${ROW_TAGS[0]}", "delivered 0", "needs x", "needs x of ${ROW_TAGS[0]}", "gives x" and "gives x when 1".`,
      };
    planned = next;
  }
  return { planned };
}

function withMark(line: LineTemplate, mark: string): LineTemplate | undefined {
  const [word, rest] = splitMark(mark);
  switch (word) {
    case 'only': {
      const only = ROW_TAGS.find((tag) => tag === rest);
      return only === undefined ? undefined : { ...line, only };
    }
    case 'delivered':
      return rest === '' ? undefined : { ...line, delivered: rest };
    case 'needs': {
      const [, prerequisite = '', tag] = /^([a-z0-9-]+)(?: of (.+))?$/.exec(rest) ?? [];
      const of = ROW_TAGS.find((one) => one === tag);
      if (prerequisite === '' || (tag !== undefined && of === undefined)) return undefined;
      return { ...line, needs: { prerequisite, ...(of === undefined ? {} : { of }) } };
    }
    case 'gives': {
      const [, prerequisite = '', values] = /^([a-z0-9-]+)(?: when (.+))?$/.exec(rest) ?? [];
      return prerequisite === '' ? undefined : { ...line, gives: { prerequisite, ...(values === undefined ? {} : { values }) } };
    }
    default:
      return undefined;
  }
}

function splitMark(mark: string): readonly [word: string, rest: string] {
  const at = mark.indexOf(' ');
  return at < 0 ? [mark, ''] : [mark.slice(0, at), mark.slice(at + 1).trim()];
}

/** How far into the brackets a mark begins, at the least. */
function inBrackets(mark: string, marks: readonly string[]): number {
  return marks.slice(0, marks.indexOf(mark)).reduce((sum, one) => sum + one.length + 2, 0);
}
