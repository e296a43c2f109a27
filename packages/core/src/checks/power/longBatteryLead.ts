import { against, quantity } from '../../text/numbers.ts';
import { circuitNode, groupOf, membersOf, type Graph } from '../../graph/graph.ts';
import { ASSUMED_LENGTH_MM } from '../../power/network/wireOhm.ts';
import { conductorLengthMm } from '../../harness/wireFacts.ts';
import type { Check, Saying } from '../finding.ts';
import { leadCapacitance } from '../../power/conditioning/leadCapacitance.ts';
import { leadCapacitorRemedies } from './remedies/conditioner.ts';

/** What a motor controller and its pack come with together, and what may be added without a capacitor. */
const DELIVERED_MM = 200;
const ALLOWED_MM = 200;

/** A motor controller far from its pack, without the capacitors that the long lead needs. */
export const longBatteryLead: Check = {
  id: 'power.long-battery-lead',
  stage: 'power',
  title: 'A long lead from pack to motor controller',
  run: ({ graph }) => {
    const drives = graph.items.flatMap(({ part }, item) => (part?.circuit.some(({ is }) => is === 'drive') === true ? [item] : []));
    const ways = drives.length === 0 ? new Map<number, readonly Way[]>() : supplyWays(graph);
    return drives.flatMap((item) => longLead(graph, ways, item));
  },
};

function longLead(graph: Graph, ways: ReadonlyMap<number, readonly Way[]>, item: number): Saying[] {
  const entry = graph.items[item];
  const drive = entry?.part?.circuit.find((element) => element.is === 'drive');
  if (entry === undefined || drive?.is !== 'drive') return [];
  const plus = circuitNode(graph, item, drive.plus);
  const lengthMm = plus === undefined ? undefined : lengthToPackMm(graph, ways, plus);
  if (plus === undefined || lengthMm === undefined) return [];
  const addedMm = lengthMm - DELIVERED_MM;
  const needed = leadCapacitance(addedMm);
  const fitted = microfaradAt(graph, plus);
  if (addedMm <= ALLOWED_MM || fitted >= needed.microfarad) return [];
  const { ref } = entry.item;
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${ref} is ${quantity(lengthMm, 'mm')} of wire away from its pack, ${quantity(addedMm, 'mm')} more than it came with.`,
      evidence: [
        { label: 'pack to controller', ...against(lengthMm, DELIVERED_MM + ALLOWED_MM, 'mm') },
        { label: 'capacitance at the controller', ...against(fitted, needed.microfarad, 'uF') },
      ],
      why: 'The inductance of the lead throws voltage peaks at the switches of the controller with every pulse, and in time kills it. Longer motor leads do no harm.',
      remedies: () => leadCapacitorRemedies(graph, item, needed.microfarad - fitted),
    },
  ];
}

/** The shortest way of supply wire from a node up to a pack, in millimetres; undefined where no pack is reached. */
function lengthToPackMm(graph: Graph, ways: ReadonlyMap<number, readonly Way[]>, from: number): number | undefined {
  const packs = new Set<number>();
  graph.items.forEach(({ part }, item) => {
    for (const element of part?.circuit ?? []) if (element.is === 'battery') packs.add(circuitNode(graph, item, element.plus) ?? -1);
  });
  const best = new Map<number, number>([[from, 0]]);
  const open = [from];
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    const here = best.get(node) ?? 0;
    for (const { to, mm } of ways.get(node) ?? []) {
      if ((best.get(to) ?? Infinity) <= here + mm) continue;
      best.set(to, here + mm);
      open.push(to);
    }
  }
  const found = [...packs].flatMap((pack) => best.get(pack) ?? []);
  return found.length === 0 ? undefined : Math.min(...found);
}

interface Way {
  readonly to: number;
  readonly mm: number;
}

function supplyWays(graph: Graph): ReadonlyMap<number, readonly Way[]> {
  const near = new Map<number, Way[]>();
  const add = (a: number, b: number, mm: number): void => {
    near.set(a, [...(near.get(a) ?? []), { to: b, mm }]);
    near.set(b, [...(near.get(b) ?? []), { to: a, mm }]);
  };
  for (const edge of graph.edges) {
    if (edge.is === 'conductor') {
      const cable = graph.cables[edge.cable];
      add(edge.a, edge.b, cable === undefined ? 0 : (conductorLengthMm(graph, cable, edge.conductor) ?? ASSUMED_LENGTH_MM));
    } else if (edge.is === 'contact' || edge.is === 'mate' || ['link', 'sense', 'switch', 'limiter'].includes(edge.element.is))
      add(edge.a, edge.b, 0);
  }
  return near;
}

/** The capacitors that hang directly at a node's net. */
function microfaradAt(graph: Graph, node: number): number {
  const reach = new Set(membersOf(graph.nets, groupOf(graph.nets, node)));
  return graph.items.reduce(
    (sum, { part }, item) =>
      sum +
      (part?.circuit ?? []).reduce(
        (own, element) =>
          own + (element.is === 'capacitor' && reach.has(circuitNode(graph, item, element.a) ?? -1) ? element.microfarad : 0),
        0,
      ),
    0,
  );
}
