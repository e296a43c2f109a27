import type { Part } from '../model/part.ts';
import { load, samplePart, wiredPort, type Row, type WiredPort } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];

export const buzzers: readonly Part[] = [
  samplePart({
    id: 'buzzer-5v',
    kind: 'buzzer',
    name: 'Buzzer, 5 V active',
    summary: 'Sounds when its minus side is pulled to ground.',
    massG: 3,
    sizeMm: [12, 12, 9],
    magnetAm2: 0.01,
    ports: [
      wiredPort(
        'leads',
        ['solder-pad', 'pads'],
        [
          ['+', 'supply-in'],
          ['-', 'switch'],
        ],
        { groundless: 'Its minus side is switched.', needed: true },
      ),
    ],
    circuit: [load('buzzer', ['leads.1', 'leads.2'], [0, 0.03, 0.03], [5, 3, 6], { law: 'resistance' })],
  }),
];

export const switches: readonly Part[] = [
  samplePart({
    id: 'safety-switch',
    kind: 'switch',
    name: 'Safety switch with light',
    summary: 'Closes between its supply and the input while it is pressed; its light shows the state.',
    massG: 5,
    sizeMm: [18, 14, 14],
    ports: [
      wiredPort(
        'lead',
        ['locking-1.25', 'plug'],
        [
          ['V', 'supply-in'],
          ['LED', 'switch'],
          ['SW', 'switch'],
        ],
        {
          groundless: 'It closes between its supply and the input.',
          needed: true,
        },
      ),
    ],
    circuit: [load('light', ['lead.1', 'lead.2'], [0, 0.005, 0.01], [3.3, 3, 5.5], { law: 'resistance' })],
    indications: [
      { shows: 'slow flashing', means: 'outputs held safe' },
      { shows: 'steady', means: 'outputs live' },
    ],
  }),
];

export const lights: readonly Part[] = [
  samplePart({
    id: 'led-strip-16',
    kind: 'light',
    name: 'Addressable light strip, 16 lights',
    summary: 'Reads its data above 0.7 of its supply: on a 3.3 V output its supply must be 4.7 V at most.',
    massG: 8,
    sizeMm: [270, 10, 3],
    ports: [
      wiredPort(
        'in',
        ['pin-2.54', 'socket'],
        [['S', 'pulse-in', { highV: 5, inputMaxV: 5.5, needsShareOfSupply: 0.7 }], ['V', 'supply-in'], gnd],
        {
          needed: true,
        },
      ),
    ],
    circuit: [load('lights', ['in.2', '@gnd'], [0.016, 0.3, 0.9], [5, 3.5, 5.5])],
    endpoints: [{ is: 'pulse-in', id: 'data', pin: 'in.1', kinds: ['led'], rateHz: [1, 400], use: 'switching' }],
  }),
];

const canSocket = (n: number): WiredPort =>
  wiredPort(`c${n}`, ['locking-1.25', 'socket'], [['V', 'supply-through', '@v'], ['H', 'can-h', '@h'], ['L', 'can-l', '@l'], gnd], {
    label: `CAN ${n}`,
  });
const i2cSocket = (n: number): WiredPort =>
  wiredPort(`i${n}`, ['locking-1.25', 'socket'], [['V', 'supply-through', '@v'], ['SDA', 'sda', '@sda'], ['SCL', 'scl', '@scl'], gnd], {
    label: `I2C ${n}`,
  });

export const hubs: readonly Part[] = [
  samplePart({
    id: 'hub-can-6',
    kind: 'hub',
    name: 'CAN hub, 6 sockets',
    summary: 'Six sockets in parallel, without a termination of its own.',
    massG: 9,
    sizeMm: [42, 18, 7],
    ports: [1, 2, 3, 4, 5, 6].map(canSocket),
  }),
  samplePart({
    id: 'splitter-i2c-4',
    kind: 'hub',
    name: 'I2C splitter, 4 sockets',
    summary: 'Four sockets in parallel, without pull-ups of its own.',
    massG: 6,
    sizeMm: [32, 16, 7],
    ports: [1, 2, 3, 4].map(i2cSocket),
  }),
];

const chosen = (id: string, label: string, unit: string, values: readonly number[], delivered: number): Part['settings'][number] => ({
  is: 'choice',
  id,
  label,
  unit,
  choices: values.map((value) => ({ value, label: String(value) })),
  default: delivered,
  how: { is: 'wiring', wiring: 'Chosen when it is bought or built' },
});

export const filters: readonly Part[] = [
  samplePart({
    id: 'filter-lc-2a',
    kind: 'filter',
    name: 'LC filter, 2 A',
    summary: 'Coil and capacitor for the video supply.',
    massG: 8,
    sizeMm: [28, 14, 12],
    settings: [
      chosen('microhenry', 'Coil', 'uH', [22, 33, 47, 68, 100, 150, 220, 330], 100),
      chosen('microfarad', 'Capacitor', 'uF', [100, 150, 220, 330, 470, 680, 1000], 470),
    ],
    ports: [
      wiredPort('in', ['solder-pad', 'pads'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('out', ['solder-pad', 'pads'], [['V', 'supply-out'], gnd], { needed: true }),
    ],
    circuit: [
      { is: 'link', id: 'coil', a: 'in.1', b: 'out.1', ohm: 0.08, maxA: 2 },
      { is: 'capacitor', id: 'capacitor', a: 'out.1', gnd: '@gnd', microfarad: { fromSetting: 'microfarad' }, esrOhm: 0.05 },
    ],
    cautions: ['capacitor-polarity'],
  }),
  samplePart({
    id: 'capacitor-lead-low-esr',
    kind: 'filter',
    name: 'Capacitor for a long battery lead, low ESR',
    summary: 'Electrolytic capacitor across the supply pads of a motor controller, 50 V. Several in parallel are counted as one.',
    massG: 12,
    sizeMm: [36, 18, 18],
    settings: [chosen('microfarad', 'Capacitance', 'uF', [220, 330, 470, 680, 1000, 1500, 2200, 3300, 4700], 470)],
    ports: [
      wiredPort(
        'leads',
        ['solder-pad', 'pads'],
        [
          ['+', 'supply-through'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
    ],
    circuit: [{ is: 'capacitor', id: 'capacitor', a: 'leads.1', gnd: '@gnd', microfarad: { fromSetting: 'microfarad' }, esrOhm: 0.02 }],
    cautions: ['capacitor-polarity'],
  }),
  samplePart({
    id: 'conditioner-rail-5v6',
    kind: 'filter',
    name: 'Rail conditioner, clamp and capacitor',
    summary: 'Plugs into a free servo row: a zener clamp and a capacitor against spikes and dips of the rail.',
    massG: 6,
    sizeMm: [26, 14, 12],
    settings: [
      chosen('clamp', 'Clamp', 'V', [5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1], 5.6),
      chosen('microfarad', 'Capacitor', 'uF', [470, 680, 1000, 1500, 2200, 3300, 4700], 1000),
    ],
    ports: [wiredPort('lead', ['pin-2.54', 'socket'], [['-', 'nc'], ['V', 'supply-through'], gnd], { needed: true })],
    circuit: [
      { is: 'clamp', id: 'clamp', a: 'lead.2', gnd: '@gnd', volts: { fromSetting: 'clamp' }, slopeOhm: 0.4, maxW: 5, maxJ: 1.5 },
      { is: 'capacitor', id: 'capacitor', a: 'lead.2', gnd: '@gnd', microfarad: { fromSetting: 'microfarad' }, esrOhm: 0.03 },
    ],
    cautions: ['capacitor-polarity'],
  }),
];
