import { Type } from '@sinclair/typebox';
import { burstAmps } from './burst.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';

/**
 * Connector families as cable goods. `solder-pad` is a row of solder pads. `contactMilliohm` is of one mated contact and
 * `contactA` what it carries for ever; `awg` is the thickest and the thinnest wire that the contact takes,
 * and `wires` how many go into one: a crimp holds one, a screw or the cup of a power plug two. All are sample values of the class.
 */
export const CONNECTOR_FAMILIES = {
  'locking-1.0': { title: '1.0 mm locking', pitchMm: 1, contactA: 1, contactMilliohm: 20, usualAwg: 28, awg: [28, 30], wires: 1 },
  'locking-1.25': { title: '1.25 mm locking', pitchMm: 1.25, contactA: 1, contactMilliohm: 20, usualAwg: 28, awg: [26, 30], wires: 1 },
  'locking-1.5': { title: '1.5 mm locking', pitchMm: 1.5, contactA: 1, contactMilliohm: 15, usualAwg: 28, awg: [26, 30], wires: 1 },
  'locking-2.0': { title: '2.0 mm locking', pitchMm: 2, contactA: 2, contactMilliohm: 10, usualAwg: 24, awg: [22, 28], wires: 1 },
  'pin-2.54': { title: '2.54 mm pins', pitchMm: 2.54, contactA: 3, contactMilliohm: 15, usualAwg: 26, awg: [20, 28], wires: 1 },
  'balance-2.5': { title: '2.5 mm balance', pitchMm: 2.5, contactA: 3, contactMilliohm: 10, usualAwg: 24, awg: [22, 28], wires: 1 },
  'screw-3.5': { title: '3.5 mm screw terminal', pitchMm: 3.5, contactA: 8, contactMilliohm: 5, usualAwg: 22, awg: [16, 26], wires: 2 },
  'solder-pad': { title: 'solder pads', pitchMm: 2.54, contactA: 5, contactMilliohm: 1, usualAwg: 26, awg: [18, 30], wires: 1 },
  'power-pad': { title: 'power pads', pitchMm: 6, contactA: 90, contactMilliohm: 0.2, usualAwg: 12, awg: [6, 20], wires: 1 },
  XT30: { title: 'XT30', pitchMm: 5, contactA: 20, contactMilliohm: 0.9, usualAwg: 16, awg: [14, 20], wires: 2 },
  XT60: { title: 'XT60', pitchMm: 7.2, contactA: 60, contactMilliohm: 0.6, usualAwg: 12, awg: [10, 16], wires: 2 },
  XT90: { title: 'XT90', pitchMm: 10.9, contactA: 90, contactMilliohm: 0.4, usualAwg: 10, awg: [10, 12], wires: 2 },
  'bullet-3.5': { title: '3.5 mm bullet', pitchMm: 10, contactA: 50, contactMilliohm: 0.5, usualAwg: 14, awg: [10, 18], wires: 1 },
  'bullet-6.0': { title: '6 mm bullet', pitchMm: 14, contactA: 120, contactMilliohm: 0.3, usualAwg: 10, awg: [8, 12], wires: 1 },
  'bullet-8.0': { title: '8 mm bullet', pitchMm: 18, contactA: 200, contactMilliohm: 0.2, usualAwg: 8, awg: [6, 10], wires: 1 },
  'banana-4.0': { title: '4 mm banana', pitchMm: 19, contactA: 16, contactMilliohm: 3, usualAwg: 16, awg: [14, 22], wires: 1 },
  'jack-3.5': { title: '3.5 mm jack', pitchMm: 3.5, contactA: 1, contactMilliohm: 30, usualAwg: 28, awg: [24, 30], wires: 1 },
  'USB-C': { title: 'USB-C', pitchMm: 0.5, contactA: 3, contactMilliohm: 30, usualAwg: 28, awg: [24, 30], wires: 1 },
  '8P8C': { title: '8P8C modular', pitchMm: 1, contactA: 1, contactMilliohm: 20, usualAwg: 26, awg: [24, 28], wires: 1 },
} as const;

export type ConnectorFamily = keyof typeof CONNECTOR_FAMILIES;

function isFamily(text: string): text is ConnectorFamily {
  return Object.hasOwn(CONNECTOR_FAMILIES, text);
}

/** The families that join two cables of a supply in the aircraft, and are made as plug and socket. */
export const POWER_PLUGS = ['XT30', 'XT60', 'XT90', 'bullet-3.5', 'bullet-6.0', 'bullet-8.0'] as const satisfies readonly ConnectorFamily[];

/** What a contact carries for a time, in amperes. */
export function contactAmps(family: ConnectorFamily, durationS: number): number {
  return burstAmps(CONNECTOR_FAMILIES[family].contactA, durationS);
}

/** All families, in the order of the table. */
export const connectorFamilies: readonly ConnectorFamily[] = Object.keys(CONNECTOR_FAMILIES).filter(isFamily);
export const GENDERS = ['plug', 'socket', 'pads', 'pins'] as const;
export type Gender = (typeof GENDERS)[number];

export const ConnectorSchema = Type.Object(
  {
    family: oneOf(connectorFamilies),
    positions: Type.Integer({ minimum: 1, maximum: 60 }),
    gender: oneOf(GENDERS),
  },
  { additionalProperties: false },
);
/** A connector as it is on a part or at the end of a cable. */
export type Connector = Shape<typeof ConnectorSchema>;

/** The connector that goes onto `connector`: a plug for a socket, a socket for pins, a soldered end for pads. */
export function mateOf(connector: Connector): Connector {
  switch (connector.gender) {
    case 'plug':
      return { ...connector, gender: 'socket' };
    case 'socket':
      return { ...connector, gender: 'plug' };
    case 'pins':
      return { ...connector, gender: 'socket' };
    case 'pads':
      return connector;
  }
}

/** True when the two go together with every position on its counterpart. */
export function connectorsMate(a: Connector, b: Connector): boolean {
  if (a.family !== b.family || a.positions !== b.positions) return false;
  const pair = [a.gender, b.gender].sort().join(' ');
  return pair === 'plug socket' || pair === 'pins socket' || pair === 'pads pads';
}

/**
 * True for a row of bare pins: a plug of fewer ways goes over some of them, and others beside it; nothing guides it. Every other connector
 * takes one plug, from its first contact on.
 */
export function isPinRow({ family, gender }: Connector): boolean {
  return family === 'pin-2.54' && gender === 'pins';
}

/** True when a plug goes onto a port, or onto some pins of a row. */
export function plugGoesOnto(plug: Connector, port: Connector): boolean {
  const some = isPinRow(port) && plug.positions < port.positions;
  return connectorsMate(plug, some ? { ...port, positions: plug.positions } : port);
}

/** How many wires one contact of a connector takes. A pad takes as many as find room on it. */
export function wiresPerContact({ family, gender }: Connector): number {
  return gender === 'pads' ? Infinity : CONNECTOR_FAMILIES[family].wires;
}

/** Pads are soldered to: they take several wires. Every other connector is filled by one plug. */
export function takesSeveralCables(connector: Connector): boolean {
  return connector.gender === 'pads';
}
