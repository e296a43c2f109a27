import { buck, partId } from '../build.ts';
import { f4Mhz, boardLoad, boardPort, controllerBoard, i2cHost, outputPorts, serialPort, usbPort, supplyOrUsb } from './board.ts';

const pads = (id: string, chip: string) =>
  serialPort({
    id,
    chip,
    connector: ['solder-pad', 'pads'],
    inverts: 'none',
    rows: [
      ['RX', 'rx'],
      ['TX', 'tx'],
      ['GND', 'gnd', '@gnd'],
      ['5V', 'supply-out', '@5v'],
    ],
  });

/** Meant for motors: no servo rail, and outputs with signal and ground only. */
export const stackF4 = controllerBoard({
  id: partId('controller-f4-stack'),
  name: 'Controller F4 stack board, 3 serial',
  summary:
    'Small board for motors only: fed from the battery, 5 V regulator, 3 full serial ports that cannot invert and an inverting RC input, 4 motor outputs in one bank and a light. No servo rail.',
  massG: 9,
  sizeMm: [36, 36, 8],
  ports: [
    pads('U1', 'UART1'),
    pads('U3', 'UART3'),
    pads('U6', 'UART6'),
    serialPort({
      id: 'RC',
      label: 'sbus',
      chip: 'UART2',
      connector: ['solder-pad', 'pads'],
      inverts: 'rx',
      rows: [
        ['5V', 'supply-out', '@5vu'],
        ['GND', 'gnd', '@gnd'],
        ['RX', 'rx'],
      ],
    }),
    boardPort(
      'I2C',
      ['solder-pad', 'pads'],
      [
        ['SDA', 'sda'],
        ['SCL', 'scl'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'left' },
      [i2cHost('I2C', 'I2C.1', 'I2C.2', 4700)],
    ),
    boardPort(
      'ESC',
      ['locking-1.0', 'socket'],
      [
        ['BAT', 'supply-in', '@bat'],
        ['GND', 'gnd', '@gnd'],
        ['CUR', 'analog-in'],
        ['TLM', 'rx'],
        ['M1', 'pulse-out'],
        ['M2', 'pulse-out'],
        ['M3', 'pulse-out'],
        ['M4', 'pulse-out'],
      ],
      { label: 'motors', side: 'front', needed: true },
      [
        { is: 'analog-sense', id: 'current', pin: 'ESC.3', fullScaleV: 3.3, purpose: 'battery current' },
        {
          is: 'uart',
          id: 'U4',
          rx: 'ESC.4',
          names: { label: 'U4 telemetry', chip: 'UART4' },
          duplex: 'rx-only',
          inverts: 'none',
          maxBaud: 921_600,
          speaks: [{ protocol: 'motor-telemetry', as: 'listener', bauds: [115_200], defaultBaud: 115_200 }],
        },
        ...[1, 2, 3, 4].map((n) => ({ is: 'pulse-out' as const, id: `m${n}`, pin: `ESC.${n + 4}`, bank: 'A', kinds: ['pwm', 'dshot'] })),
      ],
    ),
    ...outputPorts({
      row: 'inner',
      rail: undefined,
      family: 'solder-pad',
      prefix: 'led',
      label: 'light',
      banks: [{ id: 'B', outputs: [1], kinds: ['led', 'pwm'] }],
    }),
    boardPort(
      'camera',
      ['solder-pad', 'pads'],
      [
        ['VID', 'video-in'],
        ['5V', 'supply-out', '@5v'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'right' },
      [{ is: 'video-in', id: 'cam', pin: 'camera.1', standards: ['PAL', 'NTSC'] }],
    ),
    boardPort(
      'video',
      ['solder-pad', 'pads'],
      [
        ['VID', 'video-out'],
        ['BAT', 'supply-out', '@bat'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'right' },
      [{ is: 'video-out', id: 'vid', pin: 'video.1', standards: ['PAL', 'NTSC'] }],
    ),
    usbPort(),
  ],
  circuit: [
    buck('reg-5v', {
      in: '@bat',
      out: '@5v',
      gnd: '@gnd',
      setV: 5,
      inputMinV: 6.5,
      inputMaxV: 26,
      dropoutV: 0.9,
      efficiency: 0.88,
      quiescentA: 0.01,
      continuousA: 1.5,
      burstA: 2,
      burstS: 5,
    }),
    supplyOrUsb('usb-or-battery', '@5v', '@5vu'),
    boardLoad('@5vu', 0.13),
  ],
  routes: [{ from: 'cam', to: 'vid', transform: 'overlay' }],
  target: 'SNIPE4',
  uartMhz: f4Mhz,
  dividerSteps: 16,
  sensors: ['IMU'],
});
