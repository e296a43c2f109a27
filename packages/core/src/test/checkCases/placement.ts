import type { Bench } from '../../demo/bench.ts';
import type { Design } from '../../model/design.ts';
import type { Bay, BayId, FrameNumber, RouteId, Spot } from '../../model/frame.ts';
import type { Settings } from '../../model/resolvePart.ts';
import { emptyBench } from '../designs.ts';
import { asId } from '../../model/ids.ts';
import { bench, FC, powered, type CheckCases } from './build.ts';

/** A flying wing of 1.6 m with its pack in the nose, at a station. */
function wing(packMm: number, numbers: Readonly<Partial<Record<FrameNumber, number>>> = {}, ...more: readonly string[]): Bench {
  const one = bench('battery-lipo-4s-5000', ...more);
  one.layOut(1600, { massStationMm: 458, ...numbers });
  one.place('BAT1', [packMm, 0, 0], 'nose');
  return one;
}

/** The same with a controller in the middle and a receiver in the left wing, on a cable of a length. */
function withReceiver(lengthMm: number | undefined, comesApart: boolean, rootMm?: number): Design {
  const one = powered('gnss-serial');
  one.wire('GNSS1 UART', 'FC1 S4', 'meaning', lengthMm);
  one.layOut(1600, { massStationMm: 458 }, comesApart);
  one.place('BAT1', [200, 0, 0], 'nose');
  one.place('FC1', [420, 0, 0], 'middle');
  one.place('GNSS1', [400, -480, 0]);
  const frame = one.design.aircraft.airframe.frame;
  for (const [id, route] of Object.entries(frame?.routes ?? {})) {
    if (rootMm !== undefined && id.endsWith('left-root')) {
      one.make({ kind: 'set-route', id: asId<RouteId>(id), route: { ...route, diameterMm: rootMm }, was: route });
    }
  }
  return one.design;
}

