import { farStickFrames, fastStickFrames, stickFrames } from './airTraits.ts';
import { inMenu } from './ways.ts';
import type { Part } from '../model/part.ts';
import { load, logic3V3, logic5Tolerant, samplePart, wiredPort, type Row } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const cautions = ['antenna-before-power', 'radio-rules'];

interface BayModule extends Pick<Part, 'name' | 'summary' | 'massG' | 'sizeMm' | 'how' | 'indications' | 'steps'> {
  readonly id: string;
  readonly radio: Omit<NonNullable<Part['radios']>[number], 'id' | 'title' | 'antenna'>;
  readonly band: string;
  readonly amps: readonly [number, number, number];
}

/** A radio that sits in the bay of an RC transmitter: channels and supply come from there. */
function bayModule({ radio, band, amps, ...about }: BayModule): Part {
  return samplePart({
    ...about,
    kind: 'stick-unit',
    usually: 'ground',
    radios: [{ id: 'air', title: 'sticks', antenna: 'dipole', ...radio }],
    ports: [
      wiredPort('bay', ['pin-2.54', 'socket'], [['S', 'pulse-in', logic5Tolerant], ['-', 'nc'], ['V', 'supply-in'], gnd, ['-', 'nc']], {
        label: 'bay',
        needed: true,
      }),
    ],
    circuit: [load('module', ['bay.3', '@gnd'], amps, [7.4, 6, 10], { law: 'constant-power' })],
    routes: [{ from: 'bay', to: 'air', transform: 'bridge' }],
    endpoints: [
      { is: 'rc-in', id: 'bay', pin: 'bay.1', formats: ['ppm', 'sbus'] },
      { is: 'air', id: 'air', band },
    ],
    cautions,
  });
}

