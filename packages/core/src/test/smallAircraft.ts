import type { Bench } from '../demo/bench.ts';
import type { Design } from '../model/design.ts';
import { emptyBench } from './designs.ts';

/** Small aircraft that are wired as they should be, and between them have each part that practice asked for. */
export const smallAircraft: Readonly<Record<string, () => Design>> = {
  'a park flyer with a stabiliser board': stabilised,
  'a motor glider without a controller': receiverOnly,
  'an older board that lives on its servo row': servoFed,
  'a small 6-cell surveyor': surveyor,
  'a wing that is flown from a handheld link': handheld,
};

function stabilised(): Design {
  const bench = emptyBench();
  bench.make({ kind: 'set-airframe', airframe: 'no-rudder', was: 'flying-wing' });
  bench.add('controller-stabiliser-5', 'stabiliser');
  bench.add('battery-lipo-3s-3300', 'flight pack');
  bench.add('distribution-plain-bus', 'behind the pack');
  bench.add('motor-controller-20a-6s', 'tractor');
  bench.add('motor-22mm-6x4', 'tractor');
  bench.add('regulator-buck-5v-3a', 'servo rail');
  bench.add('receiver-satellite', 'RC');
  bench.add('video-camera-transmitter-analog', 'picture');
  bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  bench.wire('PWR1 b1', 'ESC1 power', 'meaning', 60);
  bench.wire('PWR1 b2', 'BEC1 in', 'meaning', 60);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('RX1 SAT', 'FC1 SAT', 'meaning', 120);
  surfaces(bench, ['out1', 'out2', 'out3']);
  bench.wire('ESC1 signal', 'FC1 out4', 'meaning', 150);
  bench.assign('FC1', 'out4', 'throttle');
  bench.wire('BEC1 out', 'FC1 out5', 'meaning', 80);
  bench.wire('VTX1 power', 'FC1 SBUS', 'meaning', 120);
  return bench.design;
}

function surfaces(bench: Bench, outputs: readonly string[]): void {
  const uses = ['aileron-left', 'aileron-right', 'elevator'] as const;
  outputs.forEach((output, i) => {
    bench.add('servo-9g-digital', `surface ${i + 1}`);
    bench.wire(`SRV${i + 1} lead`, `FC1 ${output}`, 'meaning', 300);
    const use = uses[i];
    if (use !== undefined) bench.assign('FC1', output, use);
  });
}

function receiverOnly(): Design {
  const bench = emptyBench();
  bench.add('receiver-pwm-8-telemetry', 'RC', { failsafe: 'preset' });
  bench.add('battery-lipo-3s-3300', 'flight pack');
  bench.add('current-sensor-telemetry-100a', 'pack');
  bench.add('motor-controller-20a-5v1a', 'tractor');
  bench.add('motor-22mm-6x4', 'tractor');
  bench.add('servo-9g-analog', 'rudder');
  bench.add('stick-unit-16-bay', 'pilot', {}, 'ground');
  bench.wire('BAT1 main', 'PM1 battery', 'meaning', 60);
  bench.wire('PM1 load', 'ESC1 power', 'meaning', 60);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('ESC1 signal', 'RX1 ch3', 'meaning', 150);
  bench.wire('SRV1 lead', 'RX1 ch4', 'meaning', 400);
  bench.wire('PM1 tele', 'RX1 tele', 'meaning', 150);
  return bench.design;
}

function servoFed(): Design {
  const bench = emptyBench();
  bench.make({ kind: 'set-airframe', airframe: 'no-rudder', was: 'flying-wing' });
  bench.add('controller-8-bit-servo-fed', 'flight controller', { 'TEL.protocol': 'mavlink-2', 'TEL.baud': 57_600 });
  bench.add('battery-lipo-3s-3300', 'flight pack');
  bench.add('distribution-plain-bus', 'behind the pack');
  bench.add('power-module-analog-60a', 'pack');
  bench.add('motor-controller-60a-5v5a', 'tractor');
  bench.add('motor-22mm-6x4', 'tractor');
  bench.add('receiver-settable', 'RC', { output: 'ppm' });
  bench.add('radio-433-class', 'telemetry');
  bench.add('camera-analog-servo-plug', 'nose');
  bench.add('video-transmitter-analog-servo-plugs', 'picture');
  bench.wire('BAT1 main', 'PM1 battery', 'meaning', 60);
  bench.wire('PM1 load', 'PWR1 battery', 'meaning', 60);
  bench.wire('PM1 out', 'FC1 ADC', 'meaning', 120);
  bench.wire('PWR1 b1', 'ESC1 power', 'meaning', 60);
  bench.wire('PWR1 b2', 'VTX1 power', 'meaning', 200);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('ESC1 signal', 'FC1 out4', 'meaning', 150);
  bench.assign('FC1', 'out4', 'throttle');
  surfaces(bench, ['out1', 'out2', 'out3']);
  bench.wire('RX1 out', 'FC1 PPM', 'meaning', 120);
  bench.wire('RADIO1 UART', 'FC1 TEL', 'meaning', 150);
  bench.wire('CAM1 AV', 'VTX1 AV', 'meaning', 150);
  return bench.design;
}

