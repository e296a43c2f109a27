import type { Cable, CableEndAt, Item } from '../model/aircraft.ts';
import { takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId, NodeId } from '../model/ids.ts';
import type { PartPort } from '../model/part.ts';

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
      return `${item?.ref ?? '?'} ${label}`;
    }
    case 'mate':
      return tagOf(design, at.cable);
    case 'free':
      return 'free end';
  }
}

/** The cable that already fills what an end wants to be plugged into, if one does. */
export function occupantOf(design: Design, at: CableEndAt, except: { readonly cable: CableId; readonly node: NodeId }): Cable | undefined {
  if (at.is === 'free') return undefined;
  if (at.is === 'port') {
    const item = design.aircraft.items[at.item];
    const port = item === undefined ? undefined : portOf(design, item, at.port);
    if (port !== undefined && takesSeveralCables(port.connector)) return undefined;
  }
  return Object.values(design.aircraft.cables).find((cable) =>
    Object.values(cable.nodes).some(
      (node) => node.is === 'end' && !(cable.id === except.cable && node.id === except.node) && isSamePlace(node.at, at, cable.id, node.id),
    ),
  );
}

function isSamePlace(there: CableEndAt, wanted: CableEndAt, cable: CableId, node: NodeId): boolean {
  if (there.is === 'port' && wanted.is === 'port') return there.item === wanted.item && there.port === wanted.port;
  if (there.is === 'mate' && wanted.is === 'mate') return there.cable === wanted.cable && there.node === wanted.node;
  return wanted.is === 'mate' && wanted.cable === cable && wanted.node === node && there.is !== 'free';
}
