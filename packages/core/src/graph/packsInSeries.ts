import type { CircuitElement } from '../model/part.ts';
import { circuitNode, type Graph } from './graph.ts';
import { railsOf } from './railsOf.ts';

/** A pack of an aircraft with the rails that its poles are on. */
export interface PackPoles {
  readonly item: number;
  readonly element: Extract<CircuitElement, { is: 'battery' }>;
  readonly plus: number;
  readonly minus: number;
}

/** The packs of an aircraft in the order of its items, but for those that are shorted. */
export function packsOf(graph: Graph): readonly PackPoles[] {
  const { railOfNode } = railsOf(graph);
  return graph.items.flatMap(({ part }, item) =>
    (part?.circuit ?? []).flatMap((element): PackPoles[] => {
      if (element.is !== 'battery') return [];
      const [plus, minus] = [element.plus, element.minus].map((pole) => railOfNode[circuitNode(graph, item, pole) ?? -1]);
      return plus === undefined || minus === undefined || plus === minus ? [] : [{ item, element, plus, minus }];
    }),
  );
}

/** True where a pack has its minus at the plus of another one, and the two are not a ring, which is a short. */
export function isOnTopOf(above: PackPoles, below: PackPoles): boolean {
  return above.minus === below.plus && above.plus !== below.minus;
}

/** The packs that carry one current because they are in series, the lowest first. A pack by itself is none. */
export function stacksOf(graph: Graph): readonly (readonly PackPoles[])[] {
  const packs = packsOf(graph);
  const lowest = packs.filter((pack) => !packs.some((below) => isOnTopOf(pack, below)));
  return lowest.flatMap((first) => {
    const stack = [first];
    for (let above = nextOn(packs, stack); above !== undefined; above = nextOn(packs, stack)) stack.push(above);
    return stack.length > 1 ? [stack] : [];
  });
}

function nextOn(packs: readonly PackPoles[], stack: readonly PackPoles[]): PackPoles | undefined {
  const top = stack.at(-1);
  return packs.find((pack) => top !== undefined && !stack.includes(pack) && isOnTopOf(pack, top));
}
