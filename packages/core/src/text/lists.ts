/** Words in a row, as a sentence has them: `A`, `A and B`, `A, B and C`. */
export function listed(words: readonly string[], last: 'and' | 'or' = 'and'): string {
  const end = words.at(-1) ?? '';
  return words.length < 2 ? end : `${words.slice(0, -1).join(', ')} ${last} ${end}`;
}
