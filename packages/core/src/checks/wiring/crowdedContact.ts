import type { Graph } from '../../graph/graph.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { connectorWords } from '../../harness/looms/connectorWords.ts';
import { nodeNames } from '../../harness/looms/nodeNames.ts';
import { crowdedContacts, spliceContact, wiresAt } from '../../harness/looms/spliceContact.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import { wiresPerContact } from '../../model/connector.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** More wires in one contact than it takes: a crimp holds one. */
export const crowdedContact: Check = {
  id: 'wire.crowded-contact',
  stage: 'wiring',
  title: 'Too many wires in one contact',
  run: ({ graph }) =>
    graph.cables.flatMap((cable) => Object.values(cable.nodes).flatMap((node) => (node.is === 'end' ? crowdedAt(graph, cable, node) : []))),
};

function crowdedAt(graph: Graph, cable: Cable, end: CableEnd): Saying[] {
  const most = wiresPerContact(end.connector);
  const takes = `${most} ${most === 1 ? 'wire' : 'wires'}`;
  const name = nodeNames(graph, cable).get(end.id) ?? '?';
  return crowdedContacts(cable, end).map((n) => {
    const count = wiresAt(cable, { node: end.id, n }).length;
    return {
      severity: 'mend' as const,
      where: [{ is: 'cable' as const, cable: cable.id }, ...portOf(end)],
      what: `Contact ${n} of ${cable.tag} at ${name} holds ${count} wires, and ${most} fit.`,
      evidence: [{ label: connectorWords(end.connector), value: `${count} wires`, limit: takes }],
      why: 'A second wire in a crimp is not held, or the contact does not lock in its housing; one of the two comes loose in flight.',
      discriminator: `${end.id} ${n}`,
      remedies: () => spliced(graph, cable, end, n),
    };
  });
}

function portOf({ at }: CableEnd): Subject[] {
  return at.is === 'port' ? [{ is: 'port', item: at.item, port: at.port }] : [];
}

function spliced(graph: Graph, cable: Cable, end: CableEnd, n: number): Remedy[] {
  const draft = new DraftEdits(graph.design);
  if (!spliceContact(draft, cable.id, { node: end.id, n })) return [];
  return [
    {
      label: 'Splice them',
      sentence: `Run one wire from contact ${n}, and splice the others to it behind the plug. Wear eye protection and ventilate when soldering.`,
      edit: draft.edit(`Splice the wires at contact ${n} of ${cable.tag}`),
    },
  ];
}
