import { ppmRoom } from '../codecs/ppm.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph } from '../graph/graph.ts';
import type { HopEnd } from '../links/chains/hop.ts';
import { rcFormatTitle } from '../links/rcFormats.ts';
import type { RcChannel } from '../model/rcPlan.ts';
import { rcFeedsOf, rcOutOf, type RcFeed } from './rcFeeds.ts';

/** One channel of the controller, planned or not. */
export interface ChannelRow {
  readonly no: string;
  readonly channel: RcChannel | undefined;
  /** The channel of the receiver that arrives as this one; undefined where none does. */
  readonly of: number | undefined;
  /** Into how many steps it is cut on its way; undefined for the full resolution of its format. */
  readonly steps: number | undefined;
}

/** Channels of an aircraft: what is planned, and what arrives. */
export interface ChannelPlan {
  /** The first controller that channels arrive at, with all inputs by which they do. */
  readonly feeds: readonly RcFeed[];
  /** The highest channel that arrives; 0 where none does. */
  readonly room: number;
  /** How many the firmware reads, with its sentence. */
  readonly limit: { readonly most: number; readonly sentence: string } | undefined;
  /** From the first to the highest that is planned or arrives. */
  readonly rows: readonly ChannelRow[];
}

/** So many are always shown. */
const LEAST_ROWS = 8;
/** Channels that an air mode leaves whole. */
const WHOLE_CHANNELS = 4;

const cache = new WeakMap<Graph, ChannelPlan>();

/** What is planned of channels against what arrives. */
export function channelPlanOf(graph: Graph): ChannelPlan {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const all = rcFeedsOf(graph);
  const [first] = all;
  const feeds = all.filter(({ input }) => input.item === first?.input.item);
  const arriving = new Map<number, { readonly of: number; readonly steps: number | undefined }>();
  for (const feed of feeds) {
    const room = trainRoom(feed);
    const steps = auxiliarySteps(feed.source);
    for (const { at, of } of feed.channels)
      if (at <= room && !arriving.has(at)) arriving.set(at, { of, steps: of > WHOLE_CHANNELS ? steps : undefined });
  }
  const { channels } = graph.design.aircraft.rc;
  const room = Math.max(0, ...arriving.keys());
  const count = Math.max(LEAST_ROWS, room, ...Object.keys(channels).map(Number));
  const limit = dialectOf(graph.design)?.limits.find(({ of }) => of === 'rc-channels');
  const plan: ChannelPlan = {
    feeds,
    room,
    limit: limit === undefined ? undefined : { most: limit.most, sentence: limit.sentence },
    rows: Array.from({ length: count }, (_, i): ChannelRow => {
      const there = arriving.get(i + 1);
      return { no: String(i + 1), channel: channels[String(i + 1)], of: there?.of, steps: there?.steps };
    }),
  };
  cache.set(graph, plan);
  return plan;
}

/** How many channels the frames of a pulse train have room for, whatever their values; no limit for other formats. */
function trainRoom({ format, hops }: RcFeed): number {
  const sender = hops.at(-1)?.a;
  const frameMs = sender === undefined || format !== 'ppm' ? undefined : rcOutOf(sender)?.frameMs;
  return frameMs === undefined ? Infinity : ppmRoom(frameMs * 1000);
}

/** Into how many steps the air mode of a receiver cuts channels above the fourth; undefined where it leaves them whole. */
export function auxiliarySteps({ entry: { part, item } }: HopEnd): number | undefined {
  for (const { id, air } of part?.radios ?? []) {
    const { choices, auxiliarySteps: steps } = air?.rates ?? {};
    if (choices === undefined || steps === undefined) continue;
    const rate = item.settings[`${id}.rate`] ?? choices[0];
    return steps[choices.findIndex((choice) => choice === rate)];
  }
  return undefined;
}

/** The format by which channels arrive, as people write it; none where no channels do. */
export function formatTitles({ feeds }: ChannelPlan): readonly string[] {
  return [...new Set(feeds.map(({ format }) => rcFormatTitle(format)))];
}
