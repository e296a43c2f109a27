import { expect, it } from '@jest/globals';
import { powered } from '../../test/checkCases/build.ts';
import { findingsBy } from '../../test/designs.ts';

it('a regulator that nothing feeds drives no rail: two on one are told once both are fed', () => {
  const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
  one.wire('ESC1 signal', 'FC1 out1');
  one.wire('BEC1 out', 'FC1 out2', 'straight');
  expect(findingsBy(one.design, 'power.parallel-regulators')).toEqual([]);
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
  expect(findingsBy(one.design, 'power.parallel-regulators')).toEqual([]);
  one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
  expect(findingsBy(one.design, 'power.parallel-regulators').map(({ severity, what }) => [severity, what])).toEqual([
    ['stop', 'BEC1 and ESC1 drive one rail with no diode or selector between them.'],
  ]);
});
