import { type Static, type TSchema, type TString, type TUnsafe, Type } from '@sinclair/typebox';
import { keyPattern, keyText } from './keys.ts';

/** A string that only its own kind of id may be assigned to. */
export type Branded<Name extends string> = string & { readonly ' brand': Name };

export type AircraftId = Branded<'AircraftId'>;
export type ItemId = Branded<'ItemId'>;
export type CableId = Branded<'CableId'>;
export type NodeId = Branded<'NodeId'>;
export type LegId = Branded<'LegId'>;
export type ConductorId = Branded<'ConductorId'>;
export type MateId = Branded<'MateId'>;
export type BondId = Branded<'BondId'>;
export type SocketId = Branded<'SocketId'>;
export type WishId = Branded<'WishId'>;
export type WaiverId = Branded<'WaiverId'>;
export type EditId = Branded<'EditId'>;
export type PartId = Branded<'PartId'>;
export type PartKey = Branded<'PartKey'>;
export type DialectId = Branded<'DialectId'>;
export type DialectKey = Branded<'DialectKey'>;

/** Ids are opaque; the pattern keeps them free of markup, of path signs and of names that objects inherit. */
export const ID_PATTERN = keyPattern('[A-Za-z0-9][A-Za-z0-9-]{0,39}');

function idSchema<B extends string>(): TUnsafe<B> {
  return Type.Unsafe<B>(Type.String({ pattern: ID_PATTERN }));
}

export const AircraftIdSchema = idSchema<AircraftId>();
export const ItemIdSchema = idSchema<ItemId>();
export const CableIdSchema = idSchema<CableId>();
export const NodeIdSchema = idSchema<NodeId>();
export const LegIdSchema = idSchema<LegId>();
export const ConductorIdSchema = idSchema<ConductorId>();
export const MateIdSchema = idSchema<MateId>();
export const BondIdSchema = idSchema<BondId>();
export const SocketIdSchema = idSchema<SocketId>();
export const WishIdSchema = idSchema<WishId>();
export const WaiverIdSchema = idSchema<WaiverId>();
export const EditIdSchema = idSchema<EditId>();
export const PartIdSchema = idSchema<PartId>();
/** A part's id and the first 16 hex digits of the hash of its content: `gnss-serial@0123456789abcdef`. */
export const PartKeySchema = Type.Unsafe<PartKey>(keyText('[A-Za-z0-9][A-Za-z0-9-]{0,39}@[0-9a-f]{16}'));
export const DialectIdSchema = idSchema<DialectId>();
/** A dialect's id and the first 16 hex digits of the hash of its content. */
export const DialectKeySchema = Type.Unsafe<DialectKey>(keyText('[A-Za-z0-9][A-Za-z0-9-]{0,39}@[0-9a-f]{16}'));

/**
 * A record: the only kind that documents and parts are made of. Its keys follow the rule for keys (`keyText`), so that no
 * name that objects inherit can come in as one; a mention of a key elsewhere is held to the same schema.
 * @param key the schema of the keys; it must come from `keyText`
 * @throws when the key's schema allows a name that objects inherit, which is a mistake in the code
 */
export function recordOf<K extends string, V extends TSchema>(
  key: TUnsafe<K> | TString,
  value: V,
  maxProperties = 10_000,
): TUnsafe<Record<K, Static<V>>> {
  const pattern: unknown = key['pattern'];
  if (typeof pattern !== 'string' || new RegExp(pattern).test('constructor'))
    throw new Error('The keys of a record are not held to the rule for keys.');
  return Type.Unsafe<Record<K, Static<V>>>(Type.Record(Type.String({ pattern }), value, { additionalProperties: false, maxProperties }));
}

/** Gives a new id that was never given before. Passed in, so that core stays free of randomness. */
export type MakeId = () => string;

/**
 * Brands a string that has just been made or checked. The one place where a plain string becomes an id,
 * so that a search for it finds every such step.
 */
export function asId<B extends Branded<string>>(text: string): B {
  return text as B;
}
