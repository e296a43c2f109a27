import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { basisOf, holdsFor } from './basis.ts';
import { current, quantity, stated } from '../text/numbers.ts';

const found = (value: string, limit: string): string => basisOf('mend', [{ label: 'BEC1 out, climb', value, limit }]);
const before = (value: string, limit: string): string => `mend; BEC1 out, climb = ${value} = ${limit}`;

describe('what a waiver rests on', () => {
  it('is the severity and every fact, with ordinary spaces', () => {
    expect(found(quantity(5.016, 'V'), stated(5, 'V'))).toBe('2; mend; BEC1 out, climb = 5.02 V = 5 V');
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
