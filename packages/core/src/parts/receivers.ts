import { fastStickFrames, stickFrames } from './airTraits.ts';
import type { Part } from '../model/part.ts';
import { load, logic3V3, logic5V, offer, pairRadio, samplePart, uart, wiredPort, withPin } from './build.ts';
import {
  bind,
  crsfTalker,
  failsafe,
  ground,
  receiverCautions,
  rowPorts,
  sbusTalker,
  secondAntenna,
  servoRows,
  sticksOnly,
  stickWays,
  fastWays,
  onQualityChannel,
  qualityChannel,
  takes,
  tryLoss,
} from './receiverFacts.ts';

/** Receivers that tell all channels on one serial wire. */
export const serialReceivers: readonly Part[] = [
  samplePart({
    id: 'receiver-sbus-16',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS, 16 channels',
    summary: 'One inverted serial wire at 100 000 baud. Loss of signal is told by a flag in the frame.',
    massG: 11,
    sizeMm: [36, 22, 9],
    radios: [sticksOnly],
    how: stickWays,
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'pins'], [ground, ['V', 'supply-in'], ['S', 'tx', logic3V3]], { signalRow: 'outer', needed: true }),
    ],
    circuit: [takes('SBUS.2')],
    routes: [
      { from: 'rc', to: 'SBUS', transform: 'bridge' },
      { from: 'rc', to: 'SBUS-RC', transform: 'bridge' },
    ],
    endpoints: sbusTalker('SBUS.3'),
    steps: [bind],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-sbus-telemetry',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS 16 with telemetry return',
    summary: 'SBUS on one wire, an uninverted tap of it on a pad, and single-wire telemetry back. The flag tells of a lost link.',
    massG: 6,
    sizeMm: [24, 18, 6],
    radios: [pairRadio([2400, 2483.5], [20, -101], { id: 'rc', title: 'sticks', air: stickFrames, atMm: [0, 0, 20] })],
    how: stickWays,
    ports: [
      wiredPort('main', ['locking-1.25', 'socket'], [['V', 'supply-in'], ground, ['SB', 'tx', logic3V3], ['TR', 'single-wire', logic3V3]], {
        needed: true,
      }),
      wiredPort('tap', ['solder-pad', 'pads'], [['SBU', 'tx', logic3V3]], {
        label: 'uninverted',
        groundless: 'A tap of the same receiver.',
      }),
    ],
    circuit: [takes('main.1')],
    routes: [
      { from: 'rc', to: 'SBUS', transform: 'bridge' },
      { from: 'rc', to: 'SBUS-RC', transform: 'bridge' },
      { from: 'rc', to: 'TAP', transform: 'bridge' },
      { from: 'rc', to: 'TAP-RC', transform: 'bridge' },
      { from: 'rc', to: 'TR', transform: 'bridge' },
    ],
    endpoints: [
      ...sbusTalker('main.3'),
      ...sbusTalker('tap.1', false, 'TAP'),
      uart('TR', { tx: 'main.4' }, [offer('single-wire-telemetry', 'both', 57_600)], { duplex: 'single-wire' }),
    ],
    steps: [bind],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-crsf-full',
    kind: 'rc-receiver',
    name: 'RC receiver, CRSF full duplex',
    summary: '420 000 baud both ways; link quality comes with the channels; no frames when the link is lost.',
    massG: 3,
    sizeMm: [18, 12, 4],
    radios: [pairRadio([2400, 2483.5], [20, -108], { id: 'rc', title: 'sticks', air: fastStickFrames, atMm: [0, 0, 20] })],
    how: fastWays,
    ports: [
      wiredPort('UART', ['solder-pad', 'pads'], [ground, ['V', 'supply-in'], ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3]], {
        needed: true,
      }),
    ],
    circuit: [load('receiver', ['UART.2', '@gnd'], [0.05, 0.09, 0.16], [5, 4, 5.5])],
    routes: [
      { from: 'rc', to: 'UART', transform: 'bridge' },
      { from: 'rc', to: 'UART-RC', transform: 'bridge' },
    ],
    endpoints: crsfTalker('UART.4', 'UART.3', 'UART'),
    indications: [
      { shows: 'two quick flashes', means: 'waiting to bind' },
      { shows: 'steady', means: 'linked' },
      { shows: 'one slow flash', means: 'no data from the other side' },
    ],
    steps: [bind],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-sbus-rssi',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS and RSSI, two antennas',
    summary: 'Diversity receiver: SBUS on one row, signal strength as 0 to 3.3 V on another, 6 servo rows besides.',
    massG: 19,
    sizeMm: [48, 28, 14],
    settings: [failsafe],
    radios: [sticksOnly, secondAntenna],
    how: stickWays,
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'pins'], [['S', 'tx', logic3V3], ['V', 'supply-in', '@v'], ground], {
        signalRow: 'inner',
        needed: true,
      }),
      wiredPort('RSSI', ['pin-2.54', 'pins'], [['S', 'analog-out', logic3V3], ['V', 'supply-through', '@v'], ground], {
        signalRow: 'inner',
      }),
      ...rowPorts([1, 2, 3, 4, 5, 6], logic5V),
    ],
    circuit: [takes('@v')],
    routes: [
      { from: 'rc', to: 'SBUS', transform: 'bridge' },
      { from: 'rc', to: 'SBUS-RC', transform: 'bridge' },
    ],
    endpoints: [
      ...sbusTalker('SBUS.1', undefined, 'SBUS', undefined, [{ is: 'output', what: 'strength', endpoint: 'RSSI' }]),
      { is: 'analog-out', id: 'RSSI', pin: 'RSSI.1', fullScaleV: 3.3, purpose: 'signal strength' },
      ...servoRows([1, 2, 3, 4, 5, 6]),
    ],
    steps: [bind],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-settable',
    kind: 'rc-receiver',
    name: 'RC receiver, output settable: SBUS, CRSF or PPM',
    summary: 'One socket whose signal is what a person sets: SBUS, CRSF both ways, or PPM of 8 channels. Two antennas.',
    massG: 5,
    sizeMm: [22, 15, 5],
    settings: [
      {
        is: 'choice',
        id: 'output',
        label: 'output format',
        choices: [
          { value: 'sbus', label: 'SBUS' },
          { value: 'crsf', label: 'CRSF' },
          { value: 'ppm', label: 'PPM' },
        ],
        default: 'sbus',
        how: { is: 'button', button: 'FN while linked', seconds: 4, confirms: 'green flashes: one for SBUS, two for CRSF, three for PPM' },
      },
      qualityChannel,
    ],
    radios: [pairRadio([2400, 2483.5], [17, -107], { id: 'rc', title: 'sticks', air: fastStickFrames, atMm: [0, 0, 20] }), secondAntenna],
    how: fastWays,
    ports: [
      withPin(
        wiredPort('out', ['locking-1.25', 'socket'], [['V', 'supply-in'], ['S', 'tx', logic3V3], ['R', 'rx', logic3V3], ground], {
          needed: true,
        }),
        2,
        { becomes: [{ when: { setting: 'output', in: ['ppm'] }, role: 'pulse-out', label: 'S' }] },
      ),
    ],
    circuit: [load('receiver', ['out.1', '@gnd'], [0.05, 0.08, 0.14], [5, 4.2, 8.4])],
    routes: [
      { from: 'rc', to: 'SBUS', transform: 'bridge' },
      { from: 'rc', to: 'SBUS-RC', transform: 'bridge' },
      { from: 'rc', to: 'CRSF', transform: 'bridge' },
      { from: 'rc', to: 'CRSF-RC', transform: 'bridge' },
      { from: 'rc', to: 'PPM', transform: 'bridge' },
    ],
    endpoints: [
      ...sbusTalker('out.2', undefined, 'SBUS', { setting: 'output', in: ['sbus'] }, onQualityChannel),
      ...crsfTalker('out.2', 'out.3', 'CRSF', { setting: 'output', in: ['crsf'] }),
      {
        is: 'rc-out',
        id: 'PPM',
        when: { setting: 'output', in: ['ppm'] },
        pin: 'out.2',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [{ format: 'ppm', signal: 'no-frames' }],
        tells: [...onQualityChannel],
        exclusive: 'rc',
      },
    ],
    indications: [
      { shows: 'green steady', means: 'linked' },
      { shows: 'red steady', means: 'no link' },
    ],
    steps: [bind, tryLoss],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-satellite',
    kind: 'rc-receiver',
    name: 'RC receiver, satellite, 3.3 V',
    summary:
      'A second pair of ears for a board that knows its frames: 115 200 baud, not inverted, on a 3-way 1.5 mm socket. Stands 3.6 V at the most: 5 V destroys it.',
    massG: 3,
    sizeMm: [26, 18, 7],
    radios: [sticksOnly, secondAntenna],
    how: stickWays,
    ports: [
      wiredPort('SAT', ['locking-1.5', 'socket'], [['3V3', 'supply-in'], ground, ['S', 'tx', logic3V3]], { label: 'sat', needed: true }),
    ],
    circuit: [load('receiver', ['SAT.1', '@gnd'], [0.018, 0.02, 0.03], [3.3, 3, 3.6])],
    routes: [
      { from: 'rc', to: 'SAT', transform: 'bridge' },
      { from: 'rc', to: 'SAT-RC', transform: 'bridge' },
    ],
    endpoints: [
      {
        is: 'rc-out',
        id: 'SAT-RC',
        pin: 'SAT.3',
        formats: ['satellite'],
        channels: 12,
        lossSignal: [{ format: 'satellite', signal: 'no-frames' }],
        tells: [],
        exclusive: 'rc',
      },
      uart('SAT', { tx: 'SAT.3' }, [offer('satellite-frames', 'talker', 115_200)], {
        duplex: 'tx-only',
        exclusive: 'rc',
        names: { label: 'sat' },
      }),
    ],
    indications: [
      { shows: 'fast flashing', means: 'waiting to bind' },
      { shows: 'steady', means: 'linked' },
    ],
    steps: [
      {
        title: 'Bind',
        text: 'It has no button: the board that it hangs on puts it into binding, by its own button or menu, while the supply comes on. Then start binding on the stick unit.',
      },
      tryLoss,
    ],
    cautions: receiverCautions,
  }),
];
