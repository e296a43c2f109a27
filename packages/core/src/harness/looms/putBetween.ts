import { endsAtPort, portIn, type PortAt } from '../../graph/cableJoins.ts';
import { pinNode, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import type { Edit } from '../../edits/registry.ts';
import { offsetOf, type Cable, type Conductor } from '../../model/aircraft.ts';
import type { Part } from '../../model/part.ts';
import { DraftEdits } from '../draftEdits.ts';
import { planJoin } from './planJoin.ts';

/** A pin of an item. */
export interface PinAt {
  readonly at: PortAt;
  readonly n: number;
}

/** What is put between: a part, the pins of it that take the place of each wire, and those by which it is fed. */
export interface Between {
  readonly part: Part;
  readonly label: string;
  /** Each wire that is cut, with the pins of the part, `port.n`, that its two ends go to. */
  readonly wires: readonly { readonly a: PinAt; readonly b: PinAt; readonly atA: string; readonly atB: string }[];
  readonly supply: string;
  readonly ground: string;
  /** What it stands and needs, in volts. */
  readonly windowV: readonly [number, number];
}

/**
 * Cuts wires between two ports and puts a part in between, fed from a supply pin of one of the two: branches of the cable that is there.
 * @returns one edit with placeholders; undefined where the wires are not direct, or nothing there feeds the part
 */
export function putBetween(graph: Graph, { part, label, wires, supply, ground, windowV }: Between, title: string): Edit | undefined {
  const draft = new DraftEdits(graph.design);
  // 1. Cut.
  for (const { a, b } of wires) {
    const direct = directWire(graph, a, b);
    if (direct === undefined) return undefined;
    if (!draft.make({ kind: 'remove-conductor', cable: direct.cable.id, conductor: direct.conductor.id })) return undefined;
  }
  // 2. Put the part in, and lead both ends of each wire to it.
  const id = draft.add(part, label);
  if (id === undefined) return undefined;
  const join = (end: PinAt, address: string): boolean => {
    const [port = '', n = ''] = address.split('.');
    const [x, y] = [portOf(draft, end.at), draft.port(id, port)];
    return x !== undefined && y !== undefined && draft.take(planJoin(draft.graph, x, y, { a: end.n, b: Number(n) }));
  };
  for (const { a, b, atA, atB } of wires) if (!join(a, atA) || !join(b, atB)) return undefined;
  // 3. Feed it from what is beside one of the wires.
  const ends = wires.flatMap(({ a, b }) => [a, b]);
  const feed = ends.flatMap((end) => feedAt(graph, end, windowV) ?? [])[0];
  if (feed === undefined || !join(feed.supply, supply) || !join(feed.ground, ground)) return undefined;
  return draft.edit(title);
}

function portOf(draft: DraftEdits, at: PortAt): PortAt | undefined {
  return portIn(draft.graph, draft.graph.itemIx.get(at.itemId) ?? -1, at.port.id);
}

/** The one wire that leads from a pin straight to another. */
function directWire(graph: Graph, a: PinAt, b: PinAt): { readonly cable: Cable; readonly conductor: Conductor } | undefined {
  for (const cable of graph.cables) {
    const [endA] = endsAtPort(cable, a.at.itemId, a.at.port.id);
    const [endB] = endsAtPort(cable, b.at.itemId, b.at.port.id);
    if (endA === undefined || endB === undefined) continue;
    const [nA, nB] = [a.n - offsetOf(endA.at), b.n - offsetOf(endB.at)];
    const conductor = Object.values(cable.conductors).find(({ a: x, b: y }) =>
      [
        [x, y],
        [y, x],
      ].some(([from, to]) => from?.node === endA.id && from.n === nA && to?.node === endB.id && to.n === nB),
    );
    if (conductor !== undefined) return { cable, conductor };
  }
  return undefined;
}

/** A pin beside a wire that gives what is wanted, with the ground of the same port. */
function feedAt(graph: Graph, { at }: PinAt, [least, most]: readonly [number, number]) {
  const { itemId, port } = at;
  const supply = port.pins.find(({ role, n }) => {
    const node = role === 'supply-out' || role === 'supply-through' ? pinNode(graph, itemId, port.id, n) : undefined;
    const volts = node === undefined ? undefined : voltsAt(graph, node);
    return volts !== undefined && volts >= least && volts <= most;
  });
  const ground = port.pins.find(({ role }) => role === 'gnd');
  return supply === undefined || ground === undefined ? undefined : { supply: { at, n: supply.n }, ground: { at, n: ground.n } };
}
