import { expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { cableOf, findingsBy, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

/** Two motor controllers far from their pack. */
function farTwins(): Design {
  const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus', 'motor-controller-40a-5v2a', 'motor-controller-40a-5v2a');
  one.wire('BAT1 main', 'PWR1 battery', 'straight', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'straight', 700);
  one.wire('PWR1 b2', 'ESC2 power', 'straight', 700);
  return one.design;
}

/** The motor controllers that are too far away. */
const far = (design: Design): readonly string[] => findingsBy(design, 'power.long-battery-lead').map(({ what }) => what.slice(0, 4));

/** The design with the first remedy of the first of them. */
function mended(design: Design): Design {
  const [remedy] = findingsBy(design, 'power.long-battery-lead').flatMap((finding) => remediesOf(design, finding));
  if (remedy === undefined) throw new Error('There is no remedy.');
  return made(design, remedy.edit);
}

it('a capacitor quiets the motor controller that it is at, and not another at the end of a lead of its own', () => {
  const one = farTwins();
  const two = mended(one);
  expect([far(one), far(two), far(mended(two))]).toEqual([['ESC1', 'ESC2'], ['ESC2'], []]);
});

it('the nearest pack counts, by the shortest way to it', () => {
  const two = (near: number, way: number): Design => {
    const one = bench('battery-lipo-4s-5000', 'battery-lipo-4s-5000', 'distribution-plain-bus', 'motor-controller-40a-5v2a');
    one.wire('BAT1 main', 'PWR1 battery', 'straight', 900);
    one.wire('BAT2 main', 'PWR1 b2', 'straight', near);
    one.wire('PWR1 b1', 'ESC1 power', 'straight', way);
    return one.design;
  };
  expect(far(two(100, 100))).toEqual([]);
  const [finding] = findingsBy(two(400, 100), 'power.long-battery-lead');
  expect(finding?.what).toBe('ESC1 has 500 mm of wire to its pack, 300 mm more than it is supplied with.');
});

it('200 mm more than it comes with need no capacitor', () => {
  const at = (mm: number): Design => {
    const one = bench('battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'distribution-plain-bus');
    one.wire('BAT1 main', 'PWR1 battery', 'straight', 100);
    one.wire('PWR1 b1', 'ESC1 power', 'straight', mm - 100);
    return one.design;
  };
  expect(far(at(400))).toEqual([]);
  expect(far(at(401))).toEqual(['ESC1']);
});

it('asks for what is missing beside the capacitor that is there', () => {
  const one = bench('battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'distribution-plain-bus');
  one.wire('BAT1 main', 'PWR1 battery', 'straight', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'straight', 600);
  const fitted = mended(one.design);
  expect(far(fitted)).toEqual([]);
  const { id, legs } = cableOf(fitted, 'W02');
  const [leg] = Object.values(legs);
  if (leg === undefined) throw new Error('W02 has no leg.');
  const longer = made(fitted, { kind: 'set-leg-length', cable: id, leg: leg.id, lengthMm: 1300, was: 600 });
  const [finding] = findingsBy(longer, 'power.long-battery-lead');
  // 1200 mm more than delivered: 2640 uF in three pieces, so 3 x 1000 uF, and 1500 uF are there.
  expect(finding?.evidence[1]).toEqual({ label: 'capacitance at the controller', value: '1500 uF', limit: '3000 uF' });
  expect(finding === undefined ? [] : remediesOf(longer, finding).map(({ label }) => label)).toEqual([
    expect.stringMatching(/^Add 1500.uF$/),
  ]);
  expect(far(mended(longer))).toEqual([]);
});
