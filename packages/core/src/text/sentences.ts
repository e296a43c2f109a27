/** A name in the middle of a sentence: its first letter small, and units as they are. */
export function inSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? `${name.charAt(0).toLowerCase()}${name.slice(1)}` : name;
}

/** Words as the beginning of a sentence. */
export function asSentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}
