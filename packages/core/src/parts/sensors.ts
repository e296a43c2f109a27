import type { Part } from '../model/part.ts';
import { connector, logic3V3, partId, pins } from './build.ts';

export const gnssReceivers: readonly Part[] = [
  {
    id: partId('gnss-serial'),
    kind: 'gnss',
    name: 'GNSS receiver, serial',
    summary: 'Plain serial receiver, NMEA 0183 or binary, 38 400 baud as delivered.',
    massG: 14,
    sizeMm: [28, 28, 9],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'UART',
        label: 'UART',
        connector: connector('locking-1.25', 4, 'socket'),
        pins: pins(['V', 'supply-in'], ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'receiver',
        supply: 'UART.1',
        gnd: 'UART.4',
        law: 'constant-current',
        nominalV: 5,
        minV: 3.6,
        maxV: 5.5,
        idleA: 0.03,
        typicalA: 0.035,
        peakA: 0.06,
      },
    ],
    endpoints: [
      {
        is: 'uart',
        id: 'UART',
        tx: 'UART.2',
        rx: 'UART.3',
        names: { label: 'UART' },
        duplex: 'full',
        inverts: 'none',
        maxBaud: 460_800,
        speaks: [
          {
            protocol: 'nmea-0183',
            as: 'talker',
            bauds: [4800, 9600, 19_200, 38_400, 57_600, 115_200],
            defaultBaud: 38_400,
          },
          { protocol: 'gnss-binary', as: 'both', bauds: [38_400, 57_600, 115_200, 230_400, 460_800], defaultBaud: 38_400 },
        ],
      },
    ],
    routes: [],
  },
];

export const airspeedSensors: readonly Part[] = [
  {
    id: partId('airspeed-i2c-2k5'),
    kind: 'airspeed',
    name: 'Airspeed sensor, I2C, +-2.5 kPa',
    summary: 'Differential pressure over I2C at address 0x28.',
    massG: 7,
    sizeMm: [24, 20, 12],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'I2C',
        label: 'I2C',
        connector: connector('locking-1.25', 4, 'socket'),
        pins: pins(['V', 'supply-in'], ['SDA', 'sda', logic3V3], ['SCL', 'scl', logic3V3], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'sensor',
        supply: 'I2C.1',
        gnd: 'I2C.4',
        law: 'constant-current',
        nominalV: 5,
        minV: 3.8,
        maxV: 5.5,
        idleA: 0.005,
        typicalA: 0.006,
        peakA: 0.01,
      },
    ],
    endpoints: [{ is: 'i2c-device', id: 'I2C', sda: 'I2C.2', scl: 'I2C.3', addresses: [0x28], pullUpOhm: 4700, capacitancePf: 12 }],
    routes: [],
  },
];
