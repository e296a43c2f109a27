import { bench, powered, set, type CheckCases } from './build.ts';
import { onThePack, inSeries, servos, motorised, carrierOver, carrier, flyingCarrier, overModule, railFrom } from './powerDesigns.ts';

export const powerCases: CheckCases = {
  'power.reversed': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1');
      return one.design;
    },
  },
  'power.parallel-regulators': {
    wrong: () => {
      const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
      one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
      one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
      one.wire('ESC1 signal', 'FC1 out1');
      one.wire('BEC1 out', 'FC1 out2', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
      one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
      one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
      one.wire('ESC1 signal', 'FC1 out1', 'supply-pulled');
      one.wire('BEC1 out', 'FC1 out2');
      return one.design;
    },
  },
  'power.under-voltage': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 9000);
      return one.design;
    },
    right: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 200);
      return one.design;
    },
  },
  'power.no-supply': {
    wrong: () => {
      const one = powered('servo-9g-digital');
      one.wire('SRV1 lead', 'FC1 out1', 'meaning', 200);
      return one.design;
    },
    right: () => servos('regulator-buck-5v-3a', 1, 'servo-9g-digital'),
  },
  'power.parallel-batteries': {
    wrong: () => {
      const one = bench('battery-lipo-4s-5000', 'battery-lipo-6s-10000', 'distribution-plain-bus');
      one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
      one.wire('BAT2 main', 'PWR1 battery', 'straight', 100);
      return one.design;
    },
    right: () => {
      const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus');
      one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
      return one.design;
    },
  },
  'power.series-batteries': {
    wrong: () => inSeries('battery-lipo-4s-5000', 'battery-li-ion-4s-7000').design,
    right: () => inSeries('battery-lipo-3s-3300', 'battery-lipo-3s-3300').design,
  },
  'power.over-current': {
    wrong: () => motorised('motor-controller-40a-5v2a', 'motor-22mm-6x4', 10).design,
    right: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design,
  },
  'power.headroom': {
    wrong: () => servos('regulator-buck-5v-3a', 5, 'servo-12g-metal'),
    right: () => servos('regulator-buck-selectable-10a', 2),
  },
  'power.dissipation': {
    wrong: () => servos('regulator-linear-5v-1a5', 3, 'servo-12g-metal'),
    right: () => servos('regulator-buck-5v-3a', 3, 'servo-12g-metal'),
  },
  'power.input-window': {
    wrong: () => carrierOver(20_000),
    right: () => carrierOver(150),
  },
  'power.single-point': { wrong: () => flyingCarrier(false), right: () => flyingCarrier(true) },
  'power.built-in-regulator': { wrong: () => railFrom(true), right: () => railFrom(false) },
  'power.backup-unconditioned': {
    wrong: () => flyingCarrier(true),
    right: () => {
      const one = carrier('servo-9g-digital');
      one.wire('SRV1 lead', 'FC1 m1', 'meaning', 200);
      return one.design;
    },
  },
  'power.unmeasured': {
    wrong: () => {
      const one = powered('regulator-buck-5v-3a', 'companion-small-5v', 'motor-28mm-9x6');
      one.wire('FC1 battery', 'BEC1 in', 'straight', 80);
      one.wire('BEC1 out', 'CC1 header', 'meaning', 80);
      return one.design;
    },
    right: () => {
      const one = powered('regulator-buck-5v-3a', 'companion-small-5v', 'motor-28mm-9x6');
      one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
      one.wire('BEC1 out', 'CC1 header', 'meaning', 80);
      return one.design;
    },
  },
  'power.no-monitor': {
    wrong: () => {
      const one = bench('controller-h7-carrier', 'battery-lipo-3s-3300', 'distribution-two-regulators');
      one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
      one.wire('PWR1 v5', 'FC1 PWR2', 'meaning', 100);
      return one.design;
    },
    right: () => powered().design,
  },
  'power.sense-scale': { wrong: () => overModule('power-module-analog-60a'), right: () => overModule('power-module-analog-90a-12v') },
  'power.video-filter': {
    wrong: () => {
      const one = motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10);
      one.add('camera-analog-7-25v', 'nose');
      one.wire('FC1 motor', 'CAM1 AV', 'meaning', 200);
      return one.design;
    },
    right: () => {
      const one = motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10);
      one.add('camera-analog-5v', 'nose');
      one.wire('CAM1 AV', 'FC1 camera', 'meaning', 200);
      return one.design;
    },
  },
  'power.wire-gauge': {
    wrong: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 20).design,
    right: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design,
  },
  'power.long-battery-lead': {
    wrong: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10, 700).design,
    right: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10, 120).design,
  },
  'power.ground-return': {
    wrong: () => {
      const one = motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10);
      one.wire('ESC1 signal', 'FC1 out1', 'supply-pulled', 150);
      return one.design;
    },
    right: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design,
  },
  'power.companion-supply': {
    wrong: () => {
      const one = powered('companion-small-5v');
      one.wire('CC1 header', 'FC1 S4', 'meaning', 150);
      return one.design;
    },
    right: () => {
      const one = powered('regulator-buck-boost-5v-4a', 'companion-small-5v');
      one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
      one.wire('BEC1 out', 'CC1 header', 'meaning', 80);
      return one.design;
    },
  },
  'power.battery': {
    wrong: () => motorised('motor-controller-80a-opto', 'motor-50mm-18x10', 10, 80, 'battery-li-ion-6s-14000').design,
    right: () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design,
  },
  'power.antenna-first': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 200);
      return set(one.design, 'RADIO1', 'antenna', 'none yet');
    },
    right: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 200);
      return one.design;
    },
  },
  'wire.ground-shift': {
    wrong: () => {
      const one = powered('companion-small-5v');
      one.wire('CC1 header', 'FC1 S4', 'meaning', 2500);
      return one.design;
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4', 'meaning', 200);
      return one.design;
    },
  },
  'wire.back-powered': {
    wrong: () => {
      const one = powered('companion-small-5v');
      one.wire('CC1 second', 'FC1 S4', 'meaning', 150);
      return one.design;
    },
    right: () => {
      const one = powered('receiver-sbus-16');
      one.wire('RX1 SBUS', 'FC1 S2', 'meaning', 200);
      return one.design;
    },
  },
  'power.over-voltage': { wrong: () => onThePack('battery-lipo-6s-10000'), right: () => onThePack('battery-lipo-4s-5000') },
};
