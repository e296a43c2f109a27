import { stickFrames } from './airTraits.ts';
import type { Part } from '../model/part.ts';
import { logic3V3, offer, pairRadio, samplePart, uart, wiredPort } from './build.ts';
import {
  bind,
  failsafe,
  ground,
  plainLights,
  presetThrottle,
  receiverCautions,
  rowPorts,
  secondAntenna,
  servoRows,
  sticksOnly,
  stickWays,
  takes,
  tryLoss,
} from './receiverFacts.ts';

/** Receivers whose channels are pulses: a wire each, or one train. */
export const pulseReceivers: readonly Part[] = [
  samplePart({
    id: 'receiver-pwm-6',
    kind: 'rc-receiver',
    name: 'RC receiver, parallel PWM, 6 channels',
    summary: 'One 3-pin row per channel. On loss of signal it holds or goes to presets, without a flag.',
    massG: 14,
    sizeMm: [44, 24, 12],
    settings: [failsafe, presetThrottle],
    radios: [sticksOnly],
    how: stickWays,
    ports: [
      ...rowPorts([1, 2, 3, 4, 5, 6]),
      wiredPort('batt', ['pin-2.54', 'pins'], [['-', 'nc'], ['V', 'supply-in', '@v'], ground], { label: 'batt' }),
    ],
    circuit: [takes('@v')],
    routes: [...[1, 2, 3, 4, 5, 6].map((n) => ({ from: 'rc', to: `ch${n}`, transform: 'bridge' as const }))],
    endpoints: servoRows([1, 2, 3, 4, 5, 6]),
    indications: [...plainLights],
    steps: [bind, tryLoss],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-ppm-8',
    kind: 'rc-receiver',
    name: 'RC receiver, PPM, 8 channels',
    summary: 'All channels as one pulse train; no pulses when the link is lost.',
    massG: 8,
    sizeMm: [30, 20, 8],
    radios: [sticksOnly],
    how: stickWays,
    ports: [
      wiredPort('PPM', ['pin-2.54', 'pins'], [['S', 'pulse-out', logic3V3], ['V', 'supply-in'], ground], {
        signalRow: 'inner',
        needed: true,
      }),
    ],
    circuit: [takes('PPM.2')],
    routes: [{ from: 'rc', to: 'PPM', transform: 'bridge' }],
    endpoints: [
      {
        is: 'rc-out',
        id: 'PPM',
        pin: 'PPM.1',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [{ format: 'ppm', signal: 'no-frames', afterMs: 500 }],
        latencyMs: 44,
        frameMs: 22.5,
        tells: [],
      },
    ],
    indications: [...plainLights],
    steps: [bind, tryLoss],
    cautions: receiverCautions,
  }),
  samplePart({
    id: 'receiver-pwm-8-telemetry',
    kind: 'rc-receiver',
    name: 'RC receiver, 8 servo rows, with telemetry port',
    summary:
      'Eight 3-pin rows, one per channel, and a port for sensors that report to the RC transmitter. On loss of signal it does what is set, without a flag.',
    massG: 17,
    sizeMm: [47, 27, 14],
    settings: [failsafe, presetThrottle],
    radios: [pairRadio([2400, 2483.5], [20, -101], { id: 'rc', title: 'sticks', air: stickFrames, atMm: [0, 0, 20] }), secondAntenna],
    how: stickWays,
    ports: [
      ...rowPorts([1, 2, 3, 4, 5, 6, 7, 8]),
      wiredPort('tele', ['pin-2.54', 'pins'], [['S', 'single-wire', logic3V3], ['V', 'supply-through', '@v'], ground], {
        label: 'telemetry',
        signalRow: 'inner',
      }),
      wiredPort('batt', ['pin-2.54', 'pins'], [['-', 'nc'], ['V', 'supply-in', '@v'], ground], { label: 'batt' }),
    ],
    circuit: [takes('@v')],
    routes: [
      ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ from: 'rc', to: `ch${n}`, transform: 'bridge' as const })),
      { from: 'rc', to: 'tele', transform: 'bridge' },
    ],
    endpoints: [
      ...servoRows([1, 2, 3, 4, 5, 6, 7, 8]),
      uart('tele', { tx: 'tele.1' }, [offer('single-wire-telemetry', 'both', 57_600)], {
        duplex: 'single-wire',
        names: { label: 'telemetry' },
      }),
    ],
    indications: [
      { shows: 'red flashing', means: 'waiting to bind' },
      { shows: 'green steady', means: 'linked' },
      { shows: 'nothing', means: 'no link' },
    ],
    steps: [bind, tryLoss],
    cautions: receiverCautions,
  }),
];
