import { logic3V3, logic5Tolerant, partId, uart, type RawEndpoint, type Row } from '../build.ts';
import { f7Mhz, boardLoad, boardPort, controllerBoard, fuse, i2cHost, speaksAll, supplyOrUsb, usbPort } from './board.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const supply: Row = ['5V', 'supply-out', '@port'];

/** Three-pin leads side by side: signal, rail, ground, and again. */
const outputRow = [1, 2, 3, 4, 5, 6].flatMap((n): Row[] => [[`S${n}`, 'pulse-out', logic3V3], ['V', 'supply-through', '@servo'], gnd]);

const serial = (id: string, chip: string, tx: number, rx: number): RawEndpoint =>
  uart(id, { tx: `comms.${tx}`, rx: `comms.${rx}` }, speaksAll('both'), {
    names: { label: id, chip },
    inverts: 'both',
    maxBaud: 921_600,
  });

/** A bare board: everything is on rows of pins, and plugs of any width sit on them. */
export const rowsF7 = controllerBoard({
  id: partId('controller-f7-rows'),
  name: 'Controller F7 on pin rows, 3 serial',
  summary:
    'Small bare board without sockets: one row of pins with 3 serial ports and I2C, one with 6 outputs of signal, rail and ground side by side, and a 5 V input. Plugs of any width sit on its rows; nothing guides them. Its servo rail has no supply of its own.',
  massG: 11,
  sizeMm: [46, 22, 14],
  ports: [
    boardPort(
      'comms',
      ['pin-2.54', 'pins'],
      [
        supply,
        gnd,
        ['T1', 'tx', logic5Tolerant],
        ['R1', 'rx', logic5Tolerant],
        ['T2', 'tx', logic5Tolerant],
        ['R2', 'rx', logic5Tolerant],
        gnd,
        supply,
        ['R3', 'rx', logic5Tolerant],
        ['T3', 'tx', logic5Tolerant],
        gnd,
        supply,
        ['SCL', 'scl', logic3V3],
        ['SDA', 'sda', logic3V3],
      ],
      { side: 'left' },
      [
        serial('K1', 'UART2', 3, 4),
        serial('K2', 'UART3', 5, 6),
        serial('K3', 'UART6', 10, 9),
        i2cHost('I2C', 'comms.14', 'comms.13', 2700),
      ],
    ),
    boardPort('power', ['pin-2.54', 'pins'], [['5V', 'supply-in', '@pm'], gnd], { side: 'front', needed: true }),
    boardPort(
      'servos',
      ['pin-2.54', 'pins'],
      outputRow,
      { side: 'right' },
      [1, 2, 3, 4, 5, 6].map((n) => ({
        is: 'pulse-out',
        id: `s${n}`,
        pin: `servos.${n * 3 - 2}`,
        bank: n <= 4 ? 'A' : 'B',
        kinds: ['pwm', 'dshot'],
      })),
    ),
    usbPort(),
  ],
  circuit: [supplyOrUsb('power-inputs', '@pm', '@5v'), fuse('port-fuse', '@5v', '@port', 1), boardLoad('@5v', 0.18)],
  target: 'REED7',
  uartMhz: f7Mhz,
  dividerSteps: 16,
  sensors: ['IMU', 'barometer'],
});
