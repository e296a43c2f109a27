import { listed } from '../../text/lists.ts';
import { isJoined, isPortJoined } from '../../graph/matesAt.ts';
import type { Graph } from '../../graph/graph.ts';
import { connectorWords } from '../../harness/looms/connectorWords.ts';
import { cableEndName } from '../../harness/looms/nodeNames.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import type { Check, Saying, Subject } from '../finding.ts';

/** An item, or a port that its use needs, that has no cable yet, one note an item; and a cable with an end that is plugged in nowhere. */
export const notWired: Check = {
  id: 'wire.not-wired',
  stage: 'wiring',
  title: 'Not wired yet',
  leftToPeople: 'only a person knows what it is for',
  run: ({ graph }) => [
    ...graph.items.flatMap((_, item) => unwired(graph, item)),
    ...graph.cables.flatMap((cable) => unplugged(graph, cable)),
  ],
};

function unwired(graph: Graph, itemIx: number): Saying[] {
  const entry = graph.items[itemIx];
  // What is on the ground reaches the aircraft through the air, and what is on the bench is joined to it for a while.
  if (entry?.part === undefined || entry.item.where !== 'aircraft') return [];
  const { item, part } = entry;
  const isAlone = !isJoined(graph, itemIx);
  const open = part.ports.filter((port) => port.needed === true && !isPortJoined(graph, item.id, port.id));
  if (!isAlone && open.length === 0) return [];
  const labels = open.map((port) => port.label);
  return [
    {
      severity: 'note',
      where: isAlone ? [{ is: 'item', item: item.id }] : open.map((port): Subject => ({ is: 'port', item: item.id, port: port.id })),
      what: isAlone
        ? `${item.ref} (${part.name}) is not wired yet.`
        : `${item.ref} is wired, and its ${listed(labels)} ${labels.length > 1 ? 'are' : 'is'} not yet.`,
      evidence: [],
      why: isAlone ? 'It has no connection to the rest of the aircraft.' : 'It does not work with this port left open.',
    },
  ];
}

function unplugged(graph: Graph, cable: Cable): Saying[] {
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  const free = ends.filter(({ at }) => at.is === 'free');
  if (free.length === 0) return [];
  const others = ends.filter((end) => !free.includes(end)).map((end) => cableEndName(graph, end));
  const count = free.length === 1 ? 'an unplugged end' : `${free.length} unplugged ends`;
  return [
    {
      severity: 'note',
      where: [{ is: 'cable', cable: cable.id }],
      what: others.length === 0 ? `${cable.tag} is not plugged in anywhere.` : `${cable.tag} at ${listed(others)} has ${count}.`,
      evidence: free.map(({ connector }) => ({ label: 'free end', value: connectorWords(connector) })),
      why: 'It connects nothing, and a loose plug can short against other parts. Plug it in, or remove the cable.',
      discriminator: 'unplugged',
    },
  ];
}
