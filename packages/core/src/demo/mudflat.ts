import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { Bench } from './bench.ts';
import { mudflatRc } from './rcPlans.ts';
import { mudflatLayout } from './mudflatLayout.ts';

/**
 * "Mudflat", the lift-and-cruise plane of the same made-up group: four lift motors, one pusher, two packs with a monitor each.
 * Nearly complete: the gimbal has found no port yet, and which pulses the third bank makes is open.
 */
export function mudflat(id: AircraftId, makeId: MakeId): Design {
  const bench = new Bench(id, 'Mudflat', makeId);
  brief(bench);
  power(bench);
  lift(bench);
  surfaces(bench);
  sensorsAndLinks(bench);
  ground(bench);
  mudflatRc(bench);
  mudflatLayout(bench);
  return bench.design;
}

function brief(bench: Bench): void {
  bench.make({ kind: 'set-airframe', airframe: 'lift-and-cruise', was: 'flying-wing' });
  bench.want({ chemistry: 'li-ion', cells: 6 }, { servos: 4, motors: 5, rc: 1, gnss: 2, telemetry: 2, companion: 1, i2c: 1, can: 2 });
}

function power(bench: Bench): void {
  bench.add('controller-h7-ethernet', 'flight controller', {
    'P1.protocol': 'gnss-binary',
    'P1.baud': 230_400,
    'L1.protocol': 'mavlink-2',
    'L1.baud': 57_600,
    'L2.protocol': 'mavlink-2',
    'L2.baud': 115_200,
    'L3.protocol': 'rangefinder',
    'L3.baud': 115_200,
    'X1.protocol': 'gnss-binary',
    'X1.baud': 115_200,
    'RC.protocol': 'crsf',
  });
  bench.add('battery-li-ion-6s-14000', 'lift pack');
  bench.add('battery-li-ion-6s-14000', 'cruise pack');
  bench.add('power-module-can-100a', 'lift supply', { 'CAN.terminated': true });
  bench.add('power-module-can-100a', 'cruise supply', { 'CAN.terminated': true });
  bench.add('distribution-plain-bus', 'lift bus');
  bench.add('distribution-plain-bus', 'cruise bus');
  bench.add('regulator-buck-selectable-10a', 'servo rail', { volts: 5 });
  bench.add('regulator-buck-boost-5v-4a', 'companion');
  for (const n of [1, 2]) {
    bench.wire(`BAT${n} main`, `PM${n} battery`, 'meaning', 110);
    bench.wire(`PM${n} load`, `PWR${n} battery`, 'meaning', 80);
    bench.wire(`PM${n} out`, `FC1 PWR${n}`, 'meaning', 200);
  }
  bench.wire('PWR2 b2', 'BEC1 in', 'meaning', 130);
  bench.wire('PWR2 b3', 'BEC2 in', 'meaning', 130);
  bench.wire('BEC1 out', 'FC1 out14', 'meaning', 110);
  bench.gauge(22);
}

function lift(bench: Bench): void {
  for (const n of [1, 2, 3, 4] as const) {
    bench.add('motor-controller-80a-opto', `lift ${n}`);
    // As the firmware numbers them: clockwise from the rear left. Diagonal ones turn the same way.
    const turn = n % 2 === 1 ? 'counter-clockwise' : 'clockwise';
    bench.add('motor-lift-41mm-15x5', `lift ${n}`, { spin: turn, hand: turn });
    bench.wire(`PWR1 b${n}`, `ESC${n} power`, 'meaning', 130);
    // Long leads belong between controller and motor.
    bench.wire(`ESC${n} motor`, `MOT${n} phases`, 'straight', 360);
    bench.wire(`ESC${n} signal`, `FC1 out${n}`, 'meaning', 560);
    bench.assign('FC1', `out${n}`, `motor-${n}`);
  }
  bench.add('motor-controller-80a-opto', 'pusher');
  bench.add('motor-35mm-13x8', 'pusher', { spin: 'counter-clockwise', hand: 'counter-clockwise' });
  bench.wire('PWR2 b1', 'ESC5 power', 'meaning', 130);
  bench.wire('ESC5 motor', 'MOT5 phases', 'straight', 60);
  bench.wire('ESC5 signal', 'FC1 out9', 'meaning', 300);
  bench.assign('FC1', 'out9', 'throttle');
}

