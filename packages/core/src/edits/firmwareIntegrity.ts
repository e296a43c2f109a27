import type { Aircraft } from '../model/aircraft.ts';
import { keptKey } from '../model/firmwarePlan.ts';
import type { Refusal } from './family.ts';

/** Everything in which what is said about firmware does not hold together: controllers that are gone, lines under the key of another one. */
export function firmwareProblems({ firmware, items }: Aircraft): readonly Refusal[] {
  const mentioned = new Set<string>([...Object.keys(firmware.read), ...Object.values(firmware.kept).map(({ item }) => item)]);
  const gone = [...mentioned].filter((item) => !Object.hasOwn(items, item));
  const misfiled = Object.entries(firmware.kept).flatMap(([key, line]) => (keptKey(line) === key ? [] : [key]));
  return [
    ...gone.map((item): Refusal => ({
      code: 'unknown-item',
      sentence: 'Something is kept of the firmware of a controller that is not there.',
      about: [item],
    })),
    ...misfiled.map((key): Refusal => ({ code: 'id-taken', sentence: 'A line is kept under the key of another one.', about: [key] })),
  ];
}
