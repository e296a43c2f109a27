import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { Bench } from './bench.ts';
import { saltmarshRc } from './rcPlans.ts';
import { saltmarshLayout } from './saltmarshLayout.ts';

/**
 * "Saltmarsh", the survey plane of the same made-up group: 2.2 m span, V-tail, flaps, one pusher motor on 6 cells. Complete: no
 * check says more than a note.
 */
export function saltmarsh(id: AircraftId, makeId: MakeId): Design {
  const bench = new Bench(id, 'Saltmarsh', makeId);
  brief(bench);
  power(bench);
  controls(bench);
  sensorsAndLinks(bench);
  secondServoSupply(bench);
  ground(bench);
  saltmarshRc(bench);
  saltmarshLayout(bench);
  return bench.design;
}

function brief(bench: Bench): void {
  bench.make({ kind: 'set-airframe', airframe: 'v-tail-flaps', was: 'flying-wing' });
  bench.make({
    kind: 'set-mission',
    mission: [
      { situation: 'launch', minutes: 0.2 },
      { situation: 'climb', minutes: 3 },
      { situation: 'cruise', minutes: 38 },
      { situation: 'glide', minutes: 2 },
    ],
    was: [],
  });
  bench.want({ chemistry: 'lipo', cells: 6 }, { servos: 6, motors: 1, rc: 1, gnss: 1, telemetry: 1, companion: 1, i2c: 2, can: 1 });
}

function power(bench: Bench): void {
  bench.add('controller-h7-carrier', 'flight controller', {
    'A.protocol': 'mavlink-2',
    'A.baud': 57_600,
    'B.protocol': 'mavlink-2',
    'B.baud': 921_600,
    'D.protocol': 'single-wire-telemetry',
    'D.baud': 57_600,
    'E.protocol': 'gnss-binary',
    'E.baud': 115_200,
    'RC.protocol': 'sbus',
    'RC.baud': 100_000,
  });
  bench.add('battery-lipo-6s-10000', 'flight pack');
  bench.add('power-module-i2c-120a', 'main supply');
  bench.add('distribution-plain-bus', 'behind the sensor');
  bench.add('motor-controller-80a-opto', 'pusher');
  bench.add('motor-35mm-13x8', 'pusher', { spin: 'counter-clockwise', hand: 'counter-clockwise' });
  bench.add('regulator-buck-selectable-10a', 'servo rail', { volts: 5.2 });
  bench.add('regulator-buck-boost-5v-4a', 'companion');

  bench.wire('BAT1 main', 'PM1 battery', 'meaning', 140);
  bench.wire('PM1 load', 'PWR1 battery', 'meaning', 110);
  bench.gauge(10);
  bench.wire('PM1 out', 'FC1 PWR1', 'meaning', 180);
  bench.wire('PWR1 b1', 'ESC1 power', 'meaning', 145);
  bench.gauge(10);
  bench.wire('PWR1 b2', 'BEC1 in', 'meaning', 120);
  bench.wire('PWR1 b3', 'BEC2 in', 'meaning', 140);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 90);
  bench.add('combiner-two-inputs', 'keeps BEC1 from being fed');
  bench.wire('BEC1 out', 'PWR2 A', 'meaning', 60);
  bench.gauge(22);
}

function controls(bench: Bench): void {
  const surfaces = [
    ['left aileron', 'm1', 'aileron-left', 780],
    ['right aileron', 'a3', 'aileron-right', 780],
    ['left flap', 'm3', 'flap-left', 420],
    ['right flap', 'a4', 'flap-right', 420],
    ['left V-tail', 'm5', 'v-tail-left', 1150],
    ['right V-tail', 'm6', 'v-tail-right', 1150],
  ] as const;
  surfaces.forEach(([label, output, use, lengthMm], i) => {
    bench.add('servo-20g-standard', label);
    bench.wire(`SRV${i + 1} lead`, `FC1 ${output}`, 'meaning', lengthMm);
    bench.assign('FC1', output, use);
  });
  linkages(bench);
  bench.wire('ESC1 signal', 'FC1 a1', 'meaning', 260);
  bench.assign('FC1', 'a1', 'throttle');
  for (const bank of ['M1', 'M2', 'X1']) bench.bank('FC1', bank, { kind: 'pwm', rateHz: 333 });
  bench.bank('FC1', 'X2', { kind: 'pwm', rateHz: 100 });
  bench.add('receiver-sbus-telemetry', 'RC', { 'rc.ground': 'long-beam' });
  bench.wire('RX1 main', 'FC1 RC', 'meaning', 160);
  // The return wire goes to a port of its own.
  bench.forget(4);
  bench.branch('FC1 D', 4, 2, 'blue', 170);
}

