/**
 * The flight modes by what they do, whatever a firmware calls them.
 * `levels`: it brings the aircraft level by itself. `position`: it needs a position fix.
 */
export const FLIGHT_MODES = {
  manual: { title: 'manual: sticks to surfaces', levels: false, position: false },
  rate: { title: 'rate: sticks set the turn rate', levels: false, position: false },
  'attitude-hold': { title: 'attitude hold: keeps its attitude', levels: false, position: false },
  'self-level': { title: 'self-level: sticks set the attitude', levels: true, position: false },
  'altitude-hold': { title: 'altitude hold', levels: true, position: false },
  cruise: { title: 'cruise: course and height held', levels: true, position: true },
  circle: { title: 'loiter around a point', levels: true, position: true },
  mission: { title: 'mission', levels: true, position: true },
  return: { title: 'return', levels: true, position: true },
  'take-off': { title: 'automatic take-off', levels: true, position: false },
  land: { title: 'automatic landing', levels: true, position: true },
  'hover-level': { title: 'hover, self-level', levels: true, position: false },
  'hover-altitude': { title: 'hover, altitude held', levels: true, position: false },
  'hover-position': { title: 'hover, position held', levels: true, position: true },
  failsafe: { title: 'failsafe: as on loss of signal', levels: false, position: false },
  guided: { title: 'guided by a companion or a ground station', levels: true, position: true },
} as const;
export type FlightMode = keyof typeof FLIGHT_MODES;

export function isFlightMode(text: string): text is FlightMode {
  return Object.hasOwn(FLIGHT_MODES, text);
}

/** All modes, in the order of the table. */
export const flightModes: readonly FlightMode[] = Object.keys(FLIGHT_MODES).filter(isFlightMode);
