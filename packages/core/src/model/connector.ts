import { Type } from '@sinclair/typebox';
import type { Shape } from './shape.ts';

/**
 * Connector families as cable goods. `pads` is a row of solder pads. `contactMilliohm` is of one mated contact and
 * `contactA` what it carries for ever; both are sample values of the class.
 */
export const CONNECTOR_FAMILIES = {
  'locking-1.25': { title: '1.25 mm locking', pitchMm: 1.25, contactA: 1, contactMilliohm: 20, usualAwg: 28 },
  'pin-2.54': { title: '2.54 mm pins', pitchMm: 2.54, contactA: 3, contactMilliohm: 15, usualAwg: 26 },
  'solder-pad': { title: 'solder pads', pitchMm: 2.54, contactA: 5, contactMilliohm: 1, usualAwg: 26 },
  'power-pad': { title: 'power pads', pitchMm: 6, contactA: 90, contactMilliohm: 0.2, usualAwg: 12 },
  XT60: { title: 'XT60', pitchMm: 7.2, contactA: 60, contactMilliohm: 0.6, usualAwg: 12 },
  'USB-C': { title: 'USB-C', pitchMm: 0.5, contactA: 3, contactMilliohm: 30, usualAwg: 28 },
  'bullet-3.5': { title: '3.5 mm bullet', pitchMm: 10, contactA: 50, contactMilliohm: 0.5, usualAwg: 14 },
} as const;

export type ConnectorFamily = keyof typeof CONNECTOR_FAMILIES;

export const ConnectorSchema = Type.Object(
  {
    family: Type.Union([
      Type.Literal('locking-1.25'),
      Type.Literal('pin-2.54'),
      Type.Literal('solder-pad'),
      Type.Literal('power-pad'),
      Type.Literal('XT60'),
      Type.Literal('USB-C'),
      Type.Literal('bullet-3.5'),
    ]),
    positions: Type.Integer({ minimum: 1, maximum: 60 }),
    gender: Type.Union([Type.Literal('plug'), Type.Literal('socket'), Type.Literal('pads'), Type.Literal('pins')]),
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

/** Pads are soldered to: they take several wires. Every other connector is filled by one plug. */
export function takesSeveralCables(connector: Connector): boolean {
  return connector.gender === 'pads';
}
