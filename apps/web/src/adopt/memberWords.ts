import type { Part } from '@wired-falcon/core';

/** What a member of part data is about, where its name does not say it to a person. */
const WORDS: Readonly<Partial<Record<keyof Part, string>>> = {
  massG: 'mass',
  sizeMm: 'size',
  magnetAm2: 'magnet',
  noiseDbm: 'radiated noise',
  routes: 'paths through it',
  board: 'banks and target',
};

export function memberWords(member: keyof Part): string {
  return WORDS[member] ?? member;
}