function surveyor(): Design {
  const bench = emptyBench();
  bench.add('controller-h7-carrier', 'flight controller', {
    'A.protocol': 'mavlink-2',
    'A.baud': 57_600,
    'B.protocol': 'mavlink-2',
    'B.baud': 115_200,
    'RC.protocol': 'sbus',
  });
  bench.add('battery-lipo-6s-10000', 'flight pack');
  bench.add('power-module-analog-100a-5-12-12v', 'main supply');
  bench.add('distribution-plain-bus', 'behind the sensor');
  bench.add('motor-controller-20a-6s', 'pusher');
  bench.add('motor-23mm-7x4-6s', 'pusher');
  bench.add('regulator-buck-selectable-10a', 'servo rail', { volts: 5.2 });
  bench.add('receiver-sbus-16', 'RC');
  bench.add('gnss-can-chained', 'position', { 'CAN.terminated': false });
  bench.add('airspeed-can-7k', 'left wing', { 'CAN.terminated': true });
  bench.add('radio-900-six-way', 'telemetry');
  bench.add('companion-camera-two-serial', 'survey');
  bench.add('radio-network-picture', 'picture');
  bench.add('recorder-ground-network', 'recorder', {}, 'ground');
  bench.wire('BAT1 main', 'PM1 battery', 'meaning', 100);
  bench.wire('PM1 load', 'PWR1 battery', 'meaning', 100);
  bench.wire('PM1 out', 'FC1 PWR2', 'meaning', 150);
  bench.wire('PM1 aux-a', 'CC1 power', 'meaning', 200);
  bench.wire('PM1 aux-b', 'RADIO2 power', 'meaning', 200);
  bench.wire('PWR1 b1', 'ESC1 power', 'meaning', 60);
  bench.wire('PWR1 b2', 'BEC1 in', 'meaning', 60);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('ESC1 signal', 'FC1 a1', 'meaning', 200);
  bench.assign('FC1', 'a1', 'throttle');
  for (const [i, [output, use]] of (
    [
      ['m1', 'elevon-left'],
      ['m2', 'elevon-right'],
    ] as const
  ).entries()) {
    bench.add('servo-20g-standard', use);
    bench.wire(`SRV${i + 1} lead`, `FC1 ${output}`, 'meaning', 500);
    bench.assign('FC1', output, use);
  }
  bench.wire('BEC1 out', 'FC1 m3', 'meaning', 100);
  bench.gauge(22);
  bench.wire('RX1 SBUS', 'FC1 RC', 'meaning', 150);
  bench.wire('GNSS1 in', 'FC1 CAN1', 'meaning', 300);
  bench.wire('ASPD1 CAN', 'GNSS1 on', 'meaning', 500);
  bench.wire('RADIO1 UART', 'FC1 A', 'meaning', 200);
  bench.wire('CC1 S1', 'FC1 B', 'meaning', 200);
  bench.wire('CC1 ETH', 'RADIO2 ETH', 'straight', 200);
  return bench.design;
}

function handheld(): Design {
  const bench = emptyBench();
  bench.add('controller-f4-wing', 'flight controller', {
    'S1.protocol': 'mavlink-2',
    'S1.baud': 57_600,
    'S2.protocol': 'sbus',
    'S3.protocol': 'mavlink-2',
    'S3.baud': 57_600,
    'S5.protocol': 'mavlink-2',
    'S5.baud': 115_200,
  });
  bench.add('battery-lipo-4s-5000', 'flight pack');
  bench.add('motor-controller-60a-5v5a', 'pusher');
  bench.add('motor-28mm-9x6', 'pusher');
  bench.add('handheld-air-unit-5-way', 'link');
  bench.add('handheld-ground-handset', 'pilot', {}, 'ground');
  bench.add('radio-ip-rs232', 'second link', { 'COM.baud': 57_600 });
  bench.add('converter-rs232', 'to RS-232', { 'RS232.baud': 57_600, 'logic.baud': 57_600 });
  bench.add('companion-small-ethernet', 'log', { 'UART1.console': false });
  bench.add('adapter-usb-ethernet', 'second network');
  bench.add('regulator-buck-boost-5v-4a', 'companion');
  bench.add('computer-bench', 'set-up', {}, 'ground');
  bench.add('adapter-usb-serial', 'console', {}, 'ground');
  bench.add('stick-unit-16-bay', 'second pilot', {}, 'ground');
  bench.add('stick-module-900', 'long range', {}, 'ground');
  bench.add('head-tracker-ppm', 'goggles', {}, 'ground');
  bench.add('supply-bench-30v', 'bench', {}, 'bench');
  bench.add('meter-handheld', 'bench', {}, 'bench');
  bench.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  bench.wire('FC1 motor', 'ESC1 power', 'meaning', 60);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  bench.wire('ESC1 signal', 'FC1 out1', 'meaning', 150);
  bench.assign('FC1', 'out1', 'throttle');
  for (const [i, [output, use]] of (
    [
      ['out2', 'elevon-left'],
      ['out3', 'elevon-right'],
    ] as const
  ).entries()) {
    bench.add('servo-9g-digital', use);
    bench.wire(`SRV${i + 1} lead`, `FC1 ${output}`, 'meaning', 300);
    bench.assign('FC1', output, use);
  }
  bench.wire('LINK1 power', 'FC1 motor', 'meaning', 150);
  bench.wire('LINK1 RC', 'FC1 S2', 'meaning', 150);
  bench.wire('LINK1 data', 'FC1 S1', 'meaning', 150);
  bench.wire('RADIO1 power', 'FC1 motor', 'meaning', 150);
  bench.wire('CONV1 logic', 'FC1 S3', 'meaning', 150);
  bench.wire('CONV1 RS232', 'RADIO1 COM', 'meaning', 150);
  bench.wire('BEC1 in', 'FC1 motor', 'meaning', 60);
  bench.wire('BEC1 out', 'CC1 power', 'meaning', 60);
  bench.wire('CC1 header', 'FC1 S5', 'meaning', 150);
  bench.sit('STK2 bay', 'STK1 bay');
  bench.sit('STK3 lead', 'STK1 trainer');
  bench.sit('CONV2 usb', 'CC1 usb');
  bench.sit('CONV3 usb', 'PC1 usb1');
  return bench.design;
}
