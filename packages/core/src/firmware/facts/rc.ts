import type { Design } from '../../model/design.ts';
import { hasShape } from '../../model/shape.ts';
import { isChannelUse, CHANNEL_USES, type ChannelUse } from '../../model/rcUses.ts';
import { ChannelNoSchema, givesName, type ModeRange, type RcChannel, type RangeGives } from '../../model/rcPlan.ts';
import { isFlightMode } from '../../model/flightModes.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { plannedEnds, type ChannelEnds } from '../../rc/channelScale.ts';
import { channelOfUse, rcChannelsOf } from '../../rc/channelsOf.ts';
import { STRIP_US } from '../../rc/modes/valueStrip.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, type FactRow, type FactSource, type FactValue, type Source } from './factRow.ts';

/** Which channel each use comes on. */
export const channelOfFacts: FactSource = {
  family: 'channel-of',
  rows: ({ graph }) => {
    const seen = new Set<string>();
    return rcChannelsOf(graph.design).flatMap(([no, { use }]): FactRow[] => {
      if (seen.has(use)) return [];
      seen.add(use);
      const from: Source = { path: ['rc', 'channels', no, 'use'], words: `use of channel ${no}` };
      return [{ keys: { use }, what: CHANNEL_USES[use].title, from: [from], tags: ['used'], facts: { channel: fact(Number(no), from) } }];
    });
  },
  takeRow: ({ graph }, { keys, values }) => {
    const use = String(keys['use']);
    return isChannelUse(use) ? newUse(graph.design, String(values['channel']), use) : undefined;
  },
};

/** Gives a channel a use, whatever it was for. */
function newUse({ aircraft }: Design, no: string, use: ChannelUse): SimpleEdit | undefined {
  if (!hasShape(ChannelNoSchema, no)) return undefined;
  const was = Object.hasOwn(aircraft.rc.channels, no) ? (aircraft.rc.channels[no] ?? null) : null;
  return { kind: 'set-rc-channel', channel: no, value: { ...was, use }, was };
}

/** Each planned channel with its ends, as they were measured or else as they are planned. */
export const channelFacts: FactSource = {
  family: 'channel',
  rows: ({ graph }) =>
    rcChannelsOf(graph.design).map(([no, channel]): FactRow => {
      const ends = endsOf(graph.design, channel);
      const from: readonly Source[] = [
        { path: ['rc', 'channels', no, 'measured'], words: `measured end points of channel ${no}` },
        { path: ['rc', 'channels', no, 'ends'], words: `end points of channel ${no}` },
        { path: ['dialect'], words: 'the scale of the dialect' },
      ];
      return {
        keys: { channel: Number(no) },
        what: `channel ${no}, ${CHANNEL_USES[channel.use].title}`,
        from: [],
        tags: ['used'],
        facts: {
          use: fact(channel.use, { path: ['rc', 'channels', no, 'use'], words: `use of channel ${no}` }),
          leastUs: fact(ends.leastUs, ...from),
          middleUs: fact(ends.middleUs, ...from),
          mostUs: fact(ends.mostUs, ...from),
        },
      };
    }),
  take: ({ graph }, { keys, field, value }) => {
    const no = String(keys['channel']);
    const was = Object.hasOwn(graph.design.aircraft.rc.channels, no) ? graph.design.aircraft.rc.channels[no] : undefined;
    if (field === 'use')
      return typeof value === 'string' && isChannelUse(value)
        ? { kind: 'set-rc-channel', channel: no, value: { ...was, use: value }, was: was ?? null }
        : undefined;
    // What was measured was there; another figure is the line's own.
    if (was === undefined || was.measured !== undefined || typeof value !== 'number') return undefined;
    const { leastUs, mostUs } = plannedEnds(graph.design, was);
    const ends = field === 'leastUs' ? { leastUs: value, mostUs } : field === 'mostUs' ? { leastUs, mostUs: value } : undefined;
    return ends === undefined ? undefined : { kind: 'set-rc-channel', channel: no, value: { ...was, ends }, was };
  },
  takeRow: ({ graph }, { keys, values }) => {
    const [no, use] = [String(keys['channel']), String(values['use'])];
    const edit = isChannelUse(use) ? newUse(graph.design, no, use) : undefined;
    if (edit?.kind !== 'set-rc-channel' || edit.value === null) return undefined;
    const { leastUs, mostUs } = values;
    const wanted = plannedEnds(graph.design, undefined);
    if (typeof leastUs !== 'number' || typeof mostUs !== 'number' || (leastUs === wanted.leastUs && mostUs === wanted.mostUs)) return edit;
    return { ...edit, value: { ...edit.value, ends: { leastUs, mostUs } } };
  },
};

function endsOf(design: Design, channel: RcChannel): ChannelEnds {
  const { measured } = channel;
  const planned = plannedEnds(design, channel);
  if (measured === undefined) return planned;
  return {
    leastUs: Math.min(measured.firstUs, measured.lastUs),
    middleUs: measured.centreUs ?? planned.middleUs,
    mostUs: Math.max(measured.firstUs, measured.lastUs),
  };
}

type Named = readonly [id: string, range: ModeRange];

/** Ranges that a line can hold: those that need no other channel, by channel and then by where they begin. */
function plainRanges({ graph }: FirmwareScope): readonly Named[] {
  return Object.entries(graph.design.aircraft.rc.ranges)
    .filter(([, range]) => range.with === undefined)
    .sort(([a, x], [b, y]) => naturalOrder(x.channel, y.channel) || x.fromUs - y.fromUs || (a < b ? -1 : 1));
}

