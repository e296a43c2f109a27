import { listed } from '../text/lists.ts';
import type { Dialect } from '../model/dialect.ts';
import type { DialectSection, DialectText } from '../model/dialectText.ts';
import { factFamily, fieldOf } from '../model/firmwareFacts.ts';
import { cellsOf, isComment, withoutLeading } from './lines/cells.ts';
import { compiledText, type CompiledLine } from './lines/compiledText.ts';
import { fieldNames, fillTemplate, parseTemplate } from './lines/lineTemplate.ts';
import { matchCells } from './lines/matchLine.ts';

/** Something in which the text of a dialect does not hold together, with the line of it, for an editor to stand at. */
export interface TextProblem {
  readonly sentence: string;
  /** The section, and the line's name in it; none where it is about the whole. */
  readonly section?: string;
  readonly line?: string;
  /** The character of the template, from 1. */
  readonly column?: number;
}

const HEADER_FIELDS = ['board', 'version', 'contents', 'aircraft'];

/** Everything in which the lines of a dialect do not hold together: templates, names, prerequisites, headings. */
export function textProblems({ text }: Pick<Dialect, 'text'>): readonly TextProblem[] {
  if (text === undefined) return [];
  const broken = text.sections.flatMap((section) => templateProblems(section));
  return [
    ...headerProblems(text),
    ...broken,
    ...nameProblems(text),
    ...prerequisiteProblems(text),
    // As long as a template is broken nobody can tell what it would be taken for.
    ...(broken.length === 0 ? takenForAnother(text) : []),
    ...pressProblems(text),
  ];
}

function headerProblems({ header }: DialectText): TextProblem[] {
  return header.flatMap((line): TextProblem[] => {
    const parsed = parseTemplate(line);
    if ('problem' in parsed) return [{ sentence: `The head "${line}": ${parsed.problem}`, column: parsed.column }];
    const strange = fieldNames(parsed.pieces).filter((name) => !HEADER_FIELDS.includes(name));
    return strange.map((name) => ({ sentence: `The head "${line}" has {${name}}; it can have ${braced(HEADER_FIELDS)}.` }));
  });
}

function braced(names: readonly string[]): string {
  return listed(names.map((name) => `{${name}}`));
}

function templateProblems({ id: section, lines, own = [] }: DialectSection): TextProblem[] {
  return [
    ...lines.flatMap(({ id: line, of, write, delivered }): TextProblem[] => {
      const parsed = parseTemplate(write);
      if ('problem' in parsed) return [{ sentence: `Line "${line}": ${parsed.problem}`, section, line, column: parsed.column }];
      const names = fieldNames(parsed.pieces);
      const { title, keys, fields } = factFamily(of);
      const values = names.filter((name) => !Object.hasOwn(keys, name));
      const say = (sentence: string): TextProblem => ({ sentence: `Line "${line}" ${sentence}`, section, line });
      return [
        ...names
          .filter((name) => fieldOf(of, name) === undefined)
          .map((name) =>
            say(`has {${name}}, which "${title}" does not have; it has ${braced([...Object.keys(keys), ...Object.keys(fields)])}.`),
          ),
        ...(new Set(names).size < names.length ? [say('has a field twice.')] : []),
        ...Object.keys(keys)
          .filter((key) => !names.includes(key))
          .map((key) => say(`lacks {${key}}: its rows could not be told apart.`)),
        ...(values.length === 0 ? [say('writes nothing: its only fields tell rows apart.')] : []),
        ...(delivered !== undefined && delivered.split(' ').length !== values.length
          ? [say(`has ${delivered.split(' ').length} values and has ${values.length}.`)]
          : []),
      ];
    }),
    ...own.flatMap(({ id: line, match }): TextProblem[] => {
      const parsed = parseTemplate(match);
      if ('problem' in parsed) return [{ sentence: `Line "${line}": ${parsed.problem}`, section, line, column: parsed.column }];
      return fieldNames(parsed.pieces).length === 0
        ? [{ sentence: `Line "${line}" has no field: nothing in it could be of one aircraft alone.`, section, line }]
        : [];
    }),
  ];
}

