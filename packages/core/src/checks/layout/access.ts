import { against, coordinates, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { placedItems, portOutward, type PlacedItem } from '../../layout/placedItems.ts';
import { plugRoom, type PlugRoom } from '../../layout/plugRoom.ts';
import { usbPorts } from '../../layout/reachOf.ts';
import type { Bay, Spot } from '../../model/frame.ts';
import type { Port } from '../../model/part.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { intoOtherBay, isWellAfter, otherAccess } from './helpers/otherBays.ts';
import { moved } from './helpers/places.ts';
import { bayOverflow } from './room.ts';

/** A plug with its strain relief and the least bend of its cable; assumed, for a straight plug. */
const PLUG_MM = 30;

/** A controller whose USB port nobody reaches any more. */
export const usbAccess: Check = {
  id: 'place.usb-access',
  stage: 'layout',
  title: 'USB out of reach',
  run: ({ graph }) =>
    placedItems(graph).flatMap((entry): Saying[] => {
      const { part, place } = entry;
      const bay = place.bay === undefined ? undefined : graph.design.aircraft.airframe.frame?.bays[place.bay];
      const [usb] = usbPorts(part);
      if (part.kind !== 'controller' || usb === undefined || bay === undefined) return [];
      return bay.access === 'closed' ? [glued(graph, entry, usb, bay)] : obstructed(graph, entry, usb, bay);
    }),
};

function glued(graph: Graph, entry: PlacedItem, usb: Port, bay: Bay): Saying {
  const { item, place } = entry;
  const otherWay = hasOtherWay(graph);
  return {
    severity: otherWay ? 'note' : 'mend',
    where: [{ is: 'port', item: item.id, port: usb.id }],
    what: `The ${usb.label} port of ${item.ref} is behind "${bay.title}", which is closed once glued.`,
    evidence: [otherWayFact(otherWay)],
    why: 'You need it for firmware, logs and a controller that does not start: run a cable out, or set everything up before it is closed.',
    remedies: () => [
      ...intoOtherBay(graph, entry, ({ access }) => access !== 'closed', isReached(entry)),
      ...(place.bay === undefined ? [] : otherAccess(graph, place.bay, 'hatch-above', 'Cut a hatch above it', isReached(entry))),
    ],
  };
}

/** A port before which there is no room for a plug. */
function obstructed(graph: Graph, entry: PlacedItem, usb: Port, bay: Bay): Saying[] {
  const { item } = entry;
  const room = plugRoom(entry, usb, bay, placedItems(graph));
  if (room.is === 'free' || room.mm >= PLUG_MM) return [];
  const otherWay = hasOtherWay(graph);
  const left = against(room.mm, PLUG_MM, 'mm');
  return [
    {
      severity: otherWay ? 'note' : 'mend',
      where: [{ is: 'port', item: item.id, port: usb.id }],
      what: `No room for a plug at the ${usb.label} port of ${item.ref}: ${left.value} to ${inTheWay(room, bay)}.`,
      evidence: [{ label: 'room for the plug (a straight one, assumed)', ...left }, otherWayFact(otherWay)],
      why: 'You need it for firmware, logs and a controller that does not start: leave a short cable plugged in, or move it.',
      remedies: () => [
        ...backFrom(graph, entry, usb, PLUG_MM - room.mm),
        ...intoOtherBay(graph, entry, ({ access }) => access !== 'closed', isReached(entry)),
      ],
    },
  ];
}

function inTheWay(room: Exclude<PlugRoom, { is: 'free' }>, { title }: Bay): string {
  return room.is === 'wall' ? `the wall of the bay "${title}"` : room.ref;
}

/** The controller back from what is before its port, where it has the room. */
function backFrom(graph: Graph, entry: PlacedItem, usb: Port, mm: number): readonly Remedy[] {
  const outward = portOutward(entry, usb);
  if (outward === undefined) return [];
  const along = (axis: 0 | 1 | 2): number => Math.round(entry.place.at[axis] - outward[axis] * Math.ceil(mm));
  const at: Spot = [along(0), along(1), along(2)];
  const edit = moved(entry, at);
  const crowded = (one: Graph): number => bayOverflow.run({ graph: one }).length;
  if (!isWellAfter(graph, edit, (after) => isReached(entry)(after) && crowded(after) <= crowded(graph))) return [];
  const sentence = `Move ${entry.item.ref} by ${quantity(Math.ceil(mm), 'mm')} to ${coordinates(at, 'mm')}, where a plug fits.`;
  return [{ label: `Move ${entry.item.ref} back`, sentence, edit }];
}

function isReached({ item }: PlacedItem): (after: Graph) => boolean {
  return (after) =>
    !usbAccess.run({ graph: after }).some(({ where }) => where.some((subject) => subject.is === 'port' && subject.item === item.id));
}

/** Whether it can be configured by a data link or a computer on board. */
function hasOtherWay({ items }: Graph): boolean {
  return items.some(
    ({ item: { where }, part }) => where === 'aircraft' && (part?.kind === 'telemetry-radio' || part?.kind === 'companion'),
  );
}

function otherWayFact(hasOther: boolean): { readonly label: string; readonly value: string } {
  return { label: 'another way to configure it', value: hasOther ? 'over its data link' : 'none' };
}
