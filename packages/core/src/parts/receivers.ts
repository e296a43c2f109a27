import type { Part } from '../model/part.ts';
import { load, logic3V3, logic5V, offer, pairRadio, samplePart, uart, wiredPort, type RawEndpoint, type Row } from './build.ts';

const cautions = ['antenna-before-power'];
const bind = {
  title: 'Bind',
  text: 'Hold the button while the supply comes on; start binding on the stick unit; restart both.',
};
const ground: Row = ['GND', 'gnd', '@gnd'];
const windowV = [5, 3.7, 8.4] as const;
const takes = (pin: string) => load('receiver', [pin, '@gnd'], [0.06, 0.08, 0.1], windowV);

/** A receiver that never answers. */
const sticksOnly: NonNullable<Part['radios']>[number] = {
  id: 'rc',
  title: 'sticks',
  mhz: [2400, 2483.5],
  hears: { sensitivityDbm: -98, blockingDbm: 5 },
  otherEnd: { sendsDbm: 20 },
  antenna: 'whip',
  groundAntenna: 'dipole',
  atMm: [0, 0, 20],
};

function sbusTalker(pin: string, inverted?: boolean, id = 'SBUS'): RawEndpoint[] {
  return [
    { is: 'rc-out', id: `${id}-RC`, pin, formats: ['sbus'], channels: 16, exclusive: 'rc' },
    uart(id, { tx: pin }, [offer('sbus', 'talker', 100_000, [100_000], inverted)], { duplex: 'tx-only', exclusive: 'rc' }),
  ];
}

export const rcReceivers: readonly Part[] = [
  samplePart({
    id: 'receiver-sbus-16',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS, 16 channels',
    summary: 'One inverted serial wire at 100 000 baud. Loss of signal is told by a flag in the frame.',
    massG: 11,
    sizeMm: [36, 22, 9],
    radios: [sticksOnly],
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'pins'], [ground, ['V', 'supply-in'], ['S', 'tx', logic3V3]], { signalRow: 'outer', needed: true }),
    ],
    circuit: [takes('SBUS.2')],
    endpoints: sbusTalker('SBUS.3'),
    steps: [bind],
    cautions,
  }),
  samplePart({
    id: 'receiver-sbus-telemetry',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS 16 with telemetry return',
    summary: 'SBUS on one wire, an uninverted tap of it on a pad, and single-wire telemetry back. The flag tells of a lost link.',
    massG: 6,
    sizeMm: [24, 18, 6],
    radios: [pairRadio([2400, 2483.5], [20, -101], { id: 'rc', title: 'sticks', atMm: [0, 0, 20] })],
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
    endpoints: [
      ...sbusTalker('main.3'),
      ...sbusTalker('tap.1', false, 'TAP'),
      uart('TR', { tx: 'main.4' }, [offer('single-wire-telemetry', 'both', 57_600)], { duplex: 'single-wire' }),
    ],
    steps: [bind],
    cautions,
  }),
  samplePart({
    id: 'receiver-crsf-full',
    kind: 'rc-receiver',
    name: 'RC receiver, CRSF full duplex',
    summary: '420 000 baud both ways; link quality comes with the channels; no frames when the link is lost.',
    massG: 3,
    sizeMm: [18, 12, 4],
    radios: [pairRadio([2400, 2483.5], [20, -108], { id: 'rc', title: 'sticks', atMm: [0, 0, 20] })],
    ports: [
      wiredPort('UART', ['solder-pad', 'pads'], [ground, ['V', 'supply-in'], ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3]], {
        needed: true,
      }),
    ],
    circuit: [load('receiver', ['UART.2', '@gnd'], [0.05, 0.09, 0.16], [5, 4, 5.5])],
    endpoints: [uart('UART', { tx: 'UART.4', rx: 'UART.3' }, [offer('crsf', 'both', 420_000)])],
    indications: [
      { shows: 'two quick flashes', means: 'waiting to bind' },
      { shows: 'steady', means: 'linked' },
      { shows: 'one slow flash', means: 'no data from the other side' },
    ],
    steps: [bind],
    cautions,
  }),
  samplePart({
    id: 'receiver-pwm-6',
    kind: 'rc-receiver',
    name: 'RC receiver, parallel PWM, 6 channels',
    summary: 'One 3-pin row a channel. On loss it holds or goes to presets: no flag tells the difference.',
    massG: 14,
    sizeMm: [44, 24, 12],
    radios: [sticksOnly],
    ports: [
      ...[1, 2, 3, 4, 5, 6].map((n) =>
        wiredPort(`ch${n}`, ['pin-2.54', 'pins'], [['S', 'pulse-out', logic3V3], ['V', 'supply-through', '@v'], ground], {
          label: `ch ${n}`,
          signalRow: 'inner',
        }),
      ),
      wiredPort('batt', ['pin-2.54', 'pins'], [['-', 'nc'], ['V', 'supply-in', '@v'], ground], { label: 'batt' }),
    ],
    circuit: [takes('@v')],
    endpoints: [1, 2, 3, 4, 5, 6].map((n) => ({ is: 'rc-out' as const, id: `ch${n}`, pin: `ch${n}.1`, formats: ['pwm'], channels: 1 })),
    steps: [bind],
    cautions,
  }),
  samplePart({
    id: 'receiver-ppm-8',
    kind: 'rc-receiver',
    name: 'RC receiver, PPM, 8 channels',
    summary: 'All channels as one pulse train; no pulses when the link is lost.',
    massG: 8,
    sizeMm: [30, 20, 8],
    radios: [sticksOnly],
    ports: [
      wiredPort('PPM', ['pin-2.54', 'pins'], [['S', 'pulse-out', logic3V3], ['V', 'supply-in'], ground], {
        signalRow: 'inner',
        needed: true,
      }),
    ],
    circuit: [takes('PPM.2')],
    endpoints: [{ is: 'rc-out', id: 'PPM', pin: 'PPM.1', formats: ['ppm'], channels: 8 }],
    steps: [bind],
    cautions,
  }),
  samplePart({
    id: 'receiver-sbus-rssi',
    kind: 'rc-receiver',
    name: 'RC receiver, SBUS and RSSI, two antennas',
    summary: 'Diversity receiver: SBUS on one row, signal strength as 0 to 3.3 V on another, 6 servo rows besides.',
    massG: 19,
    sizeMm: [48, 28, 14],
    radios: [sticksOnly],
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'pins'], [['S', 'tx', logic3V3], ['V', 'supply-in', '@v'], ground], {
        signalRow: 'inner',
        needed: true,
      }),
      wiredPort('RSSI', ['pin-2.54', 'pins'], [['S', 'analog-out', logic3V3], ['V', 'supply-through', '@v'], ground], {
        signalRow: 'inner',
      }),
      ...[1, 2, 3, 4, 5, 6].map((n) =>
        wiredPort(`ch${n}`, ['pin-2.54', 'pins'], [['S', 'pulse-out', logic5V], ['V', 'supply-through', '@v'], ground], {
          label: `ch ${n}`,
          signalRow: 'inner',
        }),
      ),
    ],
    circuit: [takes('@v')],
    endpoints: [
      ...sbusTalker('SBUS.1'),
      { is: 'analog-out', id: 'RSSI', pin: 'RSSI.1', fullScaleV: 3.3, purpose: 'signal strength' },
      ...[1, 2, 3, 4, 5, 6].map((n) => ({ is: 'rc-out' as const, id: `ch${n}`, pin: `ch${n}.1`, formats: ['pwm'], channels: 1 })),
    ],
    steps: [bind],
    cautions,
  }),
];
