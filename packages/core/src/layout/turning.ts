import type { Place, Spot } from '../model/frame.ts';

/** A rotation: what each axis of the part (aft, right, up) becomes in the aircraft, as rows. */
export type Turning = readonly [Spot, Spot, Spot];

const cache = new WeakMap<object, Turning>();

/**
 * How a part is turned in the aircraft: rolled (right side down), then pitched (nose up), then yawed (nose right). Hanging from below is
 * half a roll more. Axes: station aft, butt line right, water line up.
 */
export function turningOf(place: Pick<Place, 'turn' | 'yawDeg' | 'below'>): Turning {
  const known = cache.get(place);
  if (known !== undefined) return known;
  const turning = composed(place);
  cache.set(place, turning);
  return turning;
}

function composed({ turn: [roll, pitch, yaw], yawDeg, below }: Pick<Place, 'turn' | 'yawDeg' | 'below'>): Turning {
  const rolled = about(0, roll + (below ? 180 : 0));
  const pitched = about(1, pitch);
  const yawed = about(2, yaw + yawDeg);
  return times(yawed, times(pitched, rolled));
}

/** The rotation about an axis of the aircraft: 0 roll, 1 pitch, 2 yaw. */
function about(axis: 0 | 1 | 2, degrees: number): Turning {
  const angle = (degrees * Math.PI) / 180;
  const [c, s] = [exact(Math.cos(angle)), exact(Math.sin(angle))];
  switch (axis) {
    case 0:
      return [
        [1, 0, 0],
        [0, c, s],
        [0, -s, c],
      ];
    case 1:
      return [
        [c, 0, s],
        [0, 1, 0],
        [-s, 0, c],
      ];
    case 2:
      return [
        [c, s, 0],
        [-s, c, 0],
        [0, 0, 1],
      ];
  }
}

/** Quarter turns are exact. */
function exact(value: number): number {
  const whole = Math.round(value);
  return Math.abs(value - whole) < 1e-12 ? whole + 0 : value;
}

function times(left: Turning, right: Turning): Turning {
  const row = ([a, b, c]: Spot): Spot => [
    a * right[0][0] + b * right[1][0] + c * right[2][0],
    a * right[0][1] + b * right[1][1] + c * right[2][1],
    a * right[0][2] + b * right[1][2] + c * right[2][2],
  ];
  return [row(left[0]), row(left[1]), row(left[2])];
}

/** A direction of the part as a direction of the aircraft. */
export function turned([x, y, z]: Spot, [a, b, c]: Turning): Spot {
  const along = ([p, q, r]: Spot): number => p * x + q * y + r * z;
  return [along(a), along(b), along(c)];
}
