import { Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { isPinRow, plugGoesOnto } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import { MateIdSchema, type ItemId } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { mateOffset, MateSchema, type Mate } from '../model/mate.ts';
import { editKind, refuse, type Refused } from './family.ts';
import { mateName, occupantName, portOf, refOf } from './lookups.ts';
import { occupantOfMate } from './occupancy.ts';

const closed = { additionalProperties: false } as const;

const addMate = editKind({
  kind: 'add-mate',
  schema: Type.Object({ kind: Type.Literal('add-mate'), mate: MateSchema }, closed),
  title: ({ mate }, design) => `Put ${mateName(design, mate)}`,
  apply: (design, { mate }) => {
    const { aircraft } = design;
    if (Object.hasOwn(aircraft.mates, mate.id)) return refuse('id-taken', 'Two ports are already mated under this id.', mate.id);
    if (Object.keys(aircraft.mates).length >= LIMITS.matesPerAircraft)
      return refuse('bad-shape', `An aircraft can have ${LIMITS.matesPerAircraft} mated ports at most.`);
    return (
      unfitMate(design, mate) ?? blockedMate(design, mate) ?? { aircraft: { ...aircraft, mates: { ...aircraft.mates, [mate.id]: mate } } }
    );
  },
});

const removeMate = editKind({
  kind: 'remove-mate',
  schema: Type.Object({ kind: Type.Literal('remove-mate'), mate: MateIdSchema }, closed),
  title: (edit, design) => {
    const mate = design.aircraft.mates[edit.mate];
    return mate === undefined ? 'Separate two ports' : `Remove ${mateName(design, mate, 'off')}`;
  },
  apply: ({ aircraft }, edit) => {
    if (!Object.hasOwn(aircraft.mates, edit.mate)) return refuse('unknown-mate', 'The two ports are already separated.', edit.mate);
    const { [edit.mate]: _gone, ...mates } = aircraft.mates;
    return { aircraft: { ...aircraft, mates } };
  },
});

/** Refuses ports that are not there, or do not go together as they are meant to. */
function unfitMate(design: Design, mate: Mate): Refused | undefined {
  const { items } = design.aircraft;
  if (mate.a.item === mate.b.item)
    return refuse('cable-to-itself', `${refOf(design, mate.a.item)} cannot be mounted on itself.`, mate.a.item);
  const [a, b] = [mate.a, mate.b].map((place) => {
    const item = items[place.item];
    return item === undefined ? undefined : portOf(design, item, place.port);
  });
  if (a === undefined || b === undefined)
    return refuse('unknown-port', 'One of the two ports is no longer there.', mate.a.item, mate.b.item);
  const offset = mateOffset(mate);
  const isOn = isPinRow(b.connector) && offset + a.connector.positions <= b.connector.positions;
  if (a.connector.gender === 'pads' || !plugGoesOnto(a.connector, b.connector) || (offset > 0 && !isOn)) {
    return refuse('does-not-mate', `${mateName(design, mate)}: the two do not mate. Wire them with a cable.`, mate.a.item, mate.b.item);
  }
  return undefined;
}

/** Refuses ports of which one is occupied. */
function blockedMate(design: Design, mate: Mate): Refused | undefined {
  const there = occupantOfMate(design, mate);
  if (there === undefined) return undefined;
  return refuse('port-occupied', `${mateName(design, mate)}: ${occupantName(design, there)} is in the way. Free the port first.`, mate.id);
}

/** The mates of an aircraft without those of one item. */
export function matesWithout(mates: Aircraft['mates'], item: ItemId): Aircraft['mates'] {
  const isOf = ({ a, b }: Mate): boolean => a.item === item || b.item === item;
  if (!Object.values(mates).some(isOf)) return mates;
  return Object.fromEntries(Object.entries(mates).filter(([, mate]) => !isOf(mate)));
}

export const mateEdits = [addMate, removeMate] as const;
