import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { placeTitle } from '../../model/airframes/rotor.ts';
import { AIRFRAME_KINDS } from '../../model/airframes.ts';
import { propellerSize } from '../../model/turns.ts';
import { percent } from '../../text/numbers.ts';
import { rotorsLeft } from '../mixing/rotorsLeft.ts';
import { rotorPlanOf, type RotorRow } from '../rotorPlan.ts';

/** Every lift motor with its number, its place, which way it and its propeller turn, and what is left without it. */
export function motorPlan(graph: Graph): Sheet {
  const rows = rotorPlanOf(graph);
  const { kind } = graph.design.aircraft.airframe;
  const isTilting = AIRFRAME_KINDS[kind].surfaces.includes('tail-tilt');
  const rotors = rows.map(({ rotor }) => rotor);
  return {
    title: `Motor and propeller plan ${graph.design.aircraft.name}`,
    subtitle: `${AIRFRAME_KINDS[kind].title}: ${rows.length} lift motors, as the firmware numbers them`,
    columns: [
      { title: 'Motor', kind: 'number' },
      { title: 'Place', kind: 'words' },
      { title: 'Turns, from above', kind: 'words' },
      { title: 'Propeller', kind: 'words' },
      { title: 'Output', kind: 'value' },
      { title: 'Motor controller', kind: 'value' },
      { title: 'Item', kind: 'value' },
      { title: 'Without it', kind: 'words' },
    ],
    rows: rows.map((row, i) => [
      String(row.number),
      placeTitle(row.rotor.place),
      row.rotor.turns,
      propellerWords(row),
      row.slot?.label ?? '',
      row.slot?.on.map(({ entry }) => entry.item.ref).join(', ') ?? '',
      row.motor?.entry.item.ref ?? '',
      lossWords(rotorsLeft(rotors, [i], isTilting)),
    ]),
    notes: [
      'A propeller of the wrong hand blows upwards. Its printed side faces the way it flies: up.',
      'Without it: the most thrust of the motors that are left, in parts of what all give, while the frame lies level.',
    ],
    cautions: ['Fit propellers last, with the pack unplugged, and check each against this plan before it is tightened.'],
  };
}

function propellerWords({ motor, rotor }: RotorRow): string {
  const propeller = motor?.entry.part?.propeller;
  const size = propeller === undefined ? '' : `${propellerSize(propeller)}, `;
  return `${size}${rotor.turns}`;
}

/** What is left of a frame in words. */
export function lossWords({ steadyThrust, levelThrust }: ReturnType<typeof rotorsLeft>): string {
  if (steadyThrust !== undefined && levelThrust !== undefined && levelThrust - steadyThrust < 0.01)
    return `lies still at ${percent(steadyThrust)}`;
  if (levelThrust === undefined) return 'cannot lie level';
  const still = steadyThrust === undefined ? '' : `, still at ${percent(steadyThrust)}`;
  return `lies level at ${percent(levelThrust)} and turns about itself${still}`;
}
