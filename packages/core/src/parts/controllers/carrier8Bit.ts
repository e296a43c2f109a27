import { logic5V, logicPulse, partId, type Row } from '../build.ts';
import { boardLoad, boardPort, controllerBoard, fuse, outputPorts, serialPort, usbPort, supplyOrUsb } from './board.ts';

const five: Readonly<Record<'rx' | 'tx', Row>> = { rx: ['RX', 'rx', logic5V], tx: ['TX', 'tx', logic5V] };

/** Older class: 5 V logic, one wire a channel at the input side, everything on 3-pin rows. */
export const carrier8Bit = controllerBoard({
  id: partId('controller-8-bit-carrier'),
  name: 'Controller 8-bit carrier, PWM inputs',
  summary:
    'Older class of board with 5 V logic: 8 parallel PWM inputs of which the first also takes PPM, 8 outputs in 2 banks, 2 serial ports that cannot invert, I2C. One rail feeds inputs; the output rail has no supply of its own.',
  massG: 31,
  sizeMm: [66, 41, 14],
  compass: { rangeUt: 800 },
  ports: [
    serialPort({
      id: 'TEL',
      label: 'telem',
      chip: 'UART2',
      connector: ['locking-1.25', 'socket'],
      inverts: 'none',
      rows: [['5V', 'supply-out', '@port'], five.tx, five.rx, ['GND', 'gnd', '@gnd']],
      uart: { maxBaud: 115_200 },
    }),
    serialPort({
      id: 'GPS',
      label: 'pos',
      chip: 'UART1',
      connector: ['locking-1.25', 'socket'],
      inverts: 'none',
      rows: [['5V', 'supply-out', '@port'], five.rx, five.tx, ['GND', 'gnd', '@gnd']],
      uart: { maxBaud: 115_200 },
    }),
    boardPort(
      'I2C',
      ['locking-1.25', 'socket'],
      [
        ['5V', 'supply-out', '@port'],
        ['SCL', 'scl', logic5V],
        ['SDA', 'sda', logic5V],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'left' },
      [{ is: 'i2c-host', id: 'I2C', sda: 'I2C.3', scl: 'I2C.2', pullUpOhm: 2200, capacitancePf: 30 }],
    ),
    ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) =>
      boardPort(
        `in${n}`,
        ['pin-2.54', 'pins'],
        [
          ['S', 'pulse-in', logicPulse],
          ['V', 'supply-out', '@5v'],
          ['GND', 'gnd', '@gnd'],
        ],
        { label: `in ${n}`, side: 'left', signalRow: 'inner' },
        [{ is: 'rc-in', id: `in${n}`, pin: `in${n}.1`, formats: n === 1 ? ['pwm', 'ppm'] : ['pwm'] }],
      ),
    ),
    boardPort(
      'ADC',
      ['pin-2.54', 'pins'],
      [
        ['S', 'analog-in', logic5V],
        ['V', 'supply-out', '@5v'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'A0', side: 'left' },
      [{ is: 'analog-sense', id: 'A0', pin: 'ADC.1', fullScaleV: 5, purpose: 'airspeed or signal strength' }],
    ),
    boardPort(
      'PWR',
      ['locking-1.25', 'socket'],
      [
        ['5V', 'supply-in', '@pm'],
        ['5V', 'supply-in', '@pm'],
        ['CUR', 'analog-in', logic5V],
        ['VLT', 'analog-in', logic5V],
        ['GND', 'gnd', '@gnd'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'power', side: 'front', needed: true },
      [
        { is: 'analog-sense', id: 'current', pin: 'PWR.3', fullScaleV: 5, purpose: 'battery current' },
        { is: 'analog-sense', id: 'volts', pin: 'PWR.4', fullScaleV: 5, purpose: 'battery voltage' },
      ],
    ),
    ...outputPorts({
      row: 'inner',
      rail: '@servo',
      signal: logic5V,
      banks: [
        { id: 'A', outputs: [1, 2, 3], kinds: ['pwm'] },
        { id: 'B', outputs: [4, 5, 6, 7, 8], kinds: ['pwm'] },
      ],
    }),
    usbPort(),
  ],
  circuit: [supplyOrUsb('power-inputs', '@pm', '@5v', 0.3), fuse('port-fuse', '@5v', '@port', 0.5), boardLoad('@5v', 0.18)],
  target: 'POND8',
  uartMhz: () => 16,
  sensors: ['IMU', 'barometer', 'compass'],
});
