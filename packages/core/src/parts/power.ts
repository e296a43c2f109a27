import type { Part } from '../model/part.ts';
import { connector, joined, partId, pins } from './build.ts';

export const batteries: readonly Part[] = [
  {
    id: partId('battery-lipo-4s-5000'),
    kind: 'battery',
    name: 'Battery LiPo 4S, 5000 mAh',
    summary: 'Four cells in series, XT60. 16.8 V when full.',
    massG: 520,
    sizeMm: [145, 45, 32],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'main',
        label: 'main',
        connector: connector('XT60', 2, 'socket'),
        pins: pins(['+', 'supply-out'], ['-', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'battery',
        id: 'pack',
        plus: 'main.1',
        minus: 'main.2',
        chemistry: 'lipo',
        cells: 4,
        capacityMah: 5000,
        internalOhm: 0.016,
        continuousA: 125,
      },
    ],
    endpoints: [],
    routes: [],
    cautions: ['battery'],
  },
];

export const regulators: readonly Part[] = [
  {
    id: partId('regulator-buck-5v-3a'),
    kind: 'regulator',
    name: 'Regulator 5 V, 3 A buck',
    summary: 'Separate regulator with a 3-pin lead: feeds a servo rail from the pack, 7 to 26 V in.',
    massG: 12,
    sizeMm: [38, 18, 8],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'in',
        label: 'in',
        connector: connector('solder-pad', 2, 'pads'),
        pins: pins(['V', 'supply-in'], ['GND', 'gnd']),
        needed: true,
      },
      {
        id: 'out',
        label: 'out',
        connector: connector('pin-2.54', 3, 'socket'),
        pins: pins(['-', 'nc'], ['V', 'supply-out'], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      ...joined('@gnd', 'in.2', 'out.3'),
      {
        is: 'regulator',
        id: 'buck',
        topology: 'buck',
        in: 'in.1',
        out: 'out.2',
        gnd: '@gnd',
        setV: 5,
        inputMinV: 7,
        inputMaxV: 26,
        dropoutV: 1,
        efficiency: 0.9,
        quiescentA: 0.008,
        continuousA: 3,
        burstA: 5,
        burstS: 10,
        onOverload: 'hiccup',
      },
    ],
    endpoints: [],
    routes: [],
  },
];

export const distribution: readonly Part[] = [
  {
    id: partId('combiner-two-inputs'),
    kind: 'distribution',
    name: 'Supply combiner, 2 inputs',
    summary: 'Two supplies onto one rail through diodes, so that they never drive each other. 10 A an input.',
    massG: 9,
    sizeMm: [30, 20, 6],
    source: 'sample',
    settings: [],
    ports: [
      { id: 'A', label: 'in A', connector: connector('pin-2.54', 3, 'pins'), pins: pins(['-', 'nc'], ['V', 'supply-in'], ['GND', 'gnd']) },
      { id: 'B', label: 'in B', connector: connector('pin-2.54', 3, 'pins'), pins: pins(['-', 'nc'], ['V', 'supply-in'], ['GND', 'gnd']) },
      {
        id: 'out',
        label: 'out',
        connector: connector('pin-2.54', 3, 'socket'),
        pins: pins(['-', 'nc'], ['V', 'supply-out'], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      ...joined('@gnd', 'A.3', 'B.3', 'out.3'),
      { is: 'diode', id: 'diode-a', from: 'A.2', to: 'out.2', dropV: 0.35, maxA: 10 },
      { is: 'diode', id: 'diode-b', from: 'B.2', to: 'out.2', dropV: 0.35, maxA: 10 },
    ],
    endpoints: [],
    routes: [],
  },
];
