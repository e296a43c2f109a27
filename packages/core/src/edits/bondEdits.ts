import { Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { BondSchema, type Bond, type RadioPlace } from '../model/bond.ts';
import type { Design } from '../model/design.ts';
import { BondIdSchema, type ItemId } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { editKind, refuse, type Refused } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;

const addBond = editKind({
  kind: 'add-bond',
  schema: Type.Object({ kind: Type.Literal('add-bond'), bond: BondSchema }, closed),
  title: ({ bond }, design) => `Pair ${bondName(design, bond)}`,
  apply: (design, { bond }) => {
    const { aircraft } = design;
    if (Object.hasOwn(aircraft.bonds, bond.id)) return refuse('id-taken', 'Two radios are already paired under this id.', bond.id);
    if (Object.keys(aircraft.bonds).length >= LIMITS.bondsPerAircraft)
      return refuse('bad-shape', `An aircraft can have ${LIMITS.bondsPerAircraft} pairings at most.`);
    return unfitBond(design, bond) ?? { aircraft: { ...aircraft, bonds: { ...aircraft.bonds, [bond.id]: bond } } };
  },
});

const removeBond = editKind({
  kind: 'remove-bond',
  schema: Type.Object({ kind: Type.Literal('remove-bond'), bond: BondIdSchema }, closed),
  title: (edit, design) => {
    const bond = design.aircraft.bonds[edit.bond];
    return bond === undefined ? 'Unpair two radios' : `Unpair ${bondName(design, bond)}`;
  },
  apply: ({ aircraft }, edit) => {
    if (!Object.hasOwn(aircraft.bonds, edit.bond)) return refuse('unknown-bond', 'The two radios are already unpaired.', edit.bond);
    const { [edit.bond]: _gone, ...bonds } = aircraft.bonds;
    return { aircraft: { ...aircraft, bonds } };
  },
});

/** Refuses radios that are not there, one radio with itself, and a pair that is bonded already. */
function unfitBond(design: Design, bond: Bond): Refused | undefined {
  const { a, b } = bond;
  const { aircraft } = design;
  if (a.item === b.item) return refuse('cable-to-itself', `${refOf(design, a.item)} cannot be paired with itself.`, a.item);
  const missing = [a, b].find(({ item }) => !Object.hasOwn(aircraft.items, item));
  if (missing !== undefined) return refuse('unknown-item', 'One of the two radios is no longer there.', missing.item);
  const gone = [a, b].find((place) => !isThere(design, place));
  if (gone !== undefined) return refuse('unknown-port', `${refOf(design, gone.item)} has no radio "${gone.radio}".`, gone.item);
  const same = Object.values(aircraft.bonds).find((other) => isSamePair(other, bond));
  return same === undefined ? undefined : refuse('nothing-to-do', `${bondName(design, bond)} are already paired.`, same.id);
}

function isThere({ aircraft, parts }: Design, { item, radio }: RadioPlace): boolean {
  const owner = aircraft.items[item];
  const part = owner === undefined ? undefined : parts.get(owner.part);
  return part?.radios?.some(({ id }) => id === radio) === true;
}

function isSamePair(one: Bond, other: Bond): boolean {
  const isSame = (a: RadioPlace, b: RadioPlace): boolean => a.item === b.item && a.radio === b.radio;
  return (isSame(one.a, other.a) && isSame(one.b, other.b)) || (isSame(one.a, other.b) && isSame(one.b, other.a));
}

/** Two radios in words: `RADIO1 with RADIO2`. */
export function bondName(design: Design, { a, b }: Bond): string {
  return `${refOf(design, a.item)} with ${refOf(design, b.item)}`;
}

/** The bonds of an aircraft without those of one item. */
export function bondsWithout(bonds: Aircraft['bonds'], item: ItemId): Aircraft['bonds'] {
  return Object.fromEntries(Object.entries(bonds).filter(([, { a, b }]) => a.item !== item && b.item !== item));
}

export const bondEdits = [addBond, removeBond] as const;
