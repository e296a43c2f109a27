/**
 * What an output of a controller can be for: a control surface, a motor, or something that is switched. `drives` says which
 * kind of pulse input belongs on it.
 */
export const OUTPUT_FUNCTIONS = {
  'aileron-left': { title: 'left aileron', drives: 'servo' },
  'aileron-right': { title: 'right aileron', drives: 'servo' },
  'elevon-left': { title: 'left elevon', drives: 'servo' },
  'elevon-right': { title: 'right elevon', drives: 'servo' },
  elevator: { title: 'elevator', drives: 'servo' },
  rudder: { title: 'rudder', drives: 'servo' },
  'v-tail-left': { title: 'left V-tail', drives: 'servo' },
  'v-tail-right': { title: 'right V-tail', drives: 'servo' },
  'flap-left': { title: 'left flap', drives: 'servo' },
  'flap-right': { title: 'right flap', drives: 'servo' },
  throttle: { title: 'throttle', drives: 'motor' },
  'throttle-left': { title: 'left throttle', drives: 'motor' },
  'throttle-right': { title: 'right throttle', drives: 'motor' },
  'motor-1': { title: 'motor 1', drives: 'motor' },
  'motor-2': { title: 'motor 2', drives: 'motor' },
  'motor-3': { title: 'motor 3', drives: 'motor' },
  'motor-4': { title: 'motor 4', drives: 'motor' },
  'motor-5': { title: 'motor 5', drives: 'motor' },
  'motor-6': { title: 'motor 6', drives: 'motor' },
  pan: { title: 'pan', drives: 'servo' },
  tilt: { title: 'tilt', drives: 'servo' },
  dropper: { title: 'dropper', drives: 'servo' },
  'camera-trigger': { title: 'camera trigger', drives: 'switching' },
  light: { title: 'light', drives: 'switching' },
} as const;
export type OutputFunction = keyof typeof OUTPUT_FUNCTIONS;

export function isOutputFunction(text: string): text is OutputFunction {
  return Object.hasOwn(OUTPUT_FUNCTIONS, text);
}

/** All functions, in the order of the table. */
export const outputFunctions: readonly OutputFunction[] = Object.keys(OUTPUT_FUNCTIONS).filter(isOutputFunction);
