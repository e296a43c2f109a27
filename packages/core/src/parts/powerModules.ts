import type { ConnectorFamily } from '../model/connector.ts';
import type { Part } from '../model/part.ts';
import { buck, load, offer, samplePart, uart, wiredPort, type RawElement, type RawEndpoint, type Row, type WiredPort } from './build.ts';
import { canWays } from './ways.ts';

const logicOut = { highV: 3.3, inputMaxV: 3.6 } as const;

const through = (family: ConnectorFamily): WiredPort[] => [
  wiredPort(
    'battery',
    [family, 'plug'],
    [
      ['+', 'supply-in', '@bat'],
      ['-', 'gnd', '@gnd'],
    ],
    { needed: true },
  ),
  wiredPort(
    'load',
    [family, 'socket'],
    [
      ['+', 'supply-out', '@sensed'],
      ['-', 'gnd', '@gnd'],
    ],
    { needed: true },
  ),
];

/** A second way for the ground current, beside the plug of the load. */
const groundPad: WiredPort = wiredPort('ground', ['power-pad', 'pads'], [['-', 'gnd', '@gnd']], { label: 'ground pad' });

const fiveVolts = (setV: number, continuousA: number): RawElement =>
  buck('reg-5v', {
    in: '@bat',
    out: '@5v',
    gnd: '@gnd',
    setV,
    inputMinV: 6.5,
    inputMaxV: 55,
    dropoutV: 1,
    efficiency: 0.9,
    quiescentA: 0.01,
    continuousA,
    burstA: continuousA * 1.5,
    burstS: 5,
  });

const sense = (ohm: number, fullScaleA: number): RawElement => ({
  is: 'sense',
  id: 'battery-current',
  a: '@bat',
  b: '@sensed',
  ohm,
  fullScaleA,
});

const controllerRows = (first: Row, second: Row): Row[] => [
  ['5V', 'supply-out', '@5v'],
  ['5V', 'supply-out', '@5v'],
  first,
  second,
  ['GND', 'gnd', '@gnd'],
  ['GND', 'gnd', '@gnd'],
];

const analogRows = controllerRows(['CUR', 'analog-out', logicOut], ['VLT', 'analog-out', logicOut]);
const analogEndpoints = (port: string): RawEndpoint[] => [
  { is: 'analog-out', id: 'current', pin: `${port}.3`, fullScaleV: 3.3, purpose: 'battery current' },
  { is: 'analog-out', id: 'volts', pin: `${port}.4`, fullScaleV: 3.3, purpose: 'battery voltage' },
];

/** Analog scales are of the kind; each module has its own. */
const scaleStep = {
  title: 'Scale',
  text: 'Compare the voltage with a meter at the pack, and the consumed charge with the charge that the charger returns; correct the two scales.',
  caution: 'propellers-off',
};

const twelveVolts = (id: string, out: `@${string}`, inputMaxV: number): RawElement =>
  buck(id, {
    in: '@bat',
    out,
    gnd: '@gnd',
    setV: 12,
    inputMinV: 13.5,
    inputMaxV,
    dropoutV: 1.2,
    efficiency: 0.92,
    quiescentA: 0.01,
    continuousA: 3,
    burstA: 4,
    burstS: 5,
  });

