import { isPassedOn } from '../../graph/passedOn.ts';
import { pinsOf, type Graph, type GraphItem } from '../../graph/graph.ts';
import type { Pin, Port } from '../../model/part.ts';
import { drives } from '../../harness/joinVerdict.ts';
import type { Subject } from '../finding.ts';

/** A pin on one piece of copper, with its item. */
export interface GroupPin {
  readonly node: number;
  readonly item: number;
  readonly entry: GraphItem;
  readonly port: Port;
  readonly pin: Pin;
}

const cache = new WeakMap<Graph, readonly (readonly GroupPin[])[]>();

/** Every piece of copper that joins pins of at least two items, as its pins in natural order. */
export function joinedGroups(graph: Graph): readonly (readonly GroupPin[])[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const groups: GroupPin[][] = [];
  for (let group = 0; group < graph.wires.count; group++) {
    const pins = pinsOf(graph, graph.wires, group).flatMap(({ node, at }): GroupPin[] => {
      const entry = graph.items[at.item];
      // What a board only passes on is said of what is beyond it.
      const isOwn = entry?.part === undefined || !isPassedOn(entry.part, `${at.port.id}.${at.pin.n}`);
      return entry === undefined || !isOwn ? [] : [{ node, item: at.item, entry, port: at.port, pin: at.pin }];
    });
    if (new Set(pins.map((pin) => pin.item)).size > 1) groups.push(pins);
  }
  cache.set(graph, groups);
  return groups;
}

/** True for a pin that drives its wire high and low by itself. */
export function isDriver({ pin }: GroupPin): boolean {
  return drives(pin.role);
}

/** `FC1 S4 pin 2 (TX)`. */
export function groupPinName({ entry, port, pin }: GroupPin): string {
  return `${entry.item.ref} ${port.label} pin ${pin.n} (${pin.label})`;
}

export function pinOf({ entry, port, pin }: GroupPin): Subject {
  return { is: 'pin', item: entry.item.id, port: port.id, n: pin.n };
}
