import type { Part } from '../model/part.ts';
import { load, logic3V3, offer, samplePart, skyAntenna, uart, wiredPort, type Offer, type Row } from './build.ts';
import { canWays, gnssWays } from './ways.ts';

const speaks: readonly Offer[] = [
  offer('nmea-0183', 'talker', 38_400, [4800, 9600, 19_200, 38_400, 57_600, 115_200]),
  offer('gnss-binary', 'both', 38_400, [38_400, 57_600, 115_200, 230_400, 460_800]),
];
const gnd: Row = ['GND', 'gnd', '@gnd'];
const tx: Row = ['TX', 'tx', logic3V3];
const rx: Row = ['RX', 'rx', logic3V3];

const canChain: readonly Row[] = [['V', 'supply-in', '@v'], ['H', 'can-h', '@h'], ['L', 'can-l', '@l'], gnd];

export const gnssReceivers: readonly Part[] = [
  samplePart({
    id: 'gnss-serial',
    kind: 'gnss',
    name: 'GNSS receiver, serial',
    summary: 'Plain serial receiver, NMEA 0183 or binary, 38 400 baud by default.',
    massG: 14,
    sizeMm: [28, 28, 9],
    radios: [skyAntenna([0, 0, 4])],
    ports: [wiredPort('UART', ['locking-1.25', 'socket'], [['V', 'supply-in'], tx, rx, gnd], { needed: true })],
    circuit: [load('receiver', ['UART.1', '@gnd'], [0.03, 0.035, 0.06], [5, 3.6, 5.5])],
    how: gnssWays('UART.protocol', 'UART.baud'),
    endpoints: [uart('UART', { tx: 'UART.2', rx: 'UART.3' }, speaks)],
  }),
  samplePart({
    id: 'gnss-compass-i2c',
    kind: 'gnss',
    name: 'GNSS receiver with compass, serial and I2C',
    summary: 'For a boom: serial position and a compass at I2C address 0x0E on one 6-way socket, supply first.',
    massG: 33,
    sizeMm: [55, 55, 16],
    radios: [skyAntenna([0, 0, 8])],
    compass: { rangeUt: 800 },

    ports: [
      wiredPort('main', ['locking-1.25', 'socket'], [['V', 'supply-in'], rx, tx, ['SCL', 'scl', logic3V3], ['SDA', 'sda', logic3V3], gnd], {
        needed: true,
      }),
    ],
    circuit: [load('receiver', ['main.1', '@gnd'], [0.05, 0.07, 0.12], [5, 4.5, 5.5])],
    how: gnssWays('UART.protocol', 'UART.baud'),
    endpoints: [
      uart('UART', { tx: 'main.3', rx: 'main.2' }, speaks),
      { is: 'i2c-device', id: 'compass', sda: 'main.5', scl: 'main.4', addresses: [0x0e], pullUpOhm: 4700, capacitancePf: 12 },
    ],
    indications: [{ shows: 'one blue flash a second', means: 'time and position are valid' }],
  }),
  samplePart({
    id: 'gnss-can-compass',
    kind: 'gnss',
    name: 'GNSS receiver with compass, CAN',
    summary: 'Position, compass and barometer over CAN; termination by a jumper, off by default.',
    massG: 46,
    sizeMm: [60, 60, 18],
    radios: [skyAntenna([0, 0, 9])],
    compass: { rangeUt: 1300 },

    ports: [wiredPort('CAN', ['locking-1.25', 'socket'], [['V', 'supply-in'], ['H', 'can-h'], ['L', 'can-l'], gnd], { needed: true })],
    circuit: [load('receiver', ['CAN.1', '@gnd'], [0.1, 0.13, 0.2], [5, 4.5, 5.5])],
    how: canWays('CAN'),
    endpoints: [{ is: 'can', id: 'CAN', high: 'CAN.2', low: 'CAN.3', terminated: false, switchable: true }],
  }),
  samplePart({
    id: 'gnss-dual-antenna',
    kind: 'gnss',
    name: 'GNSS receiver, two antennas, with heading',
    summary: 'Gives heading from two antennas on a known baseline; binary at 230 400 baud, accepts corrections on the same port.',
    massG: 72,
    sizeMm: [68, 42, 14],
    radios: [
      { ...skyAntenna([0, 0, 0], 'a1', 'first antenna'), heading: 'first' },
      { ...skyAntenna([0, 0, 0], 'a2', 'second antenna'), heading: 'second' },
    ],
    ports: [
      wiredPort('UART', ['locking-1.25', 'socket'], [gnd, tx, rx, ['V', 'supply-in']], { needed: true }),
      wiredPort('aux', ['locking-1.25', 'socket'], [gnd, tx, rx, ['-', 'nc']], { label: 'corrections' }),
    ],
    circuit: [load('receiver', ['UART.4', '@gnd'], [0.22, 0.28, 0.4], [5, 4.6, 5.5])],
    how: gnssWays('UART.baud', 'aux.baud'),
    endpoints: [
      uart('UART', { tx: 'UART.2', rx: 'UART.3' }, [offer('gnss-binary', 'both', 230_400, [115_200, 230_400, 460_800])]),
      uart('aux', { tx: 'aux.2', rx: 'aux.3' }, [offer('gnss-binary', 'both', 115_200, [57_600, 115_200])], {
        names: { label: 'corrections' },
      }),
    ],
    cautions: ['antenna-before-power'],
  }),
  samplePart({
    id: 'gnss-wide-supply',
    kind: 'gnss',
    name: 'GNSS receiver, 7 to 30 V',
    summary: 'Powered from the battery side, so unpowered on USB; serial, NMEA 0183 at 9600 baud.',
    massG: 58,
    sizeMm: [50, 50, 22],
    radios: [skyAntenna([0, 0, 11])],
    ports: [wiredPort('main', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd, rx, tx], { needed: true })],
    circuit: [load('receiver', ['main.1', '@gnd'], [0.03, 0.05, 0.09], [12, 7, 30], { law: 'constant-power' })],
    how: gnssWays('UART.baud'),
    endpoints: [uart('UART', { tx: 'main.4', rx: 'main.3' }, [offer('nmea-0183', 'talker', 9600, [4800, 9600, 38_400])])],
  }),
  samplePart({
    id: 'gnss-can-chained',
    kind: 'gnss',
    name: 'GNSS receiver, CAN, chained',
    summary:
      'Position and compass over CAN on two sockets side by side, so that the bus continues to the next device; termination by a switch, on by default.',
    massG: 39,
    sizeMm: [54, 54, 15],
    radios: [skyAntenna([0, 0, 8])],
    compass: { rangeUt: 800 },
    ports: [
      wiredPort('in', ['locking-1.25', 'socket'], canChain, { label: 'CAN', needed: true }),
      wiredPort('on', ['locking-1.25', 'socket'], [['V', 'supply-through', '@v'], ['H', 'can-h', '@h'], ['L', 'can-l', '@l'], gnd], {
        label: 'CAN on',
      }),
    ],
    circuit: [load('receiver', ['@v', '@gnd'], [0.1, 0.12, 0.18], [5, 4.5, 5.5])],
    endpoints: [{ is: 'can', id: 'CAN', high: 'in.2', low: 'in.3', terminated: true, switchable: true }],
    how: [
      { settings: ['CAN.terminated'], how: { is: 'switch', switch: '"END" on its side: off where the bus continues from here' } },
      {
        settings: ['CAN.node'],
        how: { is: 'menu', tool: 'CAN tool on the bench computer', menu: '"Node id", then save and power-cycle it', over: 'in' },
      },
    ],
    indications: [
      { shows: 'white flash a second', means: 'time and position are valid' },
      { shows: 'blue steady', means: 'it has a node number on the bus' },
    ],
    steps: [
      {
        title: 'Calibrate the compass',
        text: 'Mounted in the aircraft, away from cars and steel, with everything on that is on in flight.',
        caution: 'propellers-off',
      },
    ],
  }),
];
