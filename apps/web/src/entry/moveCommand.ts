import type { Item, Place } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `move fc1 420 0`: places an item by station and butt line, and by water line where a third number is typed. */
export const moveCommand: EntryCommand = {
  id: 'move',
  example: 'move fc1 420 0',
  suggest: (text, { design, graph }) => {
    const [word = '', ref = '', ...numbers] = text.trim().toLowerCase().split(/\s+/);
    if (word !== 'move' || ref === '') return [];
    const { frame } = design.aircraft.airframe;
    const named = graph.items.filter(({ item }) => item.where === 'aircraft' && item.ref.toLowerCase().startsWith(ref));
    const [station, butt, water] = numbers.map((typed) => Number(typed.replace(',', '.')));
    return named.slice(0, 12).map(({ item }): Suggestion => {
      if (frame === undefined) return cannot(item, 'the airframe is not laid out yet: go layout');
      if (station === undefined || butt === undefined) return cannot(item, 'station and butt line in mm, then a water line if you like');
      if (![station, butt, water ?? 0].every(Number.isFinite)) return cannot(item, 'these are not all numbers');
      const place = placed(item, station, butt, water);
      const at = place.at.join(', ');
      return {
        text: `move ${item.ref} ${place.at.join(' ')}`,
        effect: `${item.place === undefined ? 'places' : 'moves'} it at station, butt line, water line ${at}`,
        action: { is: 'edit', edit: { kind: 'place-item', item: item.id, place, was: item.place ?? null } },
      };
    });
  },
};

function cannot({ ref }: Item, why: string): Suggestion {
  return { text: `move ${ref}`, effect: why, action: undefined };
}

function placed({ place }: Item, station: number, butt: number, water: number | undefined): Place {
  const now: Place = place ?? { at: [0, 0, 0], turn: [0, 0, 0], yawDeg: 0, below: false };
  return { ...now, at: [station, butt, water ?? now.at[2]] };
}
