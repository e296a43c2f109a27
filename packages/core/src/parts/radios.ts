import type { Part } from '../model/part.ts';
import { load, logic1V8, logic3V3, logic5Tolerant, offer, pairRadio, samplePart, uart, wiredPort, type Row } from './build.ts';

const cautions = ['antenna-before-power', 'radio-rules'];
const gnd: Row = ['GND', 'gnd', '@gnd'];
const tx: Row = ['TX', 'tx', logic5Tolerant];
const rx: Row = ['RX', 'rx', logic5Tolerant];
const bauds = [19_200, 38_400, 57_600, 115_200];

export const telemetryRadios: readonly Part[] = [
  samplePart({
    id: 'radio-900-class',
    kind: 'telemetry-radio',
    name: 'Telemetry radio, 900 MHz class',
    summary: 'Air side of a pair, 57 600 baud as delivered. Its socket has the ground on pin 1.',
    massG: 18,
    sizeMm: [48, 26, 11],
    radios: [pairRadio([902, 928], [20, -112], { atMm: [0, 0, 45] })],
    ports: [wiredPort('UART', ['locking-1.25', 'socket'], [gnd, rx, tx, ['V', 'supply-in']], { needed: true })],
    circuit: [load('radio', ['UART.4', '@gnd'], [0.06, 0.15, 0.5], [5, 4.5, 5.5], { law: 'constant-power' })],
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
    summary: 'Air side of a pair with CTS and RTS, 57 600 baud as delivered, supply first.',
    massG: 15,
    sizeMm: [44, 24, 9],
    radios: [pairRadio([433.05, 434.79], [20, -115], { atMm: [0, 0, 80] })],
    ports: [
      wiredPort(
        'UART',
        ['locking-1.25', 'socket'],
        [['V', 'supply-in'], rx, tx, ['CTS', 'cts', logic5Tolerant], ['RTS', 'rts', logic5Tolerant], gnd],
        { needed: true },
      ),
    ],
    circuit: [load('radio', ['UART.1', '@gnd'], [0.04, 0.08, 0.12], [5, 4.5, 5.5])],
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
    radios: [pairRadio([902, 928], [30, -108], { atMm: [0, 0, 45] })],
    ports: [
      wiredPort(
        'UART',
        ['locking-1.25', 'socket'],
        [gnd, ['RTS', 'rts', logic3V3], ['CTS', 'cts', logic3V3], ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['V', 'supply-in']],
        { needed: true },
      ),
    ],
    circuit: [load('radio', ['UART.6', '@gnd'], [0.08, 0.25, 0.9], [5, 4.7, 5.5], { law: 'constant-power' })],
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
    radios: [pairRadio([2310, 2390], [27, -94], { antenna: 'dipole', groundAntenna: 'upright-plate', atMm: [0, 0, 40] })],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('S1', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['-', 'nc']], {
        label: 'serial 1',
      }),
      wiredPort('S2', ['locking-1.25', 'socket'], [gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], ['-', 'nc']], {
        label: 'serial 2',
      }),
      wiredPort(
        'ETH',
        ['8P8C', 'socket'],
        [
          ['T+', 'usb'],
          ['T-', 'usb'],
          ['R+', 'usb'],
          ['R-', 'usb'],
        ],
        {
          label: 'Ethernet',
          groundless: 'Its pairs are isolated by transformers.',
        },
      ),
    ],
    circuit: [load('radio', ['power.1', '@gnd'], [0.15, 0.3, 0.6], [12, 7, 28], { law: 'constant-power' })],
    endpoints: [
      uart('S1', { tx: 'S1.2', rx: 'S1.3' }, [offer('transparent', 'both', 57_600, [57_600, 100_000, 115_200, 230_400, 460_800])], {
        names: { label: 'serial 1' },
      }),
      uart('S2', { tx: 'S2.2', rx: 'S2.3' }, [offer('transparent', 'both', 57_600, [57_600, 100_000, 115_200, 230_400, 460_800])], {
        names: { label: 'serial 2' },
      }),
      { is: 'network', id: 'ETH', roles: ['host', 'client', 'server'] },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    cautions,
  }),
  samplePart({
    id: 'modem-cellular',
    kind: 'telemetry-radio',
    name: 'Cellular modem for a companion',
    summary: 'USB to a companion; its own serial pads are at 1.8 V and take no 3.3 V signal.',
    massG: 26,
    sizeMm: [52, 32, 8],
    radios: [{ id: 'air', title: 'cellular', mhz: [777, 787], sendsDbm: 23, antenna: 'whip', atMm: [0, 0, 0] }],
    ports: [
      wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB', needed: true }),
      wiredPort('UART', ['solder-pad', 'pads'], [['TX', 'tx', logic1V8], ['RX', 'rx', logic1V8], gnd]),
    ],
    circuit: [load('modem', ['usb.1', '@gnd'], [0.1, 0.35, 1.2], [5, 4.6, 5.5], { law: 'constant-power' })],
    endpoints: [
      { is: 'usb', id: 'usb' },
      uart('UART', { tx: 'UART.1', rx: 'UART.2' }, [offer('transparent', 'both', 115_200, [9600, 57_600, 115_200])]),
      { is: 'air', id: 'air', band: 'cellular' },
      { is: 'network', id: 'net', roles: ['client'] },
    ],
    cautions,
  }),
];

