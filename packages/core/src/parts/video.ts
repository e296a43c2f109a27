import type { Part } from '../model/part.ts';
import { connector, logic3V3, partId, pins } from './build.ts';

export const cameras: readonly Part[] = [
  {
    id: partId('camera-analog-5v'),
    kind: 'camera',
    name: 'Camera, analog, 5 V only',
    summary: 'PAL or NTSC. Stands no more than 5.5 V.',
    massG: 8,
    sizeMm: [19, 19, 20],
    source: 'sample',
    settings: [
      {
        is: 'choice',
        id: 'standard',
        label: 'Video standard',
        choices: [
          { value: 'PAL', label: 'PAL' },
          { value: 'NTSC', label: 'NTSC' },
        ],
        default: 'PAL',
      },
    ],
    ports: [
      {
        id: 'AV',
        label: 'AV',
        connector: connector('locking-1.25', 3, 'socket'),
        pins: pins(['VID', 'video-out'], ['V', 'supply-in'], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'camera',
        supply: 'AV.2',
        gnd: 'AV.3',
        law: 'constant-power',
        nominalV: 5,
        minV: 4.5,
        maxV: 5.5,
        idleA: 0.12,
        typicalA: 0.14,
        peakA: 0.18,
      },
    ],
    endpoints: [
      { is: 'video-out', id: 'pal', when: { setting: 'standard', in: ['PAL'] }, pin: 'AV.1', standards: ['PAL'] },
      { is: 'video-out', id: 'ntsc', when: { setting: 'standard', in: ['NTSC'] }, pin: 'AV.1', standards: ['NTSC'] },
    ],
    routes: [],
  },
];

export const videoTransmitters: readonly Part[] = [
  {
    id: partId('video-transmitter-analog'),
    kind: 'video-transmitter',
    name: 'Video transmitter, analog, 7 to 25 V',
    summary: '5.8 GHz class, 25 to 400 mW, one control wire.',
    massG: 10,
    sizeMm: [32, 22, 7],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'AV',
        label: 'AV',
        connector: connector('locking-1.25', 4, 'socket'),
        pins: pins(['V', 'supply-in'], ['GND', 'gnd'], ['VID', 'video-in'], ['CTL', 'single-wire', logic3V3]),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'transmitter',
        supply: 'AV.1',
        gnd: 'AV.2',
        law: 'constant-power',
        nominalV: 9,
        minV: 7,
        maxV: 25,
        idleA: 0.15,
        typicalA: 0.35,
        peakA: 0.5,
      },
    ],
    endpoints: [
      { is: 'video-in', id: 'vid', pin: 'AV.3', standards: ['PAL', 'NTSC'] },
      {
        is: 'uart',
        id: 'CTL',
        tx: 'AV.4',
        names: { label: 'CTL' },
        duplex: 'single-wire',
        inverts: 'none',
        maxBaud: 4800,
        speaks: [{ protocol: 'transmitter-control', as: 'both', bauds: [4800], defaultBaud: 4800 }],
      },
      { is: 'air', id: 'air', band: '5.8 GHz class' },
    ],
    routes: [],
    cautions: ['antenna-before-power', 'radio-rules'],
  },
];
