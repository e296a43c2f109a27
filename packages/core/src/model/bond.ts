import { Type } from '@sinclair/typebox';
import { BondIdSchema, ItemIdSchema } from './ids.ts';
import { RadioIdSchema } from './radio.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

const RadioPlaceSchema = Type.Object({ item: ItemIdSchema, radio: RadioIdSchema }, closed);
/** A radio of an item. */
export type RadioPlace = Shape<typeof RadioPlaceSchema>;

export const BondSchema = Type.Object({ id: BondIdSchema, a: RadioPlaceSchema, b: RadioPlaceSchema }, closed);
/**
 * Two radios that are meant to hear one another. What they have to agree on (band, version, rate, the network or the phrase
 * that they share) are settings of both. A radio may be in several bonds, as a base station is.
 */
export type Bond = Shape<typeof BondSchema>;
