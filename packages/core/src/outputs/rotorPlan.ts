import { dialectOf } from '../dialects/dialectOf.ts';
import { rotorsInOrder } from '../dialects/rotorsInOrder.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import { liftMotors } from '../layout/liftMotors.ts';
import { LIFT_FUNCTIONS, type OutputFunction } from '../model/outputFunctions.ts';
import type { Rotor } from '../model/airframes/rotor.ts';
import type { Spot } from '../model/frame.ts';
import type { Turn } from '../model/part.ts';
import { turnOf } from '../model/turns.ts';
import { motorOf } from '../power/scenarios/drives.ts';
import { racksOf, slotsIn, type Slot } from './plan/racks.ts';

/** A lift motor as the firmware numbers it, with what is built for it. */
export interface RotorRow {
  readonly number: number;
  readonly function: OutputFunction;
  /** Where the firmware has it, and which way round. */
  readonly rotor: Rotor;
  readonly slot: Slot | undefined;
  /** The motor at the end of the output's motor controller. */
  readonly motor: { readonly item: number; readonly entry: GraphItem } | undefined;
  /** The place of the airframe that the motor is nearest to; undefined as long as it is placed nowhere, or the airframe has no numbers. */
  readonly sitsAt: Rotor | undefined;
  /** Which way it turns; undefined as long as nobody says. */
  readonly turns: Turn | undefined;
  /** Which way its propeller has to turn; undefined as long as nobody says, or it has none. */
  readonly propellerTurns: Turn | undefined;
}

/** The lift motors of an aircraft in the firmware's order; none where its airframe has none. */
export function rotorPlanOf(graph: Graph): readonly RotorRow[] {
  const { design } = graph;
  const { kind, frame } = design.aircraft.airframe;
  const rotors = rotorsInOrder(kind, dialectOf(design));
  const spots = frame === undefined ? [] : liftMotors(kind, frame);
  const slots = racksOf(graph).flatMap(slotsIn);
  return rotors.flatMap((rotor, i): RotorRow[] => {
    const name = LIFT_FUNCTIONS[i];
    if (name === undefined) return [];
    const slot = slots.find(({ use }) => use?.function === name);
    const motor = slot === undefined ? undefined : motorBehind(graph, slot);
    const { part, item } = motor?.entry ?? {};
    return [
      {
        number: i + 1,
        function: name,
        rotor,
        slot,
        motor,
        sitsAt: item?.place === undefined ? undefined : nearest(spots, item.place.at),
        turns: turnOf(part?.spin, item),
        propellerTurns: turnOf(part?.propeller?.turns, item),
      },
    ];
  });
}

/** The motor that the motor controller on an output turns. */
function motorBehind(graph: Graph, { on }: Slot): RotorRow['motor'] {
  for (const { item, entry, input } of on) {
    const drives = (entry.part?.circuit ?? []).filter((element) => element.is === 'drive');
    const inputs = (entry.part?.endpoints ?? []).filter((endpoint) => endpoint.is === 'pulse-in' && endpoint.use === 'motor');
    const drive = drives.length > 1 ? drives[inputs.findIndex(({ id }) => id === input.id)] : drives[0];
    const motor = drive === undefined ? undefined : motorOf(graph, item, drive);
    const found = motor === undefined ? undefined : graph.items[motor.item];
    if (motor !== undefined && found !== undefined) return { item: motor.item, entry: found };
  }
  return undefined;
}

function nearest(spots: ReturnType<typeof liftMotors>, [x, y, z]: Spot): Rotor | undefined {
  let best: { readonly rotor: Rotor; readonly distance: number } | undefined;
  for (const { rotor, at } of spots) {
    const distance = Math.hypot(at[0] - x, at[1] - y, at[2] - z);
    if (best === undefined || distance < best.distance) best = { rotor, distance };
  }
  return best?.rotor;
}
