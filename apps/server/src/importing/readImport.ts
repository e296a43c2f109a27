import { partKeyOf, readAircraftFile } from '@wired-falcon/core';
import { changedPieces, HEAD, type Piece } from '../database/documentPieces.ts';

/** An aircraft file as it is stored: texts all through, so that they pass between threads at little cost. */
export interface ReadImport {
  readonly is: 'read';
  readonly id: string;
  readonly name: string;
  /** The document but for its head. */
  readonly pieces: readonly Piece[];
  /** The head, in which the id stands. */
  readonly head: string;
  readonly parts: readonly { readonly key: string; readonly content: string }[];
}

export type ImportResult = ReadImport | { readonly is: 'refused'; readonly sentence: string };

/** Reads the bytes of an aircraft file. Never throws. */
export function readImport(bytes: Uint8Array): ImportResult {
  const read = readAircraftFile(new TextDecoder().decode(bytes));
  if ('sentence' in read) return { is: 'refused', sentence: read.sentence };
  const { aircraft, parts } = read.design;
  const pieces = changedPieces(undefined, aircraft).flatMap(({ path, content }) => (content === undefined ? [] : [{ path, content }]));
  const head = pieces.find(({ path }) => path === HEAD);
  if (head === undefined) throw new Error('A document without a head was read.');
  return {
    is: 'read',
    id: aircraft.id,
    name: aircraft.name,
    head: head.content,
    pieces: pieces.filter((piece) => piece !== head),
    parts: [...new Set(Object.values(aircraft.items).map(({ part }) => parts.get(part)))]
      .filter((part) => part !== undefined)
      .map((part) => ({ key: partKeyOf(part), content: JSON.stringify(part) })),
  };
}
