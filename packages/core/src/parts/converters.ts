import type { Part } from '../model/part.ts';
import {
  load,
  logic1V8,
  logic3V3,
  logic5Tolerant,
  type Logic,
  logic5V,
  logicPulse,
  logicRs232,
  offer,
  samplePart,
  uart,
  wiredPort,
  type Row,
} from './build.ts';
import { inMenu, type Ways } from './ways.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const takes = (pin: string, typicalA = 0.02) => load('logic', [pin, '@gnd'], [typicalA * 0.8, typicalA, typicalA * 1.5], [5, 3.6, 5.5]);

const fixed = (...settings: readonly string[]): Ways => [
  { settings, how: { is: 'wiring', wiring: 'It has no setting: it passes on what arrives' } },
];

/** What passes channels on is tried out when the link is lost. */
function lossStep(text: string): NonNullable<Part['steps']>[number] {
  return { title: 'Test loss of signal', text, caution: 'propellers-off' };
}

/** Parts that stand in a signal's way and change it. */
/** Both wires of a serial port from one level to another; its low side makes its level by itself. */
function levelShifter(id: string, name: string, low: Logic, what: string): Part {
  const bauds = [9600, 57_600, 115_200, 230_400, 460_800, 921_600];
  return samplePart({
    id,
    kind: 'converter',
    name,
    summary: `Takes 3.3 or 5 V signals on one side and gives a lower level on the other, ${what}, both ways at once. 3.6 to 5.5 V.`,
    massG: 2,
    sizeMm: [16, 12, 4],
    ports: [
      wiredPort(
        'high',
        ['solder-pad', 'pads'],
        [['V', 'supply-in', '@v'], ['H1', 'rx', logic5Tolerant], ['H2', 'tx', logic5Tolerant], gnd],
        { label: 'high side', needed: true },
      ),
      wiredPort('low', ['solder-pad', 'pads'], [['L1', 'tx', low], ['L2', 'rx', low], gnd], { label: 'low side', needed: true }),
    ],
    circuit: [takes('@v', 0.004)],
    how: fixed('high.baud', 'high.frame', 'low.baud', 'low.frame'),
    endpoints: [
      uart('high', { rx: 'high.2', tx: 'high.3' }, [offer('transparent', 'both', 115_200, bauds)], { names: { label: 'high side' } }),
      uart('low', { tx: 'low.1', rx: 'low.2' }, [offer('transparent', 'both', 115_200, bauds)], { names: { label: 'low side' } }),
    ],
    routes: [{ from: 'high', to: 'low', transform: 'none' }],
  });
}

