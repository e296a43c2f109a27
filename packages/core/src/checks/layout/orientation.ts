import { quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { placedItems, type PlacedItem } from '../../layout/placedItems.ts';
import { turningOf, type Turning } from '../../layout/turning.ts';
import { COMPASS_TURN, IMU_TURN, isMounting, MOUNTINGS, mountings, type Mounting } from '../../model/mounting.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Off by less than this is how exactly one can mount a board. */
const SQUARE_DEG = 1.5;

/** An inertial sensor that lies otherwise than the firmware is told. */
export const imuOrientation: Check = {
  id: 'place.imu-orientation',
  stage: 'layout',
  title: 'The controller lies otherwise than planned',
  run: ({ graph }) =>
    turnedOtherwise(
      graph,
      IMU_TURN,
      'It levels itself the wrong way and throws itself over at once. Check the horizon by hand before any flight.',
    ),
};

/** A compass that lies otherwise than the firmware is told. */
export const compassOrientation: Check = {
  id: 'place.compass-orientation',
  stage: 'layout',
  title: 'A compass lies otherwise than planned',
  run: ({ graph }) =>
    turnedOtherwise(graph, COMPASS_TURN, 'Its heading is off by the difference, and it circles. Compare the heading with a hand compass.'),
};

function turnedOtherwise(graph: Graph, setting: string, why: string): Saying[] {
  return placedItems(graph).flatMap((entry): Saying[] => {
    const planned = entry.item.settings[setting];
    if (!isMounting(planned)) return [];
    const offDeg = angleBetween(turningOf(entry.place), turningOfMounting(planned));
    if (offDeg <= SQUARE_DEG) return [];
    const { item } = entry;
    return [
      {
        severity: 'mend',
        where: [{ is: 'item', item: item.id }],
        what: `${item.ref} is set to lie ${MOUNTINGS[planned].title}, and in the layout it lies ${quantity(offDeg, 'degrees')} from that.`,
        evidence: [{ label: `${item.ref}, between plan and place`, value: quantity(offDeg, 'deg'), limit: 'none' }],
        why,
        remedies: () => asItLies(entry, setting, planned),
      },
    ];
  });
}

function turningOfMounting(mounting: Mounting): Turning {
  const { roll, yaw } = MOUNTINGS[mounting];
  return turningOf({ turn: [roll, 0, yaw], yawDeg: 0, below: false });
}

/** The angle of the one turn that takes the first to the second: `acos((trace(A B^T) - 1) / 2)`, in degrees. */
function angleBetween(a: Turning, b: Turning): number {
  let trace = 0;
  for (const i of [0, 1, 2] as const) for (const j of [0, 1, 2] as const) trace += a[i][j] * b[i][j];
  return (Math.acos(Math.min(1, Math.max(-1, (trace - 1) / 2))) * 180) / Math.PI;
}

/** Tells the firmware how it lies, where there is a name for that; else lays it as planned. */
function asItLies({ item, place }: PlacedItem, setting: string, was: Mounting): readonly Remedy[] {
  const fits = mountings.find((mounting) => angleBetween(turningOf(place), turningOfMounting(mounting)) <= SQUARE_DEG);
  const { roll, yaw } = MOUNTINGS[was];
  return [
    ...(fits === undefined
      ? []
      : [
          {
            label: 'Set it as it lies',
            sentence: `Set ${item.ref} to lie ${MOUNTINGS[fits].title}, as it does in the layout.`,
            edit: { kind: 'set-item-setting' as const, item: item.id, setting, value: fits, was },
          },
        ]),
    {
      label: 'Lay it as planned',
      sentence: `Turn ${item.ref} in the layout so that it lies ${MOUNTINGS[was].title}.`,
      edit: { kind: 'place-item', item: item.id, place: { ...place, turn: [roll, 0, yaw], yawDeg: 0, below: false }, was: place },
    },
  ];
}
