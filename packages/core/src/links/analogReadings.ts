import type { Endpoint } from '../model/part.ts';

export type AnalogOut = Extract<Endpoint, { is: 'analog-out' }>;
export type AnalogSense = Extract<Endpoint, { is: 'analog-sense' }>;

/** Stated scales are rounded: so much more, as a share, is none. */
const ROUNDING = 0.001;

/** True where an output goes higher than an input reads. */
export function runsOutOfScale(gives: AnalogOut, reads: AnalogSense): boolean {
  return gives.fullScaleV > reads.fullScaleV * (1 + ROUNDING);
}

/** True where one reading of the battery arrives at the input for the other. What other inputs are taken for is for a person to set. */
export function isOtherReading(gives: AnalogOut, reads: AnalogSense): boolean {
  return isOfBattery(gives.purpose) && isOfBattery(reads.purpose) && gives.purpose !== reads.purpose;
}

const isOfBattery = (purpose: string): boolean => purpose.startsWith('battery ');
