import { decimals } from '../../text/numbers.ts';

/*
 * The template language of dialects: literal text with fields in braces. `{minUs}` is the field as it is written; after the name may stand,
 * in this order: `times N`, `plus N` (of a number, before it is written), `digits N` (after the point; none where nothing is said), `signed`
 * (with its sign always), `else WORD` (where there is no value). Nothing is looped, called or computed besides, and each of these can be read
 * back: a line is read in one pass from the left.
 */

/** A field of a template. */
export interface TemplateField {
  readonly name: string;
  readonly times: number;
  readonly plus: number;
  readonly digits: number;
  readonly signed: boolean;
  /** What is written where there is no value. */
  readonly otherwise: string | undefined;
}

export type TemplatePiece = { readonly is: 'text'; readonly text: string } | { readonly is: 'field'; readonly field: TemplateField };

/** A template taken apart, or what is wrong with it and at which character, from 1. */
export type ParsedTemplate = { readonly pieces: readonly TemplatePiece[] } | { readonly problem: string; readonly column: number };

const FIELD =
  /^([a-z][A-Za-z0-9]{0,19})(?: times (-?\d+(?:\.\d+)?))?(?: plus (-?\d+(?:\.\d+)?))?(?: digits ([0-6]))?( signed)?(?: else (\S{1,24}))?$/;

/** Takes a template apart. Two fields need something between them, or nobody could tell where the first ends. */
export function parseTemplate(text: string): ParsedTemplate {
  const pieces: TemplatePiece[] = [];
  let at = 0;
  while (at < text.length) {
    const open = text.indexOf('{', at);
    const literal = text.slice(at, open === -1 ? text.length : open);
    const stray = literal.indexOf('}');
    if (stray !== -1) return { problem: 'There is a "}" without a "{".', column: at + stray + 1 };
    if (literal !== '') pieces.push({ is: 'text', text: literal });
    if (open === -1) break;
    const close = text.indexOf('}', open);
    if (close === -1) return { problem: 'A "{" is not closed.', column: open + 1 };
    const field = fieldIn(text.slice(open + 1, close));
    if (typeof field === 'string') return { problem: field, column: open + 2 };
    if (pieces.at(-1)?.is === 'field')
      return { problem: 'Two fields touch: put a character between them, so that the line can be read back.', column: open + 1 };
    pieces.push({ is: 'field', field });
    at = close + 1;
  }
  return { pieces };
}

function fieldIn(inner: string): TemplateField | string {
  const found = FIELD.exec(inner);
  if (found === null)
    return `"${inner}" is not a field: write its name, then "times 10", "plus 1", "digits 2", "signed" or "else auto" as needed, in this order.`;
  const [, name = '', times, plus, digits, signed, otherwise] = found;
  const factor = times === undefined ? 1 : Number(times);
  if (factor === 0) return '"times 0" cannot be read back.';
  return {
    name,
    times: factor,
    plus: plus === undefined ? 0 : Number(plus),
    digits: digits === undefined ? 0 : Number(digits),
    signed: signed !== undefined,
    otherwise,
  };
}

/** The names of the fields of a template, in its order. */
export function fieldNames(pieces: readonly TemplatePiece[]): readonly string[] {
  return pieces.flatMap((piece) => (piece.is === 'field' ? [piece.field.name] : []));
}

/**
 * A number as a field writes it.
 * @returns never `-0`
 */
export function writeNumber({ times, plus, digits, signed }: TemplateField, value: number): string {
  const scale = 10 ** digits;
  const rounded = Math.round((value * times + plus) * scale) / scale;
  const text = decimals(rounded, digits);
  return signed && rounded >= 0 ? `+${text}` : text;
}

const NUMBER = /^[+-]?(\d{1,15}(\.\d{0,12})?|\.\d{1,12})$/;

/** The number that a field wrote so; undefined where it is none. */
export function readNumber({ times, plus }: Pick<TemplateField, 'times' | 'plus'>, text: string): number | undefined {
  if (!NUMBER.test(text)) return undefined;
  const value = (Number(text) - plus) / times;
  return value === 0 ? 0 : value;
}

/** True where two texts of a number field are the same number, whatever zeros and signs they are written with. */
export function sameNumber(a: string, b: string): boolean {
  return NUMBER.test(a) && NUMBER.test(b) && Number(a) === Number(b);
}

/** The line, with the texts of its fields filled in. */
export function fillTemplate(pieces: readonly TemplatePiece[], textOf: (field: TemplateField) => string): string {
  return pieces.map((piece) => (piece.is === 'text' ? piece.text : textOf(piece.field))).join('');
}

/**
 * What the fields of a template are in a text that it would write; undefined where it would not. A field ends where the literal text after
 * it first comes, and holds at least one character. One pass, no trying again.
 */
export function matchTemplate(pieces: readonly TemplatePiece[], text: string): ReadonlyMap<string, string> | undefined {
  const found = new Map<string, string>();
  let at = 0;
  for (const [i, piece] of pieces.entries()) {
    if (piece.is === 'text') {
      if (!text.startsWith(piece.text, at)) return undefined;
      at += piece.text.length;
      continue;
    }
    const next = pieces[i + 1];
    const end = next?.is === 'text' ? text.indexOf(next.text, at + 1) : text.length;
    if (end <= at) return undefined;
    found.set(piece.field.name, text.slice(at, end));
    at = end;
  }
  return at === text.length ? found : undefined;
}
