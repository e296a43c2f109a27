import { pinAt, pinsBefore, type PortAt } from '../graph/cableJoins.ts';
import { pinNode, type Graph } from '../graph/graph.ts';
import { voltsAt } from '../graph/railsOf.ts';
import type { Conductor } from '../model/aircraft.ts';
import type { Connector } from '../model/connector.ts';
import { asId, type ConductorId, type LegId, type NodeId } from '../model/ids.ts';
import type { Pin } from '../model/part.ts';
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

/** What a wire leads to: a port, or a plug that is in none. */
export type WireEnd = PortAt | Connector;

/** A wire of the usual gauge between two ends, in the colour of the aircraft's scheme; grey where nobody knows what it carries. */
export function newConductor(graph: Graph, a: WireEnd, b: WireEnd, wire: NewWire): Conductor {
  const [pinA, pinB] = [pinOf(a, wire.a), pinOf(b, wire.b)];
  const [one, other] = [pinA ?? pinB, pinB ?? pinA];
  const volts = voltsOf(graph, a, wire.a) ?? voltsOf(graph, b, wire.b);
  return {
    id: asId<ConductorId>(wire.id),
    leg: wire.leg,
    a: { node: wire.nodeA, n: wire.a },
    b: { node: wire.nodeB, n: wire.b },
    awg: gaugeFor(connectorOf(a), connectorOf(b)),
    colour: one === undefined || other === undefined ? 'grey' : colourFor(one, other, volts, graph.design.aircraft.colourScheme),
  };
}

function connectorOf(end: WireEnd): Connector {
  return 'port' in end ? end.port.connector : end;
}

function pinOf(end: WireEnd, n: number): Pin | undefined {
  return 'port' in end ? pinAt(end.port, n) : undefined;
}

function voltsOf(graph: Graph, end: WireEnd, n: number): number | undefined {
  const node = 'port' in end ? pinNode(graph, end.itemId, end.port.id, n + pinsBefore(end)) : undefined;
  return node === undefined ? undefined : voltsAt(graph, node);
}
