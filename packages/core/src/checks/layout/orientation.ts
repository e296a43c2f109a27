import { quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { placedItems, type PlacedItem } from '../../layout/placedItems.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import { angleBetween, mountingOf, SQUARE_DEG, turningOfMounting } from '../../layout/mountingTurns.ts';
import { turningOf } from '../../layout/turning.ts';
import { COMPASS_TURN, IMU_TURN, isMounting, MOUNTINGS, mountings, type Mounting } from '../../model/mounting.ts';
import type { Place } from '../../model/frame.ts';
import type { SettingValue } from '../../model/setting.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** An inertial sensor that lies otherwise than the firmware is told. */
export const imuOrientation: Check = {
  id: 'place.imu-orientation',
  stage: 'layout',
  title: 'Controller orientation not as planned',
  run: ({ graph }) => [
    ...turnedOtherwise(graph, IMU_TURN, 'It levels the wrong way and flips over at once. Check the horizon by hand before any flight.'),
    ...withoutCode(graph),
  ],
};

/** A compass that lies otherwise than the firmware is told. */
export const compassOrientation: Check = {
  id: 'place.compass-orientation',
  stage: 'layout',
  title: 'Compass orientation not as planned',
  run: ({ graph }) =>
    turnedOtherwise(
      graph,
      COMPASS_TURN,
      'Its heading is off by the difference, and the aircraft circles. Compare the heading with a hand compass.',
    ),
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
        what: `${item.ref} is set to "${MOUNTINGS[planned].title}" and is ${quantity(offDeg, 'degrees')} off that in the layout.`,
        evidence: [{ label: `${item.ref}, setting against layout`, value: quantity(offDeg, 'deg'), limit: 'none' }],
        why,
        remedies: () => asItLies(entry, setting, planned),
      },
    ];
  });
}

/** Controllers that lie in a way for which the firmware has no code. */
function withoutCode(graph: Graph): Saying[] {
  const dialect = dialectOf(graph.design);
  const known = mountings.filter((mounting) => dialect?.orientations[mounting] !== undefined);
  if (dialect === undefined || known.length === 0) return [];
  return placedItems(graph).flatMap((entry): Saying[] => {
    const planned = entry.item.settings[IMU_TURN];
    const lies = isMounting(planned) ? planned : mountingOf(entry.place);
    if (entry.part.kind !== 'controller' || lies === undefined || known.includes(lies)) return [];
    const { item } = entry;
    return [
      {
        severity: 'mend',
        where: [{ is: 'item', item: item.id }],
        what: `${item.ref} is mounted "${MOUNTINGS[lies].title}", and ${dialect.name} has no code for that.`,
        evidence: [{ label: 'codes for', value: `${known.length} orientations`, limit: MOUNTINGS[lies].title }],
        why: 'It assumes another orientation and levels the wrong way.',
        discriminator: 'code',
        remedies: () => {
          const nearest = [...known].sort((a, b) => offDeg(a, lies) - offDeg(b, lies))[0];
          return nearest === undefined ? [] : [laidAs(entry, nearest, planned)];
        },
      },
    ];
  });

  function offDeg(a: Mounting, b: Mounting): number {
    return angleBetween(turningOfMounting(a), turningOfMounting(b));
  }
}

/** Lays a board in another way, and tells the firmware where it was told before. */
function laidAs({ item, place }: PlacedItem, mounting: Mounting, planned: SettingValue | undefined): Remedy {
  const title = `${item.ref} mounted ${MOUNTINGS[mounting].title}`;
  const lay = { kind: 'place-item', item: item.id, place: laid(place, mounting), was: place } as const;
  const tell = { kind: 'set-item-setting', item: item.id, setting: IMU_TURN, value: mounting, was: planned ?? null } as const;
  return {
    label: `Mount it ${MOUNTINGS[mounting].title}`,
    sentence: `Mount ${item.ref} ${MOUNTINGS[mounting].title}.`,
    edit: planned === undefined ? lay : { kind: 'batch', title, edits: [lay, tell] },
  };
}

function laid(place: Place, mounting: Mounting): Place {
  const { roll, pitch, yaw } = MOUNTINGS[mounting];
  return { ...place, turn: [roll, pitch, yaw], yawDeg: 0, below: false };
}

/** Tells the firmware how it lies, where there is a name for that; else lays it as planned. */
function asItLies({ item, place }: PlacedItem, setting: string, was: Mounting): readonly Remedy[] {
  const fits = mountingOf(place);
  return [
    ...(fits === undefined
      ? []
      : [
          {
            label: 'Set it as mounted',
            sentence: `Set ${item.ref} to "${MOUNTINGS[fits].title}", as in the layout.`,
            edit: { kind: 'set-item-setting' as const, item: item.id, setting, value: fits, was },
          },
        ]),
    {
      label: 'Mount it as set',
      sentence: `Turn ${item.ref} in the layout to "${MOUNTINGS[was].title}".`,
      edit: { kind: 'place-item', item: item.id, place: laid(place, was), was: place },
    },
  ];
}
