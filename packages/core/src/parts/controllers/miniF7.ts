import { partId, type Row } from '../build.ts';
import {
  f7Mhz,
  boardLoad,
  boardPort,
  canPort,
  controllerBoard,
  fuse,
  i2cHost,
  outputPorts,
  serialPort,
  usbPort,
  type BoardPort,
  supplyOrUsb,
} from './board.ts';

const rows: readonly Row[] = [
  ['GND', 'gnd', '@gnd'],
  ['TX', 'tx'],
  ['RX', 'rx'],
  ['5V', 'supply-out', '@port'],
];
const serial = (id: string, label: string, chip: string): BoardPort =>
  serialPort({ id, label, chip, connector: ['locking-1.0', 'socket'], rows });

/** Every port is a socket whose ground comes first; it may be mounted on its face. */
export const miniF7 = controllerBoard({
  id: partId('controller-f7-mini'),
  name: 'Controller F7 mini, 6 serial',
  summary:
    'Small board with 1.0 mm sockets, ground on pin 1. 6 serial ports that invert, 1 CAN, 8 outputs in 3 banks, one 5 V input. It can be mounted upside down. Its servo rail has no supply of its own.',
  massG: 16,
  sizeMm: [44, 30, 12],
  ports: [
    serial('T1', 'T1', 'USART2'),
    serial('T2', 'T2', 'USART3'),
    serial('G1', 'G1', 'UART4'),
    serial('G2', 'G2', 'UART5'),
    serial('V1', 'V1', 'UART7'),
    serialPort({
      id: 'RC',
      label: 'rc',
      chip: 'USART6',
      connector: ['locking-1.0', 'socket'],
      rows: [
        ['GND', 'gnd', '@gnd'],
        ['RX', 'rx'],
        ['TX', 'tx'],
        ['5V', 'supply-out', '@port'],
      ],
    }),
    canPort('CAN', 'CAN', '@port'),
    boardPort(
      'I2C',
      ['locking-1.0', 'socket'],
      [
        ['GND', 'gnd', '@gnd'],
        ['SDA', 'sda'],
        ['SCL', 'scl'],
        ['5V', 'supply-out', '@port'],
      ],
      { side: 'left' },
      [i2cHost('I2C', 'I2C.2', 'I2C.3', 2700)],
    ),
    boardPort(
      'PWR',
      ['locking-1.0', 'socket'],
      [
        ['GND', 'gnd', '@gnd'],
        ['GND', 'gnd', '@gnd'],
        ['VLT', 'analog-in'],
        ['CUR', 'analog-in'],
        ['5V', 'supply-in', '@pm'],
        ['5V', 'supply-in', '@pm'],
      ],
      { label: 'power', side: 'front', needed: true },
      [
        { is: 'analog-sense', id: 'volts', pin: 'PWR.3', fullScaleV: 3.3, purpose: 'battery voltage' },
        { is: 'analog-sense', id: 'current', pin: 'PWR.4', fullScaleV: 3.3, purpose: 'battery current' },
      ],
    ),
    ...outputPorts({
      row: 'outer',
      rail: '@servo',
      banks: [
        { id: 'A', outputs: [1, 2, 3, 4], kinds: ['pwm', 'dshot'] },
        { id: 'B', outputs: [5, 6], kinds: ['pwm', 'dshot'] },
        { id: 'C', outputs: [7, 8], kinds: ['pwm'] },
      ],
    }),
    usbPort(),
  ],
  circuit: [supplyOrUsb('power-inputs', '@pm', '@5v'), fuse('port-fuse', '@5v', '@port', 1), boardLoad('@5v', 0.2)],
  target: 'TEAL7',
  uartMhz: f7Mhz,
  dividerSteps: 16,
  sensors: ['IMU', 'barometer'],
  mounting: { imuFrame: 'x to the arrow, y to the right of it, z down through the board', upsideDown: true },
});
