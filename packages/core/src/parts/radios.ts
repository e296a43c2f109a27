import type { Part } from '../model/part.ts';
import { range, withPlainSpaces } from '../text/numbers.ts';
import {
  ethernetPort,
  load,
  logic1V8,
  logic3V3,
  logic5Tolerant,
  logicRs232,
  offer,
  pairRadio,
  samplePart,
  uart,
  wiredPort,
  type Row,
} from './build.ts';
import { cellularData, farData, hoppingData, hoppingDataByRegion, networkData, pictureNetwork } from './airTraits.ts';
import { inMenu } from './ways.ts';

const cautions = ['antenna-before-power', 'radio-rules'];
const gnd: Row = ['GND', 'gnd', '@gnd'];
const tx: Row = ['TX', 'tx', logic5Tolerant];
const rx: Row = ['RX', 'rx', logic5Tolerant];
const bauds = [19_200, 38_400, 57_600, 115_200];
const hoppingSettings = ['air.version', 'air.rate', 'air.number'];
const hoppingRegionSettings = [...hoppingSettings, 'air.region'];
const networkSettings = ['ETH.ip', 'ETH.prefix', 'air.rate', 'air.number'];

const linkLights: NonNullable<Part['indications']> = [
  { shows: 'green flashing', means: 'looks for the other side' },
  { shows: 'green steady', means: 'linked' },
  { shows: 'amber flicker', means: 'data passes' },
];
const pairSteps: NonNullable<Part['steps']> = [
  {
    title: 'Pair',
    text: 'Antennas fitted at both ends. Set the same network number and region on both in their tool, power them 2 m apart and wait for the steady light.',
    caution: 'antenna-before-power',
  },
];

/** A modem for a public network, whose low band differs by region: it reaches furthest, and it is what disturbs a receiver nearby. */
function cellularModem(id: string, region: string, mhz: readonly [number, number]): Part {
  return samplePart({
    id,
    kind: 'telemetry-radio',
    name: `Cellular modem for a companion, ${region}`,
    summary: `USB to a companion; sends at ${withPlainSpaces(range(mhz[0], mhz[1], 'MHz'))}, the low band of its region. Its own serial pads are at 1.8 V and do not withstand 3.3 V.`,
    massG: 26,
    sizeMm: [52, 32, 8],
    radios: [{ id: 'air', title: 'cellular', mhz, sendsDbm: 23, air: cellularData, antenna: 'whip', atMm: [0, 0, 0] }],
    ports: [
      wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB', needed: true }),
      wiredPort('UART', ['solder-pad', 'pads'], [['TX', 'tx', logic1V8], ['RX', 'rx', logic1V8], gnd]),
    ],
    circuit: [load('modem', ['usb.1', '@gnd'], [0.1, 0.35, 1.2], [5, 4.6, 5.5], { law: 'constant-power' })],
    how: inMenu(
      ['UART.baud', 'UART.frame', 'net.ip', 'net.prefix'],
      'commands of the modem',
      'port speed, frame and tunnel address, then store',
      {
        over: 'usb',
      },
    ),
    routes: [
      { from: 'usb', to: 'net', transform: 'bridge' },
      { from: 'net', to: 'air', transform: 'bridge' },
    ],
    endpoints: [
      { is: 'usb', id: 'usb', port: 'usb', as: 'device', serial: [['transparent']] },
      uart('UART', { tx: 'UART.1', rx: 'UART.2' }, [offer('transparent', 'both', 115_200, [9600, 57_600, 115_200])]),
      { is: 'air', id: 'air', band: 'cellular' },
      { is: 'network', id: 'net', roles: ['client', 'router'], address: {} },
    ],
    cautions,
  });
}

