import type { Part } from '../model/part.ts';
import { connector, logic3V3, logic5Tolerant, partId, pins } from './build.ts';

export const rcReceivers: readonly Part[] = [
  {
    id: partId('receiver-sbus-16'),
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS, 16 channels',
    summary: 'One inverted serial wire at 100 000 baud. Loss of signal is told by a flag in the frame.',
    massG: 11,
    sizeMm: [36, 22, 9],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'SBUS',
        label: 'SBUS',
        connector: connector('pin-2.54', 3, 'pins'),
        signalRow: 'outer',
        pins: pins(['GND', 'gnd'], ['V', 'supply-in'], ['S', 'tx', logic3V3]),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'receiver',
        supply: 'SBUS.2',
        gnd: 'SBUS.1',
        law: 'constant-current',
        nominalV: 5,
        minV: 3.7,
        maxV: 8.4,
        idleA: 0.06,
        typicalA: 0.08,
        peakA: 0.1,
      },
    ],
    endpoints: [
      { is: 'rc-out', id: 'RC', pin: 'SBUS.3', formats: ['sbus'], channels: 16 },
      {
        is: 'uart',
        id: 'SBUS',
        tx: 'SBUS.3',
        exclusive: 'rc-out',
        names: { label: 'SBUS' },
        duplex: 'tx-only',
        inverts: 'none',
        maxBaud: 100_000,
        speaks: [{ protocol: 'sbus', as: 'talker', bauds: [100_000], defaultBaud: 100_000, inverted: true }],
      },
    ],
    routes: [],
    cautions: ['antenna-before-power'],
  },
];

export const telemetryRadios: readonly Part[] = [
  {
    id: partId('radio-900-class'),
    kind: 'telemetry-radio',
    name: 'Telemetry radio, 900 MHz class',
    summary: 'Air side of a pair, 57 600 baud as delivered. Its socket has the ground on pin 1.',
    massG: 18,
    sizeMm: [48, 26, 11],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'UART',
        label: 'UART',
        connector: connector('locking-1.25', 4, 'socket'),
        pins: pins(['GND', 'gnd'], ['RX', 'rx', logic5Tolerant], ['TX', 'tx', logic5Tolerant], ['V', 'supply-in']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'radio',
        supply: 'UART.4',
        gnd: 'UART.1',
        law: 'constant-power',
        nominalV: 5,
        minV: 4.5,
        maxV: 5.5,
        idleA: 0.06,
        typicalA: 0.15,
        peakA: 0.5,
      },
    ],
    endpoints: [
      {
        is: 'uart',
        id: 'UART',
        tx: 'UART.3',
        rx: 'UART.2',
        names: { label: 'UART' },
        duplex: 'full',
        inverts: 'none',
        maxBaud: 115_200,
        speaks: [{ protocol: 'mavlink-2', as: 'both', bauds: [19_200, 38_400, 57_600, 115_200], defaultBaud: 57_600 }],
      },
      { is: 'air', id: 'air', band: '900 MHz class' },
    ],
    routes: [],
    cautions: ['antenna-before-power', 'radio-rules'],
  },
];
