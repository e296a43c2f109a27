import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { against, current, currentAgainst, decimals, figure, percent, withPlainSpaces, quantity, range, size, stated } from './numbers.ts';
import { UNITS, type Unit } from './units.ts';

describe('numbers in words', () => {
  it('have the digits of their unit, and a space before it that marks what is read in other units', () => {
    expect(quantity(5.016, 'V')).toBe('5.02 V');
    expect(quantity(1234.5, 'mm')).toBe('1235\u00A0mm');
    expect([9, 45.23, 412.4, 4267.2].map((grams) => figure(grams, 'g'))).toEqual(['9.0', '45.2', '412', '4267']);
    expect([0.4, 0.84, 12.6].map((amps) => figure(amps, 'A'))).toEqual(['0.40', '0.84', '12.60']);
    expect([0.42, 12.34, 123.4].map((watts) => figure(watts, 'W'))).toEqual(['0.42', '12.3', '123']);
    expect([0.4, 9.6, 12.4].map((db) => figure(db, 'dB'))).toEqual(['0.4', '9.6', '12']);
    expect(percent(0.1234)).toBe('12 %');
  });

  it('are written as stated where somebody stated them', () => {
    expect([3.3, 5, 12.25, 5.1 * 3].map((volts) => withPlainSpaces(stated(volts, 'V')))).toEqual(['3.3 V', '5 V', '12.25 V', '15.3 V']);
  });

  it('have their unit once in a range and in a size, and small currents have mA', () => {
    expect(withPlainSpaces(range(470.4, 510, 'mm'))).toBe('470 to 510 mm');
    expect(withPlainSpaces(size([400, 90.2, 60], 'mm'))).toBe('400 x 90 x 60 mm');
    expect([0, 0.04, -0.04, 0.25, 2.5].map((amps) => withPlainSpaces(current(amps)))).toEqual([
      '0 mA',
      '40 mA',
      '-40 mA',
      '0.25 A',
      '2.50 A',
    ]);
  });

  it('are off by half of their last digit at most, whatever the unit', () => {
    const units = Object.keys(UNITS).filter((unit): unit is Unit => unit in UNITS);
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.double({ min: -1e5, max: 1e5, noNaN: true }), (unit, value) => {
        const places = UNITS[unit](value);
        expect(Number.isInteger(places) && places >= 0 && places <= 4).toBe(true);
        expect(Math.abs(Number(figure(value, unit)) - value)).toBeLessThanOrEqual(0.5000001 * 10 ** -places);
      }),
    );
  });

  it('beside their limit have digits enough to be told from it, and no more than the rule where they are anyway', () => {
    expect(against(20.004, 20, 'A')).toEqual({ value: '20.004 A', limit: '20.000 A' });
    expect(against(11.6, 12, 'dB')).toEqual({ value: '11.6 dB', limit: '12.0 dB' });
    expect(against(12.4, 20, 'dB')).toEqual({ value: '12 dB', limit: '20 dB' });
    expect(currentAgainst(0.0504, 0.05)).toEqual({ value: '0.0504 A', limit: '0.0500 A' });
    expect(currentAgainst(0.05, 2)).toEqual({ value: '50 mA', limit: '2.00 A' });
    const amps = fc.double({ min: 0.2, max: 500, noNaN: true });
    fc.assert(
      fc.property(amps, fc.double({ min: 1e-4, max: 0.1, noNaN: true }), (limit, over) => {
        const texts = against(limit * (1 + over), limit, 'A');
        expect(texts.value).not.toBe(texts.limit);
        expect(against(limit, limit, 'A').value).toBe(quantity(limit, 'A'));
      }),
    );
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
