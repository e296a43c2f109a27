import type { Connector, ConnectorFamily } from '../model/connector.ts';
import { asId, type PartId } from '../model/ids.ts';
import type { Part, PartPort, PinRole } from '../model/part.ts';

/** Short forms for writing catalogue data: each gives plain data and checks nothing; the sweep test does. */

type RawPin = PartPort['pins'][number];
type Logic = NonNullable<RawPin['logic']>;

/** 3.3 V logic that stands 3.6 V. */
export const logic3V3: Logic = { highV: 3.3, inputMaxV: 3.6 };
/** 3.3 V logic whose inputs stand 5 V signals. */
export const logic5Tolerant: Logic = { highV: 3.3, inputMaxV: 5.5 };
/** 5 V logic. */
export const logic5V: Logic = { highV: 5, inputMaxV: 5.5 };

/** Pins in physical order from 1, each `[label, role]` or `[label, role, logic]`. */
export function pins(...rows: readonly (readonly [string, PinRole] | readonly [string, PinRole, Logic])[]): RawPin[] {
  return rows.map(([label, role, logic], i) => ({ n: i + 1, label, role, ...(logic === undefined ? {} : { logic }) }));
}

export function connector(family: ConnectorFamily, positions: number, gender: Connector['gender']): Connector {
  return { family, positions, gender };
}

export function partId(text: string): PartId {
  return asId<PartId>(text);
}

type RawElement = Part['circuit'][number];

/** Copper of 0 ohm from each pin to one inner node. */
export function joined(node: `@${string}`, ...pinAddresses: readonly string[]): RawElement[] {
  return pinAddresses.map((pin) => ({
    is: 'link',
    id: `${node.slice(1)}-${pin.replace('.', '-').toLowerCase()}`,
    a: pin,
    b: node,
    ohm: 0,
  }));
}
