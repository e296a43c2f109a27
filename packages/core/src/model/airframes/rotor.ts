import type { Turn } from '../part.ts';

/** Where a lift motor sits, seen from above. Two on one arm sit above and below it. */
export const MOTOR_PLACES = [
  'front-left',
  'front-right',
  'rear-left',
  'rear-right',
  'front',
  'rear',
  'left',
  'right',
  'left-front',
  'right-front',
  'left-rear',
  'right-rear',
  'front-left-upper',
  'front-left-lower',
  'front-right-upper',
  'front-right-lower',
  'rear-left-upper',
  'rear-left-lower',
  'rear-right-upper',
  'rear-right-lower',
  'rear-upper',
  'rear-lower',
] as const;
export type MotorPlace = (typeof MOTOR_PLACES)[number];

/** A lift motor of an airframe. */
export interface Rotor {
  readonly place: MotorPlace;
  /** From ahead to the right, seen from the middle. */
  readonly azimuthDeg: number;
  /** Seen from above. */
  readonly turns: Turn;
}

/** What people call a place: `front-left-upper` is "front left, upper". */
export function placeTitle(place: MotorPlace): string {
  return place.replace(/-(upper|lower)$/, ', $1').replaceAll('-', ' ');
}

/** The other way round. */
export function otherTurn(turn: Turn): Turn {
  return turn === 'clockwise' ? 'counter-clockwise' : 'clockwise';
}

type Arm = readonly [place: MotorPlace, azimuthDeg: number];

/** Four arms between the axes, clockwise from the front right. */
export const CROSS = [
  ['front-right', 45],
  ['rear-right', 135],
  ['rear-left', 225],
  ['front-left', 315],
] as const;

/** One motor an arm, beginning with the given turn and changing from arm to arm round the frame. */
export function alternating(arms: readonly Arm[], first: Turn): readonly Rotor[] {
  return arms.map(([place, azimuthDeg], i) => ({ place, azimuthDeg, turns: i % 2 === 0 ? first : otherTurn(first) }));
}

/** Two motors an arm that turn against each other; the upper ones as alternating ones do. */
export function coaxial(
  arms: readonly (readonly [arm: 'front-left' | 'front-right' | 'rear-left' | 'rear-right' | 'rear', azimuthDeg: number])[],
): readonly Rotor[] {
  return arms.flatMap(([arm, azimuthDeg], i): Rotor[] => {
    const turns: Turn = i % 2 === 0 ? 'counter-clockwise' : 'clockwise';
    return [
      { place: `${arm}-upper`, azimuthDeg, turns },
      { place: `${arm}-lower`, azimuthDeg, turns: otherTurn(turns) },
    ];
  });
}
