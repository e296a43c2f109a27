import { describe, expect, it } from '@jest/globals';
import { asId, findingsOf, judge, reedbed, type AircraftId, type CableId, type ItemId } from '@wired-falcon/core';
import { findingsAbout } from './findingsAbout.ts';

let count = 0;
const demo = reedbed(asId<AircraftId>('reedbed'), () => `t${++count}`);
const w08 = Object.values(demo.aircraft.cables).find(({ tag }) => tag === 'W08');

describe('findings in the margin', () => {
  const judged = judge(findingsOf(demo), demo.aircraft);
  const idOf = (ref: string) => Object.values(demo.aircraft.items).find((item) => item.ref === ref)?.id ?? asId<ItemId>('none');

  it('are those about what is selected', () => {
    expect(findingsAbout(judged, { is: 'nothing' })).toHaveLength(judged.length);
    expect(findingsAbout(judged, { is: 'item', item: idOf('RADIO1') }).map(({ finding }) => finding.check)).toEqual([
      'link.baud-mismatch',
      'link.air-mismatch',
      'link.bandwidth',
      'power.no-supply',
      'wire.back-powered',
    ]);
    expect(findingsAbout(judged, { is: 'cable', cable: w08?.id ?? asId<CableId>('none') }).map(({ finding }) => finding.check)).toEqual([
      'wire.servo-lead',
    ]);
  });
});
