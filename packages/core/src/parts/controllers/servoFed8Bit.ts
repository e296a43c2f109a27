import { logic5V, logicPulse, partId, type Row } from '../build.ts';
import { boardLoad, boardPort, controllerBoard, fuse, outputPorts, serialPort, supplyOrUsb, usbPort } from './board.ts';

const five: Readonly<Record<'rx' | 'tx', Row>> = { rx: ['RX', 'rx', logic5V], tx: ['TX', 'tx', logic5V] };

/** Without a power input: what feeds the servos feeds the board. */
export const servoFed8Bit = controllerBoard({
  id: partId('controller-8-bit-servo-fed'),
  name: 'Controller 8-bit, fed through its servo row, PPM input',
  summary:
    'Small older board without a power socket: it runs from the rail of its 6 outputs, 4.8 to 5.5 V, or on USB. RC comes in as one PPM train; 2 serial ports that cannot invert, and two analog inputs for a sensor at the pack.',
  massG: 13,
  sizeMm: [50, 32, 13],
  ports: [
    serialPort({
      id: 'TEL',
      label: 'radio',
      chip: 'UART2',
      connector: ['locking-1.25', 'socket'],
      inverts: 'none',
      rows: [['GND', 'gnd', '@gnd'], five.rx, five.tx, ['5V', 'supply-out', '@port']],
      uart: { maxBaud: 115_200 },
    }),
    serialPort({
      id: 'POS',
      label: 'position',
      chip: 'UART1',
      connector: ['locking-1.25', 'socket'],
      inverts: 'none',
      rows: [['GND', 'gnd', '@gnd'], five.tx, five.rx, ['5V', 'supply-out', '@port']],
      uart: { maxBaud: 115_200 },
    }),
    boardPort(
      'PPM',
      ['pin-2.54', 'pins'],
      [
        ['S', 'pulse-in', logicPulse],
        ['V', 'supply-out', '@port'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'ppm in', side: 'left', signalRow: 'inner' },
      [{ is: 'rc-in', id: 'PPM', pin: 'PPM.1', formats: ['ppm'] }],
    ),
    boardPort(
      'ADC',
      ['pin-2.54', 'pins'],
      [
        ['CUR', 'analog-in', logic5V],
        ['VLT', 'analog-in', logic5V],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'pack', side: 'front' },
      [
        { is: 'analog-sense', id: 'current', pin: 'ADC.1', fullScaleV: 5, purpose: 'battery current' },
        { is: 'analog-sense', id: 'volts', pin: 'ADC.2', fullScaleV: 5, purpose: 'battery voltage' },
      ],
    ),
    ...outputPorts({
      row: 'inner',
      rail: '@servo',
      signal: logic5V,
      banks: [
        { id: 'A', outputs: [1, 2, 3, 4], kinds: ['pwm'] },
        { id: 'B', outputs: [5, 6], kinds: ['pwm'] },
      ],
    }),
    usbPort(),
  ],
  circuit: [supplyOrUsb('rail-or-usb', '@servo', '@5v', 0.1), fuse('port-fuse', '@5v', '@port', 0.5), boardLoad('@5v', 0.09)],
  target: 'MERE8',
  uartMhz: () => 16,
  sensors: ['IMU', 'barometer'],
  indications: [
    { shows: 'red flashing', means: 'hold still: it measures its gyros' },
    { shows: 'blue steady', means: 'position is valid' },
  ],
  steps: [
    {
      title: 'First power-up',
      text: 'On USB first, with nothing on the servo row; then on the rail, with a meter on it: more than 5.5 V destroys the board.',
      caution: 'propellers-off',
    },
  ],
});
