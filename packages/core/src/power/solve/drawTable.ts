import type { Circuit, Law, LimiterLaw } from './circuit.ts';
import { DOWN } from './deviceStates.ts';
import type { Equations } from './equations.ts';

/**
 * The laws of the devices without a current of their own, in flat arrays by device: each round asks each of them several times.
 * `first` and `second` are the figures of the law: ohm; amps and knee; watts and knee; amps per V2; volts and ohm.
 */
export interface DrawTable {
  readonly kinds: Uint8Array;
  readonly first: Float64Array;
  readonly second: Float64Array;
  /** The resistance of both leads of each device; Infinity when one is open. */
  readonly leadsOhm: Float64Array;
}

export const OPEN = 0;
export const RESISTANCE = 1;
const CONSTANT_CURRENT = 2;
export const CONSTANT_POWER = 3;
const SQUARE = 4;
const CLAMP = 5;

export function emptyDrawTable(devices: number): DrawTable {
  return {
    kinds: new Uint8Array(devices),
    first: new Float64Array(devices),
    second: new Float64Array(devices),
    leadsOhm: new Float64Array(devices),
  };
}

/** Writes the laws that hold at all draws and limiters; a limiter is one of two resistances by its state. */
export function fillDrawTable(
  table: DrawTable,
  { draws, leads: { resistorOf } }: Equations,
  { laws, ohms }: Circuit,
  states: Int8Array,
): void {
  const ohmOf = (resistor: number): number => (resistor < 0 ? 0 : (ohms[resistor] ?? 0));
  for (const i of draws) {
    const law = laws[i];
    if (law !== undefined) write(table, i, law, states[i] ?? 0);
    table.leadsOhm[i] = ohmOf(resistorOf[2 * i] ?? -1) + ohmOf(resistorOf[2 * i + 1] ?? -1);
  }
}

function write({ kinds, first, second }: DrawTable, i: number, law: Law, state: number): void {
  switch (law.is) {
    case 'limiter':
      kinds[i] = RESISTANCE;
      first[i] = limiterOhm(law, state);
      return;
    case 'resistance':
      kinds[i] = RESISTANCE;
      first[i] = law.ohm;
      return;
    case 'constant-current':
      kinds[i] = CONSTANT_CURRENT;
      first[i] = law.amps;
      second[i] = law.kneeV;
      return;
    case 'constant-power':
      kinds[i] = CONSTANT_POWER;
      first[i] = law.watts;
      second[i] = law.kneeV;
      return;
    case 'square':
      kinds[i] = SQUARE;
      first[i] = law.ampsPerV2;
      return;
    case 'clamp':
      kinds[i] = CLAMP;
      first[i] = law.volts;
      second[i] = law.ohm;
      return;
    case 'open':
    case 'supply':
    case 'sense':
    case 'diode':
    case 'through':
    case 'regulator':
    case 'selector':
      kinds[i] = OPEN;
  }
}

/** The resistance of a limiter as it is, or when it has tripped. */
export function limiterOhm(law: LimiterLaw, state: number): number {
  return state === DOWN ? law.trippedOhm : law.ohm;
}

/** The current that a device draws at a voltage, in amps. Below zero volts each behaves as its slope at zero does. */
export function drawnA({ kinds, first, second }: DrawTable, i: number, volts: number): number {
  const a = first[i] ?? 0;
  const b = second[i] ?? 0;
  switch (kinds[i]) {
    case RESISTANCE:
      return volts / a;
    case CONSTANT_CURRENT:
      return volts >= b ? a : (a * volts) / b;
    case CONSTANT_POWER:
      return volts >= b ? a / volts : (a * volts) / (b * b);
    case SQUARE:
      return volts > 0 ? a * volts * volts : 0;
    case CLAMP:
      return volts > a ? (volts - a) / b : 0;
    default:
      return 0;
  }
}

/** The slope of `drawnA`, in siemens. */
export function drawnS({ kinds, first, second }: DrawTable, i: number, volts: number): number {
  const a = first[i] ?? 0;
  const b = second[i] ?? 0;
  switch (kinds[i]) {
    case RESISTANCE:
      return 1 / a;
    case CONSTANT_CURRENT:
      return volts >= b ? 0 : a / b;
    case CONSTANT_POWER:
      return volts >= b ? -a / (volts * volts) : a / (b * b);
    case SQUARE:
      return volts > 0 ? 2 * a * volts : 0;
    case CLAMP:
      return volts > a ? 1 / b : 0;
    default:
      return 0;
  }
}

/** True for a law with a knee whose voltage is below it. */
export function isBelowKnee({ kinds, second }: DrawTable, i: number, volts: number): boolean {
  return (kinds[i] === CONSTANT_CURRENT || kinds[i] === CONSTANT_POWER) && volts < (second[i] ?? 0);
}