/** Ailerons and flaps from inside the wing, the horn below; the tail by long rods from its root. */
function linkages(bench: Bench): void {
  const wing = { armMm: 12, hornMm: 16, distanceMm: 68, heightMm: 2, horn: 'below' } as const;
  const tail = { armMm: 12, hornMm: 14, distanceMm: 55, horn: 'below' } as const;
  bench.link('SRV1', { ...wing, arm: 'pulls', upDeg: 25, downDeg: 18 });
  bench.link('SRV2', { ...wing, arm: 'pushes', upDeg: 25, downDeg: 18 });
  // A flap goes down only: its arm leans back, so that all of the travel is on one side.
  bench.link('SRV3', { ...wing, armMm: 8, hornMm: 18, arm: 'pulls', armDeg: 12 });
  bench.link('SRV4', { ...wing, armMm: 8, hornMm: 18, arm: 'pulls', armDeg: 12 });
  bench.link('SRV5', { ...tail, arm: 'pulls' });
  bench.link('SRV6', { ...tail, arm: 'pulls' });
}

function sensorsAndLinks(bench: Bench): void {
  bench.add('gnss-compass-i2c', 'boom', { 'UART.protocol': 'gnss-binary', 'UART.baud': 115_200 });
  bench.wire('GNSS1 main', 'FC1 E', 'meaning', 620);
  bench.add('airspeed-can-7k', 'left wing', { 'CAN.terminated': true, 'pitot.station': -160 });
  bench.wire('ASPD1 CAN', 'FC1 CAN1', 'meaning', 540);
  bench.add('radio-900-class', 'telemetry');
  bench.wire('RADIO1 UART', 'FC1 A', 'meaning', 260);
  bench.add('companion-small-5v', 'mapping', { 'UART2.baud': 921_600 });
  bench.wire('BEC2 out', 'CC1 header', 'meaning', 90);
  bench.wire('CC1 second', 'FC1 B', 'meaning', 140);
  bench.add('camera-mapping-trigger', 'belly');
  bench.wire('CAM1 trigger', 'FC1 a5', 'meaning', 450);
  bench.assign('FC1', 'a5', 'camera-trigger');
  bench.add('safety-switch', 'hatch');
  bench.wire('SW1 lead', 'FC1 safety', 'meaning', 240);
  bench.add('buzzer-5v', 'finder');
  bench.wire('BZ1 leads', 'FC1 buzzer', 'meaning', 130);
}

/** What the pilot and the operator have. */
function ground(bench: Bench): void {
  bench.add('stick-unit-16-bay', 'pilot', { 'rc.paired': true }, 'ground');
  bench.bond('STK1', 'RX1');
  bench.setting('RX1', 'rc.paired', true);
  bench.add('radio-900-ground-usb', 'telemetry, ground side', { 'air.number': 41 }, 'ground');
  bench.setting('RADIO1', 'air.number', 41);
  bench.bond('RADIO1', 'RADIO2');
  bench.add('computer-bench', 'operator', {}, 'ground');
  bench.wire('RADIO2 usb', 'PC1 usb1', 'meaning', 1000);
}

/** A pack of its own, so that the servos and the controller live on when the flight pack or its regulator is lost. */
function secondServoSupply(bench: Bench): void {
  bench.add('battery-lipo-3s-3300', 'servo pack');
  bench.add('regulator-buck-selectable-10a', 'servo rail, second', { volts: 5.2 });
  bench.add('combiner-two-inputs', 'keeps BEC3 from being fed');
  bench.wire('BAT2 main', 'BEC3 in', 'meaning', 150);
  bench.wire('BEC3 out', 'PWR3 A', 'meaning', 60);
  bench.gauge(22);
  bench.wire('PWR2 out', 'FC1 m8', 'meaning', 80);
  bench.gauge(22);
  bench.wire('PWR3 out', 'FC1 m7', 'meaning', 80);
  bench.gauge(22);
  // A second way home for the motor current, so that no thin ground carries it.
  bench.wire('PM1 ground', 'PWR1 b6', 'meaning', 110);
  bench.strap('PWR1 b1', 'ESC1 power', 2, 145);
}
