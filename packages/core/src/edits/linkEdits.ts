import { Type } from '@sinclair/typebox';
import { LINKS } from '../model/linkIds.ts';
import { WishIdSchema, type ItemId } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import {
  BoardEndSchema,
  LinkFlagSchema,
  LinkKeySchema,
  linkOfKey,
  type LinkFlag,
  RateHzSchema,
  StreamIdSchema,
  WishSchema,
  type BoardEnd,
  type LinkWords,
  type Wish,
} from '../model/linkWords.ts';
import type { Aircraft } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import { stated } from '../text/numbers.ts';
import { editKind, refuse, type Outcome, type Refused } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;

const FLAG_WORDS: Readonly<Record<LinkFlag, readonly [set: string, cleared: string]>> = {
  off: ['left out', 'included again'],
  signed: ['set to signed messages', 'set to messages without a signature'],
};

const setLinkFlag = editKind({
  kind: 'set-link-flag',
  schema: Type.Object(
    { kind: Type.Literal('set-link-flag'), link: LinkKeySchema, flag: LinkFlagSchema, on: Type.Boolean(), was: Type.Boolean() },
    closed,
  ),
  title: (edit, design) => `${linkName(design, edit.link)}: ${FLAG_WORDS[edit.flag][edit.on ? 0 : 1]}`,
  apply: (design, edit) =>
    changeWords(design, edit.link, ({ [edit.flag]: now, ...words }) => {
      if ((now === true) !== edit.was) {
        const [set, cleared] = FLAG_WORDS[edit.flag];
        return refuse('changed-since', `${linkName(design, edit.link)} was ${now === true ? set : cleared} meanwhile.`, edit.link);
      }
      return edit.on ? { ...words, [edit.flag]: true } : words;
    }),
});

const boardEndOrNone = Type.Union([BoardEndSchema, Type.Null()]);

const setLinkPort = editKind({
  kind: 'set-link-port',
  schema: Type.Object(
    {
      kind: Type.Literal('set-link-port'),
      link: LinkKeySchema,
      /** Null: whichever is best. */
      port: boardEndOrNone,
      was: boardEndOrNone,
    },
    closed,
  ),
  title: (edit, design) =>
    edit.port === null
      ? `${linkName(design, edit.link)}: on any port`
      : `${linkName(design, edit.link)}: on ${refOf(design, edit.port.item)} ${edit.port.endpoint}`,
  apply: (design, edit) =>
    changeWords(design, edit.link, ({ port: now, ...words }) => {
      if (now?.item !== edit.was?.item || now?.endpoint !== edit.was?.endpoint)
        return refuse(
          'changed-since',
          `The port of ${linkName(design, edit.link)} was changed meanwhile. Check it, then decide.`,
          edit.link,
        );
      if (edit.port === null) return words;
      if (!Object.hasOwn(design.aircraft.items, edit.port.item))
        return refuse('unknown-item', 'The controller is no longer there.', edit.port.item);
      return { ...words, port: edit.port };
    }),
});

const rateOrNone = Type.Union([RateHzSchema, Type.Null()]);

const setStream = editKind({
  kind: 'set-stream',
  schema: Type.Object(
    {
      kind: Type.Literal('set-stream'),
      link: LinkKeySchema,
      stream: StreamIdSchema,
      /** Null: the usual rate. */
      hz: rateOrNone,
      was: rateOrNone,
    },
    closed,
  ),
  title: (edit, design) => {
    const rate = edit.hz === null ? 'its usual rate' : edit.hz === 0 ? 'off' : stated(edit.hz, 'Hz');
    return `${linkName(design, edit.link)}: ${edit.stream} at ${rate}`;
  },
  apply: (design, edit) =>
    changeWords(design, edit.link, (words) => {
      const { [edit.stream]: now, ...others } = words.streams ?? {};
      if ((now ?? null) !== edit.was)
        return refuse('changed-since', `The rate of ${edit.stream} was changed meanwhile. Check it, then decide.`, edit.link);
      const streams = edit.hz === null ? others : { ...others, [edit.stream]: edit.hz };
      const { streams: _all, ...rest } = words;
      return Object.keys(streams).length === 0 ? rest : { ...rest, streams };
    }),
});

