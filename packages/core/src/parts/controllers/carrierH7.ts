import { partId } from '../build.ts';
import type { Row } from '../build.ts';
import {
  boardLoad,
  boardPort,
  canPort,
  controllerBoard,
  fuse,
  outputPorts,
  serialPort,
  usbPort,
  type BoardPort,
  regulator3V3,
} from './board.ts';

const linkRows: readonly Row[] = [
  ['5V', 'supply-out', '@link'],
  ['TX', 'tx'],
  ['RX', 'rx'],
  ['CTS', 'cts'],
  ['RTS', 'rts'],
  ['GND', 'gnd', '@gnd'],
];
const plainRows: readonly Row[] = [
  ['5V', 'supply-out', '@port'],
  ['TX', 'tx'],
  ['RX', 'rx'],
  ['GND', 'gnd', '@gnd'],
];
const positionRows: readonly Row[] = [
  ['5V', 'supply-out', '@port'],
  ['TX', 'tx'],
  ['RX', 'rx'],
  ['SCL', 'scl'],
  ['SDA', 'sda'],
  ['GND', 'gnd', '@gnd'],
];

const serial = (id: string, label: string, chip: string, rows: readonly Row[]): BoardPort =>
  serialPort({ id, label, chip, connector: ['locking-1.25', 'socket'], rows, pullUpOhm: 1500 });

const powerRows = (node: '@pm1' | '@pm2'): readonly Row[] => [
  ['5V', 'supply-in', node],
  ['5V', 'supply-in', node],
  ['CUR', 'analog-in'],
  ['VLT', 'analog-in'],
  ['GND', 'gnd', '@gnd'],
  ['GND', 'gnd', '@gnd'],
];

const analogPower = (id: string, label: string, node: '@pm1' | '@pm2'): BoardPort =>
  boardPort(id, ['locking-1.25', 'socket'], powerRows(node), { label, side: 'front' }, [
    { is: 'analog-sense', id: `${id}-current`, pin: `${id}.3`, fullScaleV: 3.3, purpose: 'battery current' },
    { is: 'analog-sense', id: `${id}-volts`, pin: `${id}.4`, fullScaleV: 3.3, purpose: 'battery voltage' },
  ]);

/** Three power inputs behind a selector; the servo rail is the third and has no source of its own. */
export const carrierH7 = controllerBoard({
  id: partId('controller-h7-carrier'),
  name: 'Controller H7 carrier, 8 serial',
  summary:
    '8 serial ports that invert, two with flow control and two with an I2C bus beside; 2 CAN; 3 power inputs behind a selector, of which the servo rail is the last; 14 outputs in 4 banks. Its servo rail has no supply of its own and is fed at main 5 to 8; main 1 to 4 and the aux row are fused.',
  massG: 62,
  sizeMm: [92, 48, 24],
  compass: { rangeUt: 800 },
  ports: [
    serial('A', 'link A', 'UART7', linkRows),
    serial('B', 'link B', 'UART5', linkRows),
    serial('C', 'aux C', 'USART1', plainRows),
    serial('D', 'aux D', 'UART8', plainRows),
    serial('E', 'pos E', 'USART3', positionRows),
    serial('F', 'pos F', 'UART4', positionRows),
    serialPort({
      id: 'RC',
      label: 'rc in',
      chip: 'USART6',
      connector: ['locking-1.25', 'socket'],
      rows: [
        ['5V', 'supply-out', '@rc'],
        ['RX', 'rx'],
        ['TX', 'tx'],
        ['GND', 'gnd', '@gnd'],
      ],
    }),
    serial('H', 'console H', 'USART2', plainRows),
    canPort('CAN1', 'CAN 1', '@port'),
    canPort('CAN2', 'CAN 2', '@port'),
    boardPort(
      'PWR1',
      ['locking-1.25', 'socket'],
      [
        ['5V', 'supply-in', '@pm1'],
        ['5V', 'supply-in', '@pm1'],
        ['SCL', 'scl'],
        ['SDA', 'sda'],
        ['GND', 'gnd', '@gnd'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'power 1', side: 'front' },
      [{ is: 'i2c-host', id: 'PWR1-I2C', sda: 'PWR1.4', scl: 'PWR1.3', pullUpOhm: 1500, capacitancePf: 20 }],
    ),
    analogPower('PWR2', 'power 2', '@pm2'),
    boardPort(
      'ADC',
      ['locking-1.25', 'socket'],
      [
        ['5V', 'supply-out', '@port'],
        ['A1', 'analog-in'],
        ['A2', 'analog-in'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'analog', side: 'left' },
      [
        { is: 'analog-sense', id: 'ADC1', pin: 'ADC.2', fullScaleV: 6.6, purpose: 'airspeed or strain' },
        { is: 'analog-sense', id: 'ADC2', pin: 'ADC.3', fullScaleV: 3.3, purpose: 'signal strength' },
      ],
    ),
    boardPort(
      'safety',
      ['locking-1.25', 'socket'],
      [
        ['3V3', 'supply-out', '@3v3'],
        ['SW', 'switch'],
        ['LED', 'switch'],
      ],
      { side: 'rear', groundless: 'The switch closes between its supply and the inputs.' },
    ),
    boardPort(
      'buzzer',
      ['locking-1.25', 'socket'],
      [
        ['5V', 'supply-out', '@port'],
        ['BZ', 'switch'],
      ],
      { side: 'rear', groundless: 'The board switches the minus side of the buzzer.' },
    ),
    ...outputPorts({
      row: 'inner',
      rail: '@servo-m1',
      label: 'main',
      prefix: 'm',
      banks: [{ id: 'M1', outputs: [1, 2, 3, 4], kinds: ['pwm', 'dshot'] }],
    }),
    ...outputPorts({
      row: 'inner',
      rail: '@servo',
      label: 'main',
      prefix: 'm',
      banks: [{ id: 'M2', outputs: [5, 6, 7, 8], kinds: ['pwm'] }],
    }),
    ...outputPorts({
      row: 'inner',
      rail: '@servo-aux',
      label: 'aux',
      prefix: 'a',
      banks: [
        { id: 'X1', outputs: [1, 2, 3, 4], kinds: ['pwm', 'dshot'] },
        { id: 'X2', outputs: [5, 6], kinds: ['pwm', 'led'] },
      ],
    }),
    usbPort(2),
  ],
  circuit: [
    {
      is: 'selector',
      id: 'power-inputs',
      inputs: [
        { node: '@pm1', minV: 4.1, maxV: 5.7, absoluteMaxV: 10 },
        { node: '@pm2', minV: 4.1, maxV: 5.7, absoluteMaxV: 10 },
        { node: '@servo', minV: 4.1, maxV: 5.7, absoluteMaxV: 10 },
        { node: '@vbus', minV: 4.1, maxV: 5.7, absoluteMaxV: 6 },
      ],
      out: '@5v',
      dropV: 0.05,
    },
    fuse('link-fuse', '@5v', '@link', 1.5),
    fuse('port-fuse', '@5v', '@port', 1.5),
    fuse('rc-fuse', '@5v', '@rc', 0.75),
    fuse('main-fuse', '@servo', '@servo-m1', 5),
    fuse('aux-fuse', '@servo', '@servo-aux', 5),
    regulator3V3,
    boardLoad('@5v', 0.32),
  ],
  target: 'ESTUARY7',
  uartMhz: () => 120,
  dividerSteps: 16,
  sensors: ['IMU', 'second IMU', 'third IMU', 'barometer', 'second barometer', 'compass'],
});
