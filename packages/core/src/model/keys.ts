import { Type, type TString } from '@sinclair/typebox';

/**
 * Names that every object answers to, whether or not anybody put them there. A document with such a name as an id would
 * find a function where it looks for a thing. (`__proto__` and the like begin with a sign that no id begins with.)
 */
const INHERITED_NAMES = [
  'constructor',
  'hasOwnProperty',
  'isPrototypeOf',
  'propertyIsEnumerable',
  'prototype',
  'toLocaleString',
  'toString',
  'valueOf',
] as const;

const inherited: ReadonlySet<string> = new Set(['__proto__', ...INHERITED_NAMES]);

/** True for a name that every object answers to, so that it can name nothing. */
export function isInheritedName(name: string): boolean {
  return inherited.has(name);
}

const NOT_INHERITED = `(?!(?:${INHERITED_NAMES.join('|')})$)`;

/**
 * The one rule for everything that names a thing in a document, as its key or as a mention of that key: the given letters,
 * and no name that objects inherit.
 * @param letters a pattern without anchors, such as `[a-z]{1,8}`
 */
export function keyPattern(letters: string): string {
  return `^${NOT_INHERITED}(?:${letters})$`;
}

/** The schema of such a name. */
export function keyText(letters: string): TString {
  return Type.String({ pattern: keyPattern(letters) });
}
