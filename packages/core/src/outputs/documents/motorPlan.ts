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
      { title: 'Position', kind: 'words' },
      { title: 'Turns, from above', kind: 'words' },
      { title: 'Propeller', kind: 'words' },
      { title: 'Output', kind: 'value' },
      { title: 'Motor controller', kind: 'value' },
      { title: 'Item', kind: 'value' },
      { title: 'If it fails', kind: 'words' },
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
      'A propeller of the wrong direction pushes down. Its printed side faces the direction of flight: up.',
      'If it fails: the maximum thrust of the remaining motors, as a share of all, while the aircraft stays level.',
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
    return `level and steady at ${percent(steadyThrust)}`;
  if (levelThrust === undefined) return 'cannot stay level';
  const still = steadyThrust === undefined ? '' : `, steady at ${percent(steadyThrust)}`;
  return `level at ${percent(levelThrust)} while spinning${still}`;
}
