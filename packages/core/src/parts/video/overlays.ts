import type { Part } from '../../model/part.ts';
import { load, logic3V3, offer, samplePart, uart, wiredPort } from '../build.ts';
import { inMenu } from '../ways.ts';
import { gnd, STANDARDS, standardSetting } from './videoFacts.ts';

export const osds: readonly Part[] = [
  samplePart({
    id: 'osd-analog-current',
    kind: 'osd',
    name: 'OSD, analog, with its own current sensor',
    summary:
      'Overlays the video between camera and transmitter, and powers both with 12 V from 3 to 6 cells; own 50 A sensor on power pads; MAVLink in.',
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
        topology: 'buck-boost',
        in: '@bat',
        out: '@12v',
        gnd: '@gnd',
        setV: 12,
        inputMinV: 8,
        inputMaxV: 26,
        dropoutV: 0,
        efficiency: 0.88,
        quiescentA: 0.01,
        continuousA: 1.5,
        burstA: 2,
        burstS: 5,
        onOverload: 'hiccup',
      },
      load('osd', ['@bat', '@gnd'], [0.05, 0.06, 0.08], [14.8, 7, 26], { law: 'constant-power' }),
    ],
    how: inMenu(['UART.baud'], 'overlay tool on the bench computer', '"Telemetry", "Speed"'),
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
    summary: 'Overlay only, on solder pads, 5 V from the controller.',
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
    how: inMenu(['UART.baud'], 'overlay tool on the bench computer', '"Telemetry", "Speed"'),
    endpoints: [
      { is: 'video-in', id: 'cam', pin: 'main.5', standards: [...STANDARDS] },
      { is: 'video-out', id: 'out', pin: 'main.6', standards: [...STANDARDS] },
      uart('UART', { tx: 'main.4', rx: 'main.3' }, [offer('mavlink-2', 'both', 57_600, [57_600, 115_200])]),
    ],
    routes: [{ from: 'cam', to: 'out', transform: 'overlay' }],
  }),
];
