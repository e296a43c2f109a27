import type { AircraftId } from '@wired-falcon/core';
import { keptCopy } from './copies.ts';
import { failureOf } from './failure.ts';
import type { Opened } from './sessionState.ts';
import { transport } from './transport.ts';

/**
 * The aircraft as the server has it; while nobody answers, as this browser saw it last.
 * @throws ServerRefusal, or NoAnswer when this browser has not seen it
 */
export async function openAircraft(id: AircraftId, author: string): Promise<Opened> {
  try {
    return { loaded: await transport.load(id, author), from: 'server' };
  } catch (error) {
    const copy = failureOf(error).is === 'away' ? await keptCopy(id, author) : undefined;
    if (copy === undefined) throw error;
    return { loaded: copy, from: 'browser' };
  }
}
