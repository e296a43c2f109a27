import { CONNECTOR_FAMILIES, type Connector } from '../model/connector.ts';
import type { ColourScheme, WireColour } from '../model/aircraft.ts';
import type { Pin, PinRole } from '../model/part.ts';
import { isSupply } from './joinVerdict.ts';

type Scheme = Readonly<Partial<Record<PinRole, WireColour>>>;

/** By what a signal is: the pair of a link, the two wires of a bus, pulses, pictures. */
const BY_SIGNAL: Scheme = {
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

/** For workshops with few colours: every signal of a pair in white and grey. */
const FEW_COLOURS: Scheme = {
  gnd: 'black',
  tx: 'white',
  rx: 'grey',
  sda: 'white',
  scl: 'grey',
  'can-h': 'white',
  'can-l': 'grey',
  'pulse-out': 'white',
  'pulse-in': 'white',
  'video-out': 'white',
  'video-in': 'white',
};

/** Brown ground and orange signal, as many servo leads have it. */
const SERVO_STYLE: Scheme = {
  ...BY_SIGNAL,
  gnd: 'brown',
  'pulse-out': 'orange',
  'pulse-in': 'orange',
  'video-out': 'yellow',
  'video-in': 'yellow',
};

const COLOUR_OF: Readonly<Record<ColourScheme, Scheme>> = {
  'by-signal': BY_SIGNAL,
  'few-colours': FEW_COLOURS,
  'servo-style': SERVO_STYLE,
};

/**
 * The colour of a new conductor, named after its A end. Serial pairs are coloured by the A side's role, so that both wires
 * of a pair differ however the pair is joined. Battery and 5 V supplies are red, every other supply orange.
 */
export function colourFor(a: Pin, b: Pin, volts: number | undefined, scheme: ColourScheme = 'by-signal'): WireColour {
  if (isSupply(a.role) || isSupply(b.role)) {
    const isFive = volts !== undefined && volts >= 4.5 && volts <= 6;
    const isBattery = [a.label, b.label].some((label) => label === 'BAT' || label === '+');
    return volts === undefined || isFive || isBattery ? 'red' : 'orange';
  }
  const colours = COLOUR_OF[scheme];
  return colours[a.role] ?? colours[b.role] ?? 'grey';
}

/**
 * The gauge of a new wire between two connectors: the usual one of the finer, kept within what both contacts take. Where no
 * wire fits both, the finer contact decides, since it is the one that cannot be filled.
 */
export function gaugeFor(a: Connector, b: Connector): number {
  const [first, second] = [CONNECTOR_FAMILIES[a.family], CONNECTOR_FAMILIES[b.family]];
  const usual = Math.max(first.usualAwg, second.usualAwg);
  const [thickest, thinnest] = [Math.max(first.awg[0], second.awg[0]), Math.min(first.awg[1], second.awg[1])];
  return thickest > thinnest ? Math.max(first.awg[0], second.awg[0]) : Math.min(Math.max(usual, thickest), thinnest);
}

/** True when the contacts of a connector take wires of this gauge. */
export function contactTakes(connector: Connector, awg: number): boolean {
  const [thickest, thinnest] = CONNECTOR_FAMILIES[connector.family].awg;
  return awg >= thickest && awg <= thinnest;
}
