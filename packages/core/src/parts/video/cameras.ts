import type { Part } from '../../model/part.ts';
import { load, logic3V3, samplePart, wiredPort, type RawEndpoint, type Row } from '../build.ts';
import { gnd, STANDARDS, standardSetting, type About, type Figures, type Plug } from './videoFacts.ts';

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

/** An analog camera on a 3-way or 4-way socket; its pins are found by their role. */
function analogCamera(
  about: About,
  rows: readonly Row[],
  [amperes, volts]: Figures,
  standard: 'selectable' | 'PAL' | 'NTSC',
  plug: Plug = ['locking-1.25', 'socket'],
): Part {
  const at = (role: Row[1]): string => `AV.${rows.findIndex((row) => row[1] === role) + 1}`;
  const fixed: RawEndpoint[] =
    standard === 'selectable' ? [] : [{ is: 'video-out', id: 'vid', pin: at('video-out'), standards: [standard] }];
  return samplePart({
    kind: 'camera',
    ...about,
    settings: standard === 'selectable' ? [standardSetting] : [],
    ports: [wiredPort('AV', plug, rows, { needed: true })],
    circuit: [load('camera', [at('supply-in'), '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: standard === 'selectable' ? selectable(at('video-out')) : fixed,
  });
}

export const cameras: readonly Part[] = [
  analogCamera(
    {
      id: 'camera-analog-5v',
      name: 'Camera, analog, 5 V only',
      summary: 'PAL or NTSC. 5.5 V maximum.',
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
      summary: 'NTSC only, runs directly from a pack of up to 5 cells.',
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
  analogCamera(
    {
      id: 'camera-analog-servo-plug',
      name: 'Camera, analog, on a 3-pin plug',
      summary: "PAL or NTSC on a 2.54 mm plug like a servo's: video, supply, ground. 4.5 to 16 V.",
      massG: 12,
      sizeMm: [24, 24, 22],
      steps: [
        {
          title: 'Focus',
          text: 'Turn the lens on the bench until something 10 m away is sharp on the screen, then lock its ring.',
        },
      ],
    },
    [['VID', 'video-out'], ['V', 'supply-in'], gnd],
    [
      [0.09, 0.11, 0.16],
      [5, 4.5, 16],
    ],
    'selectable',
    ['pin-2.54', 'socket'],
  ),
  samplePart({
    id: 'camera-mapping-trigger',
    kind: 'camera',
    name: 'Camera for mapping, triggered',
    summary: 'Own battery inside; fired by a pulse; gives a pulse back when it has fired.',
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
    summary: 'Streams over Ethernet at a set address; 9 to 16 V.',
    massG: 62,
    sizeMm: [45, 38, 48],
    ports: [
      wiredPort('main', ['8P8C', 'socket'], [['T+', 'usb'], ['T-', 'usb'], ['R+', 'usb'], ['R-', 'usb'], ['V', 'supply-in'], gnd], {
        needed: true,
      }),
    ],
    circuit: [load('camera', ['main.5', '@gnd'], [0.2, 0.3, 0.4], [12, 9, 16], { law: 'constant-power' })],
    endpoints: [{ is: 'network', id: 'stream', port: 'main', roles: ['server'] }],
  }),
];
