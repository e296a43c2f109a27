import type { How } from '../model/how.ts';
import { TURNS, type Part } from '../model/part.ts';
import { samplePart, wiredPort } from './build.ts';

interface Figures {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
  readonly tableV: number;
  /** Amperes from the pack at a quarter, a half, three quarters and full throttle. */
  readonly currentA: readonly [number, number, number, number];
  /** Thrust at the same throttles, standing still. */
  readonly thrustG: readonly [number, number, number, number];
  readonly maxA: number;
  readonly magnetAm2: number;
  /** Diameter and pitch. */
  readonly propellerIn: readonly [number, number];
  readonly plug?: 'bullet-3.5' | 'bullet-6.0';
}

/** Nothing is chosen by default: which way it turns is known when somebody has looked. */
function turnSetting(id: string, label: string, how: How): Part['settings'][number] {
  return { is: 'choice', id, label, choices: TURNS.map((value) => ({ value, label: value })), how };
}

/** A brushless motor with its propeller. */
function motor(figures: Figures): Part {
  const { id, name, summary, massG, sizeMm, tableV, currentA, thrustG, maxA, magnetAm2, propellerIn, plug = 'bullet-3.5' } = figures;
  const [diameterIn, pitchIn] = propellerIn;
  const phases = ['phases.1', 'phases.2', 'phases.3'];
  return samplePart({
    id,
    kind: 'motor',
    name,
    summary,
    massG,
    sizeMm,
    magnetAm2,
    settings: [
      turnSetting('spin', 'turns, seen from in front', {
        is: 'wiring',
        wiring: 'Swapping two of its three leads reverses it',
      }),
      turnSetting('hand', 'propeller is made to turn', {
        is: 'wiring',
        wiring: 'Chosen when the propeller is bought; marked on the blade',
      }),
    ],
    spin: { is: 'by-setting', setting: 'spin' },
    propeller: { diameterIn, pitchIn, turns: { is: 'by-setting', setting: 'hand' } },
    ports: [
      wiredPort(
        'phases',
        [plug, 'plug'],
        [
          ['A', 'phase'],
          ['B', 'phase'],
          ['C', 'phase'],
        ],
        { groundless: 'Three motor phases.', needed: true },
      ),
    ],
    circuit: [
      {
        is: 'motor',
        id: 'motor',
        phases,
        tableV,
        table: [
          { throttle: 0, currentA: 0, thrustG: 0 },
          { throttle: 0.25, currentA: currentA[0], thrustG: thrustG[0] },
          { throttle: 0.5, currentA: currentA[1], thrustG: thrustG[1] },
          { throttle: 0.75, currentA: currentA[2], thrustG: thrustG[2] },
          { throttle: 1, currentA: currentA[3], thrustG: thrustG[3] },
        ],
        maxA,
      },
    ],
    endpoints: [{ is: 'phase', id: 'phases', pins: phases }],
    steps: [
      {
        title: 'Direction of rotation',
        text: 'Propeller off, lowest throttle, a strip of tape on the shaft: look from in front, and swap two leads if it turns the wrong way. Then fit the propeller with its marked side forward.',
        caution: 'propellers-off',
      },
    ],
    cautions: ['propellers-off'],
  });
}

export const motors: readonly Part[] = [
  motor({
    id: 'motor-22mm-6x4',
    name: 'Motor 22 mm with 6x4 propeller',
    summary: 'Brushless, about 0.7 kg of static thrust on 3 cells.',
    massG: 42,
    sizeMm: [30, 28, 28],
    tableV: 11.5,
    currentA: [1.6, 4.8, 9.4, 15],
    thrustG: [160, 330, 510, 700],
    maxA: 18,
    magnetAm2: 0.25,
    propellerIn: [6, 4],
  }),
  motor({
    id: 'motor-28mm-9x6',
    name: 'Motor 28 mm with 9x6 propeller',
    summary: 'Brushless, about 1.6 kg of static thrust on 4 cells.',
    massG: 96,
    sizeMm: [40, 28, 28],
    tableV: 15.4,
    currentA: [3.2, 9.5, 19, 31],
    thrustG: [350, 730, 1160, 1600],
    maxA: 36,
    magnetAm2: 0.5,
    propellerIn: [9, 6],
  }),
  motor({
    id: 'motor-35mm-13x8',
    name: 'Motor 35 mm with 13x8 propeller',
    summary: 'Brushless, about 3.2 kg of static thrust on 6 cells.',
    massG: 178,
    sizeMm: [52, 42, 42],
    tableV: 22.8,
    currentA: [4.1, 12.5, 25, 41],
    thrustG: [690, 1450, 2300, 3200],
    maxA: 52,
    magnetAm2: 0.9,
    propellerIn: [13, 8],
  }),
  motor({
    id: 'motor-lift-41mm-15x5',
    name: 'Lift motor 41 mm with 15x5 propeller',
    summary: 'Flat brushless motor for hovering, about 3.2 kg of static thrust on 6 cells.',
    massG: 120,
    sizeMm: [28, 48, 48],
    tableV: 22.8,
    currentA: [2.6, 8.2, 17, 28],
    thrustG: [760, 1600, 2500, 3200],
    maxA: 34,
    magnetAm2: 0.8,
    propellerIn: [15, 5],
  }),
  motor({
    id: 'motor-50mm-18x10',
    name: 'Motor 50 mm with 18x10 propeller',
    summary: 'Brushless, about 6 kg of static thrust on 6 cells.',
    massG: 360,
    sizeMm: [65, 50, 50],
    tableV: 22.8,
    currentA: [7, 22, 46, 74],
    thrustG: [1250, 2670, 4370, 6000],
    maxA: 85,
    magnetAm2: 1.6,
    propellerIn: [18, 10],
  }),
  motor({
    id: 'motor-63mm-24x12-12s',
    name: 'Motor 63 mm with 24x12 propeller, 12 cells',
    summary: 'Brushless, about 14 kg of static thrust on 12 cells.',
    massG: 740,
    sizeMm: [78, 63, 63],
    tableV: 45.6,
    currentA: [8, 24, 52, 88],
    thrustG: [2830, 5890, 9860, 14_000],
    maxA: 105,
    magnetAm2: 2.6,
    propellerIn: [24, 12],
    plug: 'bullet-6.0',
  }),
  motor({
    id: 'motor-23mm-7x4-6s',
    name: 'Motor 23 mm with 7x4 propeller, 6 cells',
    summary: 'Small brushless motor wound for 6 cells, about 0.9 kg of static thrust.',
    massG: 44,
    sizeMm: [32, 28, 28],
    tableV: 22.8,
    currentA: [1.2, 3.6, 7.8, 13],
    thrustG: [185, 380, 640, 900],
    maxA: 16,
    magnetAm2: 0.25,
    propellerIn: [7, 4],
  }),
];