export const handheldLinks: readonly Part[] = [
  samplePart({
    id: 'handheld-air-unit',
    kind: 'handheld-link',
    name: 'Handheld link, air unit',
    summary: 'RC as SBUS, data over serial at 57 600 baud, and video in, in one box. 7 to 28 V.',
    massG: 88,
    sizeMm: [78, 56, 18],
    radios: [pairRadio([2400, 2483.5], [25, -96], { antenna: 'dipole', atMm: [0, 0, 40] })],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], ['V', 'supply-in'], gnd, gnd], { needed: true }),
      wiredPort('RC', ['locking-1.25', 'socket'], [['SB', 'tx', logic3V3], gnd], { label: 'rc out', needed: true }),
      wiredPort('data', ['locking-1.25', 'socket'], [['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], gnd]),
      wiredPort(
        'ETH',
        ['8P8C', 'socket'],
        [
          ['T+', 'usb'],
          ['T-', 'usb'],
          ['R+', 'usb'],
          ['R-', 'usb'],
        ],
        {
          label: 'camera network',
          groundless: 'Its pairs are isolated by transformers.',
        },
      ),
    ],
    circuit: [
      ...[1, 2].map((n) => ({ is: 'link' as const, id: `in-${n}`, a: `power.${n}`, b: '@v', ohm: 0 })),
      load('radio', ['@v', '@gnd'], [0.3, 0.5, 0.8], [12, 7, 28], { law: 'constant-power' }),
    ],
    endpoints: [
      { is: 'rc-out', id: 'RC-out', pin: 'RC.1', formats: ['sbus'], channels: 16, exclusive: 'rc' },
      uart('RC', { tx: 'RC.1' }, [offer('sbus', 'talker', 100_000)], { duplex: 'tx-only', exclusive: 'rc', names: { label: 'rc out' } }),
      uart('data', { tx: 'data.1', rx: 'data.2' }, [offer('mavlink-2', 'both', 57_600, [57_600, 115_200])]),
      { is: 'network', id: 'ETH', roles: ['camera'] },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    cautions,
  }),
  samplePart({
    id: 'handheld-ground-handset',
    kind: 'handheld-link',
    name: 'Handheld link, ground handset',
    summary: 'Sticks, screen and radio in one; gives data to a program on it over local UDP, and charges over USB.',
    massG: 620,
    sizeMm: [270, 130, 60],
    ports: [wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB' })],
    circuit: [load('charger', ['usb.1', '@gnd'], [0.1, 1.5, 2], [5, 4.5, 5.5])],
    endpoints: [
      { is: 'usb', id: 'usb' },
      { is: 'network', id: 'local', roles: ['udp client', 'udp server'] },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    cautions: ['radio-rules'],
  }),
];
