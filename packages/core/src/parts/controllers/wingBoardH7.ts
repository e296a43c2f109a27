import { buck, partId } from '../build.ts';
import { boardLoad, boardPort, canPort, controllerBoard, fuse, i2cHost, outputPorts, serialPort, usbPort } from './board.ts';

const pads = (id: string, chip: string, supply: '@5vu' | '@5v') =>
  serialPort({
    id,
    chip,
    connector: ['solder-pad', 'pads'],
    rows: [
      ['GND', 'gnd', '@gnd'],
      ['RX', 'rx'],
      ['TX', 'tx'],
      [supply === '@5vu' ? '5VU' : '5V', 'supply-out', supply],
    ],
  });

/** Has a servo regulator of its own. */
export const wingBoardH7 = controllerBoard({
  id: partId('controller-h7-wing'),
  name: 'Controller H7 wing board, servo regulator',
  summary:
    'Fed from the battery, with regulators for 5 V, 9 V or 12 V, and a servo rail of 5, 6 or 7.4 V. 7 serial ports that invert, 1 CAN, 12 outputs in 5 banks, of which the last can drive lights.',
  massG: 34,
  sizeMm: [54, 36, 15],
  settings: [
    {
      is: 'choice',
      id: 'servo-volts',
      label: 'Servo rail',
      unit: 'V',
      choices: [
        { value: 5, label: '5.0' },
        { value: 6, label: '6.0' },
        { value: 7.4, label: '7.4' },
      ],
      default: 5,
    },
    {
      is: 'choice',
      id: 'video-volts',
      label: 'Video supply',
      unit: 'V',
      choices: [
        { value: 9, label: '9' },
        { value: 12, label: '12' },
      ],
      default: 9,
    },
  ],
  ports: [
    pads('R1', 'UART7', '@5v'),
    pads('R2', 'UART1', '@5v'),
    pads('R3', 'UART2', '@5vu'),
    pads('R4', 'UART3', '@5v'),
    pads('R5', 'UART8', '@5v'),
    pads('R6', 'UART6', '@5vu'),
    serialPort({
      id: 'R7',
      chip: 'UART4',
      connector: ['locking-1.25', 'socket'],
      rows: [
        ['VS', 'supply-out', '@video'],
        ['GND', 'gnd', '@gnd'],
        ['TX', 'tx'],
        ['RX', 'rx'],
      ],
      label: 'R7 video',
    }),
    boardPort(
      'I2C',
      ['solder-pad', 'pads'],
      [
        ['GND', 'gnd', '@gnd'],
        ['SCL', 'scl'],
        ['SDA', 'sda'],
        ['5V', 'supply-out', '@5v'],
      ],
      { side: 'left' },
      [i2cHost('I2C', 'I2C.3', 'I2C.2')],
    ),
    canPort('CAN', 'CAN', '@5v'),
    boardPort(
      'analog',
      ['solder-pad', 'pads'],
      [
        ['AIR', 'analog-in'],
        ['RSSI', 'analog-in'],
        ['5V', 'supply-out', '@5v'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'left' },
      [
        { is: 'analog-sense', id: 'airspeed', pin: 'analog.1', fullScaleV: 6.6, purpose: 'airspeed' },
        { is: 'analog-sense', id: 'rssi', pin: 'analog.2', fullScaleV: 3.3, purpose: 'signal strength' },
      ],
    ),
    boardPort(
      'battery',
      ['power-pad', 'pads'],
      [
        ['BAT', 'supply-in', '@bat'],
        ['GND', 'gnd', '@gnd'],
      ],
      { side: 'front', needed: true },
    ),
    ...outputPorts({
      row: 'outer',
      rail: '@servo',
      banks: [
        { id: 'A', outputs: [1, 2], kinds: ['pwm', 'dshot'] },
        { id: 'B', outputs: [3, 4, 5, 6], kinds: ['pwm', 'dshot'] },
        { id: 'C', outputs: [7, 8], kinds: ['pwm', 'dshot'] },
        { id: 'D', outputs: [9, 10], kinds: ['pwm'] },
        { id: 'E', outputs: [11, 12], kinds: ['pwm', 'led'] },
      ],
    }),
    boardPort(
      'motorA',
      ['power-pad', 'pads'],
      [
        ['BAT', 'supply-out', '@sensed'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'motor A supply', side: 'right' },
    ),
    boardPort(
      'motorB',
      ['power-pad', 'pads'],
      [
        ['BAT', 'supply-out', '@sensed'],
        ['GND', 'gnd', '@gnd'],
      ],
      { label: 'motor B supply', side: 'right' },
    ),
    boardPort(
      'camera',
      ['solder-pad', 'pads'],
      [
        ['VID', 'video-in'],
        ['GND', 'gnd', '@gnd'],
        ['VS', 'supply-out', '@video'],
      ],
      { side: 'right' },
      [{ is: 'video-in', id: 'cam', pin: 'camera.1', standards: ['PAL', 'NTSC'] }],
    ),
    boardPort(
      'video',
      ['solder-pad', 'pads'],
      [
        ['VS', 'supply-out', '@video'],
        ['GND', 'gnd', '@gnd'],
        ['VID', 'video-out'],
      ],
      { side: 'right' },
      [{ is: 'video-out', id: 'vid', pin: 'video.3', standards: ['PAL', 'NTSC'] }],
    ),
    usbPort(),
  ],
  circuit: [
    { is: 'sense', id: 'battery-current', a: '@bat', b: '@sensed', ohm: 0.0002, fullScaleA: 120 },
    buck('reg-5v', {
      in: '@sensed',
      out: '@5v',
      gnd: '@gnd',
      setV: 5.1,
      inputMinV: 6.5,
      inputMaxV: 36,
      dropoutV: 1,
      efficiency: 0.9,
      quiescentA: 0.012,
      continuousA: 2.4,
      burstA: 3,
      burstS: 5,
    }),
    buck('reg-video', {
      in: '@sensed',
      out: '@video',
      gnd: '@gnd',
      setV: { fromSetting: 'video-volts' },
      inputMinV: 6.5,
      inputMaxV: 36,
      dropoutV: 1,
      efficiency: 0.9,
      quiescentA: 0.012,
      continuousA: 2.4,
      burstA: 3,
      burstS: 5,
    }),
    buck('reg-servo', {
      in: '@sensed',
      out: '@servo',
      gnd: '@gnd',
      setV: { fromSetting: 'servo-volts' },
      inputMinV: 6.5,
      inputMaxV: 36,
      dropoutV: 1,
      efficiency: 0.92,
      quiescentA: 0.015,
      continuousA: 8,
      burstA: 10,
      burstS: 10,
    }),
    fuse('usb-fuse', '@vbus', '@usb', 0.5),
    {
      is: 'selector',
      id: 'usb-or-battery',
      inputs: [
        { node: '@5v', minV: 4.5, maxV: 5.5, absoluteMaxV: 6 },
        { node: '@usb', minV: 4.4, maxV: 5.5, absoluteMaxV: 6 },
      ],
      out: '@5vu',
      dropV: 0.05,
    },
    boardLoad('@5vu', 0.22),
  ],
  routes: [{ from: 'cam', to: 'vid', transform: 'overlay' }],
  target: 'CURLEW7',
  sensors: ['IMU', 'second IMU', 'barometer', 'battery voltage', 'battery current'],
});
