import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { coordinates, withPlainSpaces, quantity, range, size, stated } from './numbers.ts';
import { factorIn, figureIn, inUnits, unitIn } from './readersUnits.ts';
import { IMPERIAL, UNITS, type Unit } from './units.ts';

const read = (text: string): string => inUnits(text, 'imperial');

describe('the units of the reader', () => {
  it('are inches, feet, nautical miles, ounces and knots, by their definitions', () => {
    expect(read(quantity(254, 'mm'))).toBe('10.00 in');
    expect(read(quantity(3.048, 'm'))).toBe('10.0 ft');
    expect(read(quantity(18.52, 'km'))).toBe('10.0 NM');
    expect(read(quantity(2835, 'g'))).toBe('100.0 oz');
    expect(read(stated(18, 'm/s'))).toBe('35.0 kt');
    expect(read(quantity(6451.6, 'cm2'))).toBe('1000 in2');
    // One pound is 0.45359237 kg, one foot is 0.3048 m.
    expect(factorIn('kg m2', 'imperial')).toBeCloseTo(1 / (0.45359237 * 0.3048 ** 2), 9);
    expect(factorIn('kg m', 'imperial')).toBeCloseTo(1 / (0.45359237 * 0.0254), 9);
  });

  it('stand in ranges and sizes and in the midst of a sentence', () => {
    expect(read(range(254, 508, 'mm'))).toBe('10.00 to 20.00 in');
    expect(read(coordinates([254, -127, 0], 'mm'))).toBe('10.00, -5.00, 0.00 in');
    expect(read(size([254, 127, 25.4], 'mm'))).toBe('10.00 x 5.00 x 0.98 in');
    expect(read(`GNSS1 is ${quantity(34, 'mm')} from RADIO1, 12 mm by its label, at ${stated(5, 'V')}.`)).toBe(
      'GNSS1 is 1.34 in from RADIO1, 12 mm by its label, at 5 V.',
    );
    expect(read(`moves ${quantity(-254, 'mm')}`)).toBe('moves -10.00 in');
  });

  it('leave alone what is read alike in both, and every text in metric', () => {
    const text = `${quantity(5.02, 'V')} ${quantity(12, 'mA')} ${quantity(3, 'min')} ${quantity(2, 'minutes')} ${quantity(12, 'ms')}`;
    expect(inUnits(text, 'imperial')).toBe(text);
    fc.assert(fc.property(fc.string(), (any) => expect(inUnits(any, 'metric')).toBe(withPlainSpaces(any))));
    fc.assert(fc.property(fc.string(), (any) => expect(inUnits(withPlainSpaces(any), 'imperial')).toBe(withPlainSpaces(any))));
  });

  it('give a value that is the metric one within what both round away', () => {
    const units = Object.keys(IMPERIAL).filter((unit): unit is keyof typeof IMPERIAL => unit in IMPERIAL);
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.double({ min: -1e5, max: 1e5, noNaN: true }), (unit, value) => {
        const said = /^(-?[\d.]+) (.+)$/.exec(read(quantity(value, unit)));
        const { per, places } = IMPERIAL[unit];
        expect(said?.[2]).toBe(unitIn(unit, 'imperial'));
        const rounding = 0.51 * (10 ** -UNITS[unit](value) * per + 10 ** -places(value * per));
        expect(Math.abs(Number(said?.[1]) - value * per)).toBeLessThanOrEqual(rounding);
        expect(figureIn(value, unit, 'metric')).toBe(withPlainSpaces(quantity(value, unit)).split(' ')[0]);
      }),
    );
  });

  it('are named for every unit', () => {
    const all = Object.keys(UNITS).filter((unit): unit is Unit => unit in UNITS);
    expect(all.map((unit) => unitIn(unit, 'metric'))).toEqual(all);
    expect(unitIn('V', 'imperial')).toBe('V');
    expect(factorIn('mm', 'metric')).toBe(1);
  });
});