export const powerModules: readonly Part[] = [
  samplePart({
    id: 'power-module-analog-60a',
    kind: 'power-module',
    name: 'Power module 60 A, analog',
    summary: 'XT60 through, 5.3 V 3 A for the controller, current and voltage as two analog signals. Up to 6 cells.',
    massG: 24,
    sizeMm: [38, 22, 15],
    ports: [...through('XT60'), wiredPort('out', ['locking-1.25', 'socket'], analogRows, { needed: true })],
    circuit: [sense(0.0005, 60), fiveVolts(5.3, 3)],
    monitor: { voltsPerV: 10.1, ampsPerV: 18.18 },
    endpoints: analogEndpoints('out'),
  }),
  samplePart({
    id: 'power-module-i2c-120a',
    kind: 'power-module',
    name: 'Power module 120 A, digital over I2C',
    summary: 'XT90 through, 5.2 V 3 A, voltage and current read over I2C. Up to 12 cells. Its sockets have SCL before SDA.',
    massG: 46,
    sizeMm: [48, 30, 18],
    ports: [
      ...through('XT90'),
      wiredPort('out', ['locking-1.25', 'socket'], controllerRows(['SCL', 'scl', logicOut], ['SDA', 'sda', logicOut]), { needed: true }),
      groundPad,
    ],
    circuit: [sense(0.0002, 163), fiveVolts(5.2, 3), load('monitor', ['@5v', '@gnd'], [0.005, 0.005, 0.008], [5, 3.3, 5.5])],
    how: [
      { settings: ['I2C.address'], how: { is: 'solder-bridge', bridge: 'A and B: open is 0x45; A is 0x40, B is 0x41, both are 0x44' } },
    ],
    endpoints: [{ is: 'i2c-device', id: 'I2C', sda: 'out.4', scl: 'out.3', addresses: [0x45, 0x40, 0x41, 0x44], capacitancePf: 15 }],
  }),
  samplePart({
    id: 'power-module-can-100a',
    kind: 'power-module',
    name: 'Power module 100 A, CAN battery monitor',
    summary: 'XT60 through, 5.25 V 3 A, counts charge itself and reports it over CAN. Termination by a jumper.',
    massG: 41,
    sizeMm: [46, 30, 18],
    ports: [
      ...through('XT60'),
      wiredPort('out', ['locking-2.0', 'socket'], controllerRows(['H', 'can-h'], ['L', 'can-l']), { needed: true }),
      groundPad,
    ],
    circuit: [sense(0.0002, 100), fiveVolts(5.25, 3), load('monitor', ['@5v', '@gnd'], [0.04, 0.05, 0.08], [5, 4, 5.5])],
    how: canWays('CAN', 'out'),
    endpoints: [{ is: 'can', id: 'CAN', high: 'out.3', low: 'out.4', terminated: false, switchable: true }],
  }),
  samplePart({
    id: 'power-module-analog-90a-12v',
    kind: 'power-module',
    name: 'Power module 90 A, analog, with 12 V',
    summary: 'XT90 through, 5.3 V 3 A for the controller and 12 V 3 A beside it; analog current and voltage.',
    massG: 39,
    sizeMm: [45, 28, 18],
    ports: [
      ...through('XT90'),
      wiredPort('out', ['locking-1.25', 'socket'], analogRows, { needed: true }),
      wiredPort(
        'aux',
        ['solder-pad', 'pads'],
        [
          ['12V', 'supply-out', '@12v'],
          ['GND', 'gnd', '@gnd'],
        ],
        { label: '12 V out' },
      ),
    ],
    circuit: [sense(0.0003, 90), fiveVolts(5.3, 3), twelveVolts('reg-12v', '@12v', 36)],
    monitor: { voltsPerV: 11.2, ampsPerV: 27.27 },
    endpoints: analogEndpoints('out'),
  }),
  samplePart({
    id: 'power-module-analog-120a-12s',
    kind: 'power-module',
    name: 'Power module 120 A, analog, 12 cells',
    summary: '6 mm bullets through, 5.3 V 3 A for the controller; analog current and voltage. 6 to 12 cells.',
    massG: 62,
    sizeMm: [60, 34, 22],
    ports: [...through('bullet-6.0'), wiredPort('out', ['locking-1.25', 'socket'], analogRows, { needed: true })],
    circuit: [sense(0.0002, 120), fiveVolts(5.3, 3)],
    monitor: { voltsPerV: 18.6, ampsPerV: 36.36 },
    endpoints: analogEndpoints('out'),
  }),
  samplePart({
    id: 'power-module-analog-100a-5-12-12v',
    kind: 'power-module',
    name: 'Power module 100 A, analog, with 5 V and twice 12 V',
    summary:
      'XT90 through, 5.3 V 4 A for the controller and two outputs of 12 V 3 A with a regulator each, for a companion and for video. 4 to 8 cells.',
    massG: 58,
    sizeMm: [56, 38, 19],
    ports: [
      ...through('XT90'),
      wiredPort('out', ['locking-1.25', 'socket'], analogRows, { needed: true }),
      ...(['a', 'b'] as const).map((id) =>
        wiredPort(
          `aux-${id}`,
          ['locking-2.0', 'socket'],
          [
            ['12V', 'supply-out', `@12v-${id}`],
            ['GND', 'gnd', '@gnd'],
          ],
          { label: `12 V ${id.toUpperCase()}` },
        ),
      ),
      groundPad,
    ],
    circuit: [sense(0.0003, 100), fiveVolts(5.3, 4), ...(['a', 'b'] as const).map((id) => twelveVolts(`reg-12v-${id}`, `@12v-${id}`, 36))],
    monitor: { voltsPerV: 18.6, ampsPerV: 30.3 },
    endpoints: analogEndpoints('out'),
    indications: [{ shows: 'one green light a regulator', means: 'that output has its voltage' }],
    steps: [scaleStep],
  }),
  samplePart({
    id: 'current-sensor-telemetry-100a',
    kind: 'power-module',
    name: 'Current sensor 100 A, reports to the receiver',
    summary:
      'XT60 through, no regulator: it connects to the telemetry port of a receiver, is powered from there, and shows volts, amperes and mAh on the RC transmitter.',
    massG: 21,
    sizeMm: [36, 22, 14],
    ports: [
      ...through('XT60'),
      wiredPort(
        'tele',
        ['pin-2.54', 'socket'],
        [
          ['S', 'single-wire', logicOut],
          ['V', 'supply-in'],
          ['GND', 'gnd', '@gnd'],
        ],
        { label: 'telemetry', needed: true },
      ),
    ],
    circuit: [sense(0.0005, 100), load('sensor', ['tele.2', '@gnd'], [0.012, 0.015, 0.02], [5, 3.7, 8.4])],
    endpoints: [
      uart('tele', { tx: 'tele.1' }, [offer('single-wire-telemetry', 'both', 57_600)], {
        duplex: 'single-wire',
        names: { label: 'telemetry' },
      }),
    ],
    indications: [{ shows: 'green flicker', means: 'it is being asked and answers' }],
    steps: [
      {
        title: 'Find the sensor',
        text: 'On the RC transmitter, delete the old sensors and search again with the pack connected; then compare its volts with a meter.',
        caution: 'propellers-off',
      },
    ],
    cautions: ['battery'],
  }),
];
