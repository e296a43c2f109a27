import fc from 'fast-check';
import { demoAircraft } from '../demo/demoAircraft.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds } from './designs.ts';
import { play } from './randomEdits/play.ts';
import { smallAircraft } from './smallAircraft.ts';

const bases: readonly (() => Design)[] = [
  ...Object.values(smallAircraft),
  ...demoAircraft.map(
    ({ id, build }) =>
      () =>
        build(asId<AircraftId>(id), countingIds()),
  ),
];

/** A few edits of any kind, each made on what is there. */
const mistakes = fc.array(fc.record({ kind: fc.nat(99), x: fc.nat(9999), y: fc.nat(9999), z: fc.nat(9999), isStale: fc.constant(false) }), {
  minLength: 1,
  maxLength: 8,
});

/** Whole aircraft, small ones and the demos in turn, each with one to eight random mistakes: the same for the same number. */
export function brokenAircraft(count: number, from = 0): readonly Design[] {
  const lists = fc.sample(mistakes, { numRuns: from + count, seed: 24 });
  return lists.slice(from).map((list, i) => play((bases[(from + i) % bases.length] ?? fail)(), list).end);
}

function fail(): never {
  throw new Error('There is no aircraft to begin with.');
}
