import { AIRFRAME_KINDS, type AirframeKind } from '../model/airframes.ts';
import type { Rotor } from '../model/airframes/rotor.ts';
import type { Dialect } from '../model/dialect.ts';

/**
 * The lift motors of an airframe as a firmware numbers and turns them: the first one is its motor 1. Where it does not know the airframe,
 * or means other places by its name, in our own order.
 */
export function rotorsInOrder(kind: AirframeKind, dialect: Dialect | undefined): readonly Rotor[] {
  const { rotors } = AIRFRAME_KINDS[kind];
  const listed = (dialect?.motors[kind] ?? []).flatMap(({ place, turns }): Rotor[] => {
    const rotor = rotors.find((one) => one.place === place);
    return rotor === undefined ? [] : [{ ...rotor, turns }];
  });
  const isWhole = listed.length === rotors.length && new Set(listed.map(({ place }) => place)).size === rotors.length;
  return isWhole ? listed : rotors;
}
