import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { Bench } from './bench.ts';
import { reedbedRc } from './rcPlans.ts';
import { reedbedLayout } from './reedbedLayout.ts';

/**
 * "Reedbed", the flying wing of a made-up wetland survey group: half wired, with mistakes that people really make, each found by
 * another check.
 */
export function reedbed(id: AircraftId, makeId: MakeId): Design {
  const bench = new Bench(id, 'Reedbed', makeId);
  brief(bench);
  flyingParts(bench);
  laterParts(bench);
  ground(bench);
  reedbedRc(bench);
  reedbedLayout(bench);
  return bench.design;
}

function brief(bench: Bench): void {
  bench.want(
    { chemistry: 'lipo', cells: 4 },
    { servos: 2, motors: 1, rc: 1, gnss: 1, telemetry: 1, 'digital-video': 1, companion: 1, i2c: 1 },
  );
}

/** What it flew with last year. */
function flyingParts(bench: Bench): void {
  bench.add('controller-f4-wing', 'flight controller', { 'S1.protocol': 'mavlink-2', 'S1.baud': 115_200, 'S5.protocol': 'mavlink-2' });
  bench.add('battery-lipo-4s-5000', 'flight pack');
  bench.add('motor-controller-40a-5v2a', 'pusher');
  bench.add('motor-28mm-9x6', 'pusher');
  bench.add('regulator-buck-5v-3a', 'servo rail');
  bench.add('servo-12g-metal', 'left elevon');
  bench.add('servo-12g-metal', 'right elevon');
  bench.add('receiver-sbus-16', 'RC');
  bench.add('radio-900-class', 'telemetry');
  bench.add('airspeed-i2c-2k5', 'right wing', { 'pitot.station': -80 });
  bench.add('camera-analog-5v', 'nose');
  bench.add('video-transmitter-analog', 'fin');
  bench.add('buzzer-5v', 'finder');

  bench.wire('BAT1 main', 'FC1 battery', 'meaning', 120);
  bench.wire('FC1 motor', 'ESC1 power', 'meaning', 90);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  // The built-in regulator of ESC1 and BEC1 feed one rail.
  bench.wire('ESC1 signal', 'FC1 out1', 'meaning', 150);
  bench.wire('BEC1 in', 'FC1 motor', 'meaning', 80);
  bench.wire('BEC1 out', 'FC1 out4', 'straight', 100);
  bench.wire('SRV1 lead', 'FC1 out2', 'meaning', 420);
  // A lead turned round.
  bench.wire('SRV2 lead', 'FC1 out3', 'mirrored', 420);
  bench.link('SRV1', { armMm: 10, hornMm: 14, distanceMm: 62, horn: 'below', arm: 'pulls', upDeg: 22, downDeg: 18 });
  // The rod of another aircraft, half as long as it has to be.
  bench.link('SRV2', { armMm: 10, hornMm: 14, distanceMm: 62, rodMm: 31, horn: 'below', arm: 'pushes' });
  bench.wire('RX1 SBUS', 'FC1 S2', 'meaning', 140);
  // The port is set to another baud than the radio has.
  bench.wire('RADIO1 UART', 'FC1 S1', 'meaning', 200);
  // One wire of the bus was forgotten.
  bench.wire('ASPD1 I2C', 'FC1 I2C', 'meaning', 380);
  bench.forget(3);
  bench.wire('CAM1 AV', 'FC1 camera', 'meaning', 210);
  bench.wire('VTX1 AV', 'FC1 video', 'meaning', 160);
}

/** What was added in one evening. */
function laterParts(bench: Bench): void {
  bench.add('video-air-unit-digital', 'pilot picture');
  bench.add('rangefinder-serial-40m', 'belly');
  bench.add('companion-small-5v', 'photo log');
  bench.add('compass-i2c-fixed', 'left wing');
  bench.add('compass-i2c-selectable', 'right wing', { 'I2C.address': 0x0e });
  bench.add('led-strip-16', 'belly lights');

  // The port is still set to telemetry.
  bench.wire('VTX2 main', 'FC1 S5', 'meaning', 150);
  // A bought straight cable: it fits, and the ground of one side is the supply of the other.
  bench.wire('RNG1 UART', 'FC1 S3', 'straight', 200);
  // On the port that software makes, with the login console still on it, and without a ground.
  bench.wire('CC1 header', 'FC1 S6', 'meaning', 180);
  bench.forget(3);
  // A 5-way plug in a 4-way socket, and two compasses with one address.
  bench.wire('MAG1 I2C', 'FC1 I2C', 'meaning', 520);
  bench.fitPositions(5);
  bench.wire('MAG2 I2C', 'FC1 I2C', 'meaning', 520);
  // Lights that want more than a 3.3 V output gives.
  bench.wire('LED1 in', 'FC1 out6', 'meaning', 260);
}

/** What the operator has. */
function ground(bench: Bench): void {
  // Another network number than the radio in the aircraft has.
  bench.add('radio-900-ground-usb', 'telemetry, ground side', { 'air.number': 31 }, 'ground');
  bench.add('computer-bench', 'operator', {}, 'ground');
  bench.wire('RADIO2 usb', 'PC1 usb1', 'meaning', 1000);
  bench.bond('RADIO1', 'RADIO2');
  // As for a companion, over a link of 64 kbit/s.
  bench.stream('telemetry', 'RADIO1', 'attitude', 50);
  bench.stream('telemetry', 'RADIO1', 'servo-output-raw', 50);
}