function nameProblems({ sections, byHand = [], prerequisites = [] }: DialectText): TextProblem[] {
  const lines = sections.flatMap((section) => [...section.lines, ...(section.own ?? [])].map(({ id }) => ({ id, section: section.id })));
  return [
    ...repeated(sections.map(({ id }) => id)).map((id) => ({ sentence: `There are two sections "${id}".`, section: id })),
    ...repeated(sections.flatMap(({ heading }) => (heading === undefined ? [] : [heading]))).map((heading) => ({
      sentence: `Two sections begin with "${heading}".`,
    })),
    ...repeated(lines.map(({ id }) => id)).map((id) => ({ sentence: `Two lines have the name "${id}".`, line: id })),
    ...repeated(byHand.map(({ id }) => id)).map((id) => ({ sentence: `Two steps by hand have the name "${id}".` })),
    ...repeated(prerequisites.map(({ id }) => id)).map((id) => ({ sentence: `There are two prerequisites "${id}".` })),
  ];
}

function repeated(names: readonly string[]): readonly string[] {
  return [...new Set(names.filter((name, i) => names.indexOf(name) !== i))];
}

function prerequisiteProblems({ sections, prerequisites = [] }: DialectText): TextProblem[] {
  const known = new Set(prerequisites.map(({ id }) => id));
  const lines = sections.flatMap(({ id, lines: some }) => some.map((line) => ({ ...line, section: id })));
  const unknown = lines.flatMap(({ id, section, needs, gives }) =>
    [needs?.prerequisite, gives?.prerequisite].flatMap((name): TextProblem[] =>
      name === undefined || known.has(name)
        ? []
        : [{ sentence: `Line "${id}" names the prerequisite "${name}", which the dialect does not have.`, section, line: id }],
    ),
  );
  const unused = prerequisites.flatMap(({ id, byHand }): TextProblem[] =>
    byHand === undefined && !lines.some(({ gives }) => gives?.prerequisite === id)
      ? [{ sentence: `Nothing provides the prerequisite "${id}": no line does, and it has no step by hand.` }]
      : [],
  );
  return [...unknown, ...unused, ...circles(lines)];
}

interface NeedingLine {
  readonly needs?: { readonly prerequisite: string };
  readonly gives?: { readonly prerequisite: string };
}

/** A prerequisite that is given by a line which needs it, by whatever way. */
function circles(lines: readonly NeedingLine[]): TextProblem[] {
  const before = (name: string): readonly string[] =>
    lines.flatMap(({ needs, gives }) => (gives?.prerequisite === name && needs !== undefined ? [needs.prerequisite] : []));
  const names = [...new Set(lines.flatMap(({ gives }) => (gives === undefined ? [] : [gives.prerequisite])))];
  const inCircle = names.filter((name) => {
    const seen = new Set<string>();
    const queue = [...before(name)];
    for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
      if (next === name) return true;
      if (seen.has(next)) continue;
      seen.add(next);
      queue.push(...before(next));
    }
    return false;
  });
  return inCircle.length === 0 ? [] : [{ sentence: `Prerequisites wait for each other: ${listed(inCircle)}.` }];
}

/** Lines that would be read as another one: each is written with codes that no dialect has, and has to be recognised as itself. */
function takenForAnother(text: DialectText): TextProblem[] {
  const { lines } = compiledText(text);
  const hasHeadings = text.sections.some(({ heading }) => heading !== undefined);
  return lines.flatMap((line): TextProblem[] => {
    const written = fillTemplate(line.pieces, () => '7');
    const place = { section: line.section.id, line: nameOf(line) };
    if (isComment(text.grammar, written)) return [{ sentence: `Line "${nameOf(line)}" would be read as a comment.`, ...place }];
    const sample = cellsOf(text.grammar, withoutLeading(text.grammar, written));
    const first = lines.find(
      (one) =>
        (!hasHeadings || one.section === line.section) && one.cells.length === sample.length && matchCells(one, sample) !== undefined,
    );
    if (first === undefined)
      return [
        {
          sentence: `Line "${nameOf(line)}" is not read back as it is written: check its blanks and separators.`,
          ...place,
        },
      ];
    if (first === line || writes(first) === writes(line)) return [];
    return [{ sentence: `Line "${nameOf(line)}" would be read as "${nameOf(first)}".`, ...place }];
  });
}

function nameOf({ is }: CompiledLine): string {
  return 'planned' in is ? is.planned.id : is.own.id;
}

function writes({ is }: CompiledLine): string {
  return 'planned' in is ? is.planned.write : is.own.match;
}

function pressProblems({ pressed }: DialectText): TextProblem[] {
  return (pressed?.steps ?? [])
    .filter(({ of, field }) => !Object.hasOwn(factFamily(of).fields, field))
    .map(({ of, field, button }) => ({
      sentence: `The press of ${button} sets "${field}", which "${factFamily(of).title}" does not have.`,
    }));
}
