import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sampleParts } from '../../parts/catalogue.ts';
import { fromCatalogue } from './fromCatalogue.ts';
import { leadCapacitance } from './leadCapacitance.ts';
import { lcFilterAnswer } from './lcFilter.ts';
import { capacitorForDip, clampsFor } from './railConditioner.ts';
import { nextUp, valuesBetween } from './standardValues.ts';

describe('standard values', () => {
  it('are those of the series, decade by decade', () => {
    expect(valuesBetween('E6', 1, 10)).toEqual([1, 1.5, 2.2, 3.3, 4.7, 6.8, 10]);
    expect(valuesBetween('E24', 5, 7)).toEqual([5.1, 5.6, 6.2, 6.8]);
    expect(nextUp('E12', 1000)).toBe(1000);
    expect(nextUp('E12', 1001)).toBe(1200);
    expect(valuesBetween('E6', -1, 10)).toEqual([]);
  });
});

describe('a capacitor against a dip', () => {
  it('by hand: 3 A more for 0.2 ms, 1 A of it from the source, 30 mohm, 0.5 V allowed', () => {
    // (3 - 1) A * 0.2 ms / (0.5 V - 0.09 V) = 976 uF.
    const answer = capacitorForDip({ stepA: 3, stepS: 0.0002, sourceA: 1, esrOhm: 0.03, allowedV: 0.5 });
    expect(answer?.microfarad).toBe(1000);
    expect(answer?.dipV).toBeCloseTo(0.09 + 0.4, 9);
  });

  it('there is none where its own resistance takes it all', () => {
    expect(capacitorForDip({ stepA: 10, stepS: 0.001, sourceA: 0, esrOhm: 0.05, allowedV: 0.5 })).toBeUndefined();
  });

  it('keeps what is allowed, and the next smaller would not', () => {
    const range = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(range(0.5, 10), range(1e-5, 0.01), range(0.2, 1), (stepA, stepS, allowedV) => {
        const wish = { stepA, stepS, sourceA: 0, esrOhm: 0.001, allowedV };
        const answer = capacitorForDip(wish);
        if (answer === undefined) return;
        expect(answer.dipV).toBeLessThanOrEqual(allowedV * 1.000001);
        const smaller = valuesBetween('E6', answer.microfarad / 2, answer.microfarad * 0.99).at(-1);
        if (smaller !== undefined) expect(stepA * 0.001 + (stepA * stepS) / (smaller * 1e-6)).toBeGreaterThan(allowedV * 0.999);
      }),
    );
  });
});

describe('a clamp', () => {
  it('for a rail of 5.2 V that stands 6.5 V is 5.6 V, and nothing else', () => {
    const wish = { railV: 5.2, absoluteMaxV: 6.5, pushedA: 1, pushedS: 0.05, slopeOhm: 0.4, tolerance: 0.05 };
    const clamps = clampsFor(wish);
    expect(clamps.map(({ volts }) => volts)).toEqual([5.6]);
    expect(clamps[0]).toMatchObject({ fromV: expect.closeTo(5.32, 9), toV: expect.closeTo(6.28, 9) });
    expect(clamps[0]?.energyJ).toBeCloseTo(6.28 * 0.05, 9);
    expect(clampsFor({ ...wish, absoluteMaxV: 6 })).toEqual([]);
  });
});

describe('an LC filter', () => {
  const filter = { microhenry: 100, coilOhm: 0.08, microfarad: 470, esrOhm: 0.05 };
  const wish = { volts: 12, amps: 0.5, switchingHz: 24_000, motorHz: [500, 2000] as const };

  it('has its resonance at 1 / (2 pi sqrt(LC)) and drops I * R', () => {
    const answer = lcFilterAnswer(filter, wish);
    expect(answer.resonanceHz).toBeCloseTo(1 / (2 * Math.PI * Math.sqrt(100e-6 * 470e-6)), 6);
    expect(answer.dropV).toBeCloseTo(0.04, 9);
  });

  it('weakens far above its resonance by ESR over the impedance of the coil', () => {
    const { attenuationDb } = lcFilterAnswer(filter, { ...wish, switchingHz: 1_000_000 });
    expect(attenuationDb).toBeCloseTo(20 * Math.log10((2 * Math.PI * 1e6 * 100e-6) / 0.05), 1);
  });

  it('with losses small and no load, peaks by nearly its Q at its resonance', () => {
    const sharp = lcFilterAnswer({ ...filter, coilOhm: 0.01, esrOhm: 0.001 }, { ...wish, amps: 1e-6 });
    expect(sharp.peakDb).toBeCloseTo(20 * Math.log10(sharp.q), 0);
    expect(sharp.isHarmful).toBe(true);
    expect(lcFilterAnswer({ ...filter, coilOhm: 0.01, esrOhm: 0.001 }, { ...wish, motorHz: [3000, 9000] }).isHarmful).toBe(false);
  });
});

describe('the capacitance of a longer lead', () => {
  it('is 220 uF for each 100 mm, of standard values', () => {
    expect(leadCapacitance(0)).toEqual({ microfarad: 0, pieces: 0 });
    expect(leadCapacitance(100)).toEqual({ microfarad: 220, pieces: 1 });
    expect(leadCapacitance(300)).toEqual({ microfarad: 680, pieces: 1 });
    expect(leadCapacitance(600).pieces).toBe(2);
    expect(leadCapacitance(600).microfarad).toBeGreaterThanOrEqual(1320);
  });
});

describe('what the catalogue has of it', () => {
  const conditioner = sampleParts.find(({ id }) => id === 'conditioner-rail-5v6');
  if (conditioner === undefined) throw new Error('There is no conditioner.');

  it('is the clamp that was computed and no other one, and the next larger capacitor', () => {
    expect(fromCatalogue(conditioner, { clamp: 6.2, microfarad: 470 })).toMatchObject({ is: 'there', settings: { clamp: 6.2 } });
    const there = fromCatalogue(conditioner, { clamp: 5.6, microfarad: 471 });
    if (there.is !== 'there') throw new Error('It is there.');
    expect(Number(there.settings['microfarad'])).toBeGreaterThan(471);
  });

  it('is said where it is not there: a clamp that conducts for ever or never is no stand-in', () => {
    expect(fromCatalogue(conditioner, { clamp: 13, microfarad: 470 })).toEqual({ is: 'missing', settings: ['clamp'] });
    expect(fromCatalogue(conditioner, { clamp: 5.6, microfarad: 1e6 })).toEqual({ is: 'missing', settings: ['microfarad'] });
    fc.assert(
      fc.property(fc.double({ min: 3, max: 20, noNaN: true }), (clamp) => {
        const found = fromCatalogue(conditioner, { clamp, microfarad: 100 });
        return found.is === 'missing' || Math.abs(Number(found.settings['clamp']) - clamp) < 1e-3 * clamp;
      }),
    );
  });
});
