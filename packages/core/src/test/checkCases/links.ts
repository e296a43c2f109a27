import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { bench, FC, joined, powered, set, withDialect, type CheckCases } from './build.ts';
import type { Design } from '../../model/design.ts';
import { linkKey } from '../../model/linkWords.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { itemOf, made } from '../designs.ts';
import { bondedPair, overNetwork } from '../linkBenches.ts';

/** A receiver on a port that nobody has given a role. */
function gnssOnPort(): Design {
  const one = powered('gnss-serial');
  one.wire('GNSS1 UART', 'FC1 S1', 'meaning', 100);
  return one.design;
}

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
  'link.wrong-reading': {
    wrong: () => {
      const board = bench('controller-f7-mini', 'motor-controller-four-in-one-45a');
      board.wire('ESC1 FC', 'FC1 PWR', 'straight');
      return board.design;
    },
    right: () => {
      const board = bench('controller-f7-mini', 'motor-controller-four-in-one-45a');
      board.wire('ESC1 FC', 'FC1 PWR');
      return board.design;
    },
  },
  'link.no-role': {
    wrong: gnssOnPort,
    right: () => set(gnssOnPort(), 'FC1', 'S1.protocol', 'gnss-binary'),
  },
  'link.no-port': {
    wrong: () => bench(FC, 'airspeed-can-7k').design,
    right: () => bench(FC, 'airspeed-i2c-2k5').design,
  },
  'link.port-shortage': {
    wrong: () => bench(FC, 'gnss-serial', 'radio-900-class', 'radio-433-class', 'rangefinder-serial-40m', 'payload-gimbal-serial').design,
    right: () => bench(FC, 'gnss-serial', 'radio-900-class', 'payload-gimbal-serial').design,
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
      one.wire('RX1 main', 'FC1 S2');
      one.wire('RX1 tap', 'CONV1 in', 'none');
      one.wire('CONV1 out', 'FC1 S5');
      return joined(one.design, 'W03', [[1, 1]]);
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
  'link.air-mismatch': {
    wrong: () => set(bondedPair().design, 'RADIO2', 'air.number', 40),
    right: () => bondedPair().design,
  },
  'link.address-mismatch': {
    wrong: () => set(overNetwork().design, 'PC1', 'ETH.ip', '10.77.0.10'),
    right: () => overNetwork().design,
  },
  'link.two-masters': {
    wrong: () => {
      const one = bondedPair();
      one.add('computer-bench', 'second pilot', { 'program1.streams': false }, 'ground');
      one.wire('PC2 usb1', 'FC1 usb');
      return one.design;
    },
    right: () => {
      const one = bondedPair();
      one.add('computer-bench', 'second pilot', { 'program1.streams': false, 'program1.system': 254 }, 'ground');
      one.wire('PC2 usb1', 'FC1 usb');
      return one.design;
    },
  },
  'link.bandwidth': {
    wrong: () => withRate(bondedPair().design, 50),
    right: () => withRate(bondedPair().design, 6),
  },
  'link.config-port': {
    wrong: () => lockedUp(),
    right: () => {
      const design = lockedUp();
      const { id, settings } = itemOf(design, 'FC1');
      const was = settings['S1.protocol'] ?? null;
      return made(design, { kind: 'set-item-setting', item: id, setting: 'S1.protocol', value: 'mavlink-2', was });
    },
  },
  'link.not-begun': {
    wrong: () => powered('gnss-serial').design,
    right: () => {
      const one = powered('gnss-serial');
      one.wire('GNSS1 UART', 'FC1 S4');
      return one.design;
    },
  },
};

function withRate(design: Design, hz: number): Design {
  const link = linkKey('telemetry', itemOf(design, 'RADIO1').id);
  return made(design, { kind: 'set-stream', link, stream: 'attitude', hz, was: null });
}

/** Something is in its USB, and every serial port is set to something else. */
function lockedUp(): Design {
  const one = powered();
  one.add('head-tracker-ppm', 'charging', {}, 'ground');
  one.wire('STK1 usb', 'FC1 usb');
  const part = one.design.parts.get(itemOf(one.design, 'FC1').part);
  if (part === undefined) throw new Error('There is no controller.');
  for (const spec of settingsOf(part)) {
    const other =
      spec.is === 'choice' && spec.id.endsWith('.protocol') ? spec.choices.find(({ value }) => value !== 'mavlink-2') : undefined;
    if (other !== undefined) one.setting('FC1', spec.id, other.value);
  }
  return one.design;
}
