import { hasShape, looseEnds, PartSchema, problemsOfPart, shapeProblems, type Json } from '@wired-falcon/core';
import { placeWords, problemWords } from './fieldWords.ts';

export interface DraftProblems {
  readonly sentences: readonly string[];
  /** By path, for the fields that a sentence is about. */
  readonly byPath: ReadonlyMap<string, string>;
}

const MOST = 40;

/** Everything that keeps a draft from being saved, as sentences and at their fields. */
export function draftProblems(draft: Json): DraftProblems {
  if (hasShape(PartSchema, draft)) return { sentences: [...problemsOfPart(draft), ...looseEnds(draft)], byPath: new Map() };
  const found = shapeProblems(PartSchema, draft, MOST);
  const byPath = new Map<string, string>();
  for (const { path, message } of found) if (!byPath.has(path)) byPath.set(path, problemWords(message));
  return { sentences: [...byPath].map(([path, words]) => `${placeWords(path)}: ${words}.`), byPath };
}
