import type { Design } from '../../model/design.ts';
import { bench, joined, plugged, powered, removed, set, type CheckCases } from './build.ts';

/** A rail regulator whose plug is the right way round on a row of pins, or not. */
function regulatorPlugged(pinMap: 'meaning' | 'mirrored'): Design {
  const one = powered('regulator-buck-5v-3a', 'servo-9g-digital');
  one.wire('FC1 motor', 'BEC1 in', 'meaning', 60);
  one.wire('BEC1 out', 'FC1 out6', pinMap, 60);
  one.wire('SRV1 lead', 'FC1 out1', 'meaning', 200);
  return one.design;
}

/** A motor on its controller, whose signal lead has no supply wire. */
export function motorWired(): Design {
  const one = powered('motor-controller-60a-5v5a', 'motor-28mm-9x6');
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 60);
  one.wire('ESC1 motor', 'MOT1 phases', 'meaning', 60);
  one.wire('ESC1 signal', 'FC1 out1', 'meaning', 60);
  return removed(one.design, 'W04', 2);
}

/** A compass on the bus of the wing board, whose pin orders differ. */
export function compassOnBus(pinMap: 'straight' | 'meaning'): Design {
  const one = powered('compass-i2c-fixed');
  one.wire('MAG1 I2C', 'FC1 I2C', pinMap);
  return one.design;
}

export const wiringCases: CheckCases = {
  'wire.supply-on-signal': {
    wrong: () => {
      const one = powered('airspeed-i2c-2k5');
      one.wire('ASPD1 I2C', 'FC1 S1', 'none');
      return joined(one.design, 'W02', [
        [2, 1],
        [4, 4],
      ]);
    },
    right: () => {
      const one = powered('airspeed-i2c-2k5');
      one.wire('ASPD1 I2C', 'FC1 I2C');
      return one.design;
    },
  },
  'wire.tx-to-tx': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
  },
  'wire.crowded-contact': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      one.branch('FC1 I2C', 4, 4, 'black', 100);
      return one.design;
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
  },
  'wire.fits-but-wrong': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('radio-900-class', 'gnss-serial');
      one.wire('RADIO1 UART', 'FC1 S1');
      one.wire('GNSS1 UART', 'FC1 S3', 'straight');
      return one.design;
    },
  },
  'wire.servo-lead': {
    wrong: () => {
      const one = powered('servo-9g-analog');
      one.wire('SRV1 lead', 'FC1 out1', 'mirrored');
      return one.design;
    },
    right: () => {
      const one = powered('servo-9g-analog');
      one.wire('SRV1 lead', 'FC1 out1');
      return one.design;
    },
  },
  'wire.ground-on-signal': {
    wrong: () => regulatorPlugged('mirrored'),
    right: () => regulatorPlugged('meaning'),
  },
  'wire.open-phase': {
    wrong: () => removed(motorWired(), 'W03', 2),
    right: motorWired,
  },
  'wire.no-signal': {
    wrong: () => removed(motorWired(), 'W04', 1),
    right: motorWired,
  },
  'wire.i2c-crossed': {
    wrong: () => compassOnBus('straight'),
    right: () => compassOnBus('meaning'),
  },
  'wire.no-common-ground': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return removed(one.design, 'W02', 4);
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
  },
  'wire.not-wired': {
    wrong: () => bench('gnss-serial').design,
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S3');
      return one.design;
    },
  },
  'wire.contention': {
    wrong: () => {
      const one = powered('receiver-pwm-6');
      one.wire('RX1 ch1', 'FC1 out1', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('servo-9g-analog');
      one.wire('SRV1 lead', 'FC1 out1');
      return one.design;
    },
  },
  'wire.level': {
    wrong: () => {
      const one = powered('modem-cellular', 'regulator-buck-5v-3a');
      one.wire('BEC1 in', 'FC1 motor');
      one.wire('BEC1 out', 'RADIO1 usb');
      one.wire('RADIO1 UART', 'FC1 S4');
      return one.design;
    },
    right: () => {
      const one = bench('companion-small-5v', 'gnss-serial');
      one.wire('CC1 second', 'GNSS1 UART');
      return one.design;
    },
  },
  'wire.connector-mate': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return plugged(one.design, 'W02', { family: 'locking-1.25', positions: 5, gender: 'plug' });
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
  },
  'wire.partial': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1');
      return removed(one.design, 'W02', 2);
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return removed(set(one.design, 'GNSS1', 'UART.protocol', 'nmea-0183'), 'W02', 3);
    },
  },
  'wire.video': {
    wrong: () => {
      const one = powered('camera-analog-7-25v', 'osd-analog-current', 'video-transmitter-analog');
      one.wire('CAM1 AV', 'OSD1 camera');
      one.wire('OSD1 video', 'VTX1 AV');
      return one.design;
    },
    right: () => {
      const one = powered('camera-analog-7-25v', 'osd-analog-current', 'video-transmitter-analog');
      one.wire('CAM1 AV', 'OSD1 camera');
      one.wire('OSD1 video', 'VTX1 AV');
      return set(one.design, 'OSD1', 'standard', 'NTSC');
    },
  },
  'wire.look-alike': {
    wrong: () => {
      const one = powered('gnss-serial', 'radio-900-class');
      one.wire('GNSS1 UART', 'FC1 S4');
      one.wire('RADIO1 UART', 'FC1 S1');
      return one.design;
    },
    right: () => {
      const one = powered('gnss-serial', 'gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      one.wire('GNSS2 UART', 'FC1 S1');
      return one.design;
    },
  },
};
