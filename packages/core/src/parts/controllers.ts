import type { Part, PartPort } from '../model/part.ts';
import { connector, joined, logic3V3, logic5Tolerant, partId, pins } from './build.ts';

type RawEndpoint = Part['endpoints'][number];
type Offer = Extract<RawEndpoint, { is: 'uart' }>['speaks'][number];

const hardwareBauds = [4800, 9600, 19_200, 38_400, 57_600, 115_200, 230_400, 460_800, 921_600];
const softwareBauds = [4800, 9600, 19_200];

/** What any serial port of a controller can be set to. */
function speaksAll(bauds: readonly number[]): Offer[] {
  return [
    { protocol: 'mavlink-2', as: 'both', bauds, defaultBaud: 57_600 },
    { protocol: 'nmea-0183', as: 'listener', bauds, defaultBaud: 38_400 },
    { protocol: 'gnss-binary', as: 'both', bauds, defaultBaud: 115_200 },
    { protocol: 'osd-canvas', as: 'both', bauds, defaultBaud: 115_200 },
    { protocol: 'crsf', as: 'both', bauds: [420_000], defaultBaud: 420_000 },
  ];
}

function serialSocket(id: string): PartPort {
  return {
    id,
    label: id,
    connector: connector('locking-1.25', 4, 'socket'),
    side: 'left',
    pins: pins(['5V', 'supply-out'], ['TX', 'tx', logic5Tolerant], ['RX', 'rx', logic5Tolerant], ['GND', 'gnd']),
  };
}

function serialEndpoint(id: string, chip: string): RawEndpoint {
  return {
    is: 'uart',
    id,
    tx: `${id}.2`,
    rx: `${id}.3`,
    names: { label: id, chip },
    duplex: 'full',
    inverts: 'none',
    maxBaud: 921_600,
    speaks: speaksAll(hardwareBauds),
  };
}

const outputNumbers = [1, 2, 3, 4, 5, 6];

function outputPort(n: number): PartPort {
  return {
    id: `out${n}`,
    label: `out ${n}`,
    connector: connector('pin-2.54', 3, 'pins'),
    side: 'right',
    signalRow: 'inner',
    pins: pins(['S', 'pulse-out', logic3V3], ['V', 'supply-through'], ['GND', 'gnd']),
  };
}

