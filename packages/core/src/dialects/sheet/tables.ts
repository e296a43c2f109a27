import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { Dialect } from '../../model/dialect.ts';
import { LIMITS } from '../../model/limits.ts';
import type { ShapeProblem } from '../../model/shape.ts';
import type { SheetProblem } from './sheet.ts';

/*
 * The tables of a dialect as one JSON text to edit: everything but its id, where it is from, and the lines and tests, which have texts of their own.
 */

/** Far deeper than any dialect, and far from what a parser can take. */
const MOST_NESTED = 100;
const START = { line: 1, column: 1 };

/** What the tables do not hold, by path, and where it is edited instead. */
const ELSEWHERE = [
  { path: ['id'], where: 'it cannot change' },
  { path: ['source'], where: 'it follows from where the dialect is from' },
  { path: ['text', 'sections'], where: 'edit the lines instead' },
  { path: ['text', 'expects'], where: 'edit the tests instead' },
] as const;

export interface ReadTables {
  /** The value of the text, of any shape; undefined where it is no JSON object. */
  readonly value: Readonly<Record<string, unknown>> | undefined;
  readonly problems: readonly SheetProblem[];
  /** The line and the character, both from 1, of what is at a path of the value; of the nearest thing around it where there is nothing. */
  readonly placeOf: (path: readonly string[]) => { readonly line: number; readonly column: number };
}

/** The tables of a dialect as JSON, in the order in which the dialect has them. */
export function writeTables(dialect: Dialect): string {
  const { id: _id, source: _source, text, ...tables } = dialect;
  if (text === undefined) return `${JSON.stringify(tables, null, 2)}\n`;
  const { sections: _sections, expects: _expects, ...rest } = text;
  return `${JSON.stringify({ ...tables, text: rest }, null, 2)}\n`;
}

/** Reads the tables. What is not valid JSON, is said twice or belongs elsewhere gets a sentence at its line. Never throws. */
export function readTables(json: string): ReadTables {
  const errors: ParseError[] = [];
  const tooMuch = tooLargeToParse(json);
  if (tooMuch !== undefined) return { value: undefined, problems: [{ line: 1, column: 1, sentence: tooMuch }], placeOf: () => START };
  const root = parseTree(json, errors, { disallowComments: true });
  const place = placer(json);
  const placeOf = (path: readonly string[]): { line: number; column: number } => place(nearest(root, path)?.offset ?? 0);
  const [first] = errors;
  if (first !== undefined || root?.type !== 'object') {
    const sentence =
      first === undefined
        ? 'The tables are one JSON object: { "name": ... }.'
        : `This is not valid JSON: ${wordsOf(printParseErrorCode(first.error))}.`;
    return { value: undefined, problems: [{ ...place(first?.offset ?? 0), sentence }], placeOf };
  }
  const problems = [
    ...repeatedNames(root).map((node): SheetProblem => ({
      ...place(node.offset),
      sentence: `${JSON.stringify(node.value)} appears twice; one of the two would be lost.`,
    })),
    ...ELSEWHERE.flatMap(({ path, where }): SheetProblem[] => {
      const node = findNodeAtLocation(root, [...path]);
      return node === undefined ? [] : [{ ...placeOf(path), sentence: `"${path.at(-1)}" cannot be changed here: ${where}.` }];
    }),
  ];
  const value: unknown = JSON.parse(json);
  return { value: isObject(value) ? value : undefined, problems, placeOf };
}

/** The place in the tables of something that does not have the shape of a dialect; undefined where it is in the lines or in the tests. */
export function placeInTables({ placeOf }: ReadTables, { path, message }: ShapeProblem): SheetProblem | undefined {
  const steps = path
    .split('/')
    .slice(1)
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
  if (steps[0] === 'text' && (steps[1] === 'sections' || steps[1] === 'expects')) return undefined;
  return { ...placeOf(steps), sentence: `${path}: ${message}.` };
}

/** Parsers go down with every bracket; brackets inside of words are counted too, which no sound dialect has so many of. */
function tooLargeToParse(json: string): string | undefined {
  if (json.length > LIMITS.dialectFileChars)
    return `Too long for a dialect: ${json.length} characters; the limit is ${LIMITS.dialectFileChars}.`;
  let depth = 0;
  for (const sign of json) {
    if (sign === '[' || sign === '{') depth += 1;
    else if (sign === ']' || sign === '}') depth -= 1;
    if (depth > MOST_NESTED) return `The tables are nested more than ${MOST_NESTED} deep.`;
  }
  return undefined;
}

function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function nearest(root: Node | undefined, path: readonly string[]): Node | undefined {
  let node = root;
  for (const step of path) {
    const next: Node | undefined =
      node?.type === 'array'
        ? node.children?.[Number(step)]
        : node?.children?.find((member) => member.children?.[0]?.value === step)?.children?.[1];
    if (next === undefined) return node;
    node = next;
  }
  // The name of a member is where a person looks for it.
  return node?.parent?.type === 'property' ? node.parent : node;
}

/** The names that an object has a second time, at whatever depth. */
function repeatedNames(node: Node): readonly Node[] {
  const children = node.children ?? [];
  const names = node.type === 'object' ? children.flatMap((member) => member.children?.[0] ?? []) : [];
  const seen = new Set<unknown>();
  const twice = names.filter(({ value }) => seen.size === seen.add(value).size);
  return [...twice, ...children.flatMap(repeatedNames)];
}

/** From an offset to its line and character. */
function placer(text: string): (offset: number) => { readonly line: number; readonly column: number } {
  return (offset) => {
    const before = text.slice(0, offset).split('\n');
    return { line: before.length, column: (before.at(-1) ?? '').length + 1 };
  };
}

/** "PropertyNameExpected" as words. */
function wordsOf(code: string): string {
  return code.replaceAll(/(?<=[a-z])(?=[A-Z])/g, ' ').toLowerCase();
}
