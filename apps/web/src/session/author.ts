import { customAlphabet } from 'nanoid';
import { rememberedText, rememberText } from '../ui/rememberedText.ts';

/** A new id: letters and digits only, long enough never to be given twice. */
export const makeId = customAlphabet('0123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz', 16);

const KEY = 'wired-falcon-author';

/** The name under which this browser makes edits: made once and kept, so that undo survives a reload. */
export function authorName(): string {
  const known = rememberedText(KEY);
  if (known !== undefined && known !== '') return known;
  const made = `bench ${makeId().slice(0, 6)}`;
  rememberText(KEY, made);
  return made;
}
