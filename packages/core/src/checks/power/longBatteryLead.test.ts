import { describe, expect, it } from '@jest/globals';
import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { countingIds, findingsBy } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

/** Two motor controllers far from their pack. */
function farTwins(): Design {
  const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus', 'motor-controller-40a-5v2a', 'motor-controller-40a-5v2a');
  one.wire('BAT1 main', 'PWR1 battery', 'straight', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'straight', 700);
  one.wire('PWR1 b2', 'ESC2 power', 'straight', 700);
  return one.design;
}

const far = (design: Design) => findingsBy(design, 'power.long-battery-lead');

describe('a capacitor at a motor controller', () => {
  it('quiets that one and not another at the end of a lead of its own', () => {
    const before = farTwins();
    expect(far(before).map(({ what }) => what.slice(0, 4))).toEqual(['ESC1', 'ESC2']);
    const [first] = far(before);
    const [remedy] = first === undefined ? [] : remediesOf(before, first);
    if (remedy === undefined) throw new Error('There is no remedy.');
    const result = applyEdit(before, withFreshIds(remedy.edit, countingIds('mended')));
    if ('refused' in result) throw new Error(result.refused.sentence);
    expect(far(result.design).map(({ what }) => what.slice(0, 4))).toEqual(['ESC2']);
    const [second] = far(result.design);
    const [other] = second === undefined ? [] : remediesOf(result.design, second);
    if (other === undefined) throw new Error('There is no second remedy.');
    const both = applyEdit(result.design, withFreshIds(other.edit, countingIds('both')));
    expect('refused' in both ? both.refused.sentence : far(both.design)).toEqual([]);
  });
});
