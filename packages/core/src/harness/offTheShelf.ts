import type { PortLeg } from '../graph/cableJoins.ts';
import { CONNECTOR_FAMILIES } from '../model/connector.ts';

/**
 * What can be bought instead of made: a cable with equal plugs whose every position goes straight through.
 * @returns undefined when the cable is soldered, or its pin map is its own
 */
export function offTheShelf({ endA, endB, conductors }: PortLeg): string | undefined {
  const [a, b] = [endA.connector, endB.connector];
  if (a.gender === 'pads' || b.gender === 'pads' || a.family !== b.family || a.positions !== b.positions) return undefined;
  if (conductors.length !== a.positions || !isStraightThrough({ endA, endB, conductors })) return undefined;
  if (a.family === 'pin-2.54' && a.positions === 3) return 'a servo lead or extension';
  return `a straight ${a.positions}-way cable, ${CONNECTOR_FAMILIES[a.family].title}`;
}

/**
 * True where every wire goes to the same position at both ends. A plug on pins of 2.54 mm has no key: the other way round it is the same
 * cable, and a board that counts its pins from the other side swaps nothing.
 */
export function isStraightThrough({ endA, endB, conductors }: Pick<PortLeg, 'endA' | 'endB' | 'conductors'>): boolean {
  const [a, b] = [endA.connector, endB.connector];
  const turns = a.family === 'pin-2.54' && b.family === 'pin-2.54' && a.positions === b.positions;
  return (
    conductors.every((conductor) => conductor.a.n === conductor.b.n) ||
    (turns && conductors.every((conductor) => conductor.a.n + conductor.b.n === a.positions + 1))
  );
}
