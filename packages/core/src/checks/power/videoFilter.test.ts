import { expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench, FC } from '../../test/checkCases/build.ts';
import { motorised } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, itemOf } from '../../test/designs.ts';

const CONTROLLER = 'motor-controller-40a-5v2a';
const MOTOR = 'motor-28mm-9x6';

/** A part for pictures straight on the pads of the pack, beside a motor. */
function besideMotor(part: string, port: string): Design {
  const one = motorised(CONTROLLER, MOTOR, 10);
  one.add(part, 'nose');
  one.wire('FC1 motor', port, 'meaning', 200);
  return one.design;
}

const said = (design: Design): readonly (readonly string[])[] =>
  findingsBy(design, 'power.video-filter').map(({ what, where }) => [what, ...where.map((at) => (at.is === 'item' ? at.item : at.is))]);

it.each([
  ['camera-analog-7-25v', 'CAM1 AV', 'CAM1'],
  ['video-transmitter-analog', 'VTX1 AV', 'VTX1'],
])('%s beside a motor is on its supply', (part, port, ref) => {
  const design = besideMotor(part, port);
  expect(said(design)).toEqual([[`${ref} shares the unfiltered supply of the motors (BAT1).`, itemOf(design, ref).id]]);
});

it('a digital picture does not take up the noise', () => {
  expect(said(besideMotor('video-air-unit-digital', 'VTX1 main'))).toEqual([]);
});

it('a motor controller and a regulator on the pack are no pictures', () => {
  expect(said(besideMotor('regulator-buck-5v-3a', 'BEC1 in'))).toEqual([]);
});

it('without a motor there is no noise', () => {
  const one = bench(FC, 'battery-lipo-4s-5000', 'camera-analog-7-25v');
  one.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  one.wire('FC1 motor', 'CAM1 AV', 'meaning', 200);
  expect(said(one.design)).toEqual([]);
});

it('behind a coil it is kept away, and behind a resistor of another kind of part it is not', () => {
  const behind = (filter: string, from: string, to: string): Design => {
    const one = motorised(CONTROLLER, MOTOR, 10);
    one.add(filter, 'video');
    one.add('camera-analog-7-25v', 'nose');
    one.wire('FC1 motor', from, 'meaning', 60);
    one.wire(to, 'CAM1 AV', 'meaning', 60);
    return one.design;
  };
  expect(said(behind('filter-lc-2a', 'FLT1 in', 'FLT1 out'))).toEqual([]);
  expect(said(behind('distribution-plain-bus', 'PWR1 battery', 'PWR1 b1'))).toHaveLength(1);
});
