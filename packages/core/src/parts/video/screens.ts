import type { Part } from '../../model/part.ts';
import { analogPicture, pictureNetwork } from '../airTraits.ts';
import { ethernetPort, load, pairRadio, pictureReceiver, samplePart, wiredPort } from '../build.ts';
import { inMenu } from '../ways.ts';
import { air, gnd, STANDARDS } from './videoFacts.ts';

export const screens: readonly Part[] = [
  samplePart({
    id: 'screen-ground-7in',
    kind: 'screen',
    name: 'Ground screen 7 in, with receiver',
    summary: 'For the ground: receives analog video, runs on 3 or 4 cells.',
    massG: 480,
    usually: 'ground',
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
    radios: [pictureReceiver([5650, 5950], 'plate', [0, 0, 70], analogPicture)],
    how: inMenu(['air.number'], 'keys below the screen', 'CH up and down', { confirms: 'the channel shows for 3 s' }),
    endpoints: [{ is: 'video-in', id: 'in', pin: 'AV.1', standards: [...STANDARDS] }, air],
  }),
  samplePart({
    id: 'recorder-ground-network',
    kind: 'screen',
    name: 'Ground recorder with network receiver',
    summary:
      'The other end of a camera computer with network radio: receives, shows and records the stream, and passes the data on over Ethernet. 9 to 26 V.',
    massG: 690,
    usually: 'ground',
    sizeMm: [210, 140, 46],
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
      ethernetPort('ETH', 'Ethernet'),
    ],
    circuit: [load('recorder', ['power.1', '@gnd'], [0.6, 0.9, 1.3], [12, 9, 26], { law: 'constant-power' })],
    radios: [pairRadio([5725, 5850], [27, -88], { antenna: 'plate', air: pictureNetwork, atMm: [0, 0, 80] })],
    how: [
      ...inMenu(['ETH.ip', 'ETH.prefix', 'air.rate'], 'menu of the recorder', '"Network" and "Air"'),
      { settings: ['air.paired'], how: { is: 'button', button: 'PAIR beside the antenna', seconds: 4, confirms: 'the picture comes' } },
    ],
    routes: [{ from: 'ETH', to: 'air', transform: 'bridge' }],
    endpoints: [{ is: 'network', id: 'ETH', port: 'ETH', roles: ['client', 'server'], address: { delivered: '10.77.0.2' } }, air],
    indications: [{ shows: 'red dot on the screen', means: 'recording' }],
    steps: [{ title: 'Card space', text: 'Format the card before the flight day; the screen shows the minutes that are left.' }],
    cautions: ['antenna-before-power', 'radio-rules'],
  }),
];
