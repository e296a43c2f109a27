import type { Cable, Conductor } from '../model/aircraft.ts';
import { mateOf } from '../model/connector.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../model/ids.ts';
import { nextTag } from '../edits/references.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import type { PlainCable, PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { pinNode } from '../graph/graph.ts';
import { voltsAt } from '../graph/railsOf.ts';
import { fitPinMap, type PinMap, type PinMapPreset } from './fitPinMap.ts';
import { colourFor, gaugeFor } from './wireStyle.ts';

const nodeA = asId<NodeId>('a');
const nodeB = asId<NodeId>('b');
const onlyLeg = asId<LegId>('leg');

/** A cable between two ports, as the edit that makes it. The cable's id is the placeholder `?1` (see `withFreshIds`). */
export function proposeCable(
  graph: Graph,
  a: PortAt,
  b: PortAt,
  preset: PinMapPreset,
): { readonly map: PinMap; readonly edit: SimpleEdit } {
  const map = fitPinMap(graph, a, b, preset);
  const conductors = map.pairs.map((pair, i) =>
    newConductor(graph, a, b, { id: `?${i + 2}`, leg: onlyLeg, nodeA, nodeB, a: pair.a, b: pair.b }),
  );
  const cable: Cable = {
    id: asId<CableId>('?1'),
    tag: nextTag(graph.design.aircraft),
    nodes: {
      [nodeA]: { id: nodeA, is: 'end', at: { is: 'port', item: a.itemId, port: a.port.id }, connector: mateOf(a.port.connector) },
      [nodeB]: { id: nodeB, is: 'end', at: { is: 'port', item: b.itemId, port: b.port.id }, connector: mateOf(b.port.connector) },
    },
    legs: { [onlyLeg]: { id: onlyLeg, a: nodeA, b: nodeB } },
    conductors: Object.fromEntries(conductors.map((conductor) => [conductor.id, conductor])),
  };
  return { map, edit: { kind: 'add-cable', cable } };
}

interface Join {
  readonly id: string;
  readonly leg: LegId;
  readonly nodeA: NodeId;
  readonly nodeB: NodeId;
  readonly a: number;
  readonly b: number;
}

function newConductor(graph: Graph, a: PortAt, b: PortAt, join: Join): Conductor {
  const pinA = a.port.pins[join.a - 1];
  const pinB = b.port.pins[join.b - 1];
  const volts = voltsOfEither(graph, a, b, join);
  return {
    id: asId<ConductorId>(join.id),
    leg: join.leg,
    a: { node: join.nodeA, n: join.a },
    b: { node: join.nodeB, n: join.b },
    awg: gaugeFor(a.port.connector, b.port.connector),
    colour: pinA === undefined || pinB === undefined ? 'grey' : colourFor(pinA, pinB, volts, graph.design.aircraft.colourScheme),
  };
}

function voltsOfEither(graph: Graph, a: PortAt, b: PortAt, join: Join): number | undefined {
  for (const [at, n] of [
    [a, join.a],
    [b, join.b],
  ] as const) {
    const node = pinNode(graph, at.itemId, at.port.id, n);
    const volts = node === undefined ? undefined : voltsAt(graph, node);
    if (volts !== undefined) return volts;
  }
  return undefined;
}

/** The edit that joins one pin more in a plain cable. The conductor's id is the placeholder `?1`. */
export function joinPins(graph: Graph, plain: PlainCable, a: number, b: number): SimpleEdit {
  const conductor = newConductor(graph, plain.a, plain.b, {
    id: '?1',
    leg: plain.leg.id,
    nodeA: plain.leg.a,
    nodeB: plain.leg.b,
    a,
    b,
  });
  return { kind: 'add-conductor', cable: plain.cable.id, conductor };
}

/**
 * The edits that give a plain cable another pin map: conductors that are already right stay, those that only end at a wrong
 * pin are moved, others are removed or added. Ids of new conductors are placeholders.
 * @param graphWithout the graph of the design without this cable, so that it does not count as feeding itself
 */
export function repinEdits(graph: Graph, graphWithout: Graph, plain: PlainCable, preset: PinMapPreset): SimpleEdit[] {
  const wanted = new Map(fitPinMap(graphWithout, plain.a, plain.b, preset).pairs.map((pair) => [pair.a, pair.b]));
  const edits: SimpleEdit[] = [];
  const served = new Set<number>();
  for (const conductor of plain.conductors) {
    const b = wanted.get(conductor.a.n);
    if (b === undefined || served.has(conductor.a.n)) {
      edits.push({ kind: 'remove-conductor', cable: plain.cable.id, conductor: conductor.id });
      continue;
    }
    served.add(conductor.a.n);
    if (b === conductor.b.n) continue;
    edits.push({
      kind: 'move-conductor',
      cable: plain.cable.id,
      conductor: conductor.id,
      end: 'b',
      to: { node: conductor.b.node, n: b },
      was: conductor.b,
    });
  }
  let next = 1;
  for (const [a, b] of wanted) {
    if (served.has(a)) continue;
    const conductor = newConductor(graph, plain.a, plain.b, {
      id: `?${next++}`,
      leg: plain.leg.id,
      nodeA: plain.leg.a,
      nodeB: plain.leg.b,
      a,
      b,
    });
    edits.push({ kind: 'add-conductor', cable: plain.cable.id, conductor });
  }
  return edits;
}

/** The edits that give every wire of the plain cables the colour of the aircraft's scheme; those that have it already stay. */
export function recolourEdits(graph: Graph, plains: readonly PlainCable[]): SimpleEdit[] {
  return plains.flatMap((plain) =>
    plain.conductors.flatMap((conductor): SimpleEdit[] => {
      const { colour } = newConductor(graph, plain.a, plain.b, {
        id: conductor.id,
        leg: conductor.leg,
        nodeA: conductor.a.node,
        nodeB: conductor.b.node,
        a: conductor.a.n,
        b: conductor.b.n,
      });
      if (colour === conductor.colour) return [];
      return [{ kind: 'set-conductor-colour', cable: plain.cable.id, conductor: conductor.id, colour, was: conductor.colour }];
    }),
  );
}
