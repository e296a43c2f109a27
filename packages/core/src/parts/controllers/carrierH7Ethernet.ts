import { logic3V3, partId, type Row } from '../build.ts';
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

const positionRows: readonly Row[] = [
  ['5V', 'supply-out', '@port'],
  ['RX', 'rx'],
  ['TX', 'tx'],
  ['SDA', 'sda'],
  ['SCL', 'scl'],
  ['GND', 'gnd', '@gnd'],
];
const linkRows: readonly Row[] = [
  ['GND', 'gnd', '@gnd'],
  ['RTS', 'rts'],
  ['CTS', 'cts'],
  ['RX', 'rx'],
  ['TX', 'tx'],
  ['5V', 'supply-out', '@link'],
];
const serial = (id: string, label: string, chip: string, rows: readonly Row[]): BoardPort =>
  serialPort({ id, label, chip, connector: ['locking-1.25', 'socket'], rows, pullUpOhm: 1500 });

const canPower = (id: string, label: string, node: '@pm1' | '@pm2'): BoardPort =>
  boardPort(
    id,
    ['locking-2.0', 'socket'],
    [
      ['5V', 'supply-in', node],
      ['5V', 'supply-in', node],
      ['H', 'can-h'],
      ['L', 'can-l'],
      ['GND', 'gnd', '@gnd'],
      ['GND', 'gnd', '@gnd'],
    ],
    { label, side: 'front' },
    [{ is: 'can', id: `${id}-CAN`, high: `${id}.3`, low: `${id}.4`, terminated: true }],
  );

/** Two position ports and a network port; its link sockets have the ground first. */
export const carrierH7Ethernet = controllerBoard({
  id: partId('controller-h7-ethernet'),
  name: 'Controller H7 carrier, Ethernet, 2 GNSS ports',
  summary:
    '7 serial ports that invert, two of them for a pair of GNSS receivers with I2C; Ethernet; 2 CAN and 2 power inputs with CAN monitors; 16 outputs in 5 banks. Its servo rail has no supply of its own and is the last input of the selector.',
  massG: 75,
  sizeMm: [96, 52, 26],
  ports: [
    serial('P1', 'pos 1', 'UART4', positionRows),
    serial('P2', 'pos 2', 'USART2', positionRows),
    serial('L1', 'link 1', 'UART7', linkRows),
    serial('L2', 'link 2', 'UART5', linkRows),
    serial('L3', 'link 3', 'USART1', linkRows),
    serialPort({
      id: 'RC',
      label: 'rc',
      chip: 'USART6',
      connector: ['locking-1.25', 'socket'],
      rows: [
        ['GND', 'gnd', '@gnd'],
        ['RX', 'rx'],
        ['TX', 'tx'],
        ['5V', 'supply-out', '@port'],
      ],
    }),
    serial('X1', 'extra', 'UART8', [
      ['5V', 'supply-out', '@port'],
      ['TX', 'tx', logic3V3],
      ['RX', 'rx', logic3V3],
      ['GND', 'gnd', '@gnd'],
    ]),
    boardPort(
      'ETH',
      ['locking-1.25', 'socket'],
      [
        ['T+', 'usb'],
        ['T-', 'usb'],
        ['R+', 'usb'],
        ['R-', 'usb'],
      ],
      { label: 'Ethernet', side: 'left', groundless: 'Its pairs are isolated by transformers.' },
      [{ is: 'network', id: 'ETH', port: 'ETH', roles: ['host', 'client', 'server'], address: {} }],
    ),
    canPort('CAN1', 'CAN 1', '@port'),
    canPort('CAN2', 'CAN 2', '@port'),
    canPower('PWR1', 'power 1', '@pm1'),
    canPower('PWR2', 'power 2', '@pm2'),
    boardPort(
      'safety',
      ['locking-1.25', 'socket'],
      [
        ['3V3', 'supply-out', '@3v3'],
        ['LED', 'switch'],
        ['SW', 'switch'],
      ],
      { side: 'rear', groundless: 'The switch closes between its supply and the inputs.' },
    ),
    ...outputPorts({
      row: 'outer',
      rail: '@servo',
      banks: [
        { id: 'A', outputs: [1, 2, 3, 4], kinds: ['pwm', 'dshot'] },
        { id: 'B', outputs: [5, 6, 7, 8], kinds: ['pwm', 'dshot'] },
        { id: 'C', outputs: [9, 10, 11], kinds: ['pwm'] },
        { id: 'D', outputs: [12, 13, 14], kinds: ['pwm'] },
        { id: 'E', outputs: [15, 16], kinds: ['pwm', 'led'] },
      ],
    }),
    usbPort(2),
  ],
  circuit: [
    {
      is: 'selector',
      id: 'power-inputs',
      inputs: [
        { node: '@pm1', minV: 4.3, maxV: 5.6, absoluteMaxV: 6.5 },
        { node: '@pm2', minV: 4.3, maxV: 5.6, absoluteMaxV: 6.5 },
        { node: '@vbus', minV: 4.3, maxV: 5.6, absoluteMaxV: 6 },
        { node: '@servo', minV: 4.3, maxV: 5.6, absoluteMaxV: 10 },
      ],
      out: '@5v',
      dropV: 0.05,
    },
    fuse('link-fuse', '@5v', '@link', 2),
    fuse('port-fuse', '@5v', '@port', 1.5),
    regulator3V3,
    boardLoad('@5v', 0.4),
  ],
  target: 'ESTUARY7-NET',
  uartMhz: () => 120,
  dividerSteps: 16,
  sensors: ['IMU', 'second IMU', 'third IMU', 'barometer', 'second barometer'],
});
