import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { isPortJoined } from '../../graph/matesAt.ts';
import { joinPins } from '../../harness/pinLeg.ts';
import { runsOf } from '../../harness/runs.ts';
import { listed } from '../../text/lists.ts';
import { findPin, type FoundPin } from '../../harness/joinVerdict.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** A motor whose leads are not all joined, though it is wired. */
export const openPhase: Check = {
  id: 'wire.open-phase',
  stage: 'wiring',
  title: 'Motor phase open',
  run: ({ graph }) => graph.items.flatMap((_, item) => openPhases(graph, item)),
};

function openPhases(graph: Graph, itemIx: number): Saying[] {
  const entry = graph.items[itemIx];
  const phases = entry?.part?.circuit.flatMap((element) => (element.is === 'motor' ? element.phases : [])) ?? [];
  if (entry === undefined) return [];
  const pins = phases.flatMap((address) => pinAt(graph, itemIx, address) ?? []);
  // Not plugged in yet is not wrong.
  if (!pins.some(({ port }) => isPortJoined(graph, entry.item.id, port.id))) return [];
  const open = pins.filter(({ node }) => !reachesPhase(graph, itemIx, node));
  const [first] = open;
  if (first === undefined) return [];
  const { ref } = entry.item;
  return [
    {
      severity: 'stop',
      where: open.map(({ port, pin }) => ({ is: 'pin', item: entry.item.id, port: port.id, n: pin.n })),
      what: `${ref} cannot turn: ${open.length === 1 ? 'phase' : 'phases'} ${listed(open.map(({ pin }) => pin.label))} ${open.length === 1 ? 'is' : 'are'} open.`,
      evidence: [{ label: `leads of ${ref} connected`, value: String(pins.length - open.length), limit: String(pins.length) }],
      why: 'A motor with an open phase twitches or hums in place; motor and controller burn out if the throttle is held.',
      remedies: () => (open.length === 1 ? joinLead(graph, first) : []),
    },
  ];
}

function pinAt(graph: Graph, itemIx: number, address: string): FoundPin | undefined {
  const node = circuitNode(graph, itemIx, address);
  const at = node === undefined ? undefined : graph.nodes[node];
  const ref = graph.items[itemIx]?.item.ref;
  return node === undefined || at?.is !== 'pin' || ref === undefined ? undefined : { itemIx, ref, port: at.port, pin: at.pin, node };
}

function reachesPhase(graph: Graph, itemIx: number, node: number): boolean {
  return pinsOf(graph, graph.wires, groupOf(graph.wires, node)).some(({ at }) => at.item !== itemIx && at.pin.role === 'phase');
}

/** A wire from the open lead to the phase of the controller that no other is on. */
function joinLead(graph: Graph, open: FoundPin): readonly Remedy[] {
  return runsOf(graph).flatMap(({ leg, name }): Remedy[] => {
    const atA = leg?.a.item === open.itemIx && leg.a.port.id === open.port.id;
    const atB = leg?.b.item === open.itemIx && leg.b.port.id === open.port.id;
    if (leg === undefined || atA === atB) return [];
    const [own, other] = atA ? [leg.a, leg.b] : [leg.b, leg.a];
    const contact = own.port.pins.find(({ label, role }) => label === open.pin.label && role === 'phase')?.n;
    const free = other.port.pins.find(({ n, role }) => {
      const found = findPin(graph, { item: other.itemId, port: other.port.id, n });
      return role === 'phase' && found !== undefined && !reachesPhase(graph, other.item, found.node);
    });
    if (contact === undefined || free === undefined) return [];
    return [
      {
        label: 'Add the wire',
        sentence: `Add a wire to ${name}, from ${open.pin.label} of ${open.ref} to ${free.label} of ${other.ref}.`,
        edit: atA ? joinPins(graph, leg, contact, free.n) : joinPins(graph, leg, free.n, contact),
      },
    ];
  });
}
