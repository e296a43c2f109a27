import type { Airframe, Body, Ways, WingSurface } from './airframe.ts';
import { alternating, coaxial, CROSS } from './rotor.ts';

const AILERONS = ['aileron-left', 'aileron-right'] as const;
const FLAPS = ['flap-left', 'flap-right'] as const;
/** One of two is enough to roll. */
const ONE_AILERON: Ways = [['aileron-left'], ['aileron-right']];
const ELEVATOR: Ways = [['elevator']];

const flown = { rotors: [], sparesRotors: 0 } as const;

function plane(propeller: 'nose' | 'rear' | 'wing', tail: 'plain' | 'v' | 'a', ...alongWing: readonly WingSurface[]): Body {
  return { is: 'plane', propeller, tail, alongWing };
}

/** Airframes that fly on wings. */
export const PLANES = {
  conventional: {
    title: 'conventional tail',
    body: plane('nose', 'plain', 'aileron'),
    surfaces: [...AILERONS, 'elevator', 'rudder'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, ELEVATOR],
    ...flown,
  },
  'one-aileron': {
    title: 'conventional tail, ailerons on one output',
    body: plane('nose', 'plain', 'aileron'),
    surfaces: ['ailerons', 'elevator', 'rudder'],
    thrust: ['throttle'],
    steering: [[['ailerons']], ELEVATOR],
    ...flown,
  },
  'no-rudder': {
    title: 'conventional tail, no rudder',
    body: plane('nose', 'plain', 'aileron'),
    surfaces: [...AILERONS, 'elevator'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, ELEVATOR],
    ...flown,
  },
  'conventional-flaps': {
    title: 'conventional tail with flaps',
    body: plane('nose', 'plain', 'flap', 'aileron'),
    surfaces: [...AILERONS, ...FLAPS, 'elevator', 'rudder'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, ELEVATOR],
    ...flown,
  },
  flaperons: {
    title: 'conventional tail with flaperons',
    body: plane('nose', 'plain', 'aileron'),
    surfaces: ['flaperon-left', 'flaperon-right', 'elevator', 'rudder'],
    thrust: ['throttle'],
    steering: [[['flaperon-left'], ['flaperon-right']], ELEVATOR],
    ...flown,
  },
  'v-tail': {
    title: 'V-tail',
    body: plane('nose', 'v', 'aileron'),
    surfaces: [...AILERONS, 'v-tail-left', 'v-tail-right'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, [['v-tail-left', 'v-tail-right']]],
    ...flown,
  },
  'v-tail-flaps': {
    title: 'V-tail with flaps',
    body: plane('rear', 'v', 'flap', 'aileron'),
    surfaces: [...AILERONS, ...FLAPS, 'v-tail-left', 'v-tail-right'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, [['v-tail-left', 'v-tail-right']]],
    ...flown,
  },
  'a-tail': {
    title: 'A-tail',
    body: plane('rear', 'a', 'aileron'),
    surfaces: [...AILERONS, 'a-tail-left', 'a-tail-right'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, [['a-tail-left', 'a-tail-right']]],
    ...flown,
  },
  'flying-wing': {
    title: 'flying wing',
    body: { is: 'wing', alongWing: ['elevon'] },
    surfaces: ['elevon-left', 'elevon-right'],
    thrust: ['throttle'],
    steering: [[['elevon-left', 'elevon-right']]],
    ...flown,
  },
  'wing-rudders': {
    title: 'flying wing with rudders',
    body: { is: 'wing', alongWing: ['elevon', 'rudder'] },
    surfaces: ['elevon-left', 'elevon-right', 'rudder-left', 'rudder-right'],
    thrust: ['throttle'],
    steering: [[['elevon-left', 'elevon-right']]],
    ...flown,
  },
  'twin-motor': {
    title: 'twin motor',
    body: plane('wing', 'plain', 'aileron'),
    surfaces: [...AILERONS, 'elevator', 'rudder'],
    thrust: ['throttle-left', 'throttle-right'],
    steering: [ONE_AILERON, ELEVATOR],
    ...flown,
  },
  'glider-spoilers': {
    title: 'powered glider with spoilers',
    body: plane('nose', 'plain', 'spoiler', 'aileron'),
    surfaces: [...AILERONS, 'spoiler-left', 'spoiler-right', 'elevator', 'rudder'],
    thrust: ['throttle'],
    steering: [ONE_AILERON, ELEVATOR],
    ...flown,
  },
  'lift-and-cruise': {
    title: 'lift and cruise',
    body: plane('rear', 'plain', 'aileron'),
    surfaces: [...AILERONS, 'elevator', 'rudder'],
    thrust: ['throttle'],
    rotors: alternating(CROSS, 'counter-clockwise'),
    sparesRotors: 0,
    steering: [ONE_AILERON, ELEVATOR],
  },
  'lift-and-cruise-8': {
    title: 'lift and cruise, eight lift motors',
    body: plane('rear', 'plain', 'aileron'),
    surfaces: [...AILERONS, 'elevator', 'rudder'],
    thrust: ['throttle'],
    rotors: coaxial(CROSS),
    sparesRotors: 1,
    steering: [ONE_AILERON, ELEVATOR],
  },
} as const satisfies Readonly<Record<string, Airframe>>;
