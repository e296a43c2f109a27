import { dialectKeyOf, partKeyOf, readAircraftFile, usedRevisions } from '@wired-falcon/core';
import { changedPieces, HEAD, type Piece } from '../database/documentPieces.ts';
import type { KeptRow } from '../workshop/shelf.ts';

/** An aircraft file as it is stored: texts all through, so that they pass between threads at little cost. */
export interface ReadImport {
  readonly is: 'read';
  readonly id: string;
  readonly name: string;
  /** The document but for its head. */
  readonly pieces: readonly Piece[];
  /** The head, in which the id stands. */
  readonly head: string;
  readonly kept: readonly KeptRow[];
}

export type ImportResult = ReadImport | { readonly is: 'refused'; readonly sentence: string };

/** Reads the bytes of an aircraft file. Never throws. */
export function readImport(bytes: Uint8Array): ImportResult {
  const read = readAircraftFile(new TextDecoder().decode(bytes));
  if ('sentence' in read) return { is: 'refused', sentence: read.sentence };
  const { aircraft } = read.design;
  const { parts, dialects } = usedRevisions(read.design);
  const pieces = changedPieces(undefined, aircraft).flatMap(({ path, content }) => (content === undefined ? [] : [{ path, content }]));
  const head = pieces.find(({ path }) => path === HEAD);
  if (head === undefined) throw new Error('A document without a head was read.');
  return {
    is: 'read',
    id: aircraft.id,
    name: aircraft.name,
    head: head.content,
    pieces: pieces.filter((piece) => piece !== head),
    kept: [
      ...parts.map((part) => ({ table: 'part' as const, key: partKeyOf(part), content: JSON.stringify(part) })),
      ...dialects.map((dialect) => ({ table: 'dialect' as const, key: dialectKeyOf(dialect), content: JSON.stringify(dialect) })),
    ],
  };
}
