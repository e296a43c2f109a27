import { SCHEMA_VERSION, type Aircraft } from './aircraft.ts';
import type { AircraftId } from './ids.ts';

/** An empty aircraft. */
export function newAircraft(id: AircraftId, name: string): Aircraft {
  return {
    schema: SCHEMA_VERSION,
    id,
    name,
    airframe: { kind: 'flying-wing' },
    needs: {},
    dialect: 'numbered-ports',
    items: {},
    cables: {},
    outputs: {},
    mates: {},
    waivers: {},
    issued: {},
  };
}
