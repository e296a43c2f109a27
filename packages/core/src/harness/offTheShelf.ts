import type { PortLeg } from '../graph/cableJoins.ts';
import { CONNECTOR_FAMILIES } from '../model/connector.ts';

/**
 * What can be bought instead of made: a cable with equal plugs whose every position goes straight through.
 * @returns undefined when the cable is soldered, or its pin map is its own
 */
export function offTheShelf({ endA, endB, conductors }: PortLeg): string | undefined {
  const [a, b] = [endA.connector, endB.connector];
  if (a.gender === 'pads' || b.gender === 'pads' || a.family !== b.family || a.positions !== b.positions) return undefined;
  const isStraight = conductors.length === a.positions && conductors.every((conductor) => conductor.a.n === conductor.b.n);
  if (!isStraight) return undefined;
  if (a.family === 'pin-2.54' && a.positions === 3) return 'a servo lead or extension';
  return `a straight ${a.positions}-way cable, ${CONNECTOR_FAMILIES[a.family].title}`;
}
