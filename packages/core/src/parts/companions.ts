import type { Part } from '../model/part.ts';
import { ethernetPort, load, logic3V3, offer, samplePart, uart, wiredPort, type Offer, type Row } from './build.ts';
import { inMenu, type Ways } from './ways.ts';

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
  how: { is: 'menu', tool: 'set-up file of the link program', menu: 'the line "device"' },
});

/** Its address in a network, where it has one. */
const addressWays = (id: string): Ways => inMenu([`${id}.ip`, `${id}.prefix`], 'network set-up of the operating system', '"Fixed address"');

/** What runs on it and speaks with the vehicle as one of its components. It listens until somebody lets it command. */
const ownProgram: NonNullable<Part['programs']>[number] = {
  id: 'program1',
  title: 'program on it',
  system: 1,
  component: 191,
  commands: false,
  asksForStreams: false,
};
const ownEndpoint = { is: 'network', id: 'program1', roles: ['program'] } as const;

/** Speed and console of a computer's serial port. */
const portWays = (id: string, over: string): Ways => [
  ...inMenu([`${id}.baud`], 'set-up file of the link program', 'the line "baud"'),
  ...inMenu([`${id}.console`], 'set-up of the operating system', 'login over serial off, then restart', {
    over,
    confirms: 'nothing is printed on the port while it starts',
  }),
];

const computerLights: NonNullable<Part['indications']> = [
  { shows: 'red steady', means: 'supplied' },
  { shows: 'green flicker', means: 'it reads or writes its card' },
];
const computerSteps: NonNullable<Part['steps']> = [
  {
    title: 'First start',
    text: 'Give it its own name and password, set its clock from the network, and shut it down before removing power: the card can be corrupted otherwise.',
  },
];

