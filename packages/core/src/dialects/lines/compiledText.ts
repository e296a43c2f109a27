import { fieldNames, parseTemplate, type TemplateField, type TemplatePiece } from './lineTemplate.ts';
import type { DialectSection, DialectText, LineTemplate, OwnLine } from '../../model/dialectText.ts';
import { factFamily } from '../../model/firmwareFacts.ts';
import { cellsOf, withoutLeading } from './cells.ts';

/** A template of a dialect made ready to write lines and to recognise them. */
export interface CompiledLine {
  readonly section: DialectSection;
  readonly pieces: readonly TemplatePiece[];
  /** The pieces of each cell, as a read line is cut. */
  readonly cells: readonly (readonly TemplatePiece[])[];
  /** What the line begins with, to look it up by. */
  readonly start: string;
  /** The fields that tell rows apart, and those that say something. */
  readonly keys: readonly TemplateField[];
  readonly values: readonly TemplateField[];
  readonly is: { readonly planned: LineTemplate } | { readonly own: OwnLine };
}

export interface CompiledText {
  readonly text: DialectText;
  readonly lines: readonly CompiledLine[];
}

const cache = new WeakMap<DialectText, CompiledText>();

/** The templates of a dialect, once a dialect. A template that cannot be taken apart is left out: `dialectProblems` says so. */
export function compiledText(text: DialectText): CompiledText {
  const known = cache.get(text);
  if (known !== undefined) return known;
  const lines = text.sections.flatMap((section) => [
    ...section.lines.flatMap((planned) => compiled(text, section, planned.write, { planned })),
    ...(section.own ?? []).flatMap((own) => compiled(text, section, own.match, { own })),
  ]);
  const made = { text, lines };
  cache.set(text, made);
  return made;
}

function compiled(text: DialectText, section: DialectSection, template: string, is: CompiledLine['is']): CompiledLine[] {
  const parsed = parseTemplate(template);
  if ('problem' in parsed) return [];
  // A word that says nothing is looked at neither in the template nor in what is read.
  const cells = cellsOf(text.grammar, withoutLeading(text.grammar, template)).map((cell) => {
    const part = parseTemplate(cell);
    return 'problem' in part ? [] : part.pieces;
  });
  const fields = parsed.pieces.flatMap((piece) => (piece.is === 'field' ? [piece.field] : []));
  const isKey = keyTest(is, fieldNames(parsed.pieces));
  const first = cells[0]?.[0];
  return [
    {
      section,
      pieces: parsed.pieces,
      cells,
      start: first?.is === 'text' ? first.text : '',
      keys: fields.filter(({ name }) => isKey(name)),
      values: fields.filter(({ name }) => !isKey(name)),
      is,
    },
  ];
}

/** Of a planned line the keys of its family; of an own line all but the last field. */
function keyTest(is: CompiledLine['is'], names: readonly string[]): (name: string) => boolean {
  if ('planned' in is) {
    const { keys } = factFamily(is.planned.of);
    return (name) => Object.hasOwn(keys, name);
  }
  const last = names.at(-1);
  return (name) => name !== last;
}
