import { asId, graphOf, plainCable, reedbed, type AircraftId, type Design } from '@wired-falcon/core';

let count = 0;
/** Ids that are not given out twice in a test. */
export const testId = (): string => `t${++count}`;

export const demo = reedbed(asId<AircraftId>('reedbed'), testId);

/** A cable with two ends, by its tag. */
export function cableOf(design: Design, tag: string) {
  const cable = Object.values(design.aircraft.cables).find((candidate) => candidate.tag === tag);
  const plain = cable === undefined ? undefined : plainCable(graphOf(design), cable);
  if (plain === undefined) throw new Error(`There is no plain ${tag}.`);
  return plain;
}
