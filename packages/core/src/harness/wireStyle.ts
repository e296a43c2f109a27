import { CONNECTOR_FAMILIES, type Connector } from '../model/connector.ts';
import type { WireColour } from '../model/aircraft.ts';
import type { Pin, PinRole } from '../model/part.ts';
import { isSupply } from './joinVerdict.ts';

/** The colour scheme for new wires. Battery and 5 V supplies are red, every other supply orange. */
const COLOUR_OF_ROLE: Readonly<Partial<Record<PinRole, WireColour>>> = {
  gnd: 'black',
  tx: 'yellow',
  rx: 'green',
  sda: 'blue',
  scl: 'white',
  'can-h': 'yellow',
  'can-l': 'green',
  'pulse-out': 'white',
  'pulse-in': 'white',
  'video-out': 'brown',
  'video-in': 'brown',
};

/**
 * The colour of a new conductor, named after its A end. Serial pairs are coloured by the A side's role, so that both wires
 * of a pair differ however the pair is joined.
 */
export function colourFor(a: Pin, b: Pin, volts: number | undefined): WireColour {
  if (isSupply(a.role) || isSupply(b.role)) {
    const isFive = volts !== undefined && volts >= 4.5 && volts <= 6;
    const isBattery = [a.label, b.label].some((label) => label === 'BAT' || label === '+');
    return volts === undefined || isFive || isBattery ? 'red' : 'orange';
  }
  return COLOUR_OF_ROLE[a.role] ?? COLOUR_OF_ROLE[b.role] ?? 'grey';
}

/** The usual gauge between two connectors: that of the finer one. */
export function gaugeFor(a: Connector, b: Connector): number {
  return Math.max(CONNECTOR_FAMILIES[a.family].usualAwg, CONNECTOR_FAMILIES[b.family].usualAwg);
}
