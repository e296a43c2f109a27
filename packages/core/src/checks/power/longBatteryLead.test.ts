import { expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { findingsBy, made } from '../../test/designs.ts';
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
