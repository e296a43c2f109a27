import type { Part } from '../model/part.ts';
import { load, logic3V3, offer, pictureSender, samplePart, uart, wiredPort, type RawEndpoint, type Row } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const STANDARDS = ['PAL', 'NTSC'] as const;

const standardSetting: Part['settings'][number] = {
  is: 'choice',
  id: 'standard',
  label: 'Video standard',
  choices: STANDARDS.map((value) => ({ value, label: value })),
  default: 'PAL',
};

/** An analog output whose standard is a setting. */
function selectable(pin: string): RawEndpoint[] {
  return STANDARDS.map((standard) => ({
    is: 'video-out' as const,
    id: standard.toLowerCase(),
    when: { setting: 'standard', in: [standard] },
    pin,
    standards: [standard],
  }));
}

type About = Pick<Part, 'name' | 'summary' | 'massG' | 'sizeMm' | 'radios' | 'noiseDbm'> & { readonly id: string };
type Figures = readonly [readonly [number, number, number], readonly [number, number, number]];

/** An analog camera on a 3-way or 4-way socket; its pins are found by their role. */
function analogCamera(about: About, rows: readonly Row[], [amperes, volts]: Figures, standard: 'selectable' | 'PAL' | 'NTSC'): Part {
  const at = (role: Row[1]): string => `AV.${rows.findIndex((row) => row[1] === role) + 1}`;
  const fixed: RawEndpoint[] =
    standard === 'selectable' ? [] : [{ is: 'video-out', id: 'vid', pin: at('video-out'), standards: [standard] }];
  return samplePart({
    kind: 'camera',
    ...about,
    settings: standard === 'selectable' ? [standardSetting] : [],
    ports: [wiredPort('AV', ['locking-1.25', 'socket'], rows, { needed: true })],
    circuit: [load('camera', [at('supply-in'), '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: standard === 'selectable' ? selectable(at('video-out')) : fixed,
  });
}

export const cameras: readonly Part[] = [
  analogCamera(
    {
      id: 'camera-analog-5v',
      name: 'Camera, analog, 5 V only',
      summary: 'PAL or NTSC. Stands no more than 5.5 V.',
      massG: 8,
      sizeMm: [19, 19, 20],
    },
    [['VID', 'video-out'], ['V', 'supply-in'], gnd],
    [
      [0.12, 0.14, 0.18],
      [5, 4.5, 5.5],
    ],
    'selectable',
  ),
  analogCamera(
    {
      id: 'camera-analog-7-25v',
      name: 'Camera, analog, 7 to 25 V',
      summary: 'NTSC only, takes the pack directly up to 5 cells.',
      massG: 11,
      sizeMm: [22, 22, 24],
    },
    [['V', 'supply-in'], gnd, ['VID', 'video-out']],
    [
      [0.06, 0.07, 0.1],
      [12, 7, 25],
    ],
    'NTSC',
  ),
  analogCamera(
    {
      id: 'camera-analog-wide',
      name: 'Camera, analog, 4.5 to 36 V',
      summary: 'PAL or NTSC, with a wire for its menu.',
      massG: 14,
      sizeMm: [26, 26, 26],
    },
    [gnd, ['V', 'supply-in'], ['VID', 'video-out'], ['MENU', 'analog-in', { highV: 3.3, inputMaxV: 3.6 }]],
    [
      [0.08, 0.1, 0.15],
      [12, 4.5, 36],
    ],
    'selectable',
  ),
  samplePart({
    id: 'camera-mapping-trigger',
    kind: 'camera',
    name: 'Camera for mapping, triggered',
    summary: 'Own battery inside; takes a pulse to fire and gives one back when it has.',
    massG: 210,
    sizeMm: [110, 63, 42],
    ports: [
      wiredPort('trigger', ['pin-2.54', 'socket'], [['S', 'pulse-in', logic3V3], ['-', 'nc'], gnd], { needed: true }),
      wiredPort('feedback', ['locking-1.25', 'socket'], [['FB', 'analog-out', logic3V3], gnd], { label: 'shot feedback' }),
    ],
    endpoints: [
      { is: 'pulse-in', id: 'trigger', pin: 'trigger.1', kinds: ['pwm', 'switch'], rateHz: [1, 100], use: 'switching' },
      { is: 'analog-out', id: 'feedback', pin: 'feedback.1', fullScaleV: 3.3, purpose: 'shot feedback' },
    ],
  }),
  samplePart({
    id: 'camera-network',
    kind: 'camera',
    name: 'Camera, network stream',
    summary: 'Gives a stream over Ethernet at a set address; 9 to 16 V.',
    massG: 62,
    sizeMm: [45, 38, 48],
    ports: [
      wiredPort('main', ['8P8C', 'socket'], [['T+', 'usb'], ['T-', 'usb'], ['R+', 'usb'], ['R-', 'usb'], ['V', 'supply-in'], gnd], {
        needed: true,
      }),
    ],
    circuit: [load('camera', ['main.5', '@gnd'], [0.2, 0.3, 0.4], [12, 9, 16], { law: 'constant-power' })],
    endpoints: [{ is: 'network', id: 'stream', roles: ['server'] }],
  }),
];

const control = (pin: string): RawEndpoint =>
  uart('CTL', { tx: pin }, [offer('transmitter-control', 'both', 4800)], { duplex: 'single-wire' });
const air: RawEndpoint = { is: 'air', id: 'air', band: '5.8 GHz class' };
const cautions = ['antenna-before-power', 'radio-rules'];

/** An analog transmitter; its pins are found by their role. */
function analogTransmitter(about: About, rows: readonly Row[], [amperes, volts]: Figures): Part {
  const at = (role: Row[1]): string | undefined => {
    const ix = rows.findIndex((row) => row[1] === role);
    return ix < 0 ? undefined : `AV.${ix + 1}`;
  };
  const controlPin = at('single-wire');
  return samplePart({
    kind: 'video-transmitter',
    ...about,
    ports: [wiredPort('AV', ['locking-1.25', 'socket'], rows, { needed: true })],
    circuit: [load('transmitter', [at('supply-in') ?? '@v', '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: [
      { is: 'video-in', id: 'vid', pin: at('video-in') ?? '', standards: [...STANDARDS] },
      ...(controlPin === undefined ? [] : [control(controlPin)]),
      air,
    ],
    cautions,
  });
}

/** Digital air units want a full-duplex UART for what is written over the picture. */
function digitalUnit(about: About, rows: readonly Row[], [amperes, volts]: Figures): Part {
  const at = (role: Row[1]): string => `main.${rows.findIndex((row) => row[1] === role) + 1}`;
  return samplePart({
    kind: 'video-transmitter',
    ...about,
    ports: [wiredPort('main', ['locking-2.0', 'socket'], rows, { needed: true })],
    circuit: [load('air-unit', [at('supply-in'), '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: [uart('OSD', { tx: at('tx'), rx: at('rx') }, [offer('osd-canvas', 'both', 115_200)]), air],
    cautions,
  });
}

export const videoTransmitters: readonly Part[] = [
  analogTransmitter(
    {
      id: 'video-transmitter-analog',
      name: 'Video transmitter, analog, 7 to 25 V',
      summary: '5.8 GHz class, 25 to 400 mW, one control wire.',
      massG: 10,
      sizeMm: [32, 22, 7],
      radios: [pictureSender([5725, 5875], 26, [0, 0, 30])],
    },
    [['V', 'supply-in'], gnd, ['VID', 'video-in'], ['CTL', 'single-wire', logic3V3]],
    [
      [0.15, 0.35, 0.5],
      [9, 7, 25],
    ],
  ),
  analogTransmitter(
    {
      id: 'video-transmitter-analog-5v',
      name: 'Video transmitter, analog, 5 V only',
      summary: '5.8 GHz class, 25 and 200 mW, buttons only. Stands no more than 5.5 V.',
      massG: 5,
      sizeMm: [24, 20, 6],
      radios: [pictureSender([5725, 5875], 23, [0, 0, 30])],
    },
    [gnd, ['VID', 'video-in'], ['V', 'supply-in']],
    [
      [0.2, 0.4, 0.55],
      [5, 4.5, 5.5],
    ],
  ),
  analogTransmitter(
    {
      id: 'video-transmitter-analog-1w',
      name: 'Video transmitter, analog, 1 W',
      summary: '5.8 GHz class, 25 mW to 1 W, 9 to 36 V, one control wire.',
      massG: 24,
      sizeMm: [44, 32, 12],
      radios: [pictureSender([5725, 5875], 30, [0, 0, 30])],
    },
    [['V', 'supply-in'], gnd, gnd, ['VID', 'video-in'], ['CTL', 'single-wire', logic3V3]],
    [
      [0.2, 0.7, 0.95],
      [12, 9, 36],
    ],
  ),
  digitalUnit(
    {
      id: 'video-air-unit-digital',
      name: 'Digital video air unit',
      summary: 'Camera and transmitter in one; needs a full-duplex UART for the text over the picture. 7 to 26 V.',
      massG: 39,
      sizeMm: [44, 38, 15],
      radios: [pictureSender([5725, 5875], 28, [0, 0, 30])],
      noiseDbm: -92,
    },
    [['V', 'supply-in'], gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3]],
    [
      [0.4, 0.8, 1.3],
      [9, 7, 26],
    ],
  ),
  digitalUnit(
    {
      id: 'video-air-unit-digital-small',
      name: 'Digital video air unit, small',
      summary: 'Light unit for 5 V or up to 12 V; the same text port.',
      massG: 21,
      sizeMm: [32, 29, 12],
      radios: [pictureSender([5725, 5875], 25, [0, 0, 30])],
      noiseDbm: -94,
    },
    [gnd, ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['V', 'supply-in']],
    [
      [0.5, 0.9, 1.4],
      [9, 4.8, 12.6],
    ],
  ),
];

export const osds: readonly Part[] = [
  samplePart({
    id: 'osd-analog-current',
    kind: 'osd',
    name: 'OSD, analog, with its own current sensor',
    summary: 'Writes over the picture between camera and transmitter; own 50 A sensor on power pads; MAVLink in.',
    massG: 17,
    sizeMm: [40, 28, 9],
    settings: [standardSetting],
    ports: [
      wiredPort(
        'battery',
        ['power-pad', 'pads'],
        [
          ['+', 'supply-in', '@bat'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort(
        'load',
        ['power-pad', 'pads'],
        [
          ['+', 'supply-out', '@sensed'],
          ['-', 'gnd', '@gnd'],
        ],
      ),
      wiredPort('camera', ['locking-1.25', 'socket'], [['VID', 'video-in'], ['12V', 'supply-out', '@12v'], gnd], { needed: true }),
      wiredPort('video', ['locking-1.25', 'socket'], [['12V', 'supply-out', '@12v'], gnd, ['VID', 'video-out']], { needed: true }),
      wiredPort('UART', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['-', 'nc']]),
    ],
    circuit: [
      { is: 'sense', id: 'current', a: '@bat', b: '@sensed', ohm: 0.0005, fullScaleA: 50 },
      {
        is: 'regulator',
        id: 'reg-12v',
        topology: 'buck',
        in: '@bat',
        out: '@12v',
        gnd: '@gnd',
        setV: 12,
        inputMinV: 13,
        inputMaxV: 26,
        dropoutV: 1,
        efficiency: 0.88,
        quiescentA: 0.01,
        continuousA: 1.5,
        burstA: 2,
        burstS: 5,
        onOverload: 'hiccup',
      },
      load('osd', ['@bat', '@gnd'], [0.05, 0.06, 0.08], [14.8, 7, 26], { law: 'constant-power' }),
    ],
    endpoints: [
      { is: 'video-in', id: 'cam', pin: 'camera.1', standards: [...STANDARDS] },
      { is: 'video-out', id: 'out', pin: 'video.3', standards: [...STANDARDS] },
      uart('UART', { tx: 'UART.2', rx: 'UART.3' }, [offer('mavlink-2', 'both', 57_600, [57_600, 115_200])]),
    ],
    routes: [{ from: 'cam', to: 'out', transform: 'overlay' }],
  }),
  samplePart({
    id: 'osd-analog-small',
    kind: 'osd',
    name: 'OSD, analog, small',
    summary: 'Only the overlay, on solder pads, 5 V from the controller.',
    massG: 4,
    sizeMm: [22, 18, 4],
    ports: [
      wiredPort(
        'main',
        ['solder-pad', 'pads'],
        [['5V', 'supply-in'], gnd, ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['CAM', 'video-in'], ['OUT', 'video-out']],
        {
          needed: true,
        },
      ),
    ],
    circuit: [load('osd', ['main.1', '@gnd'], [0.05, 0.06, 0.08], [5, 4.5, 5.5])],
    endpoints: [
      { is: 'video-in', id: 'cam', pin: 'main.5', standards: [...STANDARDS] },
      { is: 'video-out', id: 'out', pin: 'main.6', standards: [...STANDARDS] },
      uart('UART', { tx: 'main.4', rx: 'main.3' }, [offer('mavlink-2', 'both', 57_600, [57_600, 115_200])]),
    ],
    routes: [{ from: 'cam', to: 'out', transform: 'overlay' }],
  }),
];

export const screens: readonly Part[] = [
  samplePart({
    id: 'screen-ground-7in',
    kind: 'screen',
    name: 'Ground screen 7 in, with receiver',
    summary: 'Stands on the ground: receives analog video, runs on 3 or 4 cells.',
    massG: 480,
    sizeMm: [190, 120, 35],
    ports: [
      wiredPort(
        'power',
        ['XT60', 'plug'],
        [
          ['+', 'supply-in'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      wiredPort('AV', ['pin-2.54', 'pins'], [['VID', 'video-in'], gnd], { label: 'video in' }),
    ],
    circuit: [load('screen', ['power.1', '@gnd'], [0.5, 0.7, 0.9], [12, 9, 17], { law: 'constant-power' })],
    endpoints: [{ is: 'video-in', id: 'in', pin: 'AV.1', standards: [...STANDARDS] }, air],
  }),
];