const addWish = editKind({
  kind: 'add-wish',
  schema: Type.Object({ kind: Type.Literal('add-wish'), wish: WishSchema }, closed),
  title: ({ wish }, design) => `Add ${wishName(design, wish)}`,
  apply: (design, { wish }) => {
    const { aircraft } = design;
    if (Object.hasOwn(aircraft.wishes, wish.id)) return refuse('id-taken', 'A link with this id is already there.', wish.id);
    if (Object.keys(aircraft.wishes).length >= LIMITS.wishesPerAircraft)
      return refuse('bad-shape', `An aircraft can have ${LIMITS.wishesPerAircraft} added links at most.`);
    const gone = [wish.from, wish.to].find((item) => !Object.hasOwn(aircraft.items, item));
    if (gone !== undefined) return refuse('unknown-item', 'One of the two items is no longer there.', gone);
    if (wish.from === wish.to) return refuse('cable-to-itself', `${refOf(design, wish.from)} cannot have a link to itself.`, wish.from);
    return { aircraft: { ...aircraft, wishes: { ...aircraft.wishes, [wish.id]: wish } } };
  },
});

const removeWish = editKind({
  kind: 'remove-wish',
  schema: Type.Object({ kind: Type.Literal('remove-wish'), wish: WishIdSchema }, closed),
  title: (edit, design) => {
    const wish = design.aircraft.wishes[edit.wish];
    return wish === undefined ? 'Remove a link' : `Remove ${wishName(design, wish)}`;
  },
  apply: ({ aircraft }, edit) => {
    if (!Object.hasOwn(aircraft.wishes, edit.wish)) return refuse('unknown-wish', 'The link is no longer there.', edit.wish);
    const { [edit.wish]: _gone, ...wishes } = aircraft.wishes;
    return { aircraft: { ...aircraft, wishes } };
  },
});

/** Changes what is said about a link; words that say nothing are not kept. */
function changeWords(design: Design, key: string, change: (words: LinkWords) => LinkWords | Refused): Outcome {
  const { aircraft } = design;
  const { item } = linkOfKey(key);
  if (!Object.hasOwn(aircraft.items, item)) return refuse('unknown-item', 'The item at the start of the link is no longer there.', item);
  const { [key]: now = {}, ...others } = aircraft.links;
  const words = change(now);
  if ('refused' in words) return words;
  return { aircraft: { ...aircraft, links: Object.keys(words).length === 0 ? others : { ...others, [key]: words } } };
}

/** A link in words: `RADIO1 telemetry`. */
function linkName(design: Design, key: string): string {
  const { kind, item } = linkOfKey(key);
  return `${refOf(design, item)} ${LINKS[kind]}`;
}

/** A link of one's own in words: `telemetry from PC1 to FC2`. */
export function wishName(design: Design, { kind, from, to }: Wish): string {
  return `${LINKS[kind]} from ${refOf(design, from)} to ${refOf(design, to)}`;
}

/** What is said about links, without what is said of those of one item, and of its ports. */
export function linksWithout(links: Aircraft['links'], item: ItemId): Aircraft['links'] {
  const others = Object.fromEntries(Object.entries(links).filter(([key]) => linkOfKey(key).item !== item));
  return withoutPorts(others, (port) => port.item === item);
}

/** The same without the ports that are not to be kept; what says nothing then goes. */
export function withoutPorts(links: Aircraft['links'], isGone: (port: BoardEnd) => boolean): Aircraft['links'] {
  return Object.fromEntries(
    Object.entries(links).flatMap(([key, words]) => {
      if (words.port === undefined || !isGone(words.port)) return [[key, words] as const];
      const { port: _gone, ...rest } = words;
      return Object.keys(rest).length === 0 ? [] : [[key, rest] as const];
    }),
  );
}

/** Links of one's own, without those from or to one item. */
export function wishesWithout(wishes: Aircraft['wishes'], item: ItemId): Aircraft['wishes'] {
  return Object.fromEntries(Object.entries(wishes).filter(([, { from, to }]) => from !== item && to !== item));
}

export const linkEdits = [setLinkFlag, setLinkPort, setStream, addWish, removeWish] as const;
