import type { Part } from '../model/part.ts';
import { connector, logic5V, partId, pins } from './build.ts';

interface ServoFigures {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
  readonly idleA: number;
  readonly movingA: number;
  readonly stallA: number;
  readonly maxRateHz: number;
}

/** A servo differs from the next only in its figures: all have the one lead, signal, supply, ground. */
function servo(figures: ServoFigures): Part {
  return {
    id: partId(figures.id),
    kind: 'servo',
    name: figures.name,
    summary: figures.summary,
    massG: figures.massG,
    sizeMm: figures.sizeMm,
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'lead',
        label: 'lead',
        connector: connector('pin-2.54', 3, 'socket'),
        pins: pins(['S', 'pulse-in', logic5V], ['V', 'supply-in'], ['GND', 'gnd']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'servo',
        supply: 'lead.2',
        gnd: 'lead.3',
        law: 'resistance',
        nominalV: 5,
        minV: 4.5,
        maxV: 6.5,
        idleA: figures.idleA,
        typicalA: figures.movingA,
        peakA: figures.movingA,
        stallA: figures.stallA,
      },
    ],
    endpoints: [{ is: 'pulse-in', id: 'position', pin: 'lead.1', kinds: ['pwm'], rateHz: [50, figures.maxRateHz], use: 'servo' }],
    routes: [],
  };
}

export const servos: readonly Part[] = [
  servo({
    id: 'servo-9g-analog',
    name: 'Servo 9 g, analog',
    summary: 'Plastic gears, 50 Hz.',
    massG: 9,
    sizeMm: [23, 12, 25],
    idleA: 0.008,
    movingA: 0.22,
    stallA: 0.7,
    maxRateHz: 50,
  }),
  servo({
    id: 'servo-12g-metal',
    name: 'Servo 12 g, metal gear',
    summary: 'Digital, metal gears, up to 330 Hz.',
    massG: 12.5,
    sizeMm: [23, 12, 27],
    idleA: 0.01,
    movingA: 0.35,
    stallA: 1.2,
    maxRateHz: 330,
  }),
];
