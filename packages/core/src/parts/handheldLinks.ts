import type { Part } from '../model/part.ts';
import { handheldAir } from './airTraits.ts';
import {
  ethernetPort,
  groundProgram,
  load,
  logic3V3,
  logic5Tolerant,
  offer,
  pairRadio,
  samplePart,
  serialPins,
  uart,
  wiredPort,
  type Row,
} from './build.ts';
import { inMenu } from './ways.ts';

const cautions = ['antenna-before-power', 'radio-rules'];
const gnd: Row = ['GND', 'gnd', '@gnd'];

/** An air unit; what is made in two forms is the plug of its data. Its pins are found by their role. */
function airUnit(about: { readonly id: string; readonly name: string; readonly summary: string }, dataRows: readonly Row[]): Part {
  const data = serialPins('data', dataRows);
  return samplePart({
    ...about,
    kind: 'handheld-link',
    massG: 88,
    sizeMm: [78, 56, 18],
    radios: [pairRadio([2400, 2483.5], [25, -96], { antenna: 'dipole', air: handheldAir, atMm: [0, 0, 40] })],
    ports: [
      wiredPort('power', ['locking-2.0', 'socket'], [['V', 'supply-in'], ['V', 'supply-in'], gnd, gnd], { needed: true }),
      wiredPort('RC', ['locking-1.25', 'socket'], [['SB', 'tx', logic3V3], gnd], { label: 'rc out', needed: true }),
      wiredPort('data', ['locking-1.25', 'socket'], dataRows),
      ethernetPort('ETH', 'camera network'),
    ],
    circuit: [
      ...[1, 2].map((n) => ({ is: 'link' as const, id: `in-${n}`, a: `power.${n}`, b: '@v', ohm: 0 })),
      load('radio', ['@v', '@gnd'], [0.3, 0.5, 0.8], [12, 7, 28], { law: 'constant-power' }),
    ],
    how: [
      ...inMenu(['data.baud', ...(data.cts === undefined ? [] : ['data.flow'])], 'ground handset', '"Link settings", "Air port"', {
        confirms: 'the handset shows the new speed beside the air unit',
      }),
      ...inMenu(['ETH.ip', 'ETH.prefix'], 'ground handset', '"Link settings", "Camera network"'),
      ...inMenu(['air.version'], 'ground handset', '"Link settings", "Update"'),
      {
        settings: ['air.paired'],
        how: { is: 'button', button: 'recessed, while the handset pairs', seconds: 2, confirms: 'green steady' },
      },
    ],
    routes: ['RC-out', 'RC', 'data', 'ETH'].map((from) => ({ from, to: 'air', transform: 'bridge' as const })),
    endpoints: [
      {
        is: 'rc-out',
        id: 'RC-out',
        pin: 'RC.1',
        formats: ['sbus'],
        channels: 16,
        lossSignal: [{ format: 'sbus', signal: 'flag', afterMs: 300 }],
        latencyMs: 40,
        tells: [],
        exclusive: 'rc',
      },
      uart('RC', { tx: 'RC.1' }, [offer('sbus', 'talker', 100_000)], { duplex: 'tx-only', exclusive: 'rc', names: { label: 'rc out' } }),
      uart('data', data, [offer('mavlink-2', 'both', 57_600, [57_600, 115_200])]),
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['camera'], address: { delivered: '10.78.0.2' } },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    indications: [
      { shows: 'red steady', means: 'no link to the handset' },
      { shows: 'green steady', means: 'linked' },
    ],
    steps: [
      {
        title: 'Pair',
        text: 'Both antennas fitted. Start pairing on the handset, then press the recessed button of the air unit for 2 s; keep 1 m apart until green.',
        caution: 'antenna-before-power',
      },
    ],
    cautions,
  });
}

export const handheldLinks: readonly Part[] = [
  airUnit(
    {
      id: 'handheld-air-unit',
      name: 'Handheld link, air unit',
      summary: 'RC as SBUS, data over serial at 57 600 baud, and video in, in one box. 7 to 28 V.',
    },
    [['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3], gnd],
  ),
  airUnit(
    {
      id: 'handheld-air-unit-5-way',
      name: 'Handheld link, air unit, data on 5 ways',
      summary: 'The same box with CTS and RTS on its data plug: RC as SBUS, data over serial at 57 600 baud, and video in. 7 to 28 V.',
    },
    [gnd, ['CTS', 'cts', logic5Tolerant], ['RTS', 'rts', logic5Tolerant], ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3]],
  ),
  samplePart({
    id: 'handheld-ground-handset',
    kind: 'handheld-link',
    name: 'Handheld link, ground handset',
    summary: 'Sticks, screen and radio in one; passes data to a program on it over local UDP, and charges over USB.',
    massG: 620,
    usually: 'ground',
    sizeMm: [270, 130, 60],
    ports: [wiredPort('usb', ['USB-C', 'socket'], [['VBUS', 'supply-in'], ['D+', 'usb'], ['D-', 'usb'], gnd], { label: 'USB' })],
    circuit: [load('charger', ['usb.1', '@gnd'], [0.1, 1.5, 2], [5, 4.5, 5.5])],
    radios: [
      {
        id: 'air',
        title: 'handset',
        mhz: [2400, 2483.5],
        sendsDbm: 25,
        hears: { sensitivityDbm: -96, blockingDbm: 5 },
        air: handheldAir,
        antenna: 'dipole',
        atMm: [0, 0, 80],
      },
    ],
    how: [
      ...inMenu(['local.ip', 'local.prefix'], 'handset', '"Network"'),
      ...inMenu(['air.version', 'air.paired'], 'handset', '"Link settings", "Pairing"', { confirms: 'bars of the link' }),
    ],
    routes: [{ from: 'air', to: 'local', transform: 'bridge' }],
    programs: [groundProgram('program1', 'ground program')],
    endpoints: [
      { is: 'usb', id: 'usb', port: 'usb', as: 'device' },
      { is: 'network', id: 'local', roles: ['udp client', 'udp server'], address: { delivered: '10.78.0.1' } },
      { is: 'network', id: 'program1', roles: ['program'] },
      { is: 'air', id: 'air', band: '2.4 GHz class' },
    ],
    cautions: ['radio-rules'],
  }),
];
