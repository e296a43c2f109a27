import { portAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, NodePin } from '../../model/aircraft.ts';
import { listed } from '../../text/lists.ts';
import { placeIn, wireKey } from './cablePlaces.ts';

/** Ends that get another plug, and wires that were in other cables. */
export interface Known {
  readonly refitted: ReadonlySet<string>;
  readonly merged: ReadonlySet<string>;
}

/** What is done to single contacts: wires that move, come and go. Where a plug is new, all of its wires are fitted anyway. */
export function wireSteps(before: Graph, after: Graph, was: Cable, now: Cable, { refitted, merged }: Known): string[] {
  const steps: string[] = [];
  for (const wire of Object.values(was.conductors)) {
    const same = now.conductors[wire.id];
    if (same === undefined) {
      const ends = [wire.a, wire.b].filter((at) => was.nodes[at.node]?.is === 'end' && now.nodes[at.node] !== undefined);
      if (ends.length > 0) steps.push(`Remove the ${wire.colour} wire from ${listed(ends.map((at) => nameOf(before, was, at)))}.`);
      continue;
    }
    if (same.awg !== wire.awg)
      steps.push(`Replace the ${wire.colour} wire at ${nameOf(after, now, same.a)}: AWG ${same.awg} instead of AWG ${wire.awg}.`);
    for (const side of ['a', 'b'] as const) {
      const [from, to] = [wire[side], same[side]];
      if (from.node === to.node && from.n !== to.n && !refitted.has(to.node))
        steps.push(`Move the ${wire.colour} wire from contact ${from.n} to ${nameOf(after, now, to)}.`);
      if (from.node === to.node && refitted.has(to.node))
        steps.push(
          `${isPads(now, to) ? 'Solder' : 'Put'} the ${wire.colour} wire ${isPads(now, to) ? 'to' : 'into'} ${nameOf(after, now, to)}.`,
        );
    }
  }
  for (const wire of Object.values(now.conductors)) {
    if (was.conductors[wire.id] !== undefined || merged.has(wireKey(now, wire))) continue;
    steps.push(`Add a ${wire.colour} wire, AWG ${wire.awg}, from ${nameOf(after, now, wire.a)} to ${nameOf(after, now, wire.b)}.`);
  }
  return steps;
}

function isPads({ nodes }: Cable, { node }: NodePin): boolean {
  const end = nodes[node];
  return end?.is === 'end' && end.connector.gender === 'pads';
}

/** A contact as it is found at the board: `FC1 pos E contact 3 (RX)`. */
function nameOf(graph: Graph, cable: Cable, at: NodePin): string {
  const end = cable.nodes[at.node];
  if (end?.is !== 'end') return 'a splice';
  const port = portAt(graph, end)?.port;
  const label = port?.pins.find(({ n }) => n === at.n)?.label;
  const contact = `${isPads(cable, at) ? 'pad' : 'contact'} ${at.n}`;
  return `${placeIn(graph, end) ?? 'the unplugged end'} ${contact}${label === undefined ? '' : ` (${label})`}`;
}
