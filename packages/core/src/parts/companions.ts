import type { Part } from '../model/part.ts';
import { load, logic3V3, offer, samplePart, uart, wiredPort, type Offer, type Row } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const bauds = [57_600, 115_200, 230_400, 460_800, 921_600];
const speaks: readonly Offer[] = [offer('mavlink-2', 'both', 115_200, bauds)];
const usb = wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-out', '@5v'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB' });

const devicePath = (id: string, delivered: string, others: readonly string[]): Part['settings'][number] => ({
  is: 'choice',
  id: `${id}-device`,
  label: `${id} device path`,
  choices: [delivered, ...others].map((value) => ({ value, label: value })),
  default: delivered,
});

export const companions: readonly Part[] = [
  samplePart({
    id: 'companion-small-5v',
    kind: 'companion',
    name: 'Companion, small, 5 V 2.5 A',
    summary: 'Header with two serial ports; the first carries the login console as delivered.',
    massG: 48,
    sizeMm: [86, 56, 18],
    noiseDbm: -88,
    settings: [devicePath('UART1', '/dev/serial0', ['/dev/ttyS0']), devicePath('UART2', '/dev/ttyS1', ['/dev/ttyAMA1'])],
    ports: [
      wiredPort(
        'header',
        ['pin-2.54', 'pins'],
        [['5V', 'supply-in', '@5v'], ['5V', 'supply-in', '@5v'], gnd, ['T1', 'tx', logic3V3], ['R1', 'rx', logic3V3]],
        {
          needed: true,
        },
      ),
      wiredPort('second', ['pin-2.54', 'pins'], [['T2', 'tx', logic3V3], ['R2', 'rx', logic3V3], gnd], { label: 'second serial' }),
      usb,
    ],
    circuit: [load('computer', ['@5v', '@gnd'], [0.5, 1.1, 2.5], [5.1, 4.75, 5.4], { law: 'constant-power' })],
    endpoints: [
      uart('UART1', { tx: 'header.4', rx: 'header.5' }, speaks, { console: true }),
      uart('UART2', { tx: 'second.1', rx: 'second.2' }, speaks),
      { is: 'usb', id: 'usb' },
      { is: 'network', id: 'net', roles: ['client', 'server', 'router'] },
    ],
  }),
  samplePart({
    id: 'companion-large-12v',
    kind: 'companion',
    name: 'Companion, large, 9 to 20 V',
    summary: 'For image work: 25 W at the peak, serial header and Ethernet. The serial port carries the login console as delivered.',
    massG: 176,
    sizeMm: [103, 91, 35],
    noiseDbm: -84,
    settings: [devicePath('UART1', '/dev/ttyTHS0', ['/dev/ttyTHS1'])],
    ports: [
      wiredPort(
        'power',
        ['screw-3.5', 'socket'],
        [
          ['+', 'supply-in'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort('serial', ['pin-2.54', 'pins'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3]]),
      wiredPort(
        'ETH',
        ['8P8C', 'socket'],
        [
          ['T+', 'usb'],
          ['T-', 'usb'],
          ['R+', 'usb'],
          ['R-', 'usb'],
        ],
        {
          label: 'Ethernet',
          groundless: 'Its pairs are isolated by transformers.',
        },
      ),
    ],
    circuit: [load('computer', ['power.1', '@gnd'], [0.5, 1, 2.1], [12, 9, 20], { law: 'constant-power' })],
    endpoints: [
      uart('UART1', { tx: 'serial.2', rx: 'serial.3' }, speaks, { console: true }),
      { is: 'network', id: 'ETH', roles: ['client', 'server', 'router'] },
    ],
  }),
  samplePart({
    id: 'companion-module-carrier',
    kind: 'companion',
    name: 'Companion module on a carrier, 5 V 5 A',
    summary: 'Carrier with a socket for the controller whose wires are crossed inside: its TX pin is labelled for the controller.',
    massG: 92,
    sizeMm: [85, 60, 28],
    noiseDbm: -86,
    settings: [devicePath('FC', '/dev/ttyAMA0', ['/dev/ttyS0'])],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['5V', 'supply-in', '@5v'], ['5V', 'supply-in', '@5v'], gnd, gnd], { needed: true }),
      wiredPort('FC', ['locking-1.25', 'socket'], [['-', 'nc'], ['TX', 'rx', logic3V3], ['RX', 'tx', logic3V3], gnd], {
        label: 'controller',
      }),
      usb,
    ],
    circuit: [load('computer', ['@5v', '@gnd'], [0.9, 2, 5], [5.1, 4.8, 5.4], { law: 'constant-power' })],
    endpoints: [
      uart('FC', { tx: 'FC.3', rx: 'FC.2' }, speaks, { console: true, names: { label: 'controller' } }),
      { is: 'usb', id: 'usb' },
      { is: 'network', id: 'net', roles: ['client', 'server', 'router'] },
    ],
  }),
];
