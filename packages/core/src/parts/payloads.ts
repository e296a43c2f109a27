import type { Part } from '../model/part.ts';
import { load, logic3V3, logicPulse, offer, samplePart, uart, wiredPort, type Row } from './build.ts';
import { canDevice } from './sensors.ts';
import { inMenu } from './ways.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];

export const payloads: readonly Part[] = [
  samplePart({
    id: 'payload-camera-trigger',
    kind: 'payload',
    name: 'Camera trigger, opto-isolated',
    summary: 'Turns a servo pulse into a closing contact for a camera.',
    massG: 6,
    sizeMm: [24, 14, 8],
    ports: [
      wiredPort('lead', ['pin-2.54', 'socket'], [['S', 'pulse-in', logicPulse], ['V', 'supply-in'], gnd], { needed: true }),
      wiredPort(
        'contact',
        ['locking-1.25', 'socket'],
        [
          ['A', 'switch'],
          ['B', 'switch'],
        ],
        { groundless: 'A contact that floats.' },
      ),
    ],
    circuit: [load('trigger', ['lead.2', '@gnd'], [0.005, 0.01, 0.02], [5, 4.5, 6])],
    endpoints: [{ is: 'pulse-in', id: 'fire', pin: 'lead.1', kinds: ['pwm'], rateHz: [50, 50], use: 'switching' }],
  }),
  samplePart({
    id: 'payload-dropper-servo',
    kind: 'payload',
    name: 'Dropper with servo',
    summary: 'A latch on a 9 g servo, for markers up to 300 g.',
    massG: 34,
    sizeMm: [60, 30, 28],
    ports: [wiredPort('lead', ['pin-2.54', 'socket'], [['S', 'pulse-in', logicPulse], ['V', 'supply-in'], gnd], { needed: true })],
    circuit: [load('latch', ['lead.2', '@gnd'], [0.008, 0.22, 0.22], [5, 4.5, 6], { law: 'resistance', stallA: 0.7 })],
    endpoints: [{ is: 'pulse-in', id: 'latch', pin: 'lead.1', kinds: ['pwm'], rateHz: [50, 50], use: 'servo' }],
  }),
  samplePart({
    id: 'payload-landing-light',
    kind: 'payload',
    name: 'Landing light 10 W, switched by a pulse',
    summary: '7 to 26 V on its own plug; the lead carries only signal and ground.',
    massG: 29,
    sizeMm: [36, 36, 26],
    ports: [
      wiredPort(
        'power',
        ['XT30', 'plug'],
        [
          ['+', 'supply-in'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort('lead', ['pin-2.54', 'socket'], [['S', 'pulse-in', logicPulse], ['-', 'nc'], gnd], { needed: true }),
    ],
    circuit: [load('light', ['power.1', '@gnd'], [0.01, 0.7, 0.8], [14.8, 7, 26], { law: 'constant-power' })],
    endpoints: [{ is: 'pulse-in', id: 'dim', pin: 'lead.1', kinds: ['pwm'], rateHz: [50, 100], use: 'switching' }],
  }),
  samplePart({
    id: 'payload-gimbal-serial',
    kind: 'payload',
    name: 'Gimbal, serial control',
    summary: 'Two axes, 10 to 17 V, serial at 115 200 baud; its socket starts with TX.',
    massG: 168,
    sizeMm: [90, 80, 95],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('UART', ['locking-1.25', 'socket'], [['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], gnd], { needed: true }),
    ],
    circuit: [load('gimbal', ['power.1', '@gnd'], [0.2, 0.4, 1.5], [14.8, 10, 17], { law: 'constant-power', stallA: 2 })],
    how: inMenu(['UART.baud'], 'gimbal tool on the bench computer', '"Control port"', { over: 'UART', confirms: 'it nods once' }),
    endpoints: [uart('UART', { tx: 'UART.1', rx: 'UART.2' }, [offer('gimbal', 'both', 115_200, [57_600, 115_200])])],
  }),
  canDevice(
    {
      id: 'payload-lidar-can',
      kind: 'payload',
      name: 'Lidar, CAN',
      summary: 'Scanning lidar for reed heights. Termination by a jumper.',
      massG: 135,
      sizeMm: [80, 60, 50],
    },
    0.6,
  ),
  canDevice(
    {
      id: 'payload-radar-can',
      kind: 'payload',
      name: 'Radar altimeter, CAN',
      summary: '24 GHz class altimeter. Termination by a jumper.',
      massG: 98,
      sizeMm: [72, 68, 20],
    },
    0.45,
  ),
];
