/** An RC channel that goes out as it comes in, whatever hangs there. */
function passed(channel: number) {
  return { title: `RC channel ${channel}`, drives: 'any', channel } as const;
}

/**
 * What an output of a controller can be for: a control surface, a motor, or something that is switched. `drives` says which
 * kind of pulse input belongs on it; `channel` is the RC channel that it passes on.
 */
export const OUTPUT_FUNCTIONS = {
  'aileron-left': { title: 'left aileron', drives: 'servo' },
  'aileron-right': { title: 'right aileron', drives: 'servo' },
  ailerons: { title: 'ailerons', drives: 'servo' },
  'flaperon-left': { title: 'left flaperon', drives: 'servo' },
  'flaperon-right': { title: 'right flaperon', drives: 'servo' },
  'elevon-left': { title: 'left elevon', drives: 'servo' },
  'elevon-right': { title: 'right elevon', drives: 'servo' },
  elevator: { title: 'elevator', drives: 'servo' },
  rudder: { title: 'rudder', drives: 'servo' },
  'rudder-left': { title: 'left rudder', drives: 'servo' },
  'rudder-right': { title: 'right rudder', drives: 'servo' },
  'v-tail-left': { title: 'left V-tail', drives: 'servo' },
  'v-tail-right': { title: 'right V-tail', drives: 'servo' },
  'a-tail-left': { title: 'left A-tail', drives: 'servo' },
  'a-tail-right': { title: 'right A-tail', drives: 'servo' },
  'flap-left': { title: 'left flap', drives: 'servo' },
  'flap-right': { title: 'right flap', drives: 'servo' },
  'spoiler-left': { title: 'left spoiler', drives: 'servo' },
  'spoiler-right': { title: 'right spoiler', drives: 'servo' },
  throttle: { title: 'throttle', drives: 'motor' },
  'throttle-left': { title: 'left throttle', drives: 'motor' },
  'throttle-right': { title: 'right throttle', drives: 'motor' },
  'motor-1': { title: 'motor 1', drives: 'motor' },
  'motor-2': { title: 'motor 2', drives: 'motor' },
  'motor-3': { title: 'motor 3', drives: 'motor' },
  'motor-4': { title: 'motor 4', drives: 'motor' },
  'motor-5': { title: 'motor 5', drives: 'motor' },
  'motor-6': { title: 'motor 6', drives: 'motor' },
  'motor-7': { title: 'motor 7', drives: 'motor' },
  'motor-8': { title: 'motor 8', drives: 'motor' },
  'tail-tilt': { title: 'tilt of the rear motor', drives: 'servo' },
  steering: { title: 'nose wheel', drives: 'servo' },
  gear: { title: 'landing gear', drives: 'servo' },
  pan: { title: 'pan', drives: 'servo' },
  tilt: { title: 'tilt', drives: 'servo' },
  dropper: { title: 'dropper', drives: 'servo' },
  'camera-trigger': { title: 'camera trigger', drives: 'switching' },
  light: { title: 'light', drives: 'switching' },
  'rc-1': passed(1),
  'rc-2': passed(2),
  'rc-3': passed(3),
  'rc-4': passed(4),
  'rc-5': passed(5),
  'rc-6': passed(6),
  'rc-7': passed(7),
  'rc-8': passed(8),
  'rc-9': passed(9),
  'rc-10': passed(10),
  'rc-11': passed(11),
  'rc-12': passed(12),
  'rc-13': passed(13),
  'rc-14': passed(14),
  'rc-15': passed(15),
  'rc-16': passed(16),
} as const;
export type OutputFunction = keyof typeof OUTPUT_FUNCTIONS;

export function isOutputFunction(text: string): text is OutputFunction {
  return Object.hasOwn(OUTPUT_FUNCTIONS, text);
}

/** All functions, in the order of the table. */
export const outputFunctions: readonly OutputFunction[] = Object.keys(OUTPUT_FUNCTIONS).filter(isOutputFunction);

/** The functions of lift motors, by number as the firmware counts. */
export const LIFT_FUNCTIONS = [
  'motor-1',
  'motor-2',
  'motor-3',
  'motor-4',
  'motor-5',
  'motor-6',
  'motor-7',
  'motor-8',
] as const satisfies readonly OutputFunction[];

/** True for what lifts. */
export function isLiftFunction(name: OutputFunction): boolean {
  return LIFT_FUNCTIONS.some((lift) => lift === name);
}

/** True for an output that passes an RC channel on. */
export function passedChannel(name: OutputFunction): number | undefined {
  const facts = OUTPUT_FUNCTIONS[name];
  return 'channel' in facts ? facts.channel : undefined;
}
