import type { Part } from '../model/part.ts';
import { load, logic3V3, logic5V, offer, samplePart, uart, wiredPort, type RawEndpoint, type Row } from './build.ts';
import { canWays, inMenu } from './ways.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const supply: Row = ['V', 'supply-in'];
const sda: Row = ['SDA', 'sda', logic3V3];
const scl: Row = ['SCL', 'scl', logic3V3];

type About = Pick<Part, 'kind' | 'name' | 'summary' | 'massG' | 'sizeMm' | 'compass' | 'airspeed' | 'how'> & { readonly id: string };

/** A bridge that takes the pull-ups of a device off the bus. */
const pullUpBridge: Part['settings'][number] = {
  is: 'choice',
  id: 'pull-ups',
  label: 'pull-ups',
  choices: [
    { value: 'on', label: 'on the bus' },
    { value: 'off', label: 'bridge cut' },
  ],
  default: 'on',
  how: { is: 'solder-bridge', bridge: 'PU on its back: closed by default, cut it to disconnect the pull-ups from the bus' },
};

/** A device on an I2C socket whose pins are found by their role. */
function i2c(about: About, rows: readonly Row[], addresses: readonly number[], typicalA: number, hasBridge = false): Part {
  const at = (role: Row[1]): string => `I2C.${rows.findIndex((row) => row[1] === role) + 1}`;
  const device: RawEndpoint = {
    is: 'i2c-device',
    id: 'I2C',
    sda: at('sda'),
    scl: at('scl'),
    addresses,
    pullUpOhm: hasBridge
      ? {
          fromSetting: 'pull-ups',
          values: [
            { is: 'on', gives: 4700 },
            { is: 'off', gives: 0 },
          ],
        }
      : 4700,
    capacitancePf: 12,
  };
  return samplePart({
    ...about,
    ...(hasBridge ? { settings: [pullUpBridge] } : {}),
    ports: [wiredPort('I2C', ['locking-1.25', 'socket'], rows, { needed: true })],
    circuit: [load('sensor', [at('supply-in'), '@gnd'], [typicalA * 0.8, typicalA, typicalA * 1.6], [5, 3.8, 5.5])],
    endpoints: [device],
  });
}

/** A device on a CAN socket: supply, high, low, ground. */
function can(about: About, typicalA: number): Part {
  return samplePart({
    ...about,
    ports: [wiredPort('CAN', ['locking-1.25', 'socket'], [supply, ['H', 'can-h'], ['L', 'can-l'], gnd], { needed: true })],
    circuit: [load('sensor', ['CAN.1', '@gnd'], [typicalA * 0.8, typicalA, typicalA * 1.5], [5, 4.5, 5.5])],
    endpoints: [{ is: 'can', id: 'CAN', high: 'CAN.2', low: 'CAN.3', terminated: false, switchable: true }],
    how: canWays('CAN'),
  });
}

export const compasses: readonly Part[] = [
  i2c(
    {
      id: 'compass-i2c-fixed',
      kind: 'compass',
      name: 'Compass, I2C, fixed address',
      summary: 'Three axes at address 0x0E.',
      massG: 4,
      sizeMm: [18, 16, 6],
      compass: { rangeUt: 800 },
    },
    [supply, scl, sda, gnd],
    [0x0e],
    0.003,
  ),
  i2c(
    {
      id: 'compass-i2c-selectable',
      kind: 'compass',
      name: 'Compass, I2C, selectable address',
      summary: 'Three axes at address 0x0C to 0x0F, chosen by two solder bridges. Its ground is on pin 1.',
      massG: 5,
      sizeMm: [20, 18, 6],
      how: [
        {
          settings: ['I2C.address'],
          how: { is: 'solder-bridge', bridge: 'A0 and A1 on its back: both open is 0x0C, A0 counts 1, A1 counts 2' },
        },
      ],
      compass: { rangeUt: 800 },
    },
    [gnd, sda, scl, supply],
    [0x0c, 0x0d, 0x0e, 0x0f],
    0.004,
    true,
  ),
];

