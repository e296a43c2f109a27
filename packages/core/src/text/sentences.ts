/** A name in the middle of a sentence: its first letter small, and units as they are. */
export function inSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? `${name.charAt(0).toLowerCase()}${name.slice(1)}` : name;
}

/** Words as the beginning of a sentence. */
export function asSentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}

/** Letters whose names begin with a vowel sound, as in "an LC filter"; a U is read as "you". */
const VOWEL_LETTERS = 'AEFHILMNORSX';

/** Words with their indefinite article, by how they are spoken: "a regulator", "an antenna", "an H7 board", "a UART". */
export function withArticle(words: string): string {
  const [first = ''] = words.split(' ');
  const isSpelled = /^[A-Z][A-Z0-9]*$/.test(first);
  const isVowel = isSpelled ? VOWEL_LETTERS.includes(first.charAt(0)) : /^([aeio]|u(?!ni|se))/i.test(first) || /^(8|11|18)\b/.test(first);
  return `${isVowel ? 'an' : 'a'} ${words}`;
}
