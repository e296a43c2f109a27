import type { TemplateField, TemplatePiece } from './lineTemplate.ts';

/** What stands for the values in the name of a line. */
const VALUE = '*';

/** What a line is known by: the line with its values left out, `P7.ROLE *`. */
export function lineName(
  pieces: readonly TemplatePiece[],
  keys: readonly TemplateField[],
  codeOf: (field: TemplateField) => string,
): string {
  const isKey = new Set(keys.map(({ name }) => name));
  return pieces.map((piece) => (piece.is === 'text' ? piece.text : isKey.has(piece.field.name) ? codeOf(piece.field) : VALUE)).join('');
}

/** A name as people read it. */
export function shownName(name: string): string {
  return name.replaceAll(` ${VALUE}`, '');
}

/** Names lines of a text, where a section may have several of one name. */
export class LineNames {
  readonly #seen = new Map<string, number>();

  /** The name, with a number behind it from the second of its kind in the section on. */
  next(section: string, name: string): string {
    const key = `${section}\n${name}`;
    const count = (this.#seen.get(key) ?? 0) + 1;
    this.#seen.set(key, count);
    return count === 1 ? name : `${name} #${count}`;
  }
}