function flightRanges(scope: FirmwareScope): readonly Named[] {
  return plainRanges(scope).filter(([, { gives }]) => gives !== 'armed');
}

/** In a firmware with slots: the channel that they are on. */
export const modeChannelFacts: FactSource = {
  family: 'mode-channel',
  rows: (scope) => {
    const [first] = flightRanges(scope);
    if (first === undefined || scope.dialect.modeSlotsUs === undefined) return [];
    const from: Source = { path: ['rc', 'ranges'], words: 'the mode ranges' };
    return [{ keys: {}, what: 'mode channel', from: [from], tags: ['used'], facts: { channel: fact(Number(first[1].channel), from) } }];
  },
};

interface SlotSpan {
  readonly slot: number;
  readonly fromUs: number;
  readonly toUs: number;
}

function slotSpans({ dialect }: FirmwareScope): readonly SlotSpan[] {
  if (dialect.modeSlotsUs === undefined) return [];
  const edges = [STRIP_US.least, ...dialect.modeSlotsUs, STRIP_US.most];
  return edges.slice(1).map((toUs, i) => ({ slot: i + 1, fromUs: edges[i] ?? STRIP_US.least, toUs }));
}

/** In a firmware with slots: the mode of each. */
export const modeSlotFacts: FactSource = {
  family: 'mode-slot',
  rows: (scope) => {
    const ranges = flightRanges(scope);
    if (ranges.length === 0) return [];
    const from: Source = { path: ['rc', 'ranges'], words: 'the mode ranges' };
    return slotSpans(scope).map(({ slot, fromUs, toUs }): FactRow => {
      const middle = (fromUs + toUs) / 2;
      const range = ranges.find(([, one]) => one.fromUs <= middle && middle < one.toUs)?.[1];
      return {
        keys: { slot },
        what: `mode slot ${slot}, ${fromUs} to ${toUs} us`,
        from: [from],
        tags: [range === undefined ? 'unused' : 'used'],
        facts: { mode: fact(range?.gives ?? 'none', from) },
      };
    });
  },
  take: (scope, { keys, value }) => {
    const span = slotSpans(scope).find(({ slot }) => slot === keys['slot']);
    if (span === undefined || typeof value !== 'string' || !isFlightMode(value)) return undefined;
    const ranges = flightRanges(scope);
    const own = ranges.find(([, { fromUs, toUs }]) => fromUs === span.fromUs && toUs === span.toUs);
    if (own !== undefined) return { kind: 'set-mode-range', id: own[0], value: { ...own[1], gives: value }, was: own[1] };
    const channel = ranges[0]?.[1].channel ?? channelOfUse(scope.graph.design, 'mode')?.[0];
    const isCovered = ranges.some(([, { fromUs, toUs }]) => fromUs < span.toUs && span.fromUs < toUs);
    if (channel === undefined || isCovered) return undefined;
    return newRange(scope, { channel, fromUs: span.fromUs, toUs: span.toUs, gives: value });
  },
};

/** An edit that adds a range under the first id that is free. */
function newRange({ graph }: FirmwareScope, value: ModeRange): SimpleEdit {
  const { ranges } = graph.design.aircraft.rc;
  const base = `${value.gives}-${value.channel}-${Math.round(value.fromUs)}`;
  let id = base;
  for (let n = 2; Object.hasOwn(ranges, id); n += 1) id = `${base}-${n}`;
  return { kind: 'set-mode-range', id, value, was: null };
}

/** Values of channels that give modes, or let the motors run. */
export const modeRangeFacts: FactSource = {
  family: 'mode-range',
  rows: (scope) =>
    plainRanges(scope).map(([id, { channel, fromUs, toUs, gives }]): FactRow => {
      const from: Source = { path: ['rc', 'ranges', id], words: `range of ${givesName(gives)}` };
      return {
        keys: { channel: Number(channel), mode: gives },
        what: `${givesName(gives)} on channel ${channel}`,
        from: [from],
        tags: ['used'],
        facts: { fromUs: fact(fromUs, from), toUs: fact(toUs, from) },
      };
    }),
  take: (scope, { keys, field, value }) => {
    const gives = givesOf(keys['mode']);
    const found = plainRanges(scope).filter(([, range]) => Number(range.channel) === keys['channel'] && range.gives === gives);
    const [own] = found;
    // Of several ranges of one mode nobody can tell which is meant.
    if (own === undefined || found.length > 1 || typeof value !== 'number' || (field !== 'fromUs' && field !== 'toUs')) return undefined;
    return { kind: 'set-mode-range', id: own[0], value: { ...own[1], [field]: value }, was: own[1] };
  },
  takeRow: (scope, { keys, values: { fromUs, toUs } }) => {
    const [channel, gives] = [String(keys['channel']), givesOf(keys['mode'])];
    if (gives === undefined || !hasShape(ChannelNoSchema, channel) || typeof fromUs !== 'number' || typeof toUs !== 'number')
      return undefined;
    return newRange(scope, { channel, fromUs, toUs, gives });
  },
};

function givesOf(value: FactValue | undefined): RangeGives | undefined {
  if (value === 'armed') return 'armed';
  return typeof value === 'string' && isFlightMode(value) ? value : undefined;
}
