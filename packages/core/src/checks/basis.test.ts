import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { basisOf, holdsFor } from './basis.ts';
import { CASES } from '../test/checkCases/cases.ts';
import { current, quantity, stated } from '../text/numbers.ts';
import { findingsApart } from './findingsOf.ts';
import { inWordsOfToday } from './renamedFacts.ts';

const found = (value: string, limit: string): string => basisOf('mend', [{ label: 'BEC1 out, climb', value, limit }]);
const before = (value: string, limit: string): string => `mend; BEC1 out, climb = ${value} = ${limit}`;

describe('what a waiver rests on', () => {
  it('is the severity and every fact, with ordinary spaces', () => {
    expect(found(quantity(5.016, 'V'), stated(5, 'V'))).toBe('4; mend; BEC1 out, climb = 5.02 V = 5 V');
  });

  it('holds to the letter where it is written as now', () => {
    expect(holdsFor(found(stated(5, 'V'), '6 V'), found(stated(5, 'V'), '6 V'))).toBe(true);
    expect(holdsFor(found(stated(5, 'V'), '6 V'), found(stated(5.25, 'V'), '6 V'))).toBe(false);
  });

  it('holds by its numbers where they were written otherwise before', () => {
    expect(holdsFor(before('5.0 V', '20 A'), found(stated(5, 'V'), quantity(20.3, 'A')))).toBe(true);
    expect(holdsFor(before('0.050 A', '140.3 W'), found(current(0.05), quantity(140.3, 'W')))).toBe(true);
    expect(holdsFor(before('5.3 V', '20 A'), found(stated(5, 'V'), quantity(20, 'A')))).toBe(false);
    expect(holdsFor(before('5.0 V', '20 A'), found(stated(5, 'V'), quantity(20.6, 'A')))).toBe(false);
    expect(holdsFor(before('5.0 V', '20 A').replace('BEC1', 'BEC2'), found(stated(5, 'V'), quantity(20, 'A')))).toBe(false);
    expect(holdsFor(before('5.0 V', '20 A').replace('mend', 'note'), found(stated(5, 'V'), quantity(20, 'A')))).toBe(false);
  });

  it('holds where only the words of a fact are others today, and not where the fact is', () => {
    const today = (label: string, value: string, limit?: string): string =>
      basisOf('mend', [limit === undefined ? { label, value } : { label, value, limit }]);
    const same: readonly (readonly [string, string])[] = [
      ['2; mend; lost in W03 = 0.40 V = ', today('dropped in W03', '0.40 V')],
      ['2; mend; lost on 300 mm = 0.40 V = 0.25 V', today('dropped over 300 mm', '0.40 V', '0.25 V')],
      ['2; mend; FC1 S1 pin 2 (TX) = drives 5 V = stands 3.6 V', today('FC1 S1 pin 2 (TX)', 'drives 5 V', 'withstands 3.6 V')],
      ['2; mend; TX of RX1 = not joined = RX of FC1', today('TX of RX1', 'not connected', 'RX of FC1')],
      ['2; mend; RADIO1 sends = 20 dBm = ', today('RADIO1 transmits', '20 dBm')],
      [
        '3; note; links = 2 = ; of items that are wired = 1 = ',
        basisOf('note', [
          { label: 'links not connected', value: '2' },
          { label: 'of them between wired items', value: '1' },
        ]),
      ],
      ['3; mend; CC1 computer, usb only = 4.1 V = 4.5 V', today('CC1 computer, USB only', '4.1 V', '4.5 V')],
      ['mend; boxes overlap by = 4 mm = 0 mm', today('overlap', '4 mm', '0 mm')],
    ];
    expect(same.filter(([was, now]) => !holdsFor(was, now))).toEqual([]);
    expect(holdsFor('2; mend; lost in W03 = 0.40 V = ', today('dropped in W04', '0.40 V'))).toBe(false);
    expect(holdsFor('2; mend; lost in W03 = 0.40 V = ', today('dropped in W03', '0.41 V'))).toBe(false);
  });

  it('changes none of the words of today', () => {
    const bases = Object.values(CASES).flatMap(({ wrong }) => findingsApart(wrong()).map(({ basis }) => basis));
    expect(bases.length).toBeGreaterThan(200);
    expect(bases.filter((basis) => inWordsOfToday(basis) !== basis)).toEqual([]);
  });

  it('holds for the same current however it was rounded before, and for none that is more than rounding away', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 200, noNaN: true }), fc.integer({ min: 1, max: 3 }), (amps, places) => {
        const was = before(`${amps.toFixed(places)} A`, '20.00 A');
        const halfStep = 0.5 * 10 ** -places;
        expect(holdsFor(was, found(current(amps), '20.00 A'))).toBe(true);
        expect(holdsFor(was, found(current(amps * 1.02 + 2 * halfStep + 0.01), '20.00 A'))).toBe(false);
      }),
    );
  });
});
