import type { PartPort } from '../model/part.ts';
import type { RevisionMap } from './revisionMap.ts';

/** One row of a mapping: where the pins of `port` are in `there`. */
export function mapPort(port: PartPort, there: PartPort | undefined): RevisionMap['ports'][number] {
  const pins = there === undefined ? new Map<PartPort['pins'][number], PartPort['pins'][number]>() : matchPins(port.pins, there.pins);
  return { from: port.id, to: there?.id ?? null, pins: port.pins.map((pin) => ({ from: pin.n, to: pins.get(pin)?.n ?? null })) };
}

type Pin = PartPort['pins'][number];

function matchPins(from: readonly Pin[], to: readonly Pin[]): Map<Pin, Pin> {
  return matchBy(from, to, [
    (a, b) => a.n === b.n && a.label === b.label && a.role === b.role,
    (a, b) => a.label === b.label && a.role === b.role,
    (a, b) => a.n === b.n && a.role === b.role,
    (a, b) => a.role === b.role,
  ]);
}

/** Pairs each of `from` with one of `to`, by the first rule that finds one that is not taken, rule by rule. */
export function matchBy<T>(from: readonly T[], to: readonly T[], rules: readonly ((a: T, b: T) => boolean)[]): Map<T, T> {
  const pairs = new Map<T, T>();
  const taken = new Set<T>();
  for (const rule of rules) {
    for (const a of from) {
      if (pairs.has(a)) continue;
      const b = to.find((candidate) => !taken.has(candidate) && rule(a, candidate));
      if (b === undefined) continue;
      pairs.set(a, b);
      taken.add(b);
    }
  }
  return pairs;
}
