import { offsetOf, type CableEndAt, type Item } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId } from '../model/ids.ts';
import type { Mate } from '../model/mate.ts';
import type { PartPort } from '../model/part.ts';
import type { Occupant } from './occupant.ts';

/** The reference of an item for a sentence; `?` where it is gone. */
export function refOf(design: Design, item: ItemId): string {
  return design.aircraft.items[item]?.ref ?? '?';
}

/** The tag of a cable for a sentence; `?` where it is gone. */
export function tagOf(design: Design, cable: CableId): string {
  return design.aircraft.cables[cable]?.tag ?? '?';
}

/** The port of an item as its part has it, before settings. */
export function portOf(design: Design, item: Item, port: string): PartPort | undefined {
  return design.parts.get(item.part)?.ports.find((candidate) => candidate.id === port);
}

/** Where a cable's end is, in words: `FC1 S4`, `W03`, `free end`. */
export function placeName(design: Design, at: CableEndAt): string {
  switch (at.is) {
    case 'port': {
      const item = design.aircraft.items[at.item];
      const label = item === undefined ? at.port : (portOf(design, item, at.port)?.label ?? at.port);
      const before = offsetOf(at);
      return `${item?.ref ?? '?'} ${label}${before === 0 ? '' : ` from pin ${before + 1}`}`;
    }
    case 'mate':
      return tagOf(design, at.cable);
    case 'free':
      return 'free end';
  }
}

/** What mates with what, in words: `FC1 stack on PDB1 stack`. */
export function mateName(design: Design, { a, b }: Mate, word: 'on' | 'off' = 'on'): string {
  return `${placeName(design, { is: 'port', ...a })} ${word} ${placeName(design, { is: 'port', ...b })}`;
}

/** What occupies a place, in words: `W05`, `FC1 stack on PWR1 stack`. */
export function occupantName(design: Design, there: Occupant): string {
  if (there.is === 'end') return tagOf(design, there.cable);
  const mate = design.aircraft.mates[there.mate];
  return mate === undefined ? '?' : mateName(design, mate);
}
