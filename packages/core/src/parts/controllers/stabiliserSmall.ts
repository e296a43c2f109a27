import { load, logic3V3, logic5Tolerant, offer, partId } from '../build.ts';
import { boardPort, controllerBoard, outputPorts, serialPort } from './board.ts';

/** Set up by hand: two buttons and three lights, no text and no USB. */
export const stabiliserSmall = controllerBoard({
  id: partId('controller-stabiliser-5'),
  name: 'Stabiliser board, 5 outputs, satellite receiver input',
  summary:
    'Levels a small aircraft and holds its rates. Runs from the rail of its 5 outputs, 4.5 to 8.4 V; accepts a satellite receiver on a 3.3 V socket, or SBUS on a 3-pin row. Set up with two buttons.',
  massG: 8,
  sizeMm: [36, 22, 12],
  ports: [
    boardPort(
      'SAT',
      ['locking-1.5', 'socket'],
      [
        ['3V3', 'supply-out', '@3v3'],
        ['GND', 'gnd', '@gnd'],
        ['S', 'rx', logic3V3],
      ],
      { label: 'sat', side: 'left' },
      [
        {
          is: 'uart',
          id: 'SAT',
          rx: 'SAT.3',
          names: { label: 'sat', chip: 'UART1' },
          duplex: 'rx-only',
          inverts: 'none',
          maxBaud: 115_200,
          speaks: [offer('satellite-frames', 'listener', 115_200)],
        },
        { is: 'rc-in', id: 'SAT-RC', pin: 'SAT.3', formats: ['satellite'], exclusive: 'rc' },
      ],
    ),
    serialPort({
      id: 'SBUS',
      label: 'rc',
      chip: 'UART2',
      connector: ['pin-2.54', 'pins'],
      inverts: 'rx',
      rows: [
        ['S', 'rx', logic5Tolerant],
        ['V', 'supply-through', '@servo'],
        ['GND', 'gnd', '@gnd'],
      ],
      uart: { maxBaud: 100_000, speaks: [offer('sbus', 'listener', 100_000)] },
    }),
    ...outputPorts({
      row: 'inner',
      rail: '@servo',
      banks: [
        { id: 'A', outputs: [1, 2, 3], kinds: ['pwm'] },
        { id: 'B', outputs: [4, 5], kinds: ['pwm'] },
      ],
    }),
  ],
  circuit: [
    {
      is: 'regulator',
      id: 'reg-3v3',
      topology: 'linear',
      in: '@servo',
      out: '@3v3',
      gnd: '@gnd',
      setV: 3.3,
      inputMinV: 3.8,
      inputMaxV: 9,
      dropoutV: 0.4,
      efficiency: 1,
      quiescentA: 0.002,
      continuousA: 0.25,
      burstA: 0.3,
      burstS: 1,
      onOverload: 'foldback',
      maxW: 1,
    },
    load('logic', ['@servo', '@gnd'], [0.03, 0.04, 0.06], [5, 4.5, 8.4]),
  ],
  target: 'WREN3',
  uartMhz: () => 48,
  dividerSteps: 16,
  sensors: ['IMU'],
  mounting: { imuFrame: 'x towards the outputs, y to the right of them, z down through the label', upsideDown: true },
  indications: [
    { shows: 'white flashing', means: 'no receiver is heard' },
    { shows: 'green steady', means: 'ready; manual flight' },
    { shows: 'blue steady', means: 'it levels' },
    { shows: 'red, three flashes', means: 'it was moved while it measured its gyros' },
  ],
  steps: [
    {
      title: 'Bind',
      text: 'Hold BIND while switching the rail on: white and green flash in turn. Start binding on the RC transmitter; steady green means done.',
      caution: 'propellers-off',
    },
    {
      title: 'Trim',
      text: 'Aircraft level, sticks in the middle: hold TRIM for 3 s until blue flashes twice. It stores this attitude as level.',
      caution: 'propellers-off',
    },
    {
      title: 'Direction of correction',
      text: 'Tilt the aircraft by hand: each surface has to move against the tilt. Reverse one that moves with it: hold TRIM and its stick.',
      caution: 'propellers-off',
    },
  ],
});
