import {
  AircraftSchema,
  hasShape,
  migrate,
  ownRevisions,
  usedRevisions,
  type AircraftId,
  type Design,
  type Revisions,
} from '@wired-falcon/core';
import type { AircraftResponse } from '@wired-falcon/contract';
import { browserStore, type DocumentCopy } from './browserStore.ts';

/** As many aircraft as are kept; of more, those that were opened longest ago go. */
const MOST_COPIES = 30;

/** Keeps a document in this browser, so that it can be opened while the server is away. */
export async function keepCopy(copy: DocumentCopy): Promise<void> {
  const db = await browserStore();
  await db.put('copies', copy);
  const keys = await db.getAllKeys('copies');
  if (keys.length <= MOST_COPIES) return;
  const copies = await copiesByAge();
  await Promise.all(copies.slice(0, keys.length - MOST_COPIES).map(({ aircraft }) => db.delete('copies', aircraft)));
}

/** The document as this browser kept it for a person; undefined when it did not, or cannot say. */
export async function keptCopy(aircraft: AircraftId, author: string): Promise<AircraftResponse | undefined> {
  try {
    const copy = await (await browserStore()).get('copies', aircraft);
    if (copy?.author !== author) return undefined;
    // It may have been kept by another version of the product.
    const migrated = migrate({ ...copy.loaded.aircraft });
    if (migrated.is !== 'migrated' || !hasShape(AircraftSchema, migrated.document)) return undefined;
    return { ...copy.loaded, dialects: copy.loaded.dialects ?? [], aircraft: migrated.document };
  } catch {
    return undefined;
  }
}

/** A document as the server would give it: with the parts and dialects that it uses, or that the product does not know by itself. */
export function responseOf(design: Design, rest: Omit<AircraftResponse, 'aircraft' | keyof Revisions>): AircraftResponse {
  const used = usedRevisions(design);
  const own = ownRevisions(design);
  return {
    ...rest,
    aircraft: design.aircraft,
    parts: [...new Set([...used.parts, ...own.parts])],
    dialects: [...new Set([...used.dialects, ...own.dialects])],
  };
}

/** All that this browser keeps, the one that was saved longest ago first. */
async function copiesByAge(): Promise<DocumentCopy[]> {
  const copies = await (await browserStore()).getAll('copies');
  return copies.sort((a, b) => (a.savedAt < b.savedAt ? -1 : 1));
}
