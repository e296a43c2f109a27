import type { PortAt } from '../graph/cableJoins.ts';
import { pinNode, type Graph } from '../graph/graph.ts';
import { voltsAt } from '../graph/railsOf.ts';
import type { Conductor } from '../model/aircraft.ts';
import { asId, type ConductorId, type LegId, type NodeId } from '../model/ids.ts';
import { colourFor, gaugeFor } from './wireStyle.ts';

/** Between which contacts a new wire runs, and in which leg. */
export interface NewWire {
  readonly id: string;
  readonly leg: LegId;
  readonly nodeA: NodeId;
  readonly nodeB: NodeId;
  readonly a: number;
  readonly b: number;
}

/** A wire between two ports of the usual gauge, in the colour of the aircraft's scheme. */
export function newConductor(graph: Graph, a: PortAt, b: PortAt, join: NewWire): Conductor {
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

function voltsOfEither(graph: Graph, a: PortAt, b: PortAt, join: NewWire): number | undefined {
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
