import { firstDialect } from '../dialects/sampleDialects.ts';
import { SCHEMA_VERSION, type Aircraft } from '../model/aircraft.ts';
import type { AircraftId } from '../model/ids.ts';
import { EMPTY_FIRMWARE } from '../model/firmwarePlan.ts';
import { EMPTY_RC } from '../model/rcPlan.ts';

/** An empty aircraft. */
export function newAircraft(id: AircraftId, name: string): Aircraft {
  return {
    schema: SCHEMA_VERSION,
    id,
    name,
    airframe: { kind: 'flying-wing' },
    needs: {},
    dialect: firstDialect,
    items: {},
    cables: {},
    outputs: {},
    banks: {},
    mixing: {},
    linkages: {},
    firmware: EMPTY_FIRMWARE,
    mates: {},
    bonds: {},
    links: {},
    wishes: {},
    rc: EMPTY_RC,
    waivers: {},
    issued: {},
  };
}
