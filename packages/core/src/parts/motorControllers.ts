import type { Part } from '../model/part.ts';
import {
  buck,
  load,
  logic5Tolerant,
  offer,
  samplePart,
  uart,
  wiredPort,
  type RawElement,
  type RawEndpoint,
  type Row,
  type WiredPort,
} from './build.ts';
import { canWays } from './ways.ts';

const power: WiredPort = wiredPort(
  'power',
  ['power-pad', 'pads'],
  [
    ['+', 'supply-in'],
    ['-', 'gnd', '@gnd'],
  ],
  { needed: true },
);

const motorPort = (id = 'motor', label = 'motor', plug: 'bullet-3.5' | 'bullet-6.0' = 'bullet-3.5'): WiredPort =>
  wiredPort(
    id,
    [plug, 'socket'],
    [
      ['A', 'phase'],
      ['B', 'phase'],
      ['C', 'phase'],
    ],
    { label, groundless: 'Three motor phases.', needed: true },
  );

/** The 3-pin lead, with or without a supply in its middle. */
const signalLead = (middle: Row): WiredPort =>
  wiredPort('signal', ['pin-2.54', 'socket'], [['S', 'pulse-in', logic5Tolerant], middle, ['GND', 'gnd', '@gnd']], { needed: true });

const phases = (port: string): string[] => [`${port}.1`, `${port}.2`, `${port}.3`];

function drive(port: string, [least, most]: readonly [number, number], maxV: number, continuousA: number, id = 'drive'): RawElement {
  return {
    is: 'drive',
    id,
    plus: 'power.1',
    minus: '@gnd',
    phases: phases(port),
    minV: 6,
    maxV,
    continuousA,
    burstA: Math.round(continuousA * 1.4),
    idleA: continuousA > 50 ? 0.05 : 0.03,
    cells: { least, most },
  };
}

const throttle = (pin: string, id = 'throttle'): RawEndpoint => ({
  is: 'pulse-in',
  id,
  pin,
  kinds: ['pwm', 'dshot'],
  rateHz: [50, 490],
  use: 'motor',
});
const phaseEnd = (port = 'motor'): RawEndpoint => ({ is: 'phase', id: port, pins: phases(port) });

const steps = [
  {
    title: 'Throttle range',
    text: 'Propellers off. Calibrate the throttle range once, from the output that will drive it, before the first run.',
    caution: 'propellers-off',
  },
];
const indications = [
  { shows: 'rising tones, then one beep per cell', means: 'powered, cells counted' },
  { shows: 'one beep every two seconds', means: 'no valid pulse on the signal wire' },
];

type Linear = Omit<
  Extract<RawElement, { is: 'regulator' }>,
  'is' | 'id' | 'topology' | 'in' | 'out' | 'gnd' | 'setV' | 'efficiency' | 'burstS' | 'onOverload'
>;

/** The built-in linear regulator that feeds the middle of the 3-pin lead. */
function linear(figures: Linear): RawElement {
  return {
    is: 'regulator',
    id: 'built-in',
    topology: 'linear',
    in: 'power.1',
    out: 'signal.2',
    gnd: '@gnd',
    setV: 5,
    efficiency: 1,
    burstS: 5,
    onOverload: 'foldback',
    ...figures,
  };
}

