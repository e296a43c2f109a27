import { Type } from '@sinclair/typebox';
import { asId, ItemIdSchema, recordOf, WishIdSchema, type ItemId } from './ids.ts';
import { keyText } from './keys.ts';
import { isLinkKindId, linkKindIds, STREAM_IDS, type LinkKindId, type StreamId } from './linkIds.ts';
import { oneOf } from './oneOf.ts';
import { SettingIdSchema } from './setting.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

export const LinkKindIdSchema = oneOf(linkKindIds);
export const StreamIdSchema = oneOf(STREAM_IDS);

/** A link by itself: its kind and the item that it begins at, `telemetry.i7`. */
export const LinkKeySchema = keyText(`(?:${linkKindIds.join('|')})\\.[A-Za-z0-9][A-Za-z0-9-]{0,39}`);

/** The key of a link that exists by itself. */
export function linkKey(kind: LinkKindId, item: ItemId): string {
  return `${kind}.${item}`;
}

/** The kind and the item that a key is made of. @throws when it is the key of no link */
export function linkOfKey(key: string): { readonly kind: LinkKindId; readonly item: ItemId } {
  const at = key.indexOf('.');
  const kind = key.slice(0, at);
  if (!isLinkKindId(kind)) throw new Error(`"${key}" is not a key of a link.`);
  return { kind, item: asId<ItemId>(key.slice(at + 1)) };
}

export const LINK_FLAGS = ['off', 'signed'] as const;
export type LinkFlag = (typeof LINK_FLAGS)[number];
export const LinkFlagSchema = oneOf(LINK_FLAGS);

/** How often a message is sent, in Hz; 0 for one that is not. */
export const RateHzSchema = Type.Number({ minimum: 0, maximum: 1000 });

/** A signal of a controller that a link is to arrive at: the item, and the endpoint of its part. */
export const BoardEndSchema = Type.Object({ item: ItemIdSchema, endpoint: SettingIdSchema }, closed);
export type BoardEnd = Shape<typeof BoardEndSchema>;

export const LinkWordsSchema = Type.Object(
  {
    /** True where a person does not want the link. */
    off: Type.Optional(Type.Literal(true)),
    /** True where its messages are signed: each is 13 bytes longer. */
    signed: Type.Optional(Type.Literal(true)),
    /** Where a person wants it to arrive, whatever else would be better. */
    port: Type.Optional(BoardEndSchema),
    /** Rates that differ from the usual. */
    streams: Type.Optional(Type.Unsafe<Partial<Record<StreamId, number>>>(recordOf(keyText(STREAM_IDS.join('|')), RateHzSchema))),
  },
  closed,
);
/** What a person says about a link that exists by itself. */
export type LinkWords = Shape<typeof LinkWordsSchema>;

export const WishSchema = Type.Object({ id: WishIdSchema, kind: LinkKindIdSchema, from: ItemIdSchema, to: ItemIdSchema }, closed);
/** A link that a person wants beyond those that exist by themselves. */
export type Wish = Shape<typeof WishSchema>;
