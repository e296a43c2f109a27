import type { OutputFunction } from '../../model/outputFunctions.ts';
import { MIX_FIGURES, type MixFigure, type Mixing } from '../../model/outputPlan.ts';
import { COMMANDS, type Command, type MixerRow } from './mixerRow.ts';

interface SurfaceEntry {
  readonly scale: 'surface' | 'opens' | 'motor';
  /** A number, or the figure by which it is multiplied. */
  readonly weights: Readonly<Partial<Record<Command, 1 | -1 | readonly [sign: 1 | -1, share: MixFigure]>>>;
  readonly isDifferential?: true;
  readonly reason: string;
}

/** Everything that is moved and that does not lift: one entry a function. */
const SURFACES: Readonly<Partial<Record<OutputFunction, SurfaceEntry>>> = {
  'aileron-left': {
    scale: 'surface',
    weights: { roll: 1 },
    isDifferential: true,
    reason: 'Down lifts the left wing, which rolls to the right.',
  },
  'aileron-right': {
    scale: 'surface',
    weights: { roll: -1 },
    isDifferential: true,
    reason: 'Up lets the right wing sink, which rolls to the right.',
  },
  ailerons: {
    scale: 'surface',
    weights: { roll: 1 },
    reason: 'One output moves both: the left one goes down and the right one up for a roll to the right.',
  },
  'flaperon-left': {
    scale: 'surface',
    weights: { roll: [1, 'roll'], flap: [1, 'flap'] },
    isDifferential: true,
    reason: 'Down lifts the left wing; both go down as flaps.',
  },
  'flaperon-right': {
    scale: 'surface',
    weights: { roll: [-1, 'roll'], flap: [1, 'flap'] },
    isDifferential: true,
    reason: 'Up lets the right wing sink; both go down as flaps.',
  },
  'elevon-left': {
    scale: 'surface',
    weights: { roll: [1, 'roll'], pitch: [-1, 'pitch'] },
    reason: 'Down lifts the left wing; both go up to raise the nose.',
  },
  'elevon-right': {
    scale: 'surface',
    weights: { roll: [-1, 'roll'], pitch: [-1, 'pitch'] },
    reason: 'Up lets the right wing sink; both go up to raise the nose.',
  },
  elevator: { scale: 'surface', weights: { pitch: -1 }, reason: 'Up pushes the tail down, which raises the nose.' },
  rudder: { scale: 'surface', weights: { yaw: 1 }, reason: 'To the right it pushes the tail to the left: the nose goes right.' },
  'rudder-left': { scale: 'surface', weights: { yaw: 1 }, reason: 'To the right it pushes the rear to the left: the nose goes right.' },
  'rudder-right': { scale: 'surface', weights: { yaw: 1 }, reason: 'To the right it pushes the rear to the left: the nose goes right.' },
  'v-tail-left': {
    scale: 'surface',
    weights: { pitch: [-1, 'pitch'], yaw: [-1, 'yaw'] },
    reason: 'Up pushes its half of the V down and to the left: nose up, and nose right.',
  },
  'v-tail-right': {
    scale: 'surface',
    weights: { pitch: [-1, 'pitch'], yaw: [1, 'yaw'] },
    reason: 'Up pushes its half of the V down and to the right: nose up, and nose left.',
  },
  'a-tail-left': {
    scale: 'surface',
    weights: { pitch: [-1, 'pitch'], yaw: [1, 'yaw'] },
    reason: 'Up pushes its half of the A down and to the right: nose up, and nose left.',
  },
  'a-tail-right': {
    scale: 'surface',
    weights: { pitch: [-1, 'pitch'], yaw: [-1, 'yaw'] },
    reason: 'Up pushes its half of the A down and to the left: nose up, and nose right.',
  },
  'flap-left': { scale: 'opens', weights: { flap: 1 }, reason: 'Goes down with the flap switch.' },
  'flap-right': { scale: 'opens', weights: { flap: 1 }, reason: 'Goes down with the flap switch.' },
  'spoiler-left': { scale: 'opens', weights: { brake: 1 }, reason: 'Rises with the brake.' },
  'spoiler-right': { scale: 'opens', weights: { brake: 1 }, reason: 'Rises with the brake.' },
  throttle: { scale: 'motor', weights: { throttle: 1 }, reason: 'Follows the throttle.' },
  'throttle-left': {
    scale: 'motor',
    weights: { throttle: 1, yaw: [1, 'thrustYaw'] },
    reason: 'Follows the throttle; more on the left turns the nose to the right.',
  },
  'throttle-right': {
    scale: 'motor',
    weights: { throttle: 1, yaw: [-1, 'thrustYaw'] },
    reason: 'Follows the throttle; more on the right turns the nose to the left.',
  },
  steering: { scale: 'surface', weights: { yaw: 1 }, reason: 'Steers on the ground with the rudder.' },
  gear: { scale: 'surface', weights: { gear: 1 }, reason: 'Follows the switch of the gear.' },
  pan: { scale: 'surface', weights: { pan: 1 }, reason: 'Follows its channel.' },
  tilt: { scale: 'surface', weights: { tilt: 1 }, reason: 'Follows its channel.' },
  dropper: { scale: 'surface', weights: { dropper: 1 }, reason: 'Follows its channel.' },
  'camera-trigger': { scale: 'surface', weights: { 'camera-trigger': 1 }, reason: 'Fires with its channel, or by the controller.' },
  light: { scale: 'surface', weights: { light: 1 }, reason: 'Follows its channel, or the state of the controller.' },
};

/** A share of the mixer, or what is usual. */
export function mixShare(mixing: Mixing, figure: MixFigure): number {
  return mixing[figure] ?? MIX_FIGURES[figure].usual;
}

/** The row of a function that lifts nothing; undefined for one that does, and for a channel that is passed on. */
export function surfaceRow(name: OutputFunction, mixing: Mixing): MixerRow | undefined {
  const entry = SURFACES[name];
  if (entry === undefined) return undefined;
  const weights: Partial<Record<Command, number>> = {};
  for (const command of COMMANDS) {
    const weight = entry.weights[command];
    if (weight !== undefined) weights[command] = typeof weight === 'number' ? weight : weight[0] * mixShare(mixing, weight[1]);
  }
  return {
    function: name,
    scale: entry.scale,
    weights,
    trim: 0,
    downShare: entry.isDifferential === true ? 1 - mixShare(mixing, 'differential') : 1,
    reason: entry.reason,
  };
}