export const converters: readonly Part[] = [
  samplePart({
    id: 'encoder-pwm-to-ppm',
    kind: 'converter',
    name: 'Encoder, 8 x PWM to PPM',
    summary: 'Combines eight parallel channels into one pulse train. It drops any loss-of-signal flag.',
    massG: 7,
    sizeMm: [32, 24, 8],
    ports: [
      ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) =>
        wiredPort(`in${n}`, ['pin-2.54', 'socket'], [['S', 'pulse-in', logicPulse], ['V', 'supply-in', '@v'], gnd], { label: `in ${n}` }),
      ),
      wiredPort('out', ['pin-2.54', 'socket'], [['S', 'pulse-out', logic3V3], ['V', 'supply-in', '@v'], gnd], { needed: true }),
    ],
    circuit: [takes('@v')],
    endpoints: [
      ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ is: 'rc-in' as const, id: `in${n}`, pin: `in${n}.1`, formats: ['pwm'] })),
      {
        is: 'rc-out',
        id: 'out',
        pin: 'out.1',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [{ format: 'ppm', signal: 'none' }],
        latencyMs: 24,
        frameMs: 22.5,
      },
    ],
    routes: [1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ from: `in${n}`, to: 'out', transform: 'encode' as const })),
    indications: [
      { shows: 'steady', means: 'pulses on input 1' },
      { shows: 'slow flash', means: 'no pulses on input 1: it repeats the last train' },
    ],
    steps: [
      lossStep(
        "With the propellers off, switch the RC transmitter off. The train continues with the last values: only a throttle that the receiver sets below the controller's threshold reveals the loss.",
      ),
    ],
  }),
  samplePart({
    id: 'bridge-sbus-to-serial',
    kind: 'converter',
    name: 'Bridge, SBUS to serial',
    summary:
      'SBUS in, the same bytes as plain serial out at 115 200 baud, for a radio that carries any bytes. Its labels name the data, not the pin.',
    massG: 4,
    sizeMm: [22, 14, 5],
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'socket'], [['S', 'rx', logic3V3], ['V', 'supply-in', '@v'], gnd], { needed: true }),
      wiredPort('serial', ['locking-1.25', 'socket'], [['V', 'supply-in', '@v'], ['TO', 'tx', logic3V3], ['FROM', 'rx', logic3V3], gnd], {
        needed: true,
      }),
    ],
    circuit: [takes('@v')],
    how: inMenu(['serial.frame'], 'bridge tool on the bench computer', '"Serial side"', { over: 'serial' }),
    endpoints: [
      uart('SBUS', { rx: 'SBUS.1' }, [offer('sbus', 'listener', 100_000)], { duplex: 'rx-only', inverts: 'rx' }),
      uart('serial', { tx: 'serial.2', rx: 'serial.3' }, [offer('transparent', 'both', 115_200)]),
    ],
    routes: [{ from: 'SBUS', to: 'serial', transform: 'bridge' }],
    indications: [
      { shows: 'green flicker', means: 'frames arrive from the receiver' },
      { shows: 'dark', means: 'no input: no output' },
    ],
    steps: [
      lossStep(
        'With the propellers off, switch the RC transmitter off, then pull the serial plug: the controller must report loss of signal both times.',
      ),
    ],
  }),
  samplePart({
    id: 'bridge-serial-to-sbus',
    kind: 'converter',
    name: 'Bridge, serial to SBUS',
    summary: 'The other side: plain serial in at 115 200 baud, SBUS out on a 3-pin lead. The loss-of-signal flag is passed on.',
    massG: 4,
    sizeMm: [22, 14, 5],
    ports: [
      wiredPort('serial', ['locking-1.25', 'socket'], [['V', 'supply-in', '@v'], ['TO', 'tx', logic3V3], ['FROM', 'rx', logic3V3], gnd], {
        needed: true,
      }),
      wiredPort('SBUS', ['pin-2.54', 'socket'], [['S', 'tx', logic3V3], ['V', 'supply-in', '@v'], gnd], { needed: true }),
    ],
    circuit: [takes('@v')],
    how: inMenu(['serial.frame'], 'bridge tool on the bench computer', '"Serial side"', { over: 'serial' }),
    endpoints: [
      uart('serial', { tx: 'serial.2', rx: 'serial.3' }, [offer('transparent', 'both', 115_200)]),
      uart('SBUS', { tx: 'SBUS.1' }, [offer('sbus', 'talker', 100_000)], { duplex: 'tx-only' }),
    ],
    routes: [{ from: 'serial', to: 'SBUS', transform: 'bridge' }],
    indications: [
      { shows: 'green flicker', means: 'frames arrive over the serial side' },
      { shows: 'dark', means: 'no input: no output' },
    ],
    steps: [
      lossStep(
        'With the propellers off, switch the RC transmitter off, then pull the serial plug: the controller must report loss of signal both times.',
      ),
    ],
  }),
  samplePart({
    id: 'converter-sbus-to-ppm',
    kind: 'converter',
    name: 'Converter, SBUS to PPM',
    summary:
      'SBUS in, eight channels as one pulse train out, for boards that read PPM. Its reaction to missing frames or the flag is set by jumpers.',
    massG: 3,
    sizeMm: [20, 14, 5],
    settings: [
      {
        is: 'choice',
        id: 'on-loss',
        label: 'when the signal is lost',
        choices: [
          { value: 'repeat', label: 'repeats the last channels' },
          { value: 'stop', label: 'stops its pulses' },
        ],
        default: 'repeat',
        how: { is: 'jumper', jumper: 'STOP, put on', confirms: 'its light goes out when the RC transmitter is switched off' },
      },
    ],
    ports: [
      wiredPort('SBUS', ['pin-2.54', 'socket'], [['S', 'rx', logic3V3], ['V', 'supply-in', '@v'], gnd], { needed: true }),
      wiredPort('out', ['pin-2.54', 'socket'], [['S', 'pulse-out', logic3V3], ['V', 'supply-in', '@v'], gnd], { needed: true }),
    ],
    circuit: [takes('@v')],
    endpoints: [
      uart('SBUS', { rx: 'SBUS.1' }, [offer('sbus', 'listener', 100_000)], { duplex: 'rx-only', inverts: 'rx' }),
      {
        is: 'rc-out',
        id: 'out',
        pin: 'out.1',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [
          { format: 'ppm', when: { setting: 'on-loss', in: ['repeat'] }, signal: 'none' },
          { format: 'ppm', when: { setting: 'on-loss', in: ['stop'] }, signal: 'no-frames' },
        ],
        latencyMs: 38,
        frameMs: 22.5,
      },
    ],
    routes: [{ from: 'SBUS', to: 'out', transform: 'bridge' }],
    indications: [
      { shows: 'steady', means: 'frames arrive' },
      { shows: 'dark', means: 'no frames, or the loss-of-signal flag' },
    ],
    steps: [lossStep('With the propellers off, switch the RC transmitter off: the controller must report loss of signal.')],
  }),
  samplePart({
    id: 'inverter-level-shifter',
    kind: 'converter',
    name: 'Inverter and level shifter, one wire',
    summary: 'Inverts one serial signal and shifts 5 V to 3.3 V.',
    massG: 2,
    sizeMm: [14, 9, 4],
    ports: [
      wiredPort('in', ['solder-pad', 'pads'], [['IN', 'rx', logic5V], ['V', 'supply-in', '@v'], gnd], { needed: true }),
      wiredPort('out', ['solder-pad', 'pads'], [['OUT', 'tx', logic3V3], gnd], { needed: true }),
    ],
    circuit: [takes('@v', 0.002)],
    how: fixed('in.frame', 'out.frame'),
    endpoints: [
      uart('in', { rx: 'in.1' }, [offer('transparent', 'listener', 100_000)], { duplex: 'rx-only', inverts: 'both' }),
      uart('out', { tx: 'out.1' }, [offer('transparent', 'talker', 100_000)], { duplex: 'tx-only', inverts: 'both' }),
    ],
    routes: [{ from: 'in', to: 'out', transform: 'invert' }],
  }),
  samplePart({
    id: 'level-shifter-line-5v',
    kind: 'converter',
    name: 'Level shifter, one line up to 5 V',
    summary: 'Shifts one 3.3 V signal to 5 V, for LED data and other inputs that need a full high. One way.',
    massG: 1.5,
    sizeMm: [12, 9, 4],
    ports: [
      wiredPort('in', ['solder-pad', 'pads'], [['IN', 'rx', logic5Tolerant], ['V', 'supply-in', '@v'], gnd], { needed: true }),
      wiredPort('out', ['solder-pad', 'pads'], [['OUT', 'tx', logic5V], gnd], { needed: true }),
    ],
    circuit: [takes('@v', 0.002)],
    how: fixed('in.frame', 'out.frame'),
    endpoints: [
      uart('in', { rx: 'in.1' }, [offer('transparent', 'listener', 100_000)], { duplex: 'rx-only' }),
      uart('out', { tx: 'out.1' }, [offer('transparent', 'talker', 100_000)], { duplex: 'tx-only' }),
    ],
    routes: [{ from: 'in', to: 'out', transform: 'none' }],
  }),
  levelShifter('level-shifter-serial-1v8', 'Level shifter for a serial port, 1.8 V', logic1V8, 'as modems and bare modules have it'),
  levelShifter('level-shifter-serial-3v3', 'Level shifter for a serial port, 3.3 V', logic3V3, 'for inputs that do not withstand 5 V'),
  samplePart({
    id: 'converter-rs232',
    kind: 'converter',
    name: 'RS-232 level converter',
    summary: 'RS-232 on a screw terminal, 3.3 V serial on a socket. The logic socket is labelled for the other side: RX is its output.',
    massG: 9,
    sizeMm: [36, 18, 12],
    ports: [
      wiredPort('RS232', ['screw-3.5', 'socket'], [['TX', 'tx', logicRs232], ['RX', 'rx', logicRs232], gnd], { needed: true }),
      wiredPort('logic', ['locking-1.25', 'socket'], [['V', 'supply-in', '@v'], ['RX', 'tx', logic3V3], ['TX', 'rx', logic3V3], gnd], {
        needed: true,
      }),
    ],
    circuit: [takes('@v', 0.01)],
    how: fixed('RS232.baud', 'RS232.frame', 'logic.baud', 'logic.frame'),
    endpoints: [
      uart('RS232', { tx: 'RS232.1', rx: 'RS232.2' }, [offer('transparent', 'both', 115_200, [9600, 19_200, 57_600, 115_200])]),
      uart('logic', { tx: 'logic.2', rx: 'logic.3' }, [offer('transparent', 'both', 115_200, [9600, 19_200, 57_600, 115_200])]),
    ],
    routes: [{ from: 'RS232', to: 'logic', transform: 'none' }],
  }),
];
