import type { Graph } from '../graph/graph.ts';
import { legWays, type LegWay } from '../layout/ways.ts';
import type { Cable, Conductor, Leg } from '../model/aircraft.ts';
import type { Spot } from '../model/frame.ts';
import { areaMm2, outerDiameterMm } from '../model/wire.ts';
import { ampsOfEdges } from '../power/network/readings.ts';
import type { ScenarioResult } from '../power/scenarios/solveScenario.ts';
import type { CurrentSegment } from './fieldOf.ts';
import { difference, lengthOf, scaled, squareTo, sum, unit } from './vector.ts';

/** What carries no more than this makes no field that counts. */
const LEAST_A = 0.05;
/** So many pieces make a turn of a twisted wire: the field at a compass is right to a hundredth then. */
const PIECES_A_TURN = 12;

/** The wires of a leg on their way, without their currents. */
export interface LegWires {
  readonly cable: Cable;
  readonly leg: Leg;
  /** The items that the cable leads to. */
  readonly items: readonly number[];
  /** The way that all of its wires follow, from its node a. */
  readonly way: readonly Spot[];
  readonly wires: readonly LegWire[];
}

/** A wire from its own end a to its end b. */
export interface LegWire {
  readonly conductor: Conductor;
  /** Its edge in the graph. */
  readonly edge: number;
  readonly spots: readonly Spot[];
}

/**
 * Where the wires of the placed legs run in which any wire carries current in one of these situations: those of one leg side by side at the thickness of their insulation, or wound round each
 * other where they are twisted, on the way of the leg.
 */
export function loadedWires(graph: Graph, situations: readonly Float64Array[]): readonly LegWires[] {
  const edgeOf = new Map<Conductor, number>();
  graph.edges.forEach((edge, i) => {
    if (edge.is === 'conductor') edgeOf.set(edge.conductor, i);
  });
  const ways = [...legWays(graph).values()];
  return ways.flatMap((way): LegWires[] => {
    const own = Object.values(way.cable.conductors).flatMap((conductor): Placed[] => {
      const edge = conductor.leg === way.leg.id ? edgeOf.get(conductor) : undefined;
      return edge === undefined ? [] : [{ conductor, edge }];
    });
    const isLoaded = situations.some((amps) => own.some(({ edge }) => Math.abs(amps[edge] ?? 0) > LEAST_A));
    return isLoaded ? [wiresOf(graph, way, own)] : [];
  });
}

interface Placed {
  readonly conductor: Conductor;
  readonly edge: number;
}

function wiresOf(graph: Graph, { cable, leg, way }: LegWay, own: readonly Placed[]): LegWires {
  const widths = own.map(({ conductor }) => outerDiameterMm(conductor.awg));
  const total = widths.reduce((all, width) => all + width, 0);
  let before = 0;
  const wires = own.map(({ conductor, edge }, i) => {
    const width = widths[i] ?? 0;
    const offMm = before + width / 2 - total / 2;
    before += width;
    const spots =
      leg.twistMm === undefined || own.length < 2
        ? besides(way.spots, offMm)
        : wound(way.spots, leg.twistMm, total / own.length / 2, i / own.length);
    return { conductor, edge, spots: fromAToB(leg, conductor, metAtTheEnds(way.spots, spots)) };
  });
  return { cable, leg, items: itemsAt(graph, cable), way: way.spots, wires };
}

/** The way of a leg runs from its node a; a conductor has its own a at either end. */
function fromAToB(leg: Leg, { a }: Conductor, spots: readonly Spot[]): readonly Spot[] {
  return a.node === leg.a ? spots : [...spots].reverse();
}

/**
 * The wires of a leg come together in its ports: what flows in at one pin flows out at the other, and a field of open ends would be
 * that of no circuit.
 */
function metAtTheEnds(way: readonly Spot[], spots: readonly Spot[]): readonly Spot[] {
  const [first, last] = [way[0], way.at(-1)];
  return first === undefined || last === undefined ? spots : [first, ...spots, last];
}

/** A line so many mm to the side of a way. */
function besides(way: readonly Spot[], offMm: number): readonly Spot[] {
  return way.map((spot, i) => {
    const direction = directionAt(way, i);
    return sum(spot, scaled(squareTo(direction)[0], offMm));
  });
}

function directionAt(way: readonly Spot[], i: number): Spot {
  const [before, after] = [way[Math.max(i - 1, 0)], way[Math.min(i + 1, way.length - 1)]];
  return before === undefined || after === undefined ? [1, 0, 0] : unit(difference(after, before));
}

/** A line wound round a way. @param start the share of a turn that it begins with */
function wound(way: readonly Spot[], pitchMm: number, radiusMm: number, start: number): readonly Spot[] {
  const spots: Spot[] = [];
  let turned = start;
  for (let i = 0; i + 1 < way.length; i++) {
    const [from, to] = [way[i], way[i + 1]];
    if (from === undefined || to === undefined) continue;
    const along = difference(to, from);
    const length = lengthOf(along);
    if (length === 0) continue;
    const [side, up] = squareTo(unit(along));
    const pieces = Math.max(1, Math.ceil((length / pitchMm) * PIECES_A_TURN));
    for (let k = i === 0 ? 0 : 1; k <= pieces; k++) {
      const angle = 2 * Math.PI * (turned + (length / pitchMm) * (k / pieces));
      const aside = sum(scaled(side, radiusMm * Math.cos(angle)), scaled(up, radiusMm * Math.sin(angle)));
      spots.push(sum(sum(from, scaled(along, k / pieces)), aside));
    }
    turned += length / pitchMm;
  }
  return spots;
}

/** What the wires of a leg carry together along its way, in amperes: of a whole pair nothing, with a second way home the rest. */
export function netAmps({ leg, wires }: LegWires, amps: Float64Array): number {
  return wires.reduce((net, { conductor, edge }) => net + (conductor.a.node === leg.a ? 1 : -1) * (amps[edge] ?? 0), 0);
}

/** What every edge of the graph carries in a situation, in amperes. */
export function ampsIn({ network, before, circuit }: ScenarioResult): Float64Array {
  return ampsOfEdges(network, before, circuit.ohms);
}

/** A wire as straight pieces that carry so many amperes. */
export function segmentsOf({ conductor, spots }: LegWire, amps: number): readonly CurrentSegment[] {
  const radiusMm = Math.sqrt(areaMm2(conductor.awg) / Math.PI);
  return spots.slice(1).map((to, i) => ({ from: spots[i] ?? to, to, amps, radiusMm }));
}

/** Everything that carries current in a situation, as straight pieces. */
export function currentSegments(graph: Graph, result: ScenarioResult): readonly CurrentSegment[] {
  const amps = ampsIn(result);
  return loadedWires(graph, [amps]).flatMap(({ wires }) => wires.flatMap((wire) => segmentsOf(wire, amps[wire.edge] ?? 0)));
}

function itemsAt(graph: Graph, { nodes }: Cable): number[] {
  return Object.values(nodes).flatMap((node) => (node.is === 'end' && node.at.is === 'port' ? (graph.itemIx.get(node.at.item) ?? []) : []));
}
