import type { BayId, FramePoint, PointId, Route, RouteId, Spot } from '../model/frame.ts';
import { asId } from '../model/ids.ts';
import type { Bench, Spots } from './bench.ts';

/** Where everything sits in Saltmarsh: a pod under a wing that stays on, the tail on two booms beside the propeller. */
export function saltmarshLayout(bench: Bench): void {
  bench.layOut(
    2200,
    {
      bodyLengthMm: 800,
      propStationMm: 820,
      tailSpanMm: 520,
      massG: 1650,
      massStationMm: 640,
      maxMassG: 4800,
      stallMs: 13,
      missionKm: 8,
    },
    false,
  );
  pod(bench);
  booms(bench);
  const places: Spots = [
    ['BAT1', [335, 0, -43], 'nose'],
    ['BAT2', [350, 0, 5], 'nose'],
    ['CAM1', [150, 0, 0], 'nose'],
    ['RADIO1', [390, 0, 50], 'nose'],
    ['PM1', [465, -20, -50], 'middle'],
    ['PWR1', [570, -20, -62], 'middle'],
    ['BEC3', [455, 35, -40], 'middle'],
    ['PWR3', [500, 40, -15], 'middle'],
    ['BEC1', [600, 40, -50], 'middle', 90],
    ['PWR2', [570, 45, -10], 'middle'],
    ['BEC2', [480, -50, 10], 'middle'],
    ['CC1', [475, 0, 50], 'middle'],
    ['FC1', [560, 0, 20], 'middle'],
    ['RX1', [620, 50, 40], 'middle'],
    ['SW1', [600, 0, 60], 'middle'],
    ['BZ1', [620, -50, 40], 'middle'],
    ['ESC1', [695, 0, -20], 'rear'],
    ['MOT1', [775, 0, 0]],
    ['SRV1', [560, -620, 55]],
    ['SRV2', [560, 620, 55]],
    ['SRV3', [580, -270, 55]],
    ['SRV4', [580, 270, 55]],
    ['SRV5', [1180, -150, 70]],
    ['SRV6', [1180, 150, 70]],
    ['GNSS1', [760, -175, 75]],
    ['ASPD1', [470, -400, 60]],
  ];
  bench.placeAll(places);
}

function pod(bench: Bench): void {
  const bays = [
    ['middle', [535, 0, 0], [230, 135, 145]],
    ['rear', [705, 0, 0], [110, 135, 145]],
  ] as const;
  const frame = bench.design.aircraft.airframe.frame;
  for (const [id, at, sizeMm] of bays) {
    const was = frame?.bays[asId<BayId>(id)];
    if (was !== undefined) bench.make({ kind: 'set-bay', id: asId<BayId>(id), bay: { ...was, at, sizeMm }, was });
  }
  movePoint(bench, 'fore-bulkhead', [420, 0, -40]);
  movePoint(bench, 'aft-bulkhead', [650, 0, -30]);
  movePoint(bench, 'motor', [750, 0, 0]);
}

/** The ways to the tail run through the booms. */
function booms(bench: Bench): void {
  for (const [side, sign] of [
    ['left', -1],
    ['right', 1],
  ] as const) {
    point(bench, `${side}-boom`, { title: `${side} boom at the spar`, at: [505, sign * 175, 60] });
    movePoint(bench, `${side}-tail`, [1200, sign * 175, 60]);
    drop(bench, `tail-${side}-tail`);
    drop(bench, `${side}-root-${side}-flap`);
    route(bench, `${side}-root`, `${side}-boom`, 16);
    route(bench, `${side}-boom`, `${side}-flap`, 14);
    route(bench, `${side}-boom`, `${side}-tail`, 12);
  }
  drop(bench, 'aft-bulkhead-tail');
  drop(bench, 'tail-motor');
  route(bench, 'aft-bulkhead', 'motor', 16);
  const tail = asId<PointId>('tail');
  const was = bench.design.aircraft.airframe.frame?.points[tail];
  if (was !== undefined) bench.make({ kind: 'set-frame-point', id: tail, point: null, was });
}

function point(bench: Bench, id: string, made: FramePoint): void {
  const own = asId<PointId>(id);
  bench.make({ kind: 'set-frame-point', id: own, point: made, was: bench.design.aircraft.airframe.frame?.points[own] ?? null });
}

function movePoint(bench: Bench, id: string, at: Spot): void {
  const was = bench.design.aircraft.airframe.frame?.points[asId<PointId>(id)];
  if (was !== undefined) point(bench, id, { ...was, at });
}

function drop(bench: Bench, id: string): void {
  const own = asId<RouteId>(id);
  const was = bench.design.aircraft.airframe.frame?.routes[own];
  if (was !== undefined) bench.make({ kind: 'set-route', id: own, route: null, was });
}

function route(bench: Bench, a: string, b: string, diameterMm: number): void {
  const made: Route = { a: asId<PointId>(a), b: asId<PointId>(b), diameterMm };
  bench.make({ kind: 'set-route', id: asId<RouteId>(`${a}-${b}`), route: made, was: null });
}
