import type { Airframe } from './airframe.ts';
import { alternating, coaxial, CROSS } from './rotor.ts';

const hung = { body: { is: 'copter' }, surfaces: [], thrust: [], steering: [] } as const;

/** Airframes that hang on their motors alone. */
export const COPTERS = {
  quad: {
    title: 'quad, X',
    ...hung,
    rotors: alternating(CROSS, 'counter-clockwise'),
    sparesRotors: 0,
  },
  'quad-plus': {
    title: 'quad, plus',
    ...hung,
    rotors: alternating(
      [
        ['front', 0],
        ['right', 90],
        ['rear', 180],
        ['left', 270],
      ],
      'clockwise',
    ),
    sparesRotors: 0,
  },
  hexa: {
    title: 'hexa, X',
    ...hung,
    rotors: alternating(
      [
        ['front-right', 30],
        ['right', 90],
        ['rear-right', 150],
        ['rear-left', 210],
        ['left', 270],
        ['front-left', 330],
      ],
      'counter-clockwise',
    ),
    sparesRotors: 1,
  },
  octo: {
    title: 'octo, X',
    ...hung,
    rotors: alternating(
      [
        ['front-right', 22.5],
        ['right-front', 67.5],
        ['right-rear', 112.5],
        ['rear-right', 157.5],
        ['rear-left', 202.5],
        ['left-rear', 247.5],
        ['left-front', 292.5],
        ['front-left', 337.5],
      ],
      'counter-clockwise',
    ),
    sparesRotors: 1,
  },
  y6: {
    title: 'Y6',
    ...hung,
    rotors: coaxial([
      ['front-right', 60],
      ['rear', 180],
      ['front-left', 300],
    ]),
    sparesRotors: 1,
  },
  tricopter: {
    title: 'tricopter',
    ...hung,
    // A servo tilts the rear motor, which holds the nose where it is.
    surfaces: ['tail-tilt'],
    rotors: [
      { place: 'front-right', azimuthDeg: 60, turns: 'clockwise' },
      { place: 'rear', azimuthDeg: 180, turns: 'clockwise' },
      { place: 'front-left', azimuthDeg: 300, turns: 'clockwise' },
    ],
    sparesRotors: 0,
  },
} as const satisfies Readonly<Record<string, Airframe>>;
