import {
  COMMANDS,
  hovers,
  isWingless,
  mixed,
  percent,
  pulseUs,
  stabilised,
  type AirframeKind,
  type Attitude,
  type Command,
  type Commands,
  type Help,
  type MixedValue,
  type MixerRow,
  type OutputFunction,
  type Slot,
  type Stick,
} from '@wired-falcon/core';

/** What hands and wind do to the aircraft on this page. */
export interface Motion {
  /** From -1 (left, back) to 1 (right, forward). */
  readonly sticks: Readonly<Record<Stick, number>>;
  readonly others: Commands;
  readonly attitude: Attitude;
  readonly help: Help;
  /** Of an aircraft that can do both: on its lift motors, or on its wings. */
  readonly isHovering: boolean;
}

export const AT_REST: Motion = {
  sticks: { roll: 0, pitch: 0, yaw: 0, throttle: -1 },
  others: {},
  attitude: { bankDeg: 0, pitchDeg: 0 },
  help: 'manual',
  isHovering: false,
};

/** What is not on a stick. */
export const OTHER_COMMANDS: readonly Command[] = COMMANDS.filter((name) => !['roll', 'pitch', 'yaw', 'throttle', 'lift'].includes(name));

/** What the controller asks for. A stick that is pushed forward lowers the nose. */
function commandsOf(kind: AirframeKind, { sticks, others, attitude, help, isHovering }: Motion): Commands {
  const power = (sticks.throttle + 1) / 2;
  const isOnLift = hovers(kind) && (isWingless(kind) || isHovering);
  const asked = stabilised({ ...others, roll: sticks.roll, pitch: -sticks.pitch, yaw: sticks.yaw }, attitude, help);
  return { ...asked, ...(isOnLift ? { lift: power } : { throttle: power }) };
}

/** A value with its pulse on each output that has the function. */
export interface Moved {
  readonly mixed: MixedValue;
  readonly us: number;
}

/** What every function gives at this moment. */
export function movedBy(kind: AirframeKind, rows: readonly MixerRow[], motion: Motion): ReadonlyMap<OutputFunction, MixedValue> {
  return new Map(mixed(rows, commandsOf(kind, motion)).map((value) => [value.row.function, value]));
}

/** The pulse that an output gives; undefined where nobody knows. */
export function slotUs(values: ReadonlyMap<OutputFunction, MixedValue>, { use }: Slot): number | undefined {
  const value = use === undefined ? undefined : values.get(use.function);
  return value === undefined || value.row.scale === 'passed' ? undefined : Math.round(pulseUs(value, use));
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
      return 'as it comes';
    case 'surface':
      return Math.round(value * 100) === 0 ? 'neutral' : `${share} ${sideWords(row.function, value)}`;
  }
}

function sideWords(name: OutputFunction, value: number): string {
  if (name.startsWith('rudder') || name === 'steering' || name === 'tail-tilt') return value > 0 ? 'right' : 'left';
  if (name === 'ailerons') return value > 0 ? 'left one down' : 'left one up';
  return value > 0 ? 'down' : 'up';
}