export const telemetryRadios: readonly Part[] = [
  samplePart({
    id: 'radio-900-class',
    kind: 'telemetry-radio',
    name: 'Telemetry radio, 900 MHz class',
    summary: 'Air side of a pair, 57 600 baud by default. Its socket has the ground on pin 1.',
    massG: 18,
    sizeMm: [48, 26, 11],
    radios: [pairRadio([902, 928], [20, -112], { air: hoppingDataByRegion, atMm: [0, 0, 45] })],
    ports: [wiredPort('UART', ['locking-1.25', 'socket'], [gnd, rx, tx, ['V', 'supply-in']], { needed: true })],
    circuit: [load('radio', ['UART.4', '@gnd'], [0.06, 0.1, 0.22], [5, 4.5, 5.5], { law: 'constant-power' })],
    how: [
      ...inMenu(['UART.baud'], 'radio tool on the bench computer', '"Serial speed", the same at both ends of the pair', {
        over: 'UART',
        confirms: 'the tool finds both ends again',
      }),
      ...inMenu(hoppingRegionSettings, 'radio tool on the bench computer', '"Air", the same at both ends of the pair', { over: 'UART' }),
    ],
    routes: [{ from: 'UART', to: 'air', transform: 'bridge' }],
    endpoints: [
      uart('UART', { tx: 'UART.3', rx: 'UART.2' }, [offer('mavlink-2', 'both', 57_600, bauds)]),
      { is: 'air', id: 'air', band: '900 MHz class' },
    ],
    indications: [
      { shows: 'green flashing', means: 'no data from the other side' },
      { shows: 'green steady', means: 'linked' },
      { shows: 'red flashing', means: 'sending' },
    ],
    cautions,
  }),
  samplePart({
    id: 'radio-433-class',
    kind: 'telemetry-radio',
    name: 'Telemetry radio, 433 MHz class',
    summary: 'Air side of a pair with CTS and RTS, 57 600 baud by default, supply first.',
    massG: 15,
    sizeMm: [44, 24, 9],
    radios: [pairRadio([433.05, 434.79], [20, -115], { air: hoppingData, atMm: [0, 0, 80] })],
    ports: [
      wiredPort(
        'UART',
        ['locking-1.25', 'socket'],
        [['V', 'supply-in'], rx, tx, ['CTS', 'cts', logic5Tolerant], ['RTS', 'rts', logic5Tolerant], gnd],
        { needed: true },
      ),
    ],
    circuit: [load('radio', ['UART.1', '@gnd'], [0.04, 0.08, 0.12], [5, 4.5, 5.5])],
    how: [
      ...inMenu(['UART.baud', 'UART.flow'], 'radio tool on the bench computer', '"Serial speed" and "Flow control"', {
        over: 'UART',
        confirms: 'the tool finds the radio again',
      }),
      ...inMenu(hoppingSettings, 'radio tool on the bench computer', '"Air", the same at both ends of the pair', { over: 'UART' }),
    ],
    routes: [{ from: 'UART', to: 'air', transform: 'bridge' }],
    endpoints: [
      uart('UART', { tx: 'UART.3', rx: 'UART.2', cts: 'UART.4', rts: 'UART.5' }, [offer('mavlink-2', 'both', 57_600, bauds)]),
      { is: 'air', id: 'air', band: '433 MHz class' },
    ],
    cautions,
  }),
  samplePart({
    id: 'radio-hopping-long-range',
    kind: 'telemetry-radio',
    name: 'Telemetry radio, long range, frequency hopping',
    summary: '1 W at 900 MHz class, 5 V 0.9 A while sending, 115 200 baud, CTS and RTS.',
    massG: 32,
    sizeMm: [56, 36, 14],
    radios: [pairRadio([902, 928], [30, -108], { air: farData, atMm: [0, 0, 45] })],
    ports: [
      wiredPort(
        'UART',
        ['locking-1.25', 'socket'],
        [gnd, ['RTS', 'rts', logic3V3], ['CTS', 'cts', logic3V3], ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['V', 'supply-in']],
        { needed: true },
      ),
    ],
    circuit: [load('radio', ['UART.6', '@gnd'], [0.08, 0.25, 0.9], [5, 4.7, 5.5], { law: 'constant-power' })],
    how: [
      ...inMenu(['UART.baud', 'UART.flow'], 'text menu of the radio at 9600 baud', '"1 Port"', {
        over: 'UART',
        password: 'tern',
        confirms: 'the menu says "stored"',
      }),
      ...inMenu(hoppingRegionSettings, 'text menu of the radio at 9600 baud', '"2 Air"', { over: 'UART', password: 'tern' }),
    ],
    routes: [{ from: 'UART', to: 'air', transform: 'bridge' }],
    endpoints: [
      uart('UART', { tx: 'UART.5', rx: 'UART.4', cts: 'UART.3', rts: 'UART.2' }, [
        offer('mavlink-2', 'both', 115_200, [57_600, 115_200, 230_400]),
      ]),
      { is: 'air', id: 'air', band: '900 MHz class' },
    ],
    cautions,
  }),
  samplePart({
    id: 'radio-ip-two-serial',
    kind: 'telemetry-radio',
    name: 'IP radio, two serial ports',
    summary: '2.4 GHz class with Ethernet and two serial ports that carry any bytes to UDP or TCP. 7 to 28 V.',
    massG: 68,
    sizeMm: [72, 46, 16],
    radios: [pairRadio([2310, 2390], [27, -94], { air: networkData, antenna: 'dipole', groundAntenna: 'upright-plate', atMm: [0, 0, 40] })],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('S1', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['-', 'nc']], {
        label: 'serial 1',
      }),
      wiredPort('S2', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['-', 'nc']], {
        label: 'serial 2',
      }),
      ethernetPort('ETH', 'Ethernet'),
    ],
    circuit: [load('radio', ['power.1', '@gnd'], [0.15, 0.3, 0.6], [12, 7, 28], { law: 'constant-power' })],
    how: [
      ...inMenu(['S1.baud', 'S1.frame', 'S2.baud', 'S2.frame'], 'pages of the radio at 10.77.0.1', '"Serial ports"', {
        over: 'ETH',
        password: 'sandbank',
        confirms: 'the port lamps go out and come on again',
      }),
      ...inMenu(networkSettings, 'pages of the radio at 10.77.0.1', '"Network" and "Air"', { over: 'ETH', password: 'sandbank' }),
    ],
    routes: [
      { from: 'S1', to: 'ETH', transform: 'bridge' },
      { from: 'S2', to: 'ETH', transform: 'bridge' },
      { from: 'ETH', to: 'air', transform: 'bridge' },
    ],
    endpoints: [
      uart('S1', { tx: 'S1.2', rx: 'S1.3' }, [offer('transparent', 'both', 57_600, [57_600, 100_000, 115_200, 230_400, 460_800])], {
        names: { label: 'serial 1' },
      }),
      uart('S2', { tx: 'S2.2', rx: 'S2.3' }, [offer('transparent', 'both', 57_600, [57_600, 100_000, 115_200, 230_400, 460_800])], {
        names: { label: 'serial 2' },
      }),
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['host', 'client', 'server'], address: { delivered: '10.77.0.1' } },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    cautions,
  }),
  cellularModem('modem-cellular', 'Americas', [777, 787]),
  cellularModem('modem-cellular-800', 'Europe and Africa', [832, 862]),
  cellularModem('modem-cellular-700', 'Asia and Pacific', [703, 748]),
  samplePart({
    id: 'radio-900-six-way',
    kind: 'telemetry-radio',
    name: 'Telemetry radio, 900 MHz class, six-way socket',
    summary:
      'Air side of a pair with CTS and RTS: supply first, ground last, as on controllers with flow control, so that a straight cable fits. 57 600 baud by default.',
    massG: 24,
    sizeMm: [52, 28, 12],
    radios: [pairRadio([902, 928], [27, -113], { air: hoppingDataByRegion, atMm: [0, 0, 45] })],
    ports: [
      wiredPort(
        'UART',
        ['locking-1.25', 'socket'],
        [['V', 'supply-in'], rx, tx, ['RTS', 'rts', logic5Tolerant], ['CTS', 'cts', logic5Tolerant], gnd],
        { needed: true },
      ),
    ],
    circuit: [load('radio', ['UART.1', '@gnd'], [0.05, 0.16, 0.6], [5, 4.5, 5.5], { law: 'constant-power' })],
    how: [
      ...inMenu(['UART.baud', 'UART.flow'], 'radio tool on the bench computer', '"Port", "Speed" and "CTS and RTS"', {
        over: 'UART',
        confirms: 'both lights flash together',
      }),
      ...inMenu(hoppingRegionSettings, 'radio tool on the bench computer', '"Air", the same at both ends of the pair', { over: 'UART' }),
    ],
    routes: [{ from: 'UART', to: 'air', transform: 'bridge' }],
    endpoints: [
      uart('UART', { tx: 'UART.3', rx: 'UART.2', cts: 'UART.5', rts: 'UART.4' }, [offer('mavlink-2', 'both', 57_600, bauds)]),
      { is: 'air', id: 'air', band: '900 MHz class' },
    ],
    indications: linkLights,
    steps: pairSteps,
    cautions,
  }),
  samplePart({
    id: 'radio-ip-rs232',
    kind: 'telemetry-radio',
    name: 'IP radio with RS-232',
    summary:
      '2.4 GHz class with Ethernet and one serial port at RS-232 levels on a screw terminal: a controller needs a level converter. 9 to 30 V.',
    massG: 112,
    sizeMm: [92, 60, 24],
    radios: [pairRadio([2310, 2390], [30, -96], { air: networkData, antenna: 'dipole', groundAntenna: 'upright-plate', atMm: [0, 0, 40] })],
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
      wiredPort(
        'COM',
        ['screw-3.5', 'socket'],
        [
          ['TX', 'tx', logicRs232],
          ['RX', 'rx', logicRs232],
          ['SG', 'gnd', '@gnd'],
        ],
        { label: 'serial' },
      ),
      ethernetPort('ETH', 'Ethernet'),
    ],
    circuit: [load('radio', ['power.1', '@gnd'], [0.2, 0.4, 0.8], [12, 9, 30], { law: 'constant-power' })],
    how: [
      ...inMenu(['COM.baud', 'COM.frame'], 'pages of the radio at 10.77.0.1', '"Serial"', { over: 'ETH', password: 'sandbank' }),
      ...inMenu(networkSettings, 'pages of the radio at 10.77.0.1', '"Network" and "Air"', { over: 'ETH', password: 'sandbank' }),
    ],
    routes: [
      { from: 'COM', to: 'ETH', transform: 'bridge' },
      { from: 'ETH', to: 'air', transform: 'bridge' },
    ],
    endpoints: [
      uart('COM', { tx: 'COM.1', rx: 'COM.2' }, [offer('transparent', 'both', 115_200, [9600, 19_200, 38_400, 57_600, 115_200])], {
        names: { label: 'serial' },
      }),
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['host', 'client', 'server'], address: { delivered: '10.77.0.1' } },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    indications: linkLights,
    steps: pairSteps,
    cautions,
  }),
  samplePart({
    id: 'radio-network-picture',
    kind: 'telemetry-radio',
    name: 'Network radio for a camera computer',
    summary: 'Carries the stream and the data of a camera computer over Ethernet to its recorder on the ground, 5.8 GHz class. 9 to 26 V.',
    massG: 54,
    sizeMm: [66, 44, 15],
    radios: [
      pairRadio([5725, 5850], [27, -88], { air: pictureNetwork, antenna: 'crossed-loops', groundAntenna: 'plate', atMm: [0, 0, 35] }),
    ],
    ports: [wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd], { needed: true }), ethernetPort('ETH', 'Ethernet')],
    circuit: [load('radio', ['power.1', '@gnd'], [0.25, 0.45, 0.7], [12, 9, 26], { law: 'constant-power' })],
    how: [
      ...inMenu(['ETH.ip', 'ETH.prefix', 'air.rate'], 'pages of the radio at 10.77.0.1', '"Network" and "Air"', { over: 'ETH' }),
      { settings: ['air.paired'], how: { is: 'button', button: 'recessed, on both ends', seconds: 4, confirms: 'green steady' } },
    ],
    routes: [{ from: 'ETH', to: 'air', transform: 'bridge' }],
    endpoints: [
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['host'], address: { delivered: '10.77.0.1' } },
      { is: 'air', id: 'air', band: '5.8 GHz class' },
    ],
    indications: linkLights,
    steps: pairSteps,
    cautions,
  }),
];
