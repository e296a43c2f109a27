import { LOSS_ACTIONS, lossActions } from './lossActions.ts';

const seconds = { unit: 's', least: 0, most: 60 } as const;
/** Figures of the RC plan, with their limits. */
export const RC_FIGURES = {
  cruiseThrottle: { title: 'Throttle in cruise', unit: '%', least: 1, most: 100 },
  climbThrottle: { title: 'Throttle in the climb', unit: '%', least: 1, most: 100 },
  lossDelayS: { title: 'Controller acts after', ...seconds },
  throttleThresholdUs: { title: 'Throttle below this means loss', unit: 'us', least: 800, most: 1200 },
  returnHeightM: { title: 'Height of the way home', unit: 'm', least: 5, most: 1000 },
  groundDelayS: { title: 'Acts on a lost ground link after', ...seconds },
  wayHomeM: { title: 'Farthest from home', unit: 'm', least: 10, most: 200_000 },
  homeSpeedMps: { title: 'Speed over ground on the way home', unit: 'm/s', least: 1, most: 80 },
  batteryVolts: { title: 'Acts below', unit: 'V', least: 3, most: 60 },
  batteryMah: { title: 'Acts above', unit: 'mAh', least: 50, most: 200_000 },
} as const;
export type RcFigure = keyof typeof RC_FIGURES;

function isRcFigure(text: string): text is RcFigure {
  return Object.hasOwn(RC_FIGURES, text);
}
export const rcFigures: readonly RcFigure[] = Object.keys(RC_FIGURES).filter(isRcFigure);

const ACTION_VALUES: Readonly<Record<string, string>> = Object.fromEntries(
  lossActions.map((action) => [action, LOSS_ACTIONS[action].title]),
);

interface ChoiceFacts {
  readonly title: string;
  /** Its values with what they are in words. */
  readonly values: Readonly<Record<string, string>>;
}

const CHOICES = {
  stickMode: {
    title: 'Stick mode',
    values: {
      '1': '1: throttle right, pitch left',
      '2': '2: throttle left, pitch right',
      '3': '3: as 2, left and right changed over',
      '4': '4: as 1, left and right changed over',
    },
  },
  radioMixes: {
    title: 'Mixing in the radio',
    values: { plain: 'plain channels', elevon: 'elevons', 'v-tail': 'V-tail', flaperon: 'flaperons', other: 'another mix' },
  },
  arming: {
    title: 'Arms by',
    values: { switch: 'a switch', stick: 'a stick gesture: throttle low, yaw right', power: 'itself, when powered' },
  },
  onLoss: { title: 'When the signal is lost', values: ACTION_VALUES },
  back: {
    title: 'Control comes back',
    values: { signal: 'with the signal', stick: 'when a stick moves', mode: 'when the mode is changed' },
  },
  onGroundLoss: { title: 'When the ground link is lost', values: ACTION_VALUES },
  onLowBattery: { title: 'When the pack is low', values: ACTION_VALUES },
} as const;
export type RcChoice = keyof typeof CHOICES;

/** Choices of the RC plan. */
export const RC_CHOICES: Readonly<Record<RcChoice, ChoiceFacts>> = CHOICES;

function isRcChoice(text: string): text is RcChoice {
  return Object.hasOwn(RC_CHOICES, text);
}
export const rcChoices: readonly RcChoice[] = Object.keys(RC_CHOICES).filter(isRcChoice);

/** True for a value that a choice has. */
export function isValueOf(choice: RcChoice, value: string): boolean {
  return Object.hasOwn(RC_CHOICES[choice].values, value);
}
