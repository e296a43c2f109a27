import { PART_KINDS, type Part } from '@wired-falcon/core';

/** The words of a search, as they are compared. */
export function wordsOf(text: string): readonly string[] {
  return text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
}

/**
 * The parts in whose name, kind or summary every word stands. Those whose name begins with the first word come first, then those
 * whose name has them all, shorter names before longer; without words all, in their own order.
 */
export function searchParts(parts: readonly Part[], words: readonly string[]): readonly Part[] {
  const [first] = words;
  if (first === undefined) return parts;
  return parts
    .map((part, at) => ({ part, at, rank: rankOf(part, words, first) }))
    .filter((found) => found.rank !== undefined)
    .sort((a, b) => (a.rank ?? 0) - (b.rank ?? 0) || a.part.name.length - b.part.name.length || a.at - b.at)
    .map(({ part }) => part);
}

function rankOf(part: Part, words: readonly string[], first: string): number | undefined {
  const name = part.name.toLowerCase();
  if (!hasAll(`${name} ${PART_KINDS[part.kind].title} ${part.summary}`.toLowerCase(), words)) return undefined;
  const inName = hasAll(name, words);
  if (inName && name.startsWith(first)) return 0;
  return inName ? 1 : 2;
}

/** `9g` is found in "9 g" too. */
function hasAll(text: string, words: readonly string[]): boolean {
  const close = text.replaceAll(/(\d)\s+(?=[a-z])/g, '$1');
  return words.every((word) => text.includes(word) || close.includes(word));
}