const wingBoardF4: Part = {
  id: partId('controller-f4-wing'),
  kind: 'controller',
  name: 'Controller F4 wing board, 5 serial',
  summary:
    'Fed from the battery, with 5 V and 9 V regulators and current sensing. 5 full serial ports and 1 by software, 6 outputs in 3 banks. The servo rail has no supply of its own.',
  massG: 27,
  sizeMm: [52, 32, 13],
  source: 'sample',
  settings: [],
  ports: [
    serialSocket('S1'),
    serialSocket('S3'),
    serialSocket('S4'),
    {
      id: 'S2',
      label: 'S2 rc in',
      connector: connector('solder-pad', 3, 'pads'),
      side: 'left',
      pins: pins(['5VU', 'supply-out'], ['RX', 'rx', logic5Tolerant], ['GND', 'gnd']),
    },
    {
      id: 'I2C',
      label: 'I2C',
      connector: connector('solder-pad', 4, 'pads'),
      side: 'left',
      pins: pins(['5VU', 'supply-out'], ['SDA', 'sda', logic3V3], ['SCL', 'scl', logic3V3], ['GND', 'gnd']),
    },
    {
      id: 'S5',
      label: 'S5',
      connector: connector('solder-pad', 4, 'pads'),
      side: 'left',
      pins: pins(['9V', 'supply-out'], ['GND', 'gnd'], ['RX', 'rx', logic5Tolerant], ['TX', 'tx', logic5Tolerant]),
    },
    {
      id: 'S6',
      label: 'S6',
      connector: connector('solder-pad', 3, 'pads'),
      side: 'left',
      pins: pins(['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['GND', 'gnd']),
    },
    {
      id: 'battery',
      label: 'battery',
      connector: connector('power-pad', 2, 'pads'),
      side: 'left',
      needed: true,
      pins: pins(['BAT', 'supply-in'], ['GND', 'gnd']),
    },
    ...outputNumbers.map(outputPort),
    {
      id: 'motor',
      label: 'motor supply',
      connector: connector('power-pad', 2, 'pads'),
      side: 'right',
      pins: pins(['BAT', 'supply-out'], ['GND', 'gnd']),
    },
    {
      id: 'camera',
      label: 'camera',
      connector: connector('solder-pad', 4, 'pads'),
      side: 'right',
      pins: pins(['5V', 'supply-out'], ['9V', 'supply-out'], ['GND', 'gnd'], ['VID', 'video-in']),
    },
    {
      id: 'video',
      label: 'video',
      connector: connector('solder-pad', 3, 'pads'),
      side: 'right',
      pins: pins(['9V', 'supply-out'], ['GND', 'gnd'], ['VID', 'video-out']),
    },
    {
      id: 'buzzer',
      label: 'buzzer',
      connector: connector('solder-pad', 2, 'pads'),
      side: 'right',
      groundless: 'The board switches the minus side of the buzzer.',
      pins: pins(['5V', 'supply-out'], ['BZ', 'switch']),
    },
    {
      id: 'usb',
      label: 'USB',
      connector: connector('USB-C', 4, 'socket'),
      side: 'rear',
      pins: pins(['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], ['GND', 'gnd']),
    },
  ],
  circuit: [
    ...joined('@bat', 'battery.1'),
    ...joined('@gnd', 'S1.4', 'S3.4', 'S4.4', 'S2.3', 'I2C.4', 'S5.2', 'S6.3', 'battery.2', 'motor.2', 'camera.3', 'video.2', 'usb.4'),
    ...joined('@gnd', ...outputNumbers.map((n) => `out${n}.3`)),
    { is: 'sense', id: 'battery-current', a: '@bat', b: '@sensed', ohm: 0.0002, fullScaleA: 90 },
    ...joined('@sensed', 'motor.1'),
    {
      is: 'regulator',
      id: 'reg-5v',
      topology: 'buck',
      in: '@sensed',
      out: '@5v',
      gnd: '@gnd',
      setV: 5,
      inputMinV: 6,
      inputMaxV: 26,
      dropoutV: 0.8,
      efficiency: 0.88,
      quiescentA: 0.01,
      continuousA: 2,
      burstA: 3,
      burstS: 5,
      onOverload: 'hiccup',
    },
    {
      is: 'regulator',
      id: 'reg-9v',
      topology: 'buck',
      in: '@sensed',
      out: '@9v',
      gnd: '@gnd',
      setV: 9,
      inputMinV: 6,
      inputMaxV: 26,
      dropoutV: 1,
      efficiency: 0.9,
      quiescentA: 0.01,
      continuousA: 2,
      burstA: 2.5,
      burstS: 5,
      onOverload: 'hiccup',
    },
    { is: 'limiter', id: 'peripheral-fuse', in: '@5v', out: '@5vp', ohm: 0.05, holdA: 1.5, tripA: 3, tripS: 1, trippedW: 0.8 },
    ...joined('@5v', 'camera.1', 'buzzer.1'),
    ...joined('@5vp', 'S1.1', 'S3.1', 'S4.1'),
    ...joined('@9v', 'S5.1', 'camera.2', 'video.1'),
    ...joined('@vbus', 'usb.1'),
    {
      is: 'selector',
      id: 'usb-or-battery',
      inputs: [
        { node: '@5v', minV: 4.5, maxV: 5.5, absoluteMaxV: 6 },
        { node: '@vbus', minV: 4.4, maxV: 5.5, absoluteMaxV: 6 },
      ],
      out: '@5vu',
      dropV: 0.05,
    },
    ...joined('@5vu', 'S2.1', 'I2C.1'),
    {
      is: 'load',
      id: 'logic',
      supply: '@5vu',
      gnd: '@gnd',
      law: 'constant-power',
      nominalV: 5,
      minV: 4.5,
      maxV: 5.5,
      idleA: 0.12,
      typicalA: 0.15,
      peakA: 0.25,
    },
    ...joined('@servo', ...outputNumbers.map((n) => `out${n}.2`)),
  ],
  endpoints: [
    serialEndpoint('S1', 'UART1'),
    serialEndpoint('S3', 'UART3'),
    serialEndpoint('S4', 'UART6'),
    {
      is: 'uart',
      id: 'S2',
      rx: 'S2.2',
      names: { label: 'S2 rc in', chip: 'UART2' },
      duplex: 'rx-only',
      inverts: 'rx',
      maxBaud: 921_600,
      speaks: [
        { protocol: 'sbus', as: 'listener', bauds: [100_000], defaultBaud: 100_000, inverted: true },
        { protocol: 'crsf', as: 'listener', bauds: [420_000], defaultBaud: 420_000 },
      ],
    },
    {
      is: 'uart',
      id: 'S5',
      tx: 'S5.4',
      rx: 'S5.3',
      names: { label: 'S5', chip: 'UART4' },
      duplex: 'full',
      inverts: 'none',
      maxBaud: 921_600,
      speaks: speaksAll(hardwareBauds),
    },
    {
      is: 'uart',
      id: 'S6',
      tx: 'S6.1',
      rx: 'S6.2',
      names: { label: 'S6' },
      duplex: 'full',
      inverts: 'both',
      maxBaud: 19_200,
      software: true,
      speaks: [
        { protocol: 'nmea-0183', as: 'listener', bauds: softwareBauds, defaultBaud: 9600 },
        { protocol: 'mavlink-2', as: 'both', bauds: softwareBauds, defaultBaud: 19_200 },
      ],
    },
    { is: 'i2c-host', id: 'I2C', sda: 'I2C.2', scl: 'I2C.3', pullUpOhm: 2200, capacitancePf: 20 },
    ...outputNumbers.map((n): RawEndpoint => ({
      is: 'pulse-out',
      id: `out${n}`,
      pin: `out${n}.1`,
      bank: ['A', 'B', 'C'][Math.floor((n - 1) / 2)] ?? 'A',
      kinds: n <= 4 ? ['pwm', 'dshot'] : ['pwm'],
    })),
    { is: 'video-in', id: 'cam', pin: 'camera.4', standards: ['PAL', 'NTSC'] },
    { is: 'video-out', id: 'vid', pin: 'video.3', standards: ['PAL', 'NTSC'] },
    { is: 'usb', id: 'usb' },
  ],
  routes: [{ from: 'cam', to: 'vid', transform: 'overlay' }],
  board: {
    banks: [
      { id: 'A', outputs: ['out1', 'out2'] },
      { id: 'B', outputs: ['out3', 'out4'] },
      { id: 'C', outputs: ['out5', 'out6'] },
    ],
    sensors: ['IMU', 'barometer', 'battery voltage', 'battery current'],
  },
  cautions: ['propellers-off'],
};

export const controllers: readonly Part[] = [wingBoardF4];
