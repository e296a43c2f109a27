import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { bench, FC, joined, powered, set, withDialect, type CheckCases } from './build.ts';
import { made } from '../designs.ts';

export const linkCases: CheckCases = {
  'link.baud-mismatch': {
    wrong: () => {
      const one = bench(FC, 'radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1');
      return made(one.design, { kind: 'set-item-setting', item: one.itemId('FC1'), setting: 'S1.baud', value: 115_200, was: null });
    },
    right: () => {
      const one = bench(FC, 'radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1');
      return made(one.design, { kind: 'set-item-setting', item: one.itemId('FC1'), setting: 'S1.baud', value: 57_600, was: null });
    },
  },
  'link.port-names': {
    wrong: () => {
      const one = bench(FC, 'gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
    right: () => {
      const one = bench(FC, 'gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S3');
      return withDialect(one.design, { ...numbered, boards: { PLOVER4: { title: 'F4 wing board', serial: { S3: '3' } } } });
    },
  },
  'link.port-unsuitable': {
    wrong: () => {
      const one = powered('receiver-sbus-16');
      one.wire('RX1 SBUS', 'FC1 S5');
      return one.design;
    },
    right: () => {
      const one = powered('receiver-sbus-16');
      one.wire('RX1 SBUS', 'FC1 S2');
      return one.design;
    },
  },
  'link.duplicate-role': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return withDialect(set(set(one.design, 'FC1', 'S4.protocol', 'gnss-binary'), 'FC1', 'S1.protocol', 'gnss-binary'), roleTable);
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return withDialect(set(one.design, 'FC1', 'S4.protocol', 'gnss-binary'), roleTable);
    },
  },
  'rc.format-unsupported': {
    wrong: () => {
      const one = powered();
      one.add('receiver-settable', 'RC');
      one.wire('RX1 out', 'FC1 S2');
      return set(one.design, 'RX1', 'output', 'ppm');
    },
    right: () => {
      const one = powered();
      one.add('receiver-settable', 'RC');
      one.wire('RX1 out', 'FC1 S2');
      return one.design;
    },
  },
  'link.protocol-mismatch': {
    wrong: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return set(one.design, 'FC1', 'S4.protocol', 'mavlink-2');
    },
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return set(one.design, 'FC1', 'S4.protocol', 'gnss-binary');
    },
  },
  'link.inversion-mismatch': {
    wrong: () => {
      const one = powered('receiver-sbus-telemetry', 'inverter-level-shifter');
      one.wire('RX1 tap', 'CONV1 in', 'none');
      one.wire('CONV1 out', 'FC1 S5');
      return joined(one.design, 'W02', [[1, 1]]);
    },
    right: () => {
      const one = powered('receiver-sbus-telemetry', 'inverter-level-shifter');
      one.wire('RX1 main', 'CONV1 in', 'none');
      one.wire('CONV1 out', 'FC1 S5');
      return joined(one.design, 'W02', [[3, 1]]);
    },
  },
  'link.frame-mismatch': {
    wrong: () => {
      const one = bench('companion-small-5v', 'radio-ip-two-serial');
      one.wire('CC1 second', 'RADIO1 S1');
      return set(one.design, 'RADIO1', 'S1.frame', '8E2');
    },
    right: () => {
      const one = bench('companion-small-5v', 'radio-ip-two-serial');
      one.wire('CC1 second', 'RADIO1 S1');
      return one.design;
    },
  },
  'link.console-in-the-way': {
    wrong: () => {
      const one = powered('companion-module-carrier');
      one.wire('CC1 FC', 'FC1 S1');
      return one.design;
    },
    right: () => {
      const one = powered('companion-module-carrier');
      one.wire('CC1 FC', 'FC1 S1');
      return set(one.design, 'CC1', 'FC.console', false);
    },
  },
};
