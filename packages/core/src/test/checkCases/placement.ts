import type { Bench } from '../../demo/bench.ts';
import type { Design } from '../../model/design.ts';
import type { FrameNumber, RouteId, Spot } from '../../model/frame.ts';
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

export const placementCases: CheckCases = {
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
