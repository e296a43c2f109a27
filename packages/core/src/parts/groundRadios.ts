import type { Part } from '../model/part.ts';
import type { AirTraits } from '../model/radio.ts';
import { cellularData, hoppingData, hoppingDataByRegion } from './airTraits.ts';
import { ethernetPort, load, pairRadio, samplePart, wiredPort, type Row } from './build.ts';
import { inMenu } from './ways.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const cautions = ['antenna-before-power', 'radio-rules'];

/** The ground side of a pair, on the USB of a computer. */
function pairOnUsb(
  id: string,
  name: string,
  [band, mhz, figures, air]: readonly [string, [number, number], [number, number], AirTraits],
): Part {
  const settings = ['air.version', 'air.rate', 'air.number', ...(air.regions === undefined ? [] : ['air.region'])];
  return samplePart({
    id,
    kind: 'telemetry-radio',
    name,
    summary: 'Ground side of a pair: USB to a computer, which powers it. Over USB there is no baud rate to set.',
    massG: 22,
    usually: 'ground',
    sizeMm: [52, 28, 12],
    radios: [pairRadio(mhz, figures, { antenna: 'dipole', air, atMm: [0, 0, 60] })],
    ports: [
      wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB', needed: true }),
    ],
    circuit: [load('radio', ['usb.1', '@gnd'], [0.06, 0.1, 0.22], [5, 4.5, 5.5], { law: 'constant-power' })],
    how: inMenu(settings, 'radio tool on the bench computer', '"Air", the same at both ends of the pair', { over: 'usb' }),
    routes: [{ from: 'usb', to: 'air', transform: 'bridge' }],
    endpoints: [
      { is: 'usb', id: 'usb', port: 'usb', as: 'device', serial: [['mavlink-2']] },
      { is: 'air', id: 'air', band },
    ],
    indications: [
      { shows: 'green flashing', means: 'looks for the other side' },
      { shows: 'green steady', means: 'linked' },
    ],
    steps: [
      {
        title: 'Pair',
        text: 'Antennas fitted at both ends, 2 m apart. The same network number, region and packet rate in both; wait for the steady light.',
        caution: 'antenna-before-power',
      },
    ],
    cautions,
  });
}

/** Radios that stay on the ground. */
export const groundRadios: readonly Part[] = [
  pairOnUsb('radio-900-ground-usb', 'Telemetry radio, 900 MHz class, ground side', [
    '900 MHz class',
    [902, 928],
    [20, -112],
    hoppingDataByRegion,
  ]),
  pairOnUsb('radio-433-ground-usb', 'Telemetry radio, 433 MHz class, ground side', [
    '433 MHz class',
    [433.05, 434.79],
    [20, -115],
    hoppingData,
  ]),
  samplePart({
    id: 'router-ground-cellular',
    kind: 'telemetry-radio',
    name: 'Field router, cellular',
    summary:
      'Ground end of a cellular link: joins the same tunnel as the modem of the aircraft, and connects a computer over Ethernet. 9 to 30 V.',
    massG: 240,
    usually: 'ground',
    sizeMm: [110, 80, 28],
    radios: [pairRadio([777, 787], [23, -100], { title: 'cellular', air: cellularData, atMm: [0, 0, 90] })],
    ports: [
      wiredPort(
        'power',
        ['screw-3.5', 'socket'],
        [
          ['+', 'supply-in'],
          ['-', 'gnd', '@gnd'],
        ],
        { needed: true },
      ),
      ethernetPort('ETH', 'Ethernet'),
    ],
    circuit: [load('router', ['power.1', '@gnd'], [0.15, 0.3, 0.6], [12, 9, 30], { law: 'constant-power' })],
    how: inMenu(['ETH.ip', 'ETH.prefix'], 'pages of the router at 10.79.0.1', '"Tunnel", "Address"', { over: 'ETH', password: 'marram' }),
    routes: [{ from: 'ETH', to: 'air', transform: 'bridge' }],
    endpoints: [
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['host', 'router'], address: { delivered: '10.79.0.1' } },
      { is: 'air', id: 'air', band: 'cellular' },
    ],
    indications: [
      { shows: 'blue flashing', means: 'looks for the network' },
      { shows: 'blue steady', means: 'the tunnel is up' },
    ],
    steps: [
      {
        title: 'Tunnel',
        text: 'Give router, modem and computer addresses of one subnet, and use an encrypted tunnel: never put aircraft control on an open network.',
      },
    ],
    cautions,
  }),
];
