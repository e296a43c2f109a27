import type { Graph } from '../graph/graph.ts';
import type { BayAccess } from '../model/frame.ts';
import type { Port, ResolvedPart } from '../model/part.ts';
import type { PartKind } from '../model/partKinds.ts';
import { placedItems, type PlacedItem } from './placedItems.ts';

/** What one has to get at on a part of a kind, beside its USB port: where it has one. */
const HANDLES: Partial<Readonly<Record<PartKind, readonly string[]>>> = {
  controller: ['memory card', 'status light'],
  'rc-receiver': ['bind button'],
  'handheld-link': ['bind button'],
  'telemetry-radio': ['status light'],
  gnss: ['status light'],
  switch: ['switch and light'],
  companion: ['memory card'],
};

/** Something that one has to get at when the aircraft is together. */
export interface Handle {
  readonly placed: PlacedItem;
  readonly what: string;
  /** How one gets at it: as its bay opens; what is in no bay lies open. */
  readonly by: BayAccess;
}

/** Everything that one has to get at, in the order of items, and how. */
export function reachOf(graph: Graph): readonly Handle[] {
  const bays = graph.design.aircraft.airframe.frame?.bays ?? {};
  return placedItems(graph).flatMap((placed) => {
    const { bay } = placed.place;
    const by = bay === undefined ? 'open' : (bays[bay]?.access ?? 'open');
    return handlesOf(placed.part).map((what): Handle => ({ placed, what, by }));
  });
}

function handlesOf(part: ResolvedPart): readonly string[] {
  return [...usbPorts(part).map(({ label }) => label), ...(HANDLES[part.kind] ?? [])];
}

/** The ports that a computer is plugged into with a USB cable: those with a supply beside the data. Network pairs have none. */
export function usbPorts({ ports }: ResolvedPart): readonly Port[] {
  return ports.filter(({ pins }) => pins.some(({ role }) => role === 'usb') && pins.some(({ role }) => role.startsWith('supply')));
}
