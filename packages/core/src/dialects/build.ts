import { outputFunctions, passedChannel } from '../model/outputFunctions.ts';
import { AIRFRAME_KINDS, type AirframeKind } from '../model/airframes.ts';
import type { MotorPlace } from '../model/airframes/rotor.ts';
import type { Dialect } from '../model/dialect.ts';
import { asId, type DialectId } from '../model/ids.ts';

/** Short forms for writing a dialect's tables: each gives plain data and checks nothing; the sweep test does. */

/** Codes that are counted: the first number, the step, and what gets one, in the firmware's order; `words` puts a word before each. */
export function counted(first: number, step: number, ids: readonly string[], word = ''): Record<string, string> {
  return Object.fromEntries(ids.map((id, i) => [id, `${word}${first + i * step}`]));
}

export function dialectId(text: string): DialectId {
  return asId<DialectId>(text);
}

/** The lift motors of an airframe in the order of a firmware; they turn as on the airframe's entry. */
export function motorsAt(kind: AirframeKind, places: readonly MotorPlace[]): NonNullable<Dialect['motors'][AirframeKind]> {
  const { rotors } = AIRFRAME_KINDS[kind];
  return places.map((place) => {
    const rotor = rotors.find((one) => one.place === place);
    if (rotor === undefined) throw new Error(`A ${kind} has no motor ${place}.`);
    return { place, turns: rotor.turns };
  });
}

/** The codes of the functions that pass an RC channel on. */
export function passedOn(code: (channel: number) => string): Dialect['functions'] {
  return Object.fromEntries(
    outputFunctions.flatMap((name) => {
      const channel = passedChannel(name);
      return channel === undefined ? [] : [[name, { code: code(channel) }]];
    }),
  );
}
