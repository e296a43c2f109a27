import type { OutputFunction } from './outputFunctions.ts';

/** A kind of airframe: what people call it, and the functions that its outputs must have between them. */
export interface AirframeKindFacts {
  readonly title: string;
  readonly functions: readonly OutputFunction[];
}

const AILERONS = ['aileron-left', 'aileron-right'] as const;

const KINDS = {
  conventional: { title: 'conventional tail', functions: [...AILERONS, 'elevator', 'rudder', 'throttle'] },
  'v-tail': { title: 'V-tail', functions: [...AILERONS, 'v-tail-left', 'v-tail-right', 'throttle'] },
  'v-tail-flaps': {
    title: 'V-tail with flaps',
    functions: [...AILERONS, 'flap-left', 'flap-right', 'v-tail-left', 'v-tail-right', 'throttle'],
  },
  'flying-wing': { title: 'flying wing', functions: ['elevon-left', 'elevon-right', 'throttle'] },
  'twin-motor': { title: 'twin motor', functions: [...AILERONS, 'elevator', 'rudder', 'throttle-left', 'throttle-right'] },
  'lift-and-cruise': {
    title: 'lift and cruise',
    functions: [...AILERONS, 'elevator', 'rudder', 'throttle', 'motor-1', 'motor-2', 'motor-3', 'motor-4'],
  },
  quad: { title: 'quad', functions: ['motor-1', 'motor-2', 'motor-3', 'motor-4'] },
  hexa: { title: 'hexa', functions: ['motor-1', 'motor-2', 'motor-3', 'motor-4', 'motor-5', 'motor-6'] },
} as const;

export type AirframeKind = keyof typeof KINDS;

/** One entry a kind. */
export const AIRFRAME_KINDS: Readonly<Record<AirframeKind, AirframeKindFacts>> = KINDS;

export function isAirframeKind(text: string): text is AirframeKind {
  return Object.hasOwn(KINDS, text);
}

/** All kinds, in the order of the table. */
export const airframeKinds: readonly AirframeKind[] = Object.keys(KINDS).filter(isAirframeKind);
