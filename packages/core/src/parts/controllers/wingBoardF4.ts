import { buck, partId } from '../build.ts';
import {
  f4Mhz,
  boardLoad,
  boardPort,
  controllerBoard,
  fuse,
  i2cHost,
  outputPorts,
  serialPort,
  speaksSlowly,
  usbPort,
  supplyOrUsb,
} from './board.ts';

const socket = (id: string, chip: string) =>
  serialPort({
    id,
    chip,
    connector: ['locking-1.25', 'socket'],
    inverts: 'none',
    rows: [
      ['5V', 'supply-out', '@5vp'],
      ['TX', 'tx'],
      ['RX', 'rx'],
      ['GND', 'gnd', '@gnd'],
    ],
  });

/** Its printed labels, the chip's UART numbers and the firmware's indexes all differ. */
export const wingBoardF4 = controllerBoard({
  id: partId('controller-f4-wing'),
  name: 'Controller F4 wing board, 5 serial',
  summary:
    'Fed from the battery, with 5 V and 9 V regulators and current sensing. 5 full serial ports and 1 by software, 6 outputs in 3 banks. The servo rail has no supply of its own. Cannot invert a serial signal, except on the RC input.',
  massG: 27,
  sizeMm: [52, 32, 13],
  ports: [
    socket('S1', 'UART1'),
    socket('S3', 'UART3'),
    socket('S4', 'UART6'),
    serialPort({
      id: 'S2',
      label: 'S2 rc in',
      chip: 'UART2',
      connector: ['solder-pad', 'pads'],
      inverts: 'rx',
      rows: [
        ['5VU', 'supply-out', '@5vu'],
        ['RX', 'rx'],
        ['GND', 'gnd', '@gnd'],
      ],
      uart: {
        speaks: [
          { protocol: 'sbus', as: 'listener', bauds: [100_000], defaultBaud: 100_000 },
          { protocol: 'crsf', as: 'listener', bauds: [420_000], defaultBaud: 420_000 },
        ],
      },
    }),
    boardPort(
      'I2C',
      ['solder-pad', 'pads'],
      [
        ['5VU', 'supply-out', '@5vu'],
        ['SDA', 'sda'],
        ['SCL', 'scl'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'left' },
      [i2cHost('I2C', 'I2C.2', 'I2C.3')],
    ),
    serialPort({
      id: 'S5',
      chip: 'UART4',
      connector: ['solder-pad', 'pads'],
      inverts: 'none',
      rows: [
        ['9V', 'supply-out', '@9v'],
        ['GND', 'gnd', '@gnd'],
        ['RX', 'rx'],
        ['TX', 'tx'],
      ],
    }),
    serialPort({
      id: 'S6',
      connector: ['solder-pad', 'pads'],
      rows: [
        ['TX', 'tx'],
        ['RX', 'rx'],
        ['GND', 'gnd', '@gnd'],
      ],
      uart: { maxBaud: 57_600, software: true, speaks: speaksSlowly },
    }),
    boardPort(
      'battery',
      ['power-pad', 'pads'],
      [
        ['BAT', 'supply-in', '@bat'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'left', needed: true },
    ),
    ...outputPorts({
      row: 'inner',
      rail: '@servo',
      banks: [
        { id: 'A', outputs: [1, 2], kinds: ['pwm', 'dshot'] },
        { id: 'B', outputs: [3, 4], kinds: ['pwm', 'dshot'] },
        { id: 'C', outputs: [5, 6], kinds: ['pwm'] },
      ],
    }),
    boardPort(
      'motor',
      ['power-pad', 'pads'],
      [
        ['BAT', 'supply-out', '@sensed'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'motor supply', side: 'right' },
    ),
    boardPort(
      'camera',
      ['solder-pad', 'pads'],
      [
        ['5V', 'supply-out', '@5v'],
        ['9V', 'supply-out', '@9v'],
        ['GND', 'gnd', '@gnd'],
        ['VID', 'video-in'],
      ],
      { side: 'right' },
      [{ is: 'video-in', id: 'cam', pin: 'camera.4', standards: ['PAL', 'NTSC'] }],
    ),
    boardPort(
      'video',
      ['solder-pad', 'pads'],
      [
        ['9V', 'supply-out', '@9v'],
        ['GND', 'gnd', '@gnd'],
        ['VID', 'video-out'],
      ],
      { side: 'right' },
      [{ is: 'video-out', id: 'vid', pin: 'video.3', standards: ['PAL', 'NTSC'] }],
    ),
    boardPort(
      'buzzer',
      ['solder-pad', 'pads'],
      [
        ['5V', 'supply-out', '@5v'],
        ['BZ', 'switch'],
      ],
      { side: 'right', groundless: 'The board switches the minus side of the buzzer.' },
    ),
    usbPort(),
  ],
  circuit: [
    { is: 'sense', id: 'battery-current', a: '@bat', b: '@sensed', ohm: 0.0002, fullScaleA: 90 },
    buck('reg-5v', {
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
    }),
    buck('reg-9v', {
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
    }),
    fuse('peripheral-fuse', '@5v', '@5vp', 1.5),
    supplyOrUsb('usb-or-battery', '@5v', '@5vu'),
    boardLoad('@5vu', 0.15),
  ],
  routes: [{ from: 'cam', to: 'vid', transform: 'overlay' }],
  monitor: { voltsPerV: 11, ampsPerV: 27.27 },
  target: 'PLOVER4',
  uartMhz: f4Mhz,
  dividerSteps: 16,
  sensors: ['IMU', 'barometer', 'battery voltage', 'battery current'],
});
