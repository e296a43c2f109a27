import type { WireColour } from '../../model/aircraft.ts';
import type { CableId, ConductorId, ItemId } from '../../model/ids.ts';
import { pinKey, type Graph } from '../../graph/graph.ts';

/** A conductor between two pins of the sheet. What goes on in another cable is drawn once, as the wire of the first of them. */
export interface SheetWire {
  readonly id: string;
  readonly cable: CableId;
  readonly conductor: ConductorId;
  readonly colour: WireColour;
  readonly from: string;
  readonly to: string;
}

/** What of a box matters to its wires. */
interface Box {
  readonly item: ItemId;
  readonly column: number;
  readonly pins: readonly { readonly key: string }[];
}

interface PinOnSheet {
  readonly key: string;
  readonly item: ItemId;
}

/** The conductors that lead to two pins, by plugs between cables and splices too. A pulled contact leaves its wire out: nothing is joined there. */
export function sheetWires(graph: Graph, boxes: readonly Box[]): readonly SheetWire[] {
  const columnOf = new Map(boxes.map((entry) => [entry.item, entry.column]));
  const drawn = new Set(boxes.flatMap((entry) => entry.pins.map((pin) => pin.key)));
  const copper = new CopperOnSheet(graph);
  const wires: SheetWire[] = [];
  const through = new Set<string>();
  graph.edges.forEach((edge, i) => {
    if (edge.is !== 'conductor') return;
    const [a, b] = [copper.pinFrom(edge.a, i), copper.pinFrom(edge.b, i)];
    const cable = graph.cables[edge.cable];
    if (a === undefined || b === undefined || a.key === b.key || cable === undefined || !drawn.has(a.key) || !drawn.has(b.key)) return;
    const forward = (columnOf.get(a.item) ?? 0) <= (columnOf.get(b.item) ?? 0);
    const [from, to] = forward ? [a, b] : [b, a];
    if (!copper.isDirect(edge.a) || !copper.isDirect(edge.b)) {
      const pair = `${from.key} ${to.key}`;
      if (through.has(pair)) return;
      through.add(pair);
    }
    wires.push({
      id: `${cable.id}|${edge.conductor.id}`,
      cable: cable.id,
      conductor: edge.conductor.id,
      colour: edge.conductor.colour,
      from: from.key,
      to: to.key,
    });
  });
  return wires;
}

/** The copper of cables, to follow a wire to the pin that it leads to. */
class CopperOnSheet {
  readonly #graph: Graph;
  readonly #pinAt = new Map<number, PinOnSheet>();
  /** Conductors and plugs between cables at each node that is at no pin, by number of the edge. */
  readonly #edgesAt = new Map<number, number[]>();

  constructor(graph: Graph) {
    this.#graph = graph;
    for (const edge of graph.edges) {
      const at = edge.is === 'contact' ? graph.nodes[edge.b] : undefined;
      const item = at?.is === 'pin' ? graph.items[at.item]?.item.id : undefined;
      if (at?.is === 'pin' && item !== undefined) this.#pinAt.set(edge.a, { key: pinKey(item, at.port.id, at.pin.n), item });
    }
    graph.edges.forEach((edge, i) => {
      if (edge.is === 'element') return;
      for (const node of [edge.a, edge.b]) {
        if (this.isDirect(node)) continue;
        this.#edgesAt.set(node, [...(this.#edgesAt.get(node) ?? []), i]);
      }
    });
  }

  /** True for a contact that is at a pin. */
  isDirect(node: number): boolean {
    return this.#pinAt.has(node);
  }

  /** The nearest pin that the end of an edge leads to, away from the edge. */
  pinFrom(node: number, edge: number): PinOnSheet | undefined {
    const seen = new Set([edge]);
    const queue = [node];
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      const pin = this.#pinAt.get(at);
      if (pin !== undefined) return pin;
      for (const next of this.#edgesAt.get(at) ?? []) {
        const onward = this.#graph.edges[next];
        if (onward === undefined || seen.has(next)) continue;
        seen.add(next);
        queue.push(onward.a === at ? onward.b : onward.a);
      }
    }
    return undefined;
  }
}
