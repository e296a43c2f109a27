import { expect, it } from '@jest/globals';
import {
  applyEdit,
  asId,
  dialectKeyOf,
  newAircraft,
  ownDialectOf,
  sampleDialects,
  shipped,
  type AircraftId,
  type Design,
  type DialectId,
} from '@wired-falcon/core';
import { FollowedDesign } from './followedDesign.ts';

it('asks for the document again when an undo names a revision that it was never given', () => {
  const own = ownDialectOf(sampleDialects[0], asId<DialectId>('own'));
  const key = dialectKeyOf(own);
  const aircraft = newAircraft(asId<AircraftId>('a'), 'A');
  // The page knows both revisions; the copy was given the one in use.
  const page: Design = { ...shipped, dialects: new Map([...shipped.dialects, [key, own]]), aircraft: { ...aircraft, dialect: key } };
  const taken = applyEdit(page, { kind: 'set-dialect', dialect: aircraft.dialect, was: key });
  if ('refused' in taken) throw new Error(taken.refused.sentence);
  const copy = new FollowedDesign();
  copy.load(1, taken.design.aircraft, { parts: [], dialects: [] });
  const undo = { kind: 'undo', of: asId<never>('e') } as const;
  expect(copy.follow(2, undo, taken.inverse)).toBeUndefined();
  copy.load(2, taken.design.aircraft, { parts: [], dialects: [own] });
  expect(copy.follow(3, undo, taken.inverse)?.aircraft.dialect).toBe(key);
});
