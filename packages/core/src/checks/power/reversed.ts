import { plainCable } from '../../graph/cableJoins.ts';
import { membersOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import type { Check, Saying, Subject } from '../finding.ts';
import { joinedCables, joinsSupplyToGround, type JoinedCable } from '../helpers/joins.ts';
import { oneOrNone, repinByMeaning } from '../helpers/plainCableRemedies.ts';

/** A supply pin of one part joined to the ground of another. */
export const reversed: Check = {
  id: 'power.reversed',
  stage: 'power',
  title: 'Supply and ground swapped',
  run: ({ graph }) => [...joinedCables(graph).flatMap((cable) => reversedIn(graph, cable)), ...reversedInLooms(graph)],
};

function reversedIn(graph: Graph, { plain, joins }: JoinedCable): Saying[] {
  const wrong = joins.filter(joinsSupplyToGround);
  const first = wrong[0];
  if (first === undefined) return [];
  const [supply, ground] = isSupply(first.a.pin.role) ? [first.a, first.b] : [first.b, first.a];
  return [
    {
      severity: 'stop',
      where: [
        { is: 'cable', cable: plain.cable.id },
        ...wrong.map((join): Subject => ({ is: 'conductor', cable: plain.cable.id, conductor: join.conductor.id })),
      ],
      what: `${plain.cable.tag} joins the supply of ${supply.ref} ${supply.port.label} (pin ${supply.pin.n}) to the ground of ${ground.ref} ${ground.port.label} (pin ${ground.pin.n}).`,
      evidence: wrong.map((join) => ({
        label: `${join.a.ref}.${join.a.pin.n} to ${join.b.ref}.${join.b.pin.n}`,
        value: `${join.a.pin.label} to ${join.b.pin.label}`,
      })),
      why: `The supply is shorted, or ${plain.a.ref} or ${plain.b.ref} is fed the wrong way round and burns. Do not apply power.`,
      remedies: () => oneOrNone(repinByMeaning(graph, plain)),
    },
  ];
}

/** Looms and splices: one piece of copper that holds a supply pin and a ground pin of different parts. */
function reversedInLooms(graph: Graph): Saying[] {
  const sayings: Saying[] = [];
  for (let group = 0; group < graph.wires.count; group++) {
    const loom = loomIn(graph, group);
    if (loom === undefined) continue;
    const pins = pinsOf(graph, graph.wires, group);
    const supply = pins.find(({ at }) => isSupply(at.pin.role));
    const ground = pins.find(({ at }) => at.pin.role === 'gnd' && at.item !== supply?.at.item);
    const [from, to] = [graph.items[supply?.at.item ?? -1], graph.items[ground?.at.item ?? -1]];
    const cable = graph.cables[loom];
    if (supply === undefined || ground === undefined || from === undefined || to === undefined || cable === undefined) continue;
    sayings.push({
      severity: 'stop',
      where: [
        { is: 'cable', cable: cable.id },
        pinSubject(from.item.id, supply.at.port.id, supply.at.pin.n),
        pinSubject(to.item.id, ground.at.port.id, ground.at.pin.n),
      ],
      what: `${cable.tag} joins the supply of ${from.item.ref} ${supply.at.port.label} (pin ${supply.at.pin.n}) to the ground of ${to.item.ref} ${ground.at.port.label} (pin ${ground.at.pin.n}).`,
      evidence: [{ label: 'joined', value: `${supply.at.pin.label} and ${ground.at.pin.label}` }],
      why: 'The supply is shorted or reversed. Do not apply power.',
    });
  }
  return sayings;
}

/** The first cable in a piece of copper that is not plain, so that `reversedIn` did not look at it. */
function loomIn(graph: Graph, group: number): number | undefined {
  for (const node of membersOf(graph.wires, group)) {
    const at = graph.nodes[node];
    if (at?.is !== 'contact' && at?.is !== 'splice') continue;
    const cable = graph.cables[at.cable];
    if (cable !== undefined && plainCable(graph, cable) === undefined) return at.cable;
  }
  return undefined;
}

function pinSubject(item: Extract<Subject, { is: 'pin' }>['item'], port: string, n: number): Subject {
  return { is: 'pin', item, port, n };
}
