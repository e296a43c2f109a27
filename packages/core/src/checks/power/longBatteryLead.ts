import { against, quantity } from '../../text/numbers.ts';
import { circuitNode, type Graph } from '../../graph/graph.ts';
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
  title: 'Long lead from pack to motor controller',
  run: ({ graph }) => {
    const drives = graph.items.flatMap(({ part }, item) => (part?.circuit.some(({ is }) => is === 'drive') === true ? [item] : []));
    const ways = drives.length === 0 ? new Map<number, readonly Way[]>() : supplyWays(graph);
    const leads = drives.flatMap((item) => leadOf(graph, ways, item) ?? []);
    return leads.flatMap((lead) => longLead(graph, leads, lead));
  },
};

/** A motor controller with what is how far away from its plus by supply wires, in millimetres, by node of the graph. */
interface Lead {
  readonly item: number;
  readonly mmTo: ReadonlyMap<number, number>;
}

function leadOf(graph: Graph, ways: ReadonlyMap<number, readonly Way[]>, item: number): Lead | undefined {
  const drive = graph.items[item]?.part?.circuit.find((element) => element.is === 'drive');
  const plus = drive?.is === 'drive' ? circuitNode(graph, item, drive.plus) : undefined;
  return plus === undefined ? undefined : { item, mmTo: lengthsFrom(ways, plus) };
}

function longLead(graph: Graph, leads: readonly Lead[], lead: Lead): Saying[] {
  const { item, mmTo } = lead;
  const entry = graph.items[item];
  const lengthMm = lengthToPackMm(graph, mmTo);
  if (entry === undefined || lengthMm === undefined) return [];
  const addedMm = lengthMm - DELIVERED_MM;
  const needed = leadCapacitance(addedMm);
  const fitted = microfaradAt(graph, leads, lead);
  if (addedMm <= ALLOWED_MM || fitted >= needed.microfarad) return [];
  const { ref } = entry.item;
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${ref} has ${quantity(lengthMm, 'mm')} of wire to its pack, ${quantity(addedMm, 'mm')} more than it is supplied with.`,
      evidence: [
        { label: 'pack to controller', ...against(lengthMm, DELIVERED_MM + ALLOWED_MM, 'mm') },
        { label: 'capacitance at the controller', ...against(fitted, needed.microfarad, 'uF') },
      ],
      why: 'The inductance of the lead causes voltage spikes at the transistors of the controller with every pulse, and destroys it in time. Longer motor leads do no harm.',
      remedies: () => leadCapacitorRemedies(graph, item, needed.microfarad - fitted),
    },
  ];
}

/** The shortest way of supply wire up to a pack, in millimetres; undefined where no pack is reached. */
function lengthToPackMm(graph: Graph, mmTo: Lead['mmTo']): number | undefined {
  const found = graph.items.flatMap(({ part }, item) =>
    (part?.circuit ?? []).flatMap((element) =>
      element.is === 'battery' ? (mmTo.get(circuitNode(graph, item, element.plus) ?? -1) ?? []) : [],
    ),
  );
  return found.length === 0 ? undefined : Math.min(...found);
}

/** The shortest way of supply wire from a node to each that it reaches. */
function lengthsFrom(ways: ReadonlyMap<number, readonly Way[]>, from: number): Lead['mmTo'] {
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
  return best;
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

/** The capacitors of a controller: those that no other controller is nearer to. On the far side of the wire they quiet nothing. */
function microfaradAt(graph: Graph, leads: readonly Lead[], lead: Lead): number {
  return graph.items.reduce((sum, { part }, item) => {
    const own = (part?.circuit ?? []).flatMap((element) => {
      if (element.is !== 'capacitor') return [];
      const node = circuitNode(graph, item, element.a) ?? -1;
      const mm = lead.mmTo.get(node) ?? Infinity;
      return mm < Infinity && leads.every((other) => (other.mmTo.get(node) ?? Infinity) >= mm) ? [element.microfarad] : [];
    });
    return sum + own.reduce((a, b) => a + b, 0);
  }, 0);
}
