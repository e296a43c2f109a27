import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { Bench } from './bench.ts';

/**
 * "Reedbed", the flying wing of a made-up wetland survey group: half wired, with mistakes that people really make. Two
 * supplies on the servo rail, a radio at another baud, a servo lead turned round, a buzzer still in the box.
 */
export function reedbed(id: AircraftId, makeId: MakeId): Design {
  const bench = new Bench(id, 'Reedbed', makeId);
  bench.add('controller-f4-wing', 'flight controller', { 'S1.protocol': 'mavlink-2', 'S1.baud': 115_200 });
  bench.add('battery-lipo-4s-5000', 'flight pack');
  bench.add('motor-controller-40a-5v2a', 'pusher');
  bench.add('motor-28mm-9x6', 'pusher');
  bench.add('regulator-buck-5v-3a', 'servo rail');
  bench.add('servo-12g-metal', 'left elevon');
  bench.add('servo-12g-metal', 'right elevon');
  bench.add('receiver-sbus-16', 'RC');
  bench.add('radio-900-class', 'telemetry');
  bench.add('airspeed-i2c-2k5', 'right wing');
  bench.add('camera-analog-5v', 'nose');
  bench.add('video-transmitter-analog', 'fin');
  bench.add('buzzer-5v', 'finder');

  bench.wire('BAT1 main', 'FC1 battery', 'meaning', 120);
  bench.wire('FC1 motor', 'ESC1 power', 'meaning', 90);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('ESC1 signal', 'FC1 out1', 'meaning', 150);
  bench.wire('BEC1 in', 'FC1 motor', 'meaning', 80);
  bench.wire('BEC1 out', 'FC1 out4', 'straight', 100);
  bench.wire('SRV1 lead', 'FC1 out2', 'meaning', 420);
  bench.wire('SRV2 lead', 'FC1 out3', 'mirrored', 420);
  bench.wire('RX1 SBUS', 'FC1 S2', 'meaning', 140);
  bench.wire('RADIO1 UART', 'FC1 S1', 'meaning', 200);
  bench.wire('ASPD1 I2C', 'FC1 I2C', 'meaning', 380);
  bench.wire('CAM1 AV', 'FC1 camera', 'meaning', 210);
  bench.wire('VTX1 AV', 'FC1 video', 'meaning', 160);
  return bench.design;
}
