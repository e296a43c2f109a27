import { endpointPins } from '../model/endpointPins.ts';
import type { Part, PinRole } from '../model/part.ts';
import { addressesOf } from './numbering.ts';
import { variantsOf } from './partProblems.ts';

/** Signals that mean nothing without something that speaks or hears. An analog pin may be for a person's own use. */
const WANT_AN_ENDPOINT: readonly PinRole[] = [
  'tx',
  'rx',
  'cts',
  'rts',
  'sda',
  'scl',
  'can-h',
  'can-l',
  'pulse-out',
  'pulse-in',
  'single-wire',
  'video-out',
  'video-in',
];

/**
 * Pins of a part that lead nowhere inside it, as sentences: a ground that no circuit reaches, a signal that no endpoint is on. Parts of
 * an older workshop may have such, and open all the same; who writes a part is told.
 */
export function looseEnds(part: Part): readonly string[] {
  const variants = variantsOf(part);
  const named = new Set(variants.flatMap(({ circuit }) => circuit.flatMap(addressesOf)));
  const spoken = new Set(variants.flatMap(({ endpoints }) => endpoints.flatMap(endpointPins)));
  const rolesOf = (port: string, n: number): readonly (PinRole | undefined)[] =>
    variants.map(({ ports }) => ports.find(({ id }) => id === port)?.pins.find((pin) => pin.n === n)?.role);
  return part.ports.flatMap(({ id, pins }) =>
    pins.flatMap(({ n, label }): string[] => {
      const address = `${id}.${n}`;
      if (named.has(address)) return [];
      const roles = rolesOf(id, n);
      if (roles.includes('gnd'))
        return [`The ground pin ${n} (${label}) of port "${id}" is not connected: no element of the circuit uses it.`];
      const wants = roles.some((role) => role !== undefined && WANT_AN_ENDPOINT.includes(role));
      return wants && !spoken.has(address) ? [`Pin ${n} (${label}) of port "${id}" carries no signal: no endpoint uses it.`] : [];
    }),
  );
}