function surfaces(bench: Bench): void {
  const all = [
    ['left aileron', 'out10', 'aileron-left', 820],
    ['right aileron', 'out11', 'aileron-right', 820],
    ['elevator', 'out12', 'elevator', 980],
    ['rudder', 'out13', 'rudder', 980],
  ] as const;
  all.forEach(([label, output, use, lengthMm], i) => {
    bench.add('servo-20g-standard', label);
    bench.wire(`SRV${i + 1} lead`, `FC1 ${output}`, 'meaning', lengthMm);
    bench.link(`SRV${i + 1}`, {
      armMm: 10,
      hornMm: use === 'elevator' ? 20 : 15,
      distanceMm: 60,
      horn: 'below',
      arm: i % 2 === 0 ? 'pulls' : 'pushes',
    });
    bench.assign('FC1', output, use);
  });
  bench.bank('FC1', 'A', { kind: 'dshot' });
  for (const bank of ['C', 'D']) bench.bank('FC1', bank, { kind: 'pwm', rateHz: 333 });
}

function sensorsAndLinks(bench: Bench): void {
  bench.add('gnss-dual-antenna', 'spine', { 'a1.station': -120, 'a1.water': 25, 'a2.station': 170, 'a2.water': 25 });
  bench.wire('GNSS1 UART', 'FC1 P1', 'meaning', 260);
  bench.wire('GNSS1 aux', 'FC1 X1', 'meaning', 260);
  bench.add('airspeed-i2c-2k5', 'left wing', { 'pitot.station': -200 });
  bench.wire('ASPD1 I2C', 'FC1 P2', 'meaning', 640);
  bench.add('receiver-crsf-full', 'RC');
  bench.wire('RX1 UART', 'FC1 RC', 'meaning', 180);
  bench.add('radio-ip-two-serial', 'IP link', { 'S1.baud': 57_600 });
  bench.wire('PWR2 b4', 'RADIO1 power', 'meaning', 240);
  bench.wire('RADIO1 S1', 'FC1 L1', 'meaning', 230);
  bench.add('companion-module-carrier', 'survey computer', { 'FC.console': false });
  bench.wire('BEC2 out', 'CC1 power', 'meaning', 120);
  // Both pairs of its contacts: one alone carries too little.
  bench.join(2, 2, 24, 'red');
  bench.join(2, 3, 24, 'red');
  bench.join(1, 5, 24, 'black');
  bench.join(1, 6, 24, 'black');
  bench.wire('CC1 FC', 'FC1 L2', 'meaning', 150);
  bench.add('rangefinder-serial-40m', 'belly');
  bench.wire('RNG1 UART', 'FC1 L3', 'meaning', 310);
  bench.add('safety-switch', 'hatch');
  bench.wire('SW1 lead', 'FC1 safety', 'meaning', 260);
  bench.add('payload-gimbal-serial', 'nose');
  bench.add('handheld-ground-handset', 'pilot', {}, 'ground');
  // The servos live on when the cruise pack or its regulator is lost.
  bench.add('regulator-buck-selectable-10a', 'servo rail, second', { volts: 5 });
  bench.add('combiner-two-inputs', 'keeps BEC3 from being fed');
  bench.wire('PWR1 b5', 'BEC3 in', 'meaning', 130);
  bench.wire('BEC3 out', 'PWR3 A', 'meaning', 60);
  bench.gauge(22);
  bench.wire('PWR3 out', 'FC1 out8', 'meaning', 80);
  bench.gauge(22);
  // A second way home for the motor currents, so that no thin ground carries them.
  for (const n of [1, 2]) bench.wire(`PM${n} ground`, `PWR${n} b6`, 'meaning', 100);
  for (const n of [1, 2, 3, 4]) bench.strap(`PWR1 b${n}`, `ESC${n} power`, 2, 130);
  bench.strap('PWR2 b1', 'ESC5 power', 2, 130);
}

/** Sticks by a module in their bay; data by a second IP radio, over UDP to the program of the operator. */
function ground(bench: Bench): void {
  bench.add('stick-unit-16-bay', 'pilot', { 'bay-format': 'sbus' }, 'ground');
  bench.add('stick-module-24-fast', 'pilot', { 'air.phrase': 'mudflat 4' }, 'ground');
  bench.sit('STK2 bay', 'STK1 bay');
  bench.setting('RX1', 'rc.phrase', 'mudflat 4');
  bench.bond('STK2', 'RX1');
  bench.setting('RADIO1', 'air.number', 12);
  bench.add('radio-ip-two-serial', 'IP link, ground side', { 'ETH.ip': '10.77.0.2', 'air.number': 12 }, 'ground');
  bench.add('computer-bench', 'operator', { 'ETH.ip': '10.77.0.9' }, 'ground');
  bench.wire('RADIO2 ETH', 'PC1 ETH', 'meaning', 2000);
  bench.bond('RADIO1', 'RADIO2');
  bench.socket('RADIO1', {
    endpoint: 'S1',
    transport: 'udp',
    role: 'peer',
    localPort: 14_551,
    remote: { address: '10.77.0.9', port: 14_550 },
  });
  bench.socket('PC1', {
    endpoint: 'program1',
    transport: 'udp',
    role: 'peer',
    localPort: 14_550,
    remote: { address: '10.77.0.1', port: 14_551 },
  });
}
