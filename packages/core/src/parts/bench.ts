import { inMenu } from './ways.ts';
import type { Part } from '../model/part.ts';
import { ethernetPort, groundProgram, samplePart, wiredPort, type RawElement, type Row, type WiredPort } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const usbSocket = (n: number): WiredPort =>
  wiredPort(`usb${n}`, ['USB-C', 'socket'], [['VBUS', 'supply-out', `@vbus${n}`], ['D+', 'usb'], ['D-', 'usb'], gnd], {
    label: `USB ${n}`,
  });
const usbSupply = (n: number): RawElement => ({
  is: 'source',
  id: `usb-${n}`,
  plus: `@vbus${n}`,
  minus: '@gnd',
  volts: 5,
  ohm: 0.1,
  maxA: 0.9,
});

/** What stands on the bench or goes to the field in a box, and is wired to the aircraft for a while. */
export const benchParts: readonly Part[] = [
  samplePart({
    id: 'computer-bench',
    kind: 'ground-computer',
    name: 'Bench computer, two USB and Ethernet',
    summary: 'A portable computer for set-up, and for the ground program in the field. Each USB socket gives 5 V, 0.9 A.',
    massG: 1400,
    usually: 'ground',
    sizeMm: [320, 220, 18],
    ports: [usbSocket(1), usbSocket(2), ethernetPort('ETH', 'Ethernet')],
    circuit: [usbSupply(1), usbSupply(2)],
    endpoints: [
      { is: 'usb', id: 'usb1', port: 'usb1', as: 'host' },
      { is: 'usb', id: 'usb2', port: 'usb2', as: 'host' },
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['client', 'server'], address: {} },
      { is: 'network', id: 'program1', roles: ['program'] },
      { is: 'network', id: 'program2', roles: ['program'] },
    ],
    how: inMenu(['ETH.ip', 'ETH.prefix'], 'network set-up of the operating system', '"Wired", "Fixed address"'),
    routes: [
      { from: 'usb1', to: 'program1', transform: 'bridge' },
      { from: 'usb2', to: 'program1', transform: 'bridge' },
    ],
    programs: [groundProgram('program1', 'ground program'), groundProgram('program2', 'second ground program')],
    steps: [
      {
        title: 'One program at a time',
        text: "Close any other program on the port: two programs on one serial port take each other's bytes.",
        caution: 'propellers-off',
      },
    ],
  }),
  samplePart({
    id: 'supply-bench-30v',
    kind: 'instrument',
    name: 'Bench supply, 0 to 30 V, current limit',
    summary: 'Set the limit before the voltage: a wiring error then gets warm instead of burning.',
    massG: 2600,
    usually: 'bench',
    sizeMm: [240, 130, 80],
    settings: [
      {
        is: 'number',
        id: 'volts',
        label: 'output',
        unit: 'V',
        min: 0,
        max: 30,
        default: 5,
        how: { is: 'knob', knob: 'VOLTS, with the output off', confirms: 'the display; check with a meter' },
      },
      {
        is: 'number',
        id: 'amps',
        label: 'current limit',
        unit: 'A',
        min: 0.05,
        max: 10,
        default: 0.5,
        how: { is: 'knob', knob: 'AMPERES, with the leads shorted and 1 V set', confirms: 'the display shows the limit' },
      },
    ],
    ports: [
      wiredPort(
        'out',
        ['banana-4.0', 'socket'],
        [
          ['+', 'supply-out'],
          ['-', 'gnd'],
        ],
        { label: 'output' },
      ),
    ],
    circuit: [
      {
        is: 'source',
        id: 'output',
        plus: 'out.1',
        minus: 'out.2',
        volts: { fromSetting: 'volts' },
        ohm: 0.02,
        maxA: { fromSetting: 'amps' },
      },
    ],
    indications: [{ shows: 'CC lit', means: 'the limit is reached: switch off and find the cause' }],
    steps: [
      {
        title: 'First power-up',
        text: 'Limit at 0.3 A, voltage of the pack at its lowest, propellers off, then output on. Reaching the limit at rest means a fault.',
        caution: 'propellers-off',
      },
    ],
  }),
  samplePart({
    id: 'meter-handheld',
    kind: 'instrument',
    name: 'Multimeter, handheld',
    summary: 'Volts, ohms and continuity, two probes. 10 Mohm: it hardly loads the circuit.',
    massG: 320,
    usually: 'bench',
    sizeMm: [180, 85, 45],
    ports: [
      wiredPort(
        'probes',
        ['banana-4.0', 'socket'],
        [
          ['V', 'analog-in', { highV: 12, inputMaxV: 100 }],
          ['COM', 'gnd', '@gnd'],
        ],
        { label: 'probes' },
      ),
    ],
    endpoints: [{ is: 'analog-sense', id: 'volts', pin: 'probes.1', fullScaleV: 60, purpose: 'reading' }],
    steps: [
      {
        title: 'Ohms only without power',
        text: 'Disconnect the pack before you measure resistance or continuity, and let capacitors discharge.',
        caution: 'battery',
      },
    ],
  }),
];