/** A flying wing whose battery leads pass a compass at a spot. */
export function compassWing(at: Spot): Bench {
  const one = bench(FC, 'battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'motor-28mm-9x6', 'compass-i2c-fixed');
  one.wire('BAT1 main', 'FC1 battery');
  one.wire('FC1 motor', 'ESC1 power');
  one.wire('ESC1 motor', 'MOT1 phases', 'straight');
  one.wire('ESC1 signal', 'FC1 out1');
  one.assign('FC1', 'out1', 'throttle');
  one.wire('MAG1 I2C', 'FC1 I2C');
  one.layOut(1600, { massStationMm: 458 }, false);
  one.place('BAT1', [200, 0, 0], 'nose');
  one.place('FC1', [420, 0, 0], 'middle');
  one.place('ESC1', [560, 0, 0]);
  one.place('MOT1', [640, 0, 0]);
  one.place('MAG1', at);
  return one;
}

/** A flying wing with parts at spots, in the order of their references. */
export function carrying(
  parts: readonly (readonly [part: string, ref: string, at: Spot, settings?: Settings])[],
  numbers: Readonly<Partial<Record<FrameNumber, number>>> = {},
): Design {
  const one = emptyBench();
  for (const [part, , , settings] of parts) one.add(part, '', settings);
  one.layOut(1600, { massStationMm: 458, ...numbers }, false);
  for (const [, ref, at] of parts) one.place(ref, at);
  return one.design;
}

/** A controller with a computer on a regulator, in a bay that is open or closed. */
export function inBay(access: Bay['access']): Design {
  const one = powered('regulator-buck-boost-5v-4a', 'companion-small-5v');
  one.wire('BEC1 in', 'FC1 motor');
  one.wire('BEC1 out', 'CC1 header');
  one.layOut(1600, { massStationMm: 458 }, false);
  const middle = asId<BayId>('middle');
  const was = one.design.aircraft.airframe.frame?.bays[middle];
  if (was === undefined) throw new Error('There is no bay in the middle.');
  one.make({ kind: 'set-bay', id: middle, bay: { ...was, access }, was });
  one.place('BAT1', [200, 0, 0], 'nose');
  one.place('FC1', [380, 0, 0], 'middle');
  one.place('CC1', [460, 0, -30], 'middle');
  one.place('BEC1', [520, 0, 0], 'middle');
  return one.design;
}

export const SKY: Spot = [420, 0, 40];

/** A part in the middle, laid level with its nose forward and set to lie some way. */
function setToLie(part: string, ref: string, setting: string, value: string): Design {
  return carrying([[part, ref, SKY, { [setting]: value }]]);
}

export const placementCases: CheckCases = {
  'place.imu-orientation': {
    wrong: () => setToLie(FC, 'FC1', 'imu.turn', 'roll-180'),
    right: () => setToLie(FC, 'FC1', 'imu.turn', 'level'),
  },
  'place.compass-orientation': {
    wrong: () => setToLie('gnss-compass-i2c', 'GNSS1', 'compass.turn', 'yaw-90'),
    right: () => setToLie('gnss-compass-i2c', 'GNSS1', 'compass.turn', 'level'),
  },
  'place.gnss-near-transmitter': {
    wrong: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['radio-hopping-long-range', 'RADIO1', [420, 60, 0]],
      ]),
    right: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['radio-hopping-long-range', 'RADIO1', [420, 500, 0]],
      ]),
  },
  'place.gnss-near-emitter': {
    wrong: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['companion-small-5v', 'CC1', [420, 0, 0]],
      ]),
    right: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['companion-small-5v', 'CC1', [160, 0, 0]],
      ]),
  },
  'place.antenna-separation': {
    wrong: () =>
      carrying([
        ['receiver-sbus-16', 'RX1', [420, 0, 40]],
        ['radio-hopping-long-range', 'RADIO1', [420, 60, 0]],
      ]),
    right: () =>
      carrying([
        ['receiver-sbus-16', 'RX1', [420, -200, 40]],
        ['radio-hopping-long-range', 'RADIO1', [420, 500, 0]],
      ]),
  },
  'place.rf-product': {
    wrong: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['modem-cellular', 'RADIO1', [420, 500, 0]],
      ]),
    right: () =>
      carrying([
        ['gnss-serial', 'GNSS1', SKY],
        ['radio-900-class', 'RADIO1', [420, 500, 0]],
      ]),
  },
  'place.range': {
    wrong: () => carrying([['receiver-sbus-16', 'RX1', SKY]], { missionKm: 6 }),
    right: () => carrying([['receiver-sbus-16', 'RX1', SKY]], { missionKm: 1 }),
  },
  'place.usb-access': { wrong: () => inBay('closed'), right: () => inBay('open') },
  'place.cooling': { wrong: () => inBay('closed'), right: () => inBay('open') },
  'place.pitot': {
    wrong: () => carrying([['airspeed-i2c-2k5', 'ASPD1', [330, 300, 0]]]),
    right: () => carrying([['airspeed-i2c-2k5', 'ASPD1', [330, 300, 0], { 'pitot.station': -200 }]]),
  },
  'place.airspeed-range': {
    wrong: () => carrying([['airspeed-i2c-500pa', 'ASPD1', [100, 300, 0]]], { neverExceedMs: 40 }),
    right: () => carrying([['airspeed-i2c-2k5', 'ASPD1', [100, 300, 0]]], { neverExceedMs: 40 }),
  },
  'place.heading-baseline': {
    wrong: () => carrying([['gnss-dual-antenna', 'GNSS1', SKY, { 'a2.butt': 100 }]]),
    right: () => carrying([['gnss-dual-antenna', 'GNSS1', SKY, { 'a1.butt': -300, 'a2.butt': 300 }]]),
  },
  'place.compass-field': { wrong: () => compassWing([310, 25, 25]).design, right: () => compassWing([310, 300, 20]).design },
  'place.cg': { wrong: () => wing(120).design, right: () => wing(220).design },
  'place.mass': { wrong: () => wing(220, { maxMassG: 1000 }).design, right: () => wing(220).design },
  'place.not-placed': {
    wrong: () => wing(220, {}, FC).design,
    right: () => {
      const one = wing(220, {}, FC);
      one.place('FC1', [420, 0, 0], 'middle');
      return one.design;
    },
  },
  'place.bay-overflow': { wrong: () => wing(60).design, right: () => wing(200).design },
  'place.outside': {
    wrong: () => {
      const one = wing(220, {}, 'servo-20g-standard');
      one.place('SRV1', [400, 1200, 0]);
      return one.design;
    },
    right: () => {
      const one = wing(220, {}, 'servo-20g-standard');
      one.place('SRV1', [400, 480, 0]);
      return one.design;
    },
  },
  'place.cable-too-short': { wrong: () => withReceiver(150, false), right: () => withReceiver(900, false) },
  'place.joint-unbroken': { wrong: () => withReceiver(undefined, true), right: () => withReceiver(undefined, false) },
  'place.route-full': { wrong: () => withReceiver(undefined, false, 2), right: () => withReceiver(undefined, false) },
};
