import { asId, isJsonObject, jsonAt, type Json, type PartId } from '@wired-falcon/core';

/** A part that is being changed and is not saved as a revision yet. */
export interface KeptDraft {
  readonly draft: Json;
  /** The revision that it was made from; 0 for a new part. */
  readonly base: number;
}

const PREFIX = 'wired-falcon-part-draft:';

/** Keeps a draft in this browser, so that it outlives the window. False when the browser has no room for it. */
export function keepDraft(id: PartId, kept: KeptDraft): boolean {
  try {
    localStorage.setItem(PREFIX + id, JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
}

export function forgetDraft(id: PartId): void {
  localStorage.removeItem(PREFIX + id);
}

/** The draft of a part that this browser keeps; undefined when there is none. */
export function keptDraft(id: string): KeptDraft | undefined {
  const text = localStorage.getItem(PREFIX + id);
  if (text === null) return undefined;
  const value: Json = parsed(text);
  const base = jsonAt(value, ['base']);
  const draft = jsonAt(value, ['draft']);
  return typeof base === 'number' && isJsonObject(draft) ? { draft, base } : undefined;
}

/** The ids of all parts of which this browser keeps a draft. */
export function keptDraftIds(): readonly PartId[] {
  return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '')
    .filter((key) => key.startsWith(PREFIX))
    .map((key) => asId<PartId>(key.slice(PREFIX.length)))
    .sort();
}

function parsed(text: string): Json {
  try {
    const value: Json = JSON.parse(text) as Json;
    return value;
  } catch {
    return null;
  }
}
