import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { mudflat } from './mudflat.ts';
import { reedbed } from './reedbed.ts';
import { saltmarsh } from './saltmarsh.ts';

/** The aircraft that a new workshop is shown with, each with the id that it gets there. */
export const demoAircraft: readonly { readonly id: string; readonly build: (id: AircraftId, makeId: MakeId) => Design }[] = [
  { id: 'saltmarsh', build: saltmarsh },
  { id: 'reedbed', build: reedbed },
  { id: 'mudflat', build: mudflat },
];
