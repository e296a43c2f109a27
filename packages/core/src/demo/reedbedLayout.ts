import type { Bench, Spots } from './bench.ts';

/** Where everything sits in Reedbed: a pod in the middle of the wing, the pack in its nose. */
export function reedbedLayout(bench: Bench): void {
  bench.layOut(1600, { massStationMm: 440, stallMs: 10, missionKm: 2 }, false);
  const places: Spots = [
    ['BAT1', [215, 0, -25], 'nose'],
    ['CAM1', [70, 0, 0], 'nose'],
    ['VTX2', [90, 0, 30], 'nose'],
    ['RX1', [230, 60, 30], 'nose'],
    ['RADIO1', [240, -60, 30], 'nose'],
    ['FC1', [340, 0, 20], 'middle'],
    ['CC1', [370, 0, -30], 'middle'],
    ['BEC1', [430, 55, -10], 'middle'],
    ['RNG1', [450, -60, -30], 'middle'],
    ['ESC1', [345, 65, -10], 'middle'],
    ['BZ1', [500, 70, 30], 'middle'],
    ['VTX1', [500, -60, 30], 'middle'],
    ['MOT1', [600, 0, 0]],
    ['SRV1', [480, -480, 0]],
    ['SRV2', [480, 480, 0]],
    ['ASPD1', [250, 300, 0]],
    ['MAG1', [420, -350, 0]],
    ['MAG2', [420, 350, 0]],
    ['LED1', [400, 0, -54]],
  ];
  bench.placeAll(places);
  bench.cutToWays();
}
