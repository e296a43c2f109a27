import { LIMITS, type AircraftId, type EditId } from '@wired-falcon/core';
import type { Transport } from './transport.ts';

/** Which of some edits are in the journal, and as which versions. Throws as the transport does. */
export async function arrivedOf(transport: Transport, id: AircraftId, editIds: readonly EditId[]): Promise<ReadonlyMap<EditId, number>> {
  const found = new Map<EditId, number>();
  for (let at = 0; at < editIds.length; at += LIMITS.editsPerRequest) {
    const { arrived } = await transport.arrived(id, editIds.slice(at, at + LIMITS.editsPerRequest));
    for (const { editId, version } of arrived) found.set(editId, version);
  }
  return found;
}
