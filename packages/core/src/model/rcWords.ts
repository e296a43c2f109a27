import { LOSS_ACTIONS, lossActions } from './lossActions.ts';

const seconds = { unit: 's', least: 0, most: 60 } as const;
/** Figures of the RC plan, with their limits. */
export const RC_FIGURES = {
  cruiseThrottle: { title: 'Throttle in cruise', unit: '%', least: 1, most: 100 },
  climbThrottle: { title: 'Throttle in the climb', unit: '%', least: 1, most: 100 },
  lossDelayS: { title: 'Controller delay', ...seconds },
  throttleThresholdUs: { title: 'Throttle threshold for loss', unit: 'us', least: 800, most: 1200 },
  returnHeightM: { title: 'Return height', unit: 'm', least: 5, most: 1000 },
  groundDelayS: { title: 'Delay on loss of the ground link', ...seconds },
  wayHomeM: { title: 'Maximum distance from home', unit: 'm', least: 10, most: 200_000 },
  homeSpeedMps: { title: 'Ground speed on return', unit: 'm/s', least: 1, most: 80 },
  batteryVolts: { title: 'Low-pack voltage', unit: 'V', least: 3, most: 60 },
  batteryMah: { title: 'Low-pack charge used', unit: 'mAh', least: 50, most: 200_000 },
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
      '3': '3: as 2, left and right swapped',
      '4': '4: as 1, left and right swapped',
    },
  },
  radioMixes: {
    title: 'Mixing in the radio',
    values: { plain: 'plain channels', elevon: 'elevons', 'v-tail': 'V-tail', flaperon: 'flaperons', other: 'another mix' },
  },
  arming: {
    title: 'Arming',
    values: { switch: 'a switch', stick: 'a stick gesture: throttle low, yaw right', power: 'itself, when powered' },
  },
  onLoss: { title: 'Loss of signal', values: ACTION_VALUES },
  back: {
    title: 'Control returns',
    values: { signal: 'when the signal returns', stick: 'when a stick moves', mode: 'on a mode change' },
  },
  onGroundLoss: { title: 'Loss of the ground link', values: ACTION_VALUES },
  onLowBattery: { title: 'Low pack', values: ACTION_VALUES },
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
