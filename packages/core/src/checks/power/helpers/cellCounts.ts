import { circuitNode, type Graph } from '../../../graph/graph.ts';
import { packsOf, stacksOf, type PackPoles } from '../../../graph/packsInSeries.ts';
import { railsOf } from '../../../graph/railsOf.ts';
import type { CircuitElement } from '../../../model/part.ts';
import { listed } from '../../../text/lists.ts';
import type { Saying } from '../../finding.ts';

type Drive = Extract<CircuitElement, { is: 'drive' }>;

/** Motor controllers on fewer cells than they are stated for. More cells are more voltage, which another check tells. */
export function cellSayings(graph: Graph): Saying[] {
  return graph.items.flatMap(({ item, part }, itemIx) =>
    (part?.circuit ?? []).flatMap((element): Saying[] => {
      if (element.is !== 'drive' || element.cells === undefined) return [];
      const { least, most } = element.cells;
      const found = cellsAt(graph, itemIx, element);
      if (found === undefined || found.cells >= least) return [];
      const packs = listed(found.packs.map((pack) => graph.items[pack.item]?.item.ref ?? '?'));
      return [
        {
          severity: 'stop',
          where: [{ is: 'item', item: item.id }],
          what: `${packs} ${found.packs.length === 1 ? 'has' : 'have'} ${cellWords(found.cells)}, and ${item.ref} needs ${least === most ? cellWords(least) : `${least} to ${cellWords(most)}`}.`,
          evidence: [{ label: `cells in series at ${item.ref} ${element.id}`, value: String(found.cells), limit: String(least) }],
          why: 'It does not start, or its low-voltage cut-off stops the motor in flight, since it counts cells by their voltage.',
          discriminator: `cells ${element.id}`,
        },
      ];
    }),
  );
}

function cellWords(count: number): string {
  return `${count} ${count === 1 ? 'cell' : 'cells'}`;
}

/** The packs in series that a motor controller is on, and their cells; undefined where it is on no pack, or behind a regulator. */
function cellsAt(
  graph: Graph,
  item: number,
  { plus, minus }: Drive,
): { readonly packs: readonly PackPoles[]; readonly cells: number } | undefined {
  const { railOfNode } = railsOf(graph);
  const [high, low] = [plus, minus].map((pin) => railOfNode[circuitNode(graph, item, pin) ?? -1]);
  if (high === undefined || low === undefined) return undefined;
  const between = [...packsOf(graph).map((pack) => [pack]), ...stacksOf(graph).flatMap(upTo)].find(
    (packs) => packs[0]?.minus === low && packs.at(-1)?.plus === high,
  );
  return between === undefined ? undefined : { packs: between, cells: between.reduce((sum, { element }) => sum + element.cells, 0) };
}

/** A stack from its lowest pack up to each one. */
function upTo(stack: readonly PackPoles[]): readonly (readonly PackPoles[])[] {
  return stack.map((_, i) => stack.slice(0, i + 1));
}
