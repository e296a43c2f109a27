import { describe, expect, it } from '@jest/globals';
import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { made, findingsBy, itemOf } from '../../test/designs.ts';
import { bench, FC, set, withDialect } from '../../test/checkCases/build.ts';
import { kept, read } from '../../test/checkCases/firmware.ts';
import { planned } from '../../test/checkCases/rc.ts';
import type { Design } from '../../model/design.ts';

const whats = (design: Design, check: string): readonly string[] => findingsBy(design, check).map(({ what }) => what);

describe('the target and the version', () => {
  const facts = (design: Design, value: object): Design => made(design, { kind: 'set-firmware-facts', value, was: {} });

  it.each<readonly [string, () => Design, readonly string[]]>([
    ['nothing is read or said', () => bench(FC).design, []],
    [
      'another target is planned',
      () => facts(bench(FC).design, { target: 'TEAL7' }),
      ['FC1 is board target PLOVER4, and TEAL7 is planned.'],
    ],
    [
      'another version was read',
      () => facts(read({ target: 'PLOVER4', version: '3.2' }), { version: '3.1' }),
      ['FC1 has firmware version 3.2, and 3.1 is planned.'],
    ],
    ['a version was read and none is planned', () => read({ version: '3.2' }), []],
    [
      'the board is unknown to the dialect',
      () => withDialect(bench(FC).design, { ...numbered, boards: {} }),
      ['Numbered ports does not know the board of FC1.'],
    ],
  ])('where %s', (_, design, wanted) => {
    expect(whats(design(), 'firmware.target')).toEqual(wanted);
  });
});

describe('calibration', () => {
  it('of which all is as delivered was not done; of which some is, was', () => {
    const names = ['GYRO.X.ZERO', 'GYRO.Y.ZERO'];
    expect(whats(read({ calibrations: 2, uncalibrated: names }), 'firmware.copied-calibration')).toEqual([
      'FC1 is not calibrated: all 2 calibration values are defaults.',
    ]);
    expect(whats(read({ calibrations: 3, uncalibrated: names }), 'firmware.copied-calibration')).toEqual([]);
    expect(whats(read({ calibrations: 0, uncalibrated: [] }), 'firmware.copied-calibration')).toEqual([]);
  });
});

describe('what the firmware does not take', () => {
  const refused = (design: Design): readonly string[] => whats(design, 'link.dialect-refuses');

  it('roles that do not go together', () => {
    const design = set(set(bench(FC).design, 'FC1', 'S2.protocol', 'sbus'), 'FC1', 'S3.protocol', 'crsf');
    expect(refused(withDialect(design, numbered))).toEqual([
      'FC1 S2 rc in and FC1 S3 are set to SBUS and CRSF, which Numbered ports does not allow together.',
    ]);
  });

  it('more links than it has', () => {
    const two = set(set(bench(FC).design, 'FC1', 'S1.protocol', 'mavlink-2'), 'FC1', 'S3.protocol', 'mavlink-2');
    expect(refused(withDialect(two, numbered))).toEqual([]);
    expect(refused(withDialect(two, roleTable))).toEqual(['FC1 S1 and FC1 S3 carry MAVLink: 2 ports, and Role table allows 1.']);
  });

  it('an action for which it has no code', () => {
    const design = withDialect(planned(), numbered);
    const lands = made(design, { kind: 'set-rc-choice', choice: 'onLoss', value: 'land', was: 'return' });
    expect(refused(lands).filter((what) => what.includes('code'))).toEqual([
      'FC1, action on loss of signal: Numbered ports has no code for lands in place.',
    ]);
  });
});

describe('a prerequisite that is off', () => {
  it('is said once for all lines that need it, and says how to turn it on', () => {
    const design = kept(set(bench(FC).design, 'FC1', 'S6.protocol', 'mavlink-2'), 'ports', 'SOFT.PORT *', 'SOFT.PORT 0');
    expect(whats(design, 'firmware.prerequisite')).toEqual([
      '"P5.ROLE 31" and one line more of FC1 need the software serial port, which is off.',
    ]);
  });
});

it('two controllers with one system id at one program are told apart', () => {
  const one = bench(FC, FC);
  one.add('computer-bench', 'laptop', {}, 'ground');
  one.wire('PC1 usb1', 'FC1 usb');
  one.wire('PC1 usb2', 'FC2 usb');
  expect(whats(one.design, 'mavlink.system-id')).toEqual([expect.stringContaining('FC1 and FC2 have the same system id, 1, for PC1')]);
  expect(whats(set(one.design, 'FC2', 'mavlink.system', 2), 'mavlink.system-id')).toEqual([]);
  expect(itemOf(one.design, 'FC2').ref).toBe('FC2');
});
