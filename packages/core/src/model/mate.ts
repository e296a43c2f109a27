import { Type } from '@sinclair/typebox';
import { plugGoesOnto, type Connector } from './connector.ts';
import { ItemIdSchema, MateIdSchema } from './ids.ts';
import { LIMITS } from './limits.ts';
import { PortIdSchema } from './portId.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

const PortPlaceSchema = Type.Object({ item: ItemIdSchema, port: PortIdSchema }, closed);
/** A port of an item. */
export type PortPlace = Shape<typeof PortPlaceSchema>;

export const MateSchema = Type.Object(
  {
    id: MateIdSchema,
    /** What is put on: a board on a stack, a module in its bay. */
    a: PortPlaceSchema,
    /** What it is put onto. */
    b: PortPlaceSchema,
    /** In a row of pins at B, how many of them come before the first contact of A; none where nothing is said. */
    offset: Type.Optional(Type.Integer({ minimum: 1, maximum: LIMITS.pinsPerPort })),
  },
  closed,
);
/** Two ports that mate directly: no cable and no length, the pins as they meet. */
export type Mate = Shape<typeof MateSchema>;

/** How many pins of B come before the first contact of A: contact n of A meets pin n + offset. */
export function mateOffset({ offset }: Mate): number {
  return offset === undefined ? 0 : offset;
}

/** True when two ports go together without a cable, whichever is put onto the other. Pads do not: they are soldered. */
export function portsMate(a: Connector, b: Connector): boolean {
  return a.gender !== 'pads' && (plugGoesOnto(a, b) || plugGoesOnto(b, a));
}
