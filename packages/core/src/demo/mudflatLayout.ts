import type { PointId } from '../model/frame.ts';
import { asId } from '../model/ids.ts';
import type { Bench, Spots } from './bench.ts';

const FORE_BULKHEAD = asId<PointId>('fore-bulkhead');

/**
 * Where everything sits in Mudflat: packs side by side in the nose, what drives the lift motors behind the wing. The antenna of the IP
 * radio is too near to the second one of the satellite receiver: a decision that is still open.
 */
export function mudflatLayout(bench: Bench): void {
  bench.layOut(2600, { massStationMm: 685, maxMassG: 7400, stallMs: 14, missionKm: 4 }, false);
  const bulkhead = bench.design.aircraft.airframe.frame?.points[FORE_BULKHEAD];
  if (bulkhead === undefined) throw new Error('The frame has no bulkhead before the wing.');
  bench.make({ kind: 'set-frame-point', id: FORE_BULKHEAD, point: { ...bulkhead, at: [500, 0, -40] }, was: bulkhead });
  const places: Spots = [
    ['PAY1', [150, 0, -20], 'nose'],
    ['BAT1', [420, -39, -40], 'nose'],
    ['BAT2', [420, 39, -40], 'nose'],
    ['PM1', [525, -40, -60], 'middle'],
    ['PM2', [525, 40, -60], 'middle'],
    ['PWR1', [580, -15, -70], 'middle'],
    ['PWR2', [580, 40, -70], 'middle'],
    ['FC1', [610, 0, 20], 'middle'],
    ['CC1', [265, 0, 40], 'nose'],
    ['BEC1', [668, 45, -60], 'middle'],
    ['BEC2', [335, 0, 40], 'nose'],
    ['BEC3', [668, -45, -60], 'middle'],
    ['PWR3', [730, -40, -60], 'middle'],
    ['GNSS1', [690, 0, 75], 'middle'],
    ['RX1', [225, 60, 60], 'nose'],
    ['SW1', [540, 60, 70], 'middle'],
    ['ESC1', [660, -50, -25], 'middle'],
    ['ESC2', [660, -50, -5], 'middle'],
    ['ESC3', [660, 50, -25], 'middle'],
    ['ESC4', [660, 50, -5], 'middle'],
    ['ESC5', [665, 0, -40], 'middle'],
    ['RADIO1', [890, 0, 45], 'rear'],
    ['RNG1', [900, 0, -70], 'rear'],
    ['MOT1', [1050, -460, 70]],
    ['MOT2', [135, -460, 70]],
    ['MOT3', [135, 460, 70]],
    ['MOT4', [1050, 460, 70]],
    ['MOT5', [1550, 0, 0]],
    ['SRV1', [640, -910, 70]],
    ['SRV2', [640, 910, 70]],
    ['SRV3', [1450, -50, 10]],
    ['SRV4', [1450, 50, 10]],
    ['ASPD1', [600, -700, 70]],
  ];
  bench.placeAll(places);
  bench.cutToWays();
}
