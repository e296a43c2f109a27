import { dialectOf } from '../../dialects/dialectOf.ts';
import { rotorsInOrder } from '../../dialects/rotorsInOrder.ts';
import { requiredFunctions } from '../../model/airframes.ts';
import { placeTitle } from '../../model/airframes/rotor.ts';
import type { Design } from '../../model/design.ts';
import { LIFT_FUNCTIONS, outputFunctions, passedChannel, type OutputFunction } from '../../model/outputFunctions.ts';
import type { MixerRow } from './mixerRow.ts';
import { rotorRows } from './rotorRows.ts';
import { surfaceRow } from './surfaceRows.ts';

/** The share of full thrust by which a full command about one axis changes the motors that it changes most. */
export const ROTOR_AUTHORITY = 0.3;

/** The mixer of an aircraft: a row for each function that its airframe needs, and for each that an output has besides; in that order. */
export function mixerOf(design: Design): readonly MixerRow[] {
  const { airframe, outputs, mixing } = design.aircraft;
  const needed = requiredFunctions(airframe.kind);
  const given = new Set(Object.values(outputs).map((use) => use.function));
  const others = outputFunctions.filter((name) => given.has(name) && !needed.includes(name));
  const lift = liftRows(design);
  return [...needed, ...others].flatMap((name): MixerRow[] => {
    const row = lift.get(name) ?? surfaceRow(name, mixing) ?? passedRow(name);
    return row === undefined ? [] : [row];
  });
}

/** A channel that goes out as it comes in. */
function passedRow(name: OutputFunction): MixerRow | undefined {
  const channel = passedChannel(name);
  if (channel === undefined) return undefined;
  return { function: name, scale: 'passed', weights: {}, trim: 0, downShare: 1, reason: `Passes RC channel ${channel} through unchanged.` };
}

/** The rows of lift motors in the firmware's numbers, and of what tilts the rear one. Motors that the airframe does not have get none. */
function liftRows(design: Design): ReadonlyMap<OutputFunction, MixerRow> {
  const { kind } = design.aircraft.airframe;
  const rotors = rotorsInOrder(kind, dialectOf(design));
  const rows = new Map<OutputFunction, MixerRow>();
  if (rotors.length === 0) return rows;
  const isTilting = requiredFunctions(kind).includes('tail-tilt');
  const { motors, tilt } = rotorRows(rotors, isTilting);
  rotors.forEach(({ place, turns }, i) => {
    const name = LIFT_FUNCTIONS[i];
    const share = motors[i];
    if (name === undefined || share === undefined) return;
    rows.set(name, {
      function: name,
      scale: 'motor',
      weights: {
        lift: 1,
        roll: ROTOR_AUTHORITY * share.roll,
        pitch: ROTOR_AUTHORITY * share.pitch,
        yaw: ROTOR_AUTHORITY * share.yaw,
      },
      trim: 0,
      downShare: 1,
      reason: `Sits ${placeTitle(place)} and turns ${turns}, which yaws the aircraft the other way.`,
    });
  });
  if (tilt !== undefined)
    rows.set('tail-tilt', {
      function: 'tail-tilt',
      scale: 'surface',
      weights: { yaw: tilt.yaw },
      trim: tilt.trim,
      downShare: 1,
      reason: 'Tilts the rear motor: it pushes the tail sideways, and holds it against the torque of the propellers.',
    });
  return rows;
}