export const motorControllers: readonly Part[] = [
  samplePart({
    id: 'motor-controller-40a-5v2a',
    kind: 'motor-controller',
    name: 'Motor controller 40 A, built-in 5 V 2 A',
    summary: '3 to 4 cells. Its built-in linear regulator feeds the 3-pin lead.',
    massG: 38,
    sizeMm: [60, 26, 10],
    ports: [power, signalLead(['V', 'supply-out']), motorPort()],
    circuit: [
      linear({ inputMinV: 6, inputMaxV: 17.4, dropoutV: 1, quiescentA: 0.01, continuousA: 2, burstA: 3, maxW: 10 }),
      drive('motor', [3, 4], 17.4, 40),
    ],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-60a-5v5a',
    kind: 'motor-controller',
    name: 'Motor controller 60 A, built-in 5 V 5 A',
    summary: '3 to 6 cells. Its built-in switching regulator feeds the 3-pin lead.',
    massG: 62,
    sizeMm: [72, 32, 14],
    ports: [power, signalLead(['V', 'supply-out']), motorPort()],
    circuit: [
      buck('built-in', {
        in: 'power.1',
        out: 'signal.2',
        gnd: '@gnd',
        setV: 5.1,
        inputMinV: 7,
        inputMaxV: 26,
        dropoutV: 1,
        efficiency: 0.88,
        quiescentA: 0.015,
        continuousA: 5,
        burstA: 8,
        burstS: 5,
      }),
      drive('motor', [3, 6], 26, 60),
    ],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-80a-opto',
    kind: 'motor-controller',
    name: 'Motor controller 80 A, without a regulator',
    summary: '4 to 8 cells. Signal and ground only: the middle of its lead is empty.',
    massG: 74,
    sizeMm: [78, 36, 16],
    ports: [power, signalLead(['-', 'nc']), motorPort()],
    circuit: [drive('motor', [4, 8], 34, 80), load('logic', ['power.1', '@gnd'], [0.03, 0.03, 0.05], [22, 6, 34])],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-120a-12s',
    kind: 'motor-controller',
    name: 'Motor controller 120 A, 12 cells, without a regulator',
    summary: '6 to 12 cells. Signal and ground only: the middle of its lead is empty.',
    massG: 142,
    sizeMm: [98, 46, 24],
    ports: [power, signalLead(['-', 'nc']), motorPort('motor', 'motor', 'bullet-6.0')],
    circuit: [drive('motor', [6, 12], 54, 120), load('logic', ['power.1', '@gnd'], [0.03, 0.03, 0.05], [44, 12, 54])],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-four-in-one-45a',
    kind: 'motor-controller',
    name: 'Motor controller 4 x 45 A, with telemetry',
    summary: 'Four in one board for 3 to 6 cells: pack through to the controller, current signal and serial telemetry on one socket.',
    massG: 18,
    sizeMm: [44, 42, 7],
    ports: [
      power,
      wiredPort(
        'FC',
        ['locking-1.0', 'socket'],
        [
          ['BAT', 'supply-out'],
          ['GND', 'gnd', '@gnd'],
          ['CUR', 'analog-out', { highV: 3.3, inputMaxV: 3.6 }],
          ['TLM', 'tx', { highV: 3.3, inputMaxV: 3.6 }],
          ['M1', 'pulse-in', logic5Tolerant],
          ['M2', 'pulse-in', logic5Tolerant],
          ['M3', 'pulse-in', logic5Tolerant],
          ['M4', 'pulse-in', logic5Tolerant],
        ],
        { label: 'controller', needed: true },
      ),
      ...[1, 2, 3, 4].map((n) => motorPort(`motor${n}`, `motor ${n}`)),
    ],
    circuit: [
      { is: 'link', id: 'through', a: 'power.1', b: 'FC.1', ohm: 0.02, maxA: 5 },
      ...[1, 2, 3, 4].map((n) => drive(`motor${n}`, [3, 6], 26, 45, `drive-${n}`)),
    ],
    endpoints: [
      ...[1, 2, 3, 4].map((n) => throttle(`FC.${n + 4}`, `throttle${n}`)),
      ...[1, 2, 3, 4].map((n) => phaseEnd(`motor${n}`)),
      { is: 'analog-out', id: 'current', pin: 'FC.3', fullScaleV: 3.3, purpose: 'battery current' },
      uart('TLM', { tx: 'FC.4' }, [offer('motor-telemetry', 'talker', 115_200)], { duplex: 'tx-only' }),
    ],
    monitor: { ampsPerV: 40 },
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-can-60a',
    kind: 'motor-controller',
    name: 'Motor controller 60 A, CAN',
    summary: '4 to 8 cells, throttle and telemetry over CAN; a pulse input as backup.',
    massG: 68,
    sizeMm: [70, 34, 15],
    ports: [
      power,
      wiredPort(
        'CAN',
        ['locking-1.25', 'socket'],
        [
          ['5V', 'supply-in'],
          ['H', 'can-h'],
          ['L', 'can-l'],
          ['GND', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort(
        'signal',
        ['pin-2.54', 'socket'],
        [
          ['S', 'pulse-in', logic5Tolerant],
          ['-', 'nc'],
          ['GND', 'gnd', '@gnd'],
        ],
      ),
      motorPort(),
    ],
    circuit: [drive('motor', [4, 8], 34, 60), load('logic', ['CAN.1', '@gnd'], [0.05, 0.06, 0.1], [5, 4.5, 5.5])],
    how: canWays('CAN'),
    endpoints: [
      throttle('signal.1'),
      { is: 'can', id: 'CAN', high: 'CAN.2', low: 'CAN.3', terminated: false, switchable: true },
      phaseEnd(),
    ],
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-brushed-20a',
    kind: 'motor-controller',
    name: 'Motor controller 20 A, brushed',
    summary: '2 to 3 cells, for a brushed motor; built-in 5 V 1 A.',
    massG: 19,
    sizeMm: [36, 22, 9],
    ports: [
      power,
      signalLead(['V', 'supply-out']),
      wiredPort(
        'motor',
        ['bullet-3.5', 'socket'],
        [
          ['M+', 'phase'],
          ['M-', 'phase'],
        ],
        { groundless: 'Two motor leads.', needed: true },
      ),
    ],
    circuit: [
      linear({ inputMinV: 5.5, inputMaxV: 13, dropoutV: 0.5, quiescentA: 0.008, continuousA: 1, burstA: 1.5, maxW: 4 }),
      {
        is: 'drive',
        id: 'drive',
        plus: 'power.1',
        minus: '@gnd',
        phases: ['motor.1', 'motor.2'],
        minV: 5.5,
        maxV: 13,
        continuousA: 20,
        burstA: 28,
        idleA: 0.02,
        cells: { least: 2, most: 3 },
      },
    ],
    endpoints: [
      { is: 'pulse-in', id: 'throttle', pin: 'signal.1', kinds: ['pwm'], rateHz: [50, 100], use: 'motor' },
      { is: 'phase', id: 'motor', pins: ['motor.1', 'motor.2'] },
    ],
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-20a-5v1a',
    kind: 'motor-controller',
    name: 'Motor controller 20 A, built-in 5 V 1 A',
    summary: '2 to 3 cells, for small aircraft. Its built-in linear regulator feeds the 3-pin lead.',
    massG: 17,
    sizeMm: [44, 18, 8],
    ports: [power, signalLead(['V', 'supply-out']), motorPort()],
    circuit: [
      linear({ inputMinV: 5.5, inputMaxV: 13, dropoutV: 0.5, quiescentA: 0.008, continuousA: 1, burstA: 1.5, maxW: 6 }),
      drive('motor', [2, 3], 13, 20),
    ],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
  samplePart({
    id: 'motor-controller-20a-6s',
    kind: 'motor-controller',
    name: 'Motor controller 20 A, 6 cells, without a regulator',
    summary: '3 to 6 cells, for small motors at a high voltage. Signal and ground only: the middle of its lead is empty.',
    massG: 12,
    sizeMm: [36, 16, 7],
    ports: [power, signalLead(['-', 'nc']), motorPort()],
    circuit: [drive('motor', [3, 6], 26, 20), load('logic', ['power.1', '@gnd'], [0.02, 0.02, 0.04], [22, 6, 26])],
    endpoints: [throttle('signal.1'), phaseEnd()],
    indications,
    steps,
    cautions: ['propellers-off'],
  }),
];
