/**
 * What an RC channel is for. `sort`: one of the sticks that fly; something that goes smoothly between its ends; something with steps; or a
 * figure that the receiver tells on the channel.
 */
export const CHANNEL_USES = {
  roll: { title: 'roll', sort: 'stick' },
  pitch: { title: 'pitch', sort: 'stick' },
  throttle: { title: 'throttle', sort: 'stick' },
  yaw: { title: 'yaw', sort: 'stick' },
  mode: { title: 'flight mode', sort: 'steps' },
  'sub-mode': { title: 'flight mode, second channel', sort: 'steps' },
  arm: { title: 'arming', sort: 'steps' },
  'motor-stop': { title: 'motor stop', sort: 'steps' },
  'take-back': { title: 'takes control back from the companion', sort: 'steps' },
  flap: { title: 'flaps', sort: 'smooth' },
  brake: { title: 'air brakes', sort: 'smooth' },
  pan: { title: 'pan', sort: 'smooth' },
  tilt: { title: 'tilt', sort: 'smooth' },
  steering: { title: 'nose wheel', sort: 'smooth' },
  gear: { title: 'landing gear', sort: 'steps' },
  dropper: { title: 'dropper', sort: 'steps' },
  'camera-trigger': { title: 'camera trigger', sort: 'steps' },
  light: { title: 'light', sort: 'steps' },
  finder: { title: 'finder', sort: 'steps' },
  knob: { title: 'tuning knob', sort: 'smooth' },
  strength: { title: 'signal strength', sort: 'told' },
  quality: { title: 'link quality', sort: 'told' },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly sort: 'stick' | 'smooth' | 'steps' | 'told' }>>;
export type ChannelUse = keyof typeof CHANNEL_USES;

export function isChannelUse(text: string): text is ChannelUse {
  return Object.hasOwn(CHANNEL_USES, text);
}

/** All uses, in the order of the table. */
export const channelUses: readonly ChannelUse[] = Object.keys(CHANNEL_USES).filter(isChannelUse);

/** The four that fly the aircraft. */
export const STICKS = ['roll', 'pitch', 'throttle', 'yaw'] as const satisfies readonly ChannelUse[];
export type Stick = (typeof STICKS)[number];

export function isStick(use: ChannelUse): use is Stick {
  return CHANNEL_USES[use].sort === 'stick';
}
