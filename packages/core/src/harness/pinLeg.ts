import type { SimpleEdit } from '../edits/registry.ts';
import type { PortLeg } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Conductor } from '../model/aircraft.ts';
import { fitPinMap, type PinMapPreset } from './fitPinMap.ts';
import { newConductor } from './newConductor.ts';

/** The edit that joins one pin more in a leg. The conductor's id is the placeholder `?1`. */
export function joinPins(graph: Graph, leg: PortLeg, a: number, b: number): SimpleEdit {
  const conductor = newConductor(graph, leg.a, leg.b, {
    id: '?1',
    leg: leg.leg.id,
    nodeA: leg.leg.a,
    nodeB: leg.leg.b,
    a,
    b,
  });
  return { kind: 'add-conductor', cable: leg.cable.id, conductor };
}

/**
 * The edits that give a leg another pin map: conductors that are already right stay, those that only end at a wrong pin are moved,
 * others are removed or added. What other legs of a loom join already is not joined again. Ids of new conductors are placeholders.
 */
export function repinEdits(graph: Graph, leg: PortLeg, preset: PinMapPreset): SimpleEdit[] {
  const isBranch = Object.keys(leg.cable.legs).length > 1;
  const wanted = new Map(fitPinMap(withoutLeg(graph, leg), leg.a, leg.b, preset, { isBranch }).pairs.map((pair) => [pair.a, pair.b]));
  const edits: SimpleEdit[] = [];
  const served = new Set<number>();
  for (const conductor of leg.conductors) {
    const b = wanted.get(conductor.a.n);
    if (b === undefined || served.has(conductor.a.n)) {
      edits.push({ kind: 'remove-conductor', cable: leg.cable.id, conductor: conductor.id });
      continue;
    }
    served.add(conductor.a.n);
    if (b === conductor.b.n) continue;
    edits.push({
      kind: 'move-conductor',
      cable: leg.cable.id,
      conductor: conductor.id,
      end: 'b',
      to: { node: conductor.b.node, n: b },
      was: conductor.b,
    });
    // A wire that was red for a supply and now leads a ground is not left red.
    edits.push(...colourEdit(graph, leg, { ...conductor, b: { ...conductor.b, n: b } }));
  }
  let next = 1;
  for (const [a, b] of wanted) {
    if (served.has(a)) continue;
    const conductor = newConductor(graph, leg.a, leg.b, {
      id: `?${next++}`,
      leg: leg.leg.id,
      nodeA: leg.leg.a,
      nodeB: leg.leg.b,
      a,
      b,
    });
    edits.push({ kind: 'add-conductor', cable: leg.cable.id, conductor });
  }
  return edits;
}

/** The edits that give every wire of the plain cables the colour of the aircraft's scheme; those that have it already stay. */
export function recolourEdits(graph: Graph, legs: readonly PortLeg[]): SimpleEdit[] {
  return legs.flatMap((leg) => leg.conductors.flatMap((conductor) => colourEdit(graph, leg, conductor)));
}

/** The edit that gives a wire the colour of the aircraft's scheme for the pins that it joins; none where it has it. */
function colourEdit(graph: Graph, leg: PortLeg, { id, leg: along, a, b, colour: was }: Conductor): SimpleEdit[] {
  const { colour } = newConductor(graph, leg.a, leg.b, { id, leg: along, nodeA: a.node, nodeB: b.node, a: a.n, b: b.n });
  return colour === was ? [] : [{ kind: 'set-conductor-colour', cable: leg.cable.id, conductor: id, colour, was }];
}

/** The aircraft as it is with the leg's wires taken out, so that they do not count as feeding their own ends. */
function withoutLeg({ design }: Graph, { cable, leg }: PortLeg): Graph {
  const conductors = Object.fromEntries(Object.entries(cable.conductors).filter(([, conductor]) => conductor.leg !== leg.id));
  const cables = { ...design.aircraft.cables, [cable.id]: { ...cable, conductors } };
  return graphOf({ ...design, aircraft: { ...design.aircraft, cables } });
}
