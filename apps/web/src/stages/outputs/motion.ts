import {
  channelCommands,
  HANDS_OFF,
  handCommands,
  hovers,
  isWingless,
  mixed,
  percent,
  pulseUs,
  stabilised,
  type AirframeKind,
  type Attitude,
  type ChannelCommand,
  type Commands,
  type Graph,
  type Hands,
  type Help,
  type MixedValue,
  type MixerRow,
  type OutputFunction,
  type Slot,
} from '@wired-falcon/core';

/** What hands and wind do to the aircraft on this page. */
export interface Motion {
  readonly hands: Hands;
  /** Commands that no channel brings as long as the RC plan has none for them. */
  readonly others: Commands;
  readonly attitude: Attitude;
  readonly help: Help;
  /** Of an aircraft that can do both: on its lift motors, or on its wings. */
  readonly isHovering: boolean;
}

export const AT_REST: Motion = {
  hands: HANDS_OFF,
  others: {},
  attitude: { bankDeg: 0, pitchDeg: 0 },
  help: 'manual',
  isHovering: false,
};

/** What the controller asks for. A stick that is pushed forward lowers the nose. */
function commandsOf(kind: AirframeKind, { hands: { sticks }, attitude, help, isHovering }: Motion, others: Commands): Commands {
  const power = (sticks.throttle + 1) / 2;
  const isOnLift = hovers(kind) && (isWingless(kind) || isHovering);
  const asked = stabilised({ ...others, roll: sticks.roll, pitch: -sticks.pitch, yaw: sticks.yaw }, attitude, help);
  return { ...asked, ...(isOnLift ? { lift: power } : { throttle: power }) };
}

/** What every function gives at a moment. */
export interface Moved {
  readonly values: ReadonlyMap<OutputFunction, MixedValue>;
  /** The pulse widths of channels that go out as they come in. */
  readonly passedUs: ReadonlyMap<OutputFunction, number>;
  /** Commands that no channel of the RC plan brings: each gets a slider. */
  readonly unplanned: readonly ChannelCommand[];
}

/** What the hands and the attitude make of every function: sticks as they are, switches and knobs through their channels. */
export function movedBy(graph: Graph, rows: readonly MixerRow[], motion: Motion): Moved {
  const { kind } = graph.design.aircraft.airframe;
  const { commands, passedUs } = handCommands(graph, rows, motion.hands);
  const planned = new Set(Object.values(graph.design.aircraft.rc.channels).map(({ use }): string => use));
  const unplanned = channelCommands.filter((name) => !planned.has(name) && rows.some(({ weights }) => (weights[name] ?? 0) !== 0));
  const others = Object.fromEntries(unplanned.map((name) => [name, motion.others[name] ?? 0]));
  const all = mixed(rows, commandsOf(kind, motion, { ...commands, ...others }));
  return { values: new Map(all.map((value) => [value.row.function, value])), passedUs, unplanned };
}

/** The pulse that an output gives; undefined where nobody knows. */
export function slotUs({ values, passedUs }: Moved, { use }: Slot): number | undefined {
  const value = use === undefined ? undefined : values.get(use.function);
  if (use === undefined || value === undefined) return undefined;
  const us = value.row.scale === 'passed' ? passedUs.get(use.function) : pulseUs(value, use);
  return us === undefined ? undefined : Math.round(us);
}

/** A value in words: `60 % down`. */
export function valueWords({ row, value }: MixedValue): string {
  const share = percent(Math.abs(value));
  switch (row.scale) {
    case 'motor':
      return share;
    case 'opens':
      return value === 0 ? 'closed' : `${share} open`;
    case 'passed':
      return 'pass-through';
    case 'surface':
      if (row.function === 'camera-trigger' || row.function === 'light')
        return value <= -0.98 ? 'off' : value >= 0.98 ? 'on' : percent((value + 1) / 2);
      return Math.round(value * 100) === 0 ? 'neutral' : `${share} ${sideWords(row.function, value)}`;
  }
}

function sideWords(name: OutputFunction, value: number): string {
  if (name.startsWith('rudder') || name === 'steering' || name === 'tail-tilt') return value > 0 ? 'right' : 'left';
  if (name === 'pan') return value > 0 ? 'right' : 'left';
  if (name === 'gear' || name === 'dropper') return value > 0 ? 'to its upper end' : 'to its lower end';
  if (name === 'ailerons') return value > 0 ? 'left one down' : 'left one up';
  return value > 0 ? 'down' : 'up';
}
