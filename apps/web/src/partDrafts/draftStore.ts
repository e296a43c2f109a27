import { asId, isJsonObject, jsonAt, type Json, type PartId } from '@wired-falcon/core';
import { forgetText, rememberedKeys, rememberedText, rememberText } from '../ui/rememberedText.ts';

/** A part that is being changed and is not saved as a revision yet. */
export interface KeptDraft {
  readonly draft: Json;
  /** The revision that it was made from; 0 for a new part. */
  readonly base: number;
}

const PREFIX = 'wired-falcon-part-draft:';

/** Keeps a draft in this browser, so that it outlives the window. False when the browser has no room for it. */
export function keepDraft(id: PartId, kept: KeptDraft): boolean {
  return rememberText(PREFIX + id, JSON.stringify(kept));
}

export function forgetDraft(id: PartId): void {
  forgetText(PREFIX + id);
}

/** The draft of a part that this browser keeps; undefined when there is none. */
export function keptDraft(id: string): KeptDraft | undefined {
  const text = rememberedText(PREFIX + id);
  if (text === undefined) return undefined;
  const value: Json = parsed(text);
  const base = jsonAt(value, ['base']);
  const draft = jsonAt(value, ['draft']);
  return typeof base === 'number' && isJsonObject(draft) ? { draft, base } : undefined;
}

/** The ids of all parts of which this browser keeps a draft. */
export function keptDraftIds(): readonly PartId[] {
  return rememberedKeys(PREFIX).map((key) => asId<PartId>(key.slice(PREFIX.length)));
}

function parsed(text: string): Json {
  try {
    const value: Json = JSON.parse(text) as Json;
    return value;
  } catch {
    return null;
  }
}
