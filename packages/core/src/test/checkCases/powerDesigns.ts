import type { Bench } from '../../demo/bench.ts';
import type { Design } from '../../model/design.ts';
import { bench, FC, powered } from './build.ts';

/** A motor controller of four cells at most, on a pack. */
export function onThePack(pack: string): Design {
  const one = bench(pack, 'distribution-plain-bus', 'motor-controller-40a-5v2a');
  one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'straight', 100);
  return one.design;
}

/** Two packs on a series lead before a bus with a large regulator, the first one at the bottom. */
export function inSeries(below: string, above: string): Bench {
  const one = bench(below, above, 'lead-series-xt60', 'distribution-plain-bus', 'regulator-buck-selectable-10a');
  one.wire('BAT2 main', 'PWR1 A', 'straight', 100);
  one.wire('BAT1 main', 'PWR1 B', 'straight', 100);
  one.wire('PWR1 out', 'PWR2 battery', 'straight', 100);
  one.wire('PWR2 b1', 'BEC1 in', 'straight', 100);
  return one;
}

/** The wing board on its pack with a regulator on the servo rail and so many servos. */
export function servos(regulator: string, count: number, kind = 'servo-20g-standard', lengthMm = 200): Design {
  const one = powered(regulator, ...Array.from({ length: count }, () => kind));
  one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
  one.wire('BEC1 out', 'FC1 out6', 'meaning', 60);
  one.gauge(20);
  for (let n = 1; n <= count; n++) {
    one.wire(`SRV${n} lead`, `FC1 out${n}`, 'meaning', lengthMm);
    one.gauge(22);
  }
  return one.design;
}

/** A motor on its controller, fed at a port of the wing board over a lead of this gauge and length. */
export function motorised(controller: string, motor: string, awg: number, lengthMm = 80, pack = 'battery-lipo-4s-5000'): Bench {
  const one = bench(FC, pack, controller, motor);
  one.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  one.gauge(10);
  one.wire('FC1 motor', 'ESC1 power', 'meaning', lengthMm);
  one.gauge(awg);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  return one;
}

/** An H7 carrier with a radio, and so much wire between its power module and it. */
export function carrierOver(lengthMm: number): Design {
  const one = carrier('radio-900-class');
  one.wire('RADIO1 UART', 'FC1 A', 'meaning', 100);
  one.wire('PM1 out', 'FC1 PWR1', 'meaning', lengthMm);
  return one.design;
}

/** An H7 carrier beside a power module on its pack. */
export function carrier(...more: readonly string[]): Bench {
  const one = bench('controller-h7-carrier', 'battery-lipo-6s-10000', 'power-module-i2c-120a', 'distribution-plain-bus', ...more);
  one.wire('BAT1 main', 'PM1 battery', 'meaning', 100);
  one.wire('PM1 load', 'PWR1 battery', 'meaning', 80);
  one.gauge(10);
  return one;
}

/** The rail of the carrier with four servos, from its regulator; with a second pack and regulator behind a combiner if wanted. */
export function flyingCarrier(isRedundant: boolean): Design {
  const one = carrier(
    'regulator-buck-selectable-10a',
    ...Array.from({ length: 4 }, () => 'servo-9g-digital'),
    'receiver-sbus-telemetry',
    'motor-controller-80a-opto',
    'motor-35mm-13x8',
  );
  one.wire('PM1 out', 'FC1 PWR1', 'meaning', 150);
  one.make({ kind: 'set-airframe', airframe: 'conventional', was: 'flying-wing' });
  one.wire('PWR1 b2', 'BEC1 in', 'meaning', 100);
  one.wire('BEC1 out', 'FC1 m8', 'meaning', 80);
  one.gauge(22);
  one.wire('RX1 main', 'FC1 RC', 'meaning', 120);
  one.wire('PWR1 b1', 'ESC1 power', 'meaning', 120);
  one.gauge(10);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  one.wire('ESC1 signal', 'FC1 a1', 'meaning', 200);
  one.assign('FC1', 'a1', 'throttle');
  const uses = ['aileron-left', 'aileron-right', 'elevator', 'rudder'] as const;
  uses.forEach((use, i) => {
    one.wire(`SRV${i + 1} lead`, `FC1 m${i + 1}`, 'meaning', 300);
    one.assign('FC1', `m${i + 1}`, use);
  });
  if (!isRedundant) return one.design;
  for (const part of ['battery-lipo-3s-3300', 'regulator-buck-selectable-10a', 'combiner-two-inputs']) one.add(part, 'second');
  one.wire('BAT2 main', 'BEC2 in', 'meaning', 100);
  one.wire('BEC2 out', 'PWR2 A', 'meaning', 60);
  one.gauge(22);
  one.wire('PWR2 out', 'FC1 m7', 'meaning', 60);
  one.gauge(22);
  return one.design;
}

/** A large motor behind a power module. */
export function overModule(module: string): Design {
  const one = bench('controller-h7-carrier', 'battery-lipo-6s-10000', module, 'motor-controller-80a-opto', 'motor-50mm-18x10');
  one.wire('BAT1 main', 'PM1 battery', 'meaning', 60);
  one.wire('PM1 load', 'ESC1 power', 'meaning', 60);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  return one.design;
}

/** A motor and servos on the regulator inside the motor controller, or on one of their own. */
export function railFrom(isBuiltIn: boolean): Design {
  const one = bench(FC, 'battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'motor-28mm-9x6', 'regulator-buck-5v-3a', 'servo-9g-digital');
  one.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  if (!isBuiltIn) {
    one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
    one.wire('BEC1 out', 'FC1 out6', 'meaning', 80);
  }
  one.wire('ESC1 signal', 'FC1 out1', isBuiltIn ? 'meaning' : 'supply-pulled', 150);
  one.wire('SRV1 lead', 'FC1 out2', 'meaning', 300);
  return one.design;
}