/** What a pilot holds, and what belongs to it. All of it stays on the ground. */
export const stickUnits: readonly Part[] = [
  samplePart({
    id: 'stick-unit-16-bay',
    kind: 'stick-unit',
    name: 'RC transmitter, 16 channels, with a module bay',
    summary:
      'Sticks, switches and a 2.4 GHz radio of its own; a module sits in the bay on its back and is powered from its pack; a head tracker plugs into its trainer socket.',
    massG: 760,
    usually: 'ground',
    sizeMm: [185, 180, 95],
    settings: [
      {
        is: 'choice',
        id: 'bay-format',
        label: 'module bay sends',
        choices: [
          { value: 'ppm', label: 'PPM' },
          { value: 'sbus', label: 'SBUS' },
        ],
        default: 'ppm',
        how: {
          is: 'menu',
          tool: 'menu of the RC transmitter',
          menu: '"Model", "Outer radio", "Format"',
          confirms: 'the first line of the screen shows the format',
        },
      },
    ],
    radios: [
      {
        id: 'rc',
        title: 'sticks',
        mhz: [2400, 2483.5],
        sendsDbm: 20,
        hears: { sensitivityDbm: -101, blockingDbm: 5 },
        air: stickFrames,
        antenna: 'dipole',
        atMm: [0, 0, 90],
      },
    ],
    how: inMenu(['rc.version', 'rc.region', 'rc.paired'], 'menu of the RC transmitter', '"Model", "Inner radio"', {
      confirms: 'bars of the link',
    }),
    ports: [
      wiredPort(
        'bay',
        ['pin-2.54', 'pins'],
        [['S', 'pulse-out', logic3V3], ['-', 'nc'], ['BAT', 'supply-out', '@pack'], gnd, ['-', 'nc']],
        { label: 'module bay' },
      ),
      wiredPort(
        'trainer',
        ['jack-3.5', 'socket'],
        [
          ['TIP', 'pulse-in', logic5Tolerant],
          ['SLV', 'gnd', '@gnd'],
        ],
      ),
      wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB' }),
    ],
    circuit: [
      { is: 'source', id: 'own-pack', plus: '@pack', minus: '@gnd', volts: 7.4, ohm: 0.1, maxA: 2 },
      load('charger', ['usb.1', '@gnd'], [0, 1, 1.5], [5, 4.5, 5.5]),
    ],
    endpoints: [
      {
        is: 'rc-out',
        id: 'bay-ppm',
        when: { setting: 'bay-format', in: ['ppm'] },
        pin: 'bay.1',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [{ format: 'ppm', signal: 'no-frames' }],
        latencyMs: 24,
        frameMs: 22.5,
      },
      {
        is: 'rc-out',
        id: 'bay-sbus',
        when: { setting: 'bay-format', in: ['sbus'] },
        pin: 'bay.1',
        formats: ['sbus'],
        channels: 16,
        lossSignal: [{ format: 'sbus', signal: 'no-frames' }],
        latencyMs: 15,
      },
      { is: 'rc-in', id: 'trainer', pin: 'trainer.1', formats: ['ppm'] },
      { is: 'usb', id: 'usb', port: 'usb', as: 'device' },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    indications: [
      { shows: 'one long tone at the start', means: 'a switch or the throttle is not in the position the model requires' },
      { shows: 'three falling tones', means: 'reports from the aircraft are lost' },
    ],
    steps: [
      {
        title: 'A separate model',
        text: 'Never fly an aircraft with the model of another: give each its own model, matched to its receiver where the radio can do that.',
      },
      {
        title: 'Throttle hold',
        text: 'Put throttle hold on a switch, and test it before the aircraft is first powered with propellers.',
        caution: 'propellers-off',
      },
    ],
    cautions,
  }),
  bayModule({
    id: 'stick-module-900',
    name: 'Handset module, 900 MHz class',
    summary:
      'Long-range radio for the module bay of an RC transmitter: accepts PPM or SBUS from it and 6 to 10 V. It sits in the bay without a cable.',
    massG: 86,
    sizeMm: [70, 48, 32],
    radio: { mhz: [902, 928], sendsDbm: 27, hears: { sensitivityDbm: -111, blockingDbm: 5 }, air: farStickFrames, atMm: [0, 0, 60] },
    band: '900 MHz class',
    how: [
      ...inMenu(['air.region', 'air.rate'], 'menu of the RC transmitter', '"Outer radio", "Region" and "Rate"'),
      {
        settings: ['air.paired'],
        how: { is: 'button', button: 'on its back while the RC transmitter is switched on', seconds: 2, confirms: 'blue steady' },
      },
    ],
    amps: [0.1, 0.4, 0.8],
    indications: [
      { shows: 'blue flashing', means: 'waiting to bind' },
      { shows: 'blue steady', means: 'linked' },
      { shows: 'red', means: 'no channels from the RC transmitter' },
    ],
    steps: [
      {
        title: 'Bind',
        text: 'Antenna fitted. RC transmitter off, module in its bay; hold its button while the RC transmitter is switched on, then power the receiver in binding.',
        caution: 'antenna-before-power',
      },
    ],
  }),
  bayModule({
    id: 'stick-module-24-fast',
    name: 'Handset module, 2.4 GHz class, fast',
    summary:
      'Radio for the module bay of an RC transmitter, for receivers with CRSF output: accepts PPM or SBUS from it and 6 to 10 V. It sits in the bay without a cable.',
    massG: 58,
    sizeMm: [66, 44, 26],
    radio: { mhz: [2400, 2483.5], sendsDbm: 24, hears: { sensitivityDbm: -108, blockingDbm: 5 }, air: fastStickFrames, atMm: [0, 0, 50] },
    band: '2.4 GHz class',
    amps: [0.1, 0.3, 0.5],
    how: inMenu(['air.version', 'air.rate', 'air.phrase'], 'pages of the module over its own Wi-Fi', '"Link"', {
      confirms: 'the light turns green when the receiver answers',
    }),
    indications: [
      { shows: 'orange breathing', means: 'waiting for the receiver' },
      { shows: 'green steady', means: 'linked' },
      { shows: 'red', means: 'no channels from the RC transmitter' },
    ],
    steps: [
      {
        title: 'One phrase',
        text: 'Give module and receiver the same phrase and the same major version, antenna fitted; they link at the next start.',
        caution: 'antenna-before-power',
      },
    ],
  }),
  samplePart({
    id: 'head-tracker-ppm',
    kind: 'stick-unit',
    name: 'Head tracker, PPM',
    summary:
      'On goggles: head movement as two channels of a PPM train into the trainer socket of an RC transmitter. Its own cell is charged over USB.',
    massG: 22,
    usually: 'ground',
    sizeMm: [44, 28, 12],
    settings: [
      {
        is: 'choice',
        id: 'channels',
        label: 'pan and tilt on channels',
        choices: [
          { value: '5-6', label: '5 and 6' },
          { value: '7-8', label: '7 and 8' },
        ],
        default: '5-6',
        how: { is: 'button', button: 'on its side', seconds: 6, confirms: 'one beep for 5 and 6, two for 7 and 8' },
      },
    ],
    ports: [
      wiredPort(
        'lead',
        ['jack-3.5', 'plug'],
        [
          ['TIP', 'pulse-out', logic3V3],
          ['SLV', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB' }),
    ],
    circuit: [load('charger', ['usb.1', '@gnd'], [0, 0.2, 0.3], [5, 4.5, 5.5])],
    endpoints: [
      {
        is: 'rc-out',
        id: 'PPM',
        pin: 'lead.1',
        formats: ['ppm'],
        channels: 8,
        lossSignal: [{ format: 'ppm', signal: 'no-frames' }],
        latencyMs: 25,
        frameMs: 22.5,
      },
      { is: 'usb', id: 'usb', port: 'usb', as: 'device' },
    ],
    indications: [{ shows: 'green flash', means: 'running' }],
    steps: [{ title: 'Centre', text: 'Look straight ahead and press the button once; the camera centres.' }],
  }),
];