export const airspeedSensors: readonly Part[] = [
  i2c(
    {
      id: 'airspeed-i2c-2k5',
      kind: 'airspeed',
      name: 'Airspeed sensor, I2C, +-2.5 kPa',
      summary: 'Differential pressure over I2C at address 0x28.',
      massG: 7,
      sizeMm: [24, 20, 12],
      airspeed: { fullScalePa: 2500, stepPa: 0.8 },
    },
    [supply, sda, scl, gnd],
    [0x28],
    0.006,
  ),
  i2c(
    {
      id: 'airspeed-i2c-500pa',
      kind: 'airspeed',
      name: 'Airspeed sensor, I2C, +-500 Pa',
      summary: 'For slow aircraft, up to about 28 m/s. Address 0x25 or 0x26.',
      massG: 6,
      sizeMm: [22, 18, 10],
      how: [{ settings: ['I2C.address'], how: { is: 'solder-bridge', bridge: 'ADR: open is 0x25, closed is 0x26' } }],
      airspeed: { fullScalePa: 500, stepPa: 0.2 },
    },
    [gnd, scl, sda, supply],
    [0x25, 0x26],
    0.004,
  ),
  can(
    {
      id: 'airspeed-can-7k',
      kind: 'airspeed',
      name: 'Airspeed sensor, CAN, +-7 kPa',
      summary: 'For fast aircraft, up to about 105 m/s, with a heater input left open. Termination by a jumper.',
      massG: 21,
      sizeMm: [38, 26, 15],
      airspeed: { fullScalePa: 7000, stepPa: 2.5 },
    },
    0.06,
  ),
  samplePart({
    id: 'airspeed-analog-2k',
    kind: 'airspeed',
    name: 'Airspeed sensor, analog, +-2 kPa',
    summary: '0.5 to 4.5 V on one wire, 2.5 V at rest: too much for a 3.3 V input.',
    massG: 8,
    sizeMm: [26, 20, 12],
    airspeed: { fullScalePa: 2000, stepPa: 3 },
    ports: [wiredPort('lead', ['locking-1.25', 'socket'], [supply, ['S', 'analog-out', logic5V], gnd], { needed: true })],
    circuit: [load('sensor', ['lead.1', '@gnd'], [0.005, 0.007, 0.01], [5, 4.75, 5.25])],
    endpoints: [{ is: 'analog-out', id: 'pressure', pin: 'lead.2', fullScaleV: 4.5, purpose: 'airspeed' }],
  }),
];

export const rangefinders: readonly Part[] = [
  samplePart({
    id: 'rangefinder-serial-40m',
    kind: 'rangefinder',
    name: 'Rangefinder, serial, 40 m',
    summary: 'Laser, 100 Hz at 115 200 baud, transmit only. Its socket starts with ground.',
    massG: 22,
    sizeMm: [40, 22, 24],
    ports: [wiredPort('UART', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], supply], { needed: true })],
    circuit: [load('sensor', ['UART.4', '@gnd'], [0.08, 0.12, 0.2], [5, 4.6, 5.5])],
    how: inMenu(['UART.baud'], 'sensor tool on the bench computer', '"Output", "Baud"', {
      over: 'UART',
      confirms: 'distances scroll at the new baud',
    }),
    endpoints: [uart('UART', { tx: 'UART.2', rx: 'UART.3' }, [offer('rangefinder', 'talker', 115_200, [9600, 115_200])])],
  }),
  i2c(
    {
      id: 'rangefinder-i2c-12m',
      kind: 'rangefinder',
      name: 'Rangefinder, I2C, 12 m',
      summary: 'Laser for the last metres, address 0x10 or 0x62.',
      how: [{ settings: ['I2C.address'], how: { is: 'switch', switch: '1 on its side: off is 0x10, on is 0x62' } }],
      massG: 11,
      sizeMm: [30, 18, 18],
    },
    [supply, gnd, sda, scl],
    [0x10, 0x62],
    0.09,
  ),
  can(
    {
      id: 'rangefinder-can-180m',
      kind: 'rangefinder',
      name: 'Rangefinder, CAN, 180 m',
      summary: 'Laser altimeter for survey heights. Termination by a jumper.',
      massG: 48,
      sizeMm: [56, 34, 30],
    },
    0.22,
  ),
];

/** The same shapes serve payloads on CAN. */
export { can as canDevice };
