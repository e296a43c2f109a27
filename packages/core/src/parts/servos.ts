import type { Part } from '../model/part.ts';
import { load, logicPulse, samplePart, wiredPort, type WiredPort } from './build.ts';
import { canWays } from './ways.ts';

interface Figures {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
  readonly volts?: readonly [nominal: number, min: number, max: number];
  /** Amperes idle, moving and stalled. */
  readonly amperes: readonly [number, number, number];
  readonly maxRateHz: number;
  readonly torqueNcm: number;
  readonly secondsPer60Deg: number;
}

const lead: WiredPort = wiredPort(
  'lead',
  ['pin-2.54', 'socket'],
  [
    ['S', 'pulse-in', logicPulse],
    ['V', 'supply-in'],
    ['GND', 'gnd'],
  ],
  { needed: true },
);

/** A servo differs from the next only in its figures: all have the one lead, signal, supply, ground. */
function servo(figures: Figures): Part {
  const { volts = [5, 4.5, 6.5], maxRateHz, torqueNcm, secondsPer60Deg } = figures;
  const [idleA, movingA, stallA] = figures.amperes;
  return samplePart({
    id: figures.id,
    kind: 'servo',
    name: figures.name,
    summary: figures.summary,
    massG: figures.massG,
    sizeMm: figures.sizeMm,
    // The magnet of its small motor, by its size.
    magnetAm2: 0.001 * figures.massG,
    servo: { atV: volts[0], torqueNcm, secondsPer60Deg, widthUs: [900, 2100] },
    ports: [lead],
    circuit: [load('servo', ['lead.2', 'lead.3'], [idleA, movingA, movingA], volts, { law: 'resistance', stallA })],
    endpoints: [{ is: 'pulse-in', id: 'position', pin: 'lead.1', kinds: ['pwm'], rateHz: [50, maxRateHz], use: 'servo' }],
  });
}

const canServo = samplePart({
  id: 'servo-25g-can',
  kind: 'servo',
  name: 'Servo 25 g, CAN',
  summary: 'Position and feedback over CAN, 5 to 8.4 V. Two sockets, so that the bus continues.',
  massG: 25,
  sizeMm: [30, 15, 32],
  servo: { atV: 7.4, torqueNcm: 68, secondsPer60Deg: 0.1, widthUs: [900, 2100] },
  ports: [
    wiredPort(
      'in',
      ['locking-2.0', 'socket'],
      [
        ['V', 'supply-in', '@v'],
        ['H', 'can-h', '@h'],
        ['L', 'can-l', '@l'],
        ['GND', 'gnd', '@gnd'],
      ],
      {
        needed: true,
      },
    ),
    wiredPort(
      'on',
      ['locking-2.0', 'socket'],
      [
        ['V', 'supply-through', '@v'],
        ['H', 'can-h', '@h'],
        ['L', 'can-l', '@l'],
        ['GND', 'gnd', '@gnd'],
      ],
      {
        label: 'on to the next',
      },
    ),
  ],
  circuit: [load('servo', ['@v', '@gnd'], [0.04, 0.6, 0.6], [7.4, 5, 8.4], { law: 'resistance', stallA: 2.4 })],
  how: canWays('CAN', 'in'),
  endpoints: [{ is: 'can', id: 'CAN', high: 'in.2', low: 'in.3', terminated: false, switchable: true }],
});

const panTilt = samplePart({
  id: 'servo-pan-tilt-pair',
  kind: 'servo',
  name: 'Pan and tilt pair, 2 x 9 g',
  summary: 'Two small servos in a frame for a camera, one lead each.',
  massG: 28,
  sizeMm: [45, 38, 42],
  servo: { atV: 5, torqueNcm: 15, secondsPer60Deg: 0.12, widthUs: [700, 2300] },
  ports: (['pan', 'tilt'] as const).map((id) =>
    wiredPort(
      id,
      ['pin-2.54', 'socket'],
      [
        ['S', 'pulse-in', logicPulse],
        ['V', 'supply-in'],
        ['GND', 'gnd', '@gnd'],
      ],
      { needed: true },
    ),
  ),
  circuit: (['pan', 'tilt'] as const).map((id) =>
    load(`${id}-servo`, [`${id}.2`, '@gnd'], [0.008, 0.2, 0.2], [5, 4.5, 6], { law: 'resistance', stallA: 0.65 }),
  ),
  endpoints: (['pan', 'tilt'] as const).map((id) => ({
    is: 'pulse-in' as const,
    id,
    pin: `${id}.1`,
    kinds: ['pwm'],
    rateHz: [50, 60] as const,
    use: 'servo' as const,
  })),
});

export const servos: readonly Part[] = [
  servo({
    id: 'servo-9g-analog',
    name: 'Servo 9 g, analog',
    summary: 'Plastic gears, 50 Hz.',
    massG: 9,
    sizeMm: [23, 12, 25],
    amperes: [0.008, 0.22, 0.7],
    maxRateHz: 50,
    torqueNcm: 16,
    secondsPer60Deg: 0.12,
  }),
  servo({
    id: 'servo-9g-digital',
    name: 'Servo 9 g, digital',
    summary: 'Plastic gears, up to 250 Hz.',
    massG: 9.5,
    sizeMm: [23, 12, 25],
    amperes: [0.01, 0.26, 0.85],
    maxRateHz: 250,
    torqueNcm: 19,
    secondsPer60Deg: 0.1,
  }),
  servo({
    id: 'servo-12g-metal',
    name: 'Servo 12 g, metal gear',
    summary: 'Digital, metal gears, up to 330 Hz.',
    massG: 12.5,
    sizeMm: [23, 12, 27],
    amperes: [0.01, 0.35, 1.2],
    maxRateHz: 330,
    torqueNcm: 27,
    secondsPer60Deg: 0.1,
  }),
  servo({
    id: 'servo-20g-standard',
    name: 'Servo 20 g, standard',
    summary: 'Digital, metal gears, up to 333 Hz.',
    massG: 20,
    sizeMm: [29, 13, 30],
    amperes: [0.012, 0.5, 1.8],
    maxRateHz: 333,
    torqueNcm: 42,
    secondsPer60Deg: 0.11,
  }),
  servo({
    id: 'servo-45g-high-voltage',
    name: 'Servo 45 g, high voltage 7.4 V',
    summary: 'Digital, steel gears, 6 to 8.4 V. Never on a 5 V rail.',
    massG: 45,
    sizeMm: [40, 20, 38],
    volts: [7.4, 6, 8.4],
    amperes: [0.02, 0.9, 3.2],
    maxRateHz: 333,
    torqueNcm: 150,
    secondsPer60Deg: 0.12,
  }),
  canServo,
  panTilt,
];
