import { dialectOf } from '../dialects/dialectOf.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import type { Edit } from '../edits/registry.ts';
import { AIRFRAME_KINDS, hovers } from '../model/airframes.ts';
import type { Design } from '../model/design.ts';
import type { FlightMode } from '../model/flightModes.ts';
import type { ModeRange, RcChannel, RcSwitch } from '../model/rcPlan.ts';
import type { ChannelUse, Stick } from '../model/rcUses.ts';
import { wantedEnds } from './channelScale.ts';
import { STRIP_US } from './modes/valueStrip.ts';

/** The schools of channel order: which of the first four is which stick. */
export const CHANNEL_ORDERS = {
  'aileron-first': { title: 'roll, pitch, throttle, yaw', sticks: ['roll', 'pitch', 'throttle', 'yaw'] },
  'throttle-first': { title: 'throttle, roll, pitch, yaw', sticks: ['throttle', 'roll', 'pitch', 'yaw'] },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly sticks: readonly Stick[] }>>;
export type ChannelOrder = keyof typeof CHANNEL_ORDERS;

export function isChannelOrder(text: string): text is ChannelOrder {
  return Object.hasOwn(CHANNEL_ORDERS, text);
}

const MODE_CHANNEL = '5';
const ARM_CHANNEL = '6';
const [MODE_SWITCH, ARM_SWITCH] = ['s1', 's2'];
/** From here on a switch of two positions arms. */
const ARMED_FROM_US = 1700;

/**
 * A plan to begin with: the four sticks in the order of a school, a switch of three positions for the modes that the dialect has and the airframe
 * needs, a switch for arming, and flaps where there are some. One edit; what is planned of these already is not touched.
 * @returns undefined where all of it is planned already
 */
export function beginPlan(design: Design, order: ChannelOrder): Edit | undefined {
  const { rc, airframe } = design.aircraft;
  const hasFlaps = AIRFRAME_KINDS[airframe.kind].surfaces.some((name) => name.startsWith('flap'));
  const steps = (use: ChannelUse, id: string): RcChannel => ({ use, from: { is: 'switches', switches: [id] } });
  const channels: readonly (readonly [string, RcChannel])[] = [
    ...CHANNEL_ORDERS[order].sticks.map((use, i) => [String(i + 1), { use }] as const),
    [MODE_CHANNEL, steps('mode', MODE_SWITCH)],
    [ARM_CHANNEL, steps('arm', ARM_SWITCH)],
    ...(hasFlaps ? [['7', steps('flap', 's3')] as const] : []),
  ];
  const switches: readonly (readonly [string, RcSwitch])[] = [
    [MODE_SWITCH, { title: 'switch 1', positions: 3 }],
    [ARM_SWITCH, { title: 'switch 2', positions: 2 }],
    ...(hasFlaps ? [['s3', { title: 'switch 3', positions: 3 }] as const] : []),
  ];
  const edits: SimpleEdit[] = [
    ...switches.flatMap(([id, value]): SimpleEdit[] =>
      rc.switches[id] === undefined ? [{ kind: 'set-rc-switch', id, value, was: null }] : [],
    ),
    ...channels.flatMap(([channel, value]): SimpleEdit[] =>
      rc.channels[channel] === undefined ? [{ kind: 'set-rc-channel', channel, value, was: null }] : [],
    ),
    ...firstRanges(design).flatMap(([id, value]): SimpleEdit[] =>
      rc.ranges[id] === undefined ? [{ kind: 'set-mode-range', id, value, was: null }] : [],
    ),
    ...(rc.choices.arming === undefined ? [{ kind: 'set-rc-choice', choice: 'arming', value: 'switch', was: null } as const] : []),
    ...(rc.choices.radioMixes === undefined ? [{ kind: 'set-rc-choice', choice: 'radioMixes', value: 'plain', was: null } as const] : []),
  ];
  return edits.length === 0 ? undefined : { kind: 'batch', title: `Start the channel plan: ${CHANNEL_ORDERS[order].title}`, edits };
}

/** The modes that a switch of three positions chooses at first: by hand or level, more help, home. */
function firstModes(design: Design): readonly FlightMode[] {
  const known = dialectOf(design)?.modes;
  const has = (mode: FlightMode): boolean => known === undefined || known[mode] !== undefined;
  const wanted: readonly (readonly FlightMode[])[] = hovers(design.aircraft.airframe.kind)
    ? [['hover-level'], ['hover-position', 'hover-altitude'], ['return', 'land']]
    : [['manual'], ['self-level', 'rate'], ['return', 'circle']];
  return wanted.map((choices) => choices.find(has) ?? choices[0] ?? 'manual');
}

function firstRanges(design: Design): readonly (readonly [string, ModeRange])[] {
  const { leastUs, middleUs, mostUs } = wantedEnds(design);
  const slots = dialectOf(design)?.modeSlotsUs;
  const between = [(leastUs + middleUs) / 2, (middleUs + mostUs) / 2].map((us) =>
    Math.round(slots === undefined ? us : nearest(slots, us)),
  );
  const borders = [STRIP_US.least, ...between, STRIP_US.most];
  const modes = firstModes(design).map(
    (gives, i) => [`m${i + 1}`, { channel: MODE_CHANNEL, fromUs: borders[i] ?? 0, toUs: borders[i + 1] ?? 0, gives }] as const,
  );
  return [...modes, ['arm', { channel: ARM_CHANNEL, fromUs: ARMED_FROM_US, toUs: STRIP_US.most, gives: 'armed' }]];
}

function nearest(choices: readonly number[], us: number): number {
  return choices.reduce((best, one) => (Math.abs(one - us) < Math.abs(best - us) ? one : best));
}
