import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalJson } from './canonicalJson.ts';
import type { Dialect } from './dialect.ts';
import { asId, type DialectKey, type PartKey } from './ids.ts';
import type { Part } from './part.ts';

const keys = new WeakMap<Part | Dialect, string>();

/** The key of a part: its id and the first 16 hex digits of the SHA-256 of its canonical JSON. */
export function partKeyOf(part: Part): PartKey {
  return asId<PartKey>(keyOf(part));
}

/** The key of a dialect, likewise. */
export function dialectKeyOf(dialect: Dialect): DialectKey {
  return asId<DialectKey>(keyOf(dialect));
}

function keyOf(content: Part | Dialect): string {
  const known = keys.get(content);
  if (known !== undefined) return known;
  const key = `${content.id}@${digestOf(content)}`;
  keys.set(content, key);
  return key;
}

/** The first 16 hex digits of the SHA-256 of the canonical JSON of a value. */
export function digestOf(value: unknown): string {
  return bytesToHex(sha256(utf8ToBytes(canonicalJson(value)))).slice(0, 16);
}
