import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalJson } from './canonicalJson.ts';
import { asId, type PartKey } from './ids.ts';
import type { Part } from './part.ts';

const keyByPart = new WeakMap<Part, PartKey>();

/** The key of a part: its id and the first 16 hex digits of the SHA-256 of its canonical JSON. */
export function partKeyOf(part: Part): PartKey {
  const known = keyByPart.get(part);
  if (known !== undefined) return known;
  const digits = bytesToHex(sha256(utf8ToBytes(canonicalJson(part)))).slice(0, 16);
  const key = asId<PartKey>(`${part.id}@${digits}`);
  keyByPart.set(part, key);
  return key;
}
