import type { ResolvedPart } from '../model/part.ts';

const cache = new WeakMap<ResolvedPart, ReadonlySet<string>>();

/** True for copper that leads from one pin of a part straight to another. */
export function isPassage(element: ResolvedPart['circuit'][number]): boolean {
  return element.is === 'link' && element.ohm === 0 && !element.a.startsWith('@') && !element.b.startsWith('@');
}

/** True for a pin, by its address `port.n`, that its part only passes on to another of its pins: nothing in the part drives it or hears it. */
export function isPassedOn(part: ResolvedPart, pin: string): boolean {
  const known = cache.get(part) ?? passed(part);
  cache.set(part, known);
  return known.has(pin);
}

function passed({ circuit }: ResolvedPart): ReadonlySet<string> {
  return new Set(circuit.flatMap((element) => (element.is === 'link' && isPassage(element) ? [element.a, element.b] : [])));
}
