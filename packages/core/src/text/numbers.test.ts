import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { decimals, percent, quantity } from './numbers.ts';

describe('numbers in words', () => {
  it('have their digits, and a unit with one space before it', () => {
    expect(quantity(5.016, 'V', 2)).toBe('5.02 V');
    expect(quantity(1234.5, 'mm', 0)).toBe('1235 mm');
    expect(percent(0.1234)).toBe('12 %');
  });

  it('have no sign where they round to nought, and else the sign of the value', () => {
    expect([decimals(-0.004, 2), decimals(-0, 1), decimals(-0.006, 2)]).toEqual(['0.00', '0.0', '-0.01']);
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.integer({ min: 0, max: 4 }), (value, digits) => {
        const text = decimals(value, digits);
        expect(text.startsWith('-')).toBe(Number(text) < 0);
        expect(Math.abs(Number(text) - value)).toBeLessThanOrEqual(0.5000001 * 10 ** -digits);
      }),
    );
  });
});