export const companions: readonly Part[] = [
  samplePart({
    id: 'companion-small-5v',
    kind: 'companion',
    name: 'Companion, small, 5 V 2.5 A',
    summary: 'Header with two serial ports; the first carries the login console by default.',
    massG: 48,
    sizeMm: [86, 56, 18],
    noiseDbm: -88,
    settings: [devicePath('UART1', '/dev/ttyS0', ['/dev/ttyS4']), devicePath('UART2', '/dev/ttyS1', ['/dev/ttyS5'])],
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
    how: [
      ...addressWays('net'),
      ...portWays('UART1', 'header'),
      ...inMenu(['UART2.baud'], 'set-up file of the link program', 'the line "baud"'),
    ],
    routes: [
      { from: 'UART1', to: 'net', transform: 'bridge' },
      { from: 'UART2', to: 'net', transform: 'bridge' },
      { from: 'usb', to: 'net', transform: 'bridge' },
      { from: 'net', to: 'program1', transform: 'bridge' },
    ],
    programs: [ownProgram],
    endpoints: [
      ownEndpoint,
      uart('UART1', { tx: 'header.4', rx: 'header.5' }, speaks, { console: true }),
      uart('UART2', { tx: 'second.1', rx: 'second.2' }, speaks),
      { is: 'usb', id: 'usb', port: 'usb', as: 'host' },
      { is: 'network', id: 'net', roles: ['client', 'server', 'router'], address: {} },
    ],
  }),
  samplePart({
    id: 'companion-large-12v',
    kind: 'companion',
    name: 'Companion, large, 9 to 20 V',
    summary: 'For image work: 25 W peak, serial header and Ethernet. The serial port carries the login console by default.',
    massG: 176,
    sizeMm: [103, 91, 35],
    noiseDbm: -84,
    settings: [devicePath('UART1', '/dev/ttyS2', ['/dev/ttyS3'])],
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
      ethernetPort('ETH', 'Ethernet'),
    ],
    circuit: [load('computer', ['power.1', '@gnd'], [0.5, 1, 2.1], [12, 9, 20], { law: 'constant-power' })],
    how: [...addressWays('ETH'), ...portWays('UART1', 'serial')],
    routes: [
      { from: 'UART1', to: 'ETH', transform: 'bridge' },
      { from: 'ETH', to: 'program1', transform: 'bridge' },
    ],
    programs: [ownProgram],
    endpoints: [
      ownEndpoint,
      uart('UART1', { tx: 'serial.2', rx: 'serial.3' }, speaks, { console: true }),
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['client', 'server', 'router'], address: {} },
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
    settings: [devicePath('FC', '/dev/ttyS0', ['/dev/ttyS1'])],
    ports: [
      wiredPort(
        'power',
        ['locking-2.0', 'socket'],
        [['5V', 'supply-in', '@5v'], ['5V', 'supply-in', '@5v'], ['5V', 'supply-in', '@5v'], gnd, gnd, gnd],
        { needed: true },
      ),
      wiredPort('FC', ['locking-1.25', 'socket'], [['-', 'nc'], ['TX', 'rx', logic3V3], ['RX', 'tx', logic3V3], gnd], {
        label: 'controller',
      }),
      usb,
    ],
    circuit: [load('computer', ['@5v', '@gnd'], [0.9, 2, 5], [5.1, 4.8, 5.4], { law: 'constant-power' })],
    how: [...addressWays('net'), ...portWays('FC', 'FC')],
    routes: [
      { from: 'FC', to: 'net', transform: 'bridge' },
      { from: 'usb', to: 'net', transform: 'bridge' },
      { from: 'net', to: 'program1', transform: 'bridge' },
    ],
    programs: [ownProgram],
    endpoints: [
      ownEndpoint,
      uart('FC', { tx: 'FC.3', rx: 'FC.2' }, speaks, { console: true, names: { label: 'controller' } }),
      { is: 'usb', id: 'usb', port: 'usb', as: 'host' },
      { is: 'network', id: 'net', roles: ['client', 'server', 'router'], address: {} },
    ],
  }),
  samplePart({
    id: 'companion-small-ethernet',
    kind: 'companion',
    name: 'Companion, small, with Ethernet',
    summary: 'Small computer with one serial port, Ethernet and USB; 5 V 2 A. The serial port carries the login console by default.',
    massG: 34,
    sizeMm: [64, 52, 17],
    noiseDbm: -89,
    settings: [devicePath('UART1', '/dev/ttyS2', ['/dev/ttyS0'])],
    ports: [
      wiredPort('power', ['pin-2.54', 'pins'], [['5V', 'supply-in', '@5v'], gnd], { needed: true }),
      wiredPort('header', ['pin-2.54', 'pins'], [gnd, ['T2', 'tx', logic3V3], ['R2', 'rx', logic3V3]], { label: 'serial' }),
      ethernetPort('ETH', 'Ethernet'),
      usb,
    ],
    circuit: [load('computer', ['@5v', '@gnd'], [0.35, 0.8, 1.9], [5.1, 4.75, 5.4], { law: 'constant-power' })],
    how: [...addressWays('ETH'), ...portWays('UART1', 'header')],
    routes: [
      { from: 'UART1', to: 'ETH', transform: 'bridge' },
      { from: 'usb', to: 'ETH', transform: 'bridge' },
      { from: 'ETH', to: 'program1', transform: 'bridge' },
    ],
    programs: [ownProgram],
    endpoints: [
      ownEndpoint,
      uart('UART1', { tx: 'header.2', rx: 'header.3' }, speaks, { console: true }),
      { is: 'usb', id: 'usb', port: 'usb', as: 'host' },
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['client', 'server', 'router'], address: {} },
    ],
    indications: computerLights,
    steps: computerSteps,
  }),
  samplePart({
    id: 'companion-camera-two-serial',
    kind: 'companion',
    name: 'Camera computer, two serial ports',
    summary:
      'Camera and computer in one: a serial port for the controller, one for a gimbal or another radio, and Ethernet to its own network radio. 9 to 20 V.',
    massG: 97,
    sizeMm: [68, 52, 44],
    noiseDbm: -87,
    settings: [devicePath('UART1', '/dev/ttyHS0', ['/dev/ttyHS2']), devicePath('UART2', '/dev/ttyHS1', ['/dev/ttyHS3'])],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('S1', ['locking-1.25', 'socket'], [gnd, ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['-', 'nc']], {
        label: 'serial 1',
      }),
      wiredPort('S2', ['locking-1.25', 'socket'], [gnd, ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['-', 'nc']], {
        label: 'serial 2',
      }),
      ethernetPort('ETH', 'radio'),
    ],
    circuit: [load('computer', ['power.1', '@gnd'], [0.4, 0.7, 1.1], [12, 9, 20], { law: 'constant-power' })],
    how: [
      ...addressWays('ETH'),
      ...inMenu(['UART1.baud', 'UART2.baud', 'UART2.frame'], 'pages of the camera at 10.77.0.20', '"Serial ports"', {
        over: 'ETH',
        password: 'samphire',
      }),
    ],
    routes: [
      { from: 'UART1', to: 'ETH', transform: 'bridge' },
      { from: 'UART2', to: 'ETH', transform: 'bridge' },
      { from: 'ETH', to: 'program1', transform: 'bridge' },
    ],
    programs: [ownProgram],
    endpoints: [
      ownEndpoint,
      uart('UART1', { tx: 'S1.3', rx: 'S1.2' }, speaks, { names: { label: 'serial 1' } }),
      uart('UART2', { tx: 'S2.3', rx: 'S2.2' }, [offer('transparent', 'both', 115_200, bauds)], { names: { label: 'serial 2' } }),
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['client', 'server', 'camera', 'router'], address: { delivered: '10.77.0.20' } },
    ],
    indications: computerLights,
    steps: computerSteps,
  }),
];
