import type { CableId, SheetBox, SheetLayout, SheetModel, SheetPin, SheetPort } from '@wired-falcon/core';
import type { Stop } from './useRoving.ts';

export const COMB_WIDTH = 58;
export const TAG = { width: 34, height: 15 } as const;

/** A cable's tag on a box: beside the port, where it hides no wire. */
export interface TagPlace {
  readonly id: string;
  readonly cable: CableId;
  readonly x: number;
  readonly y: number;
}

/** Where the pins of a box stand on the sheet. */
export function pinPoint(box: SheetBox, origin: { readonly x: number; readonly y: number }, pin: SheetPin) {
  return { x: origin.x + (pin.side === 'left' ? 0 : box.width), y: origin.y + pin.y };
}

/**
 * The tags of a box. The spine carries one for every cable at a port, under the port's label. A card carries those of
 * the cables that do not reach the spine, which would have no tag otherwise; each cable has its tag once.
 */
export function tagPlaces(model: SheetModel, layout: SheetLayout): TagPlace[] {
  const tagged = new Set<CableId>();
  const places: TagPlace[] = [];
  const boxes = [...model.boxes].sort((a, b) => Math.abs(a.column) - Math.abs(b.column));
  for (const box of boxes) {
    const origin = layout.boxes.get(box.item);
    if (origin === undefined) continue;
    for (const port of box.ports) {
      const fresh = port.cables.filter(({ id }) => !tagged.has(id));
      fresh.forEach(({ id, middle }, i) => {
        tagged.add(id);
        // Tags of one place stand side by side; those along a row of pins each beside its own.
        const before = fresh.slice(0, i).filter((other) => other.middle === middle).length;
        places.push({ id: `tag ${id}`, cable: id, ...tagPoint(box, port.side, middle, origin, before) });
      });
    }
  }
  return places;
}

/** So many tags stand side by side; further ones go below, so that they stay inside their box. */
const TAGS_IN_ROW = 2;

function tagPoint(
  box: SheetBox,
  side: SheetPort['side'],
  middle: number,
  origin: { readonly x: number; readonly y: number },
  index: number,
) {
  const [column, row] = [index % TAGS_IN_ROW, Math.floor(index / TAGS_IN_ROW)];
  const inset = (box.is === 'spine' ? COMB_WIDTH + 7 : 34) + column * (TAG.width + 4);
  const x = side === 'left' ? origin.x + inset : origin.x + box.width - inset - TAG.width;
  const below = row * (TAG.height + 2);
  return { x, y: origin.y + (box.is === 'spine' ? middle + 1 : middle - TAG.height / 2) + below };
}

/** Everything on the sheet that the keyboard can reach. */
export function stopsOf(model: SheetModel, layout: SheetLayout, tags: readonly TagPlace[]): Stop[] {
  const pins = model.boxes.flatMap((box) => {
    const origin = layout.boxes.get(box.item);
    return origin === undefined ? [] : box.pins.map((pin) => ({ id: pin.key, ...pinPoint(box, origin, pin) }));
  });
  const heads = model.boxes.flatMap((box) => {
    const origin = layout.boxes.get(box.item);
    return origin === undefined ? [] : [{ id: `head ${box.item}`, x: origin.x + box.width / 2, y: origin.y }];
  });
  return [...pins, ...tags.map((tag) => ({ id: tag.id, x: tag.x + TAG.width / 2, y: tag.y })), ...heads];
}
