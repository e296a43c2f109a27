import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { cablesAtPin } from '../../graph/cableJoins.ts';
import { namesDiffer, portNamesOf } from '../../links/portNames.ts';
import { endpointPins } from '../../model/endpointPins.ts';
import type { ItemId } from '../../model/ids.ts';
import type { UartEndpoint } from '../../model/part.ts';
import { portOfEnd } from '../../links/serialHops.ts';
import type { Check, Subject } from '../finding.ts';

/** Wired serial ports that have three different names. One note an aircraft. */
export const portNames: Check = {
  id: 'link.port-names',
  stage: 'links',
  title: 'Three names for one port',
  leftToPeople: 'nothing is wrong; it is good to know',
  run: ({ graph }) => {
    const rows = graph.items.flatMap((entry) => differingNames(graph, entry));
    if (rows.length === 0) return [];
    return [
      {
        severity: 'note',
        where: rows.map(({ subject }) => subject),
        what: `${rows.length === 1 ? 'One wired port has' : `${rows.length} wired ports have`} different numbers on the board, in the chip and in the firmware: ${rows.map(({ name }) => name).join(', ')}.`,
        evidence: rows.map(({ name, text }) => ({ label: name, value: text })),
        why: 'The label says where to plug, the firmware number what to configure; confusing the two configures the wrong port.',
      },
    ];
  },
};

/** True where a plug is over a pin of an endpoint. */
function isPlugged(graph: Graph, item: ItemId, endpoint: UartEndpoint): boolean {
  return endpointPins(endpoint).some((pin) => {
    const dot = pin.lastIndexOf('.');
    return cablesAtPin(graph, item, pin.slice(0, dot), Number(pin.slice(dot + 1))).length > 0;
  });
}

function subjectOf(entry: GraphItem, endpoint: UartEndpoint): Subject {
  return { is: 'port', item: entry.item.id, port: portOfEnd({ item: -1, entry, endpoint }) };
}

function differingNames(graph: Graph, entry: GraphItem): { subject: Subject; name: string; text: string }[] {
  const { item, part } = entry;
  if (part?.kind !== 'controller') return [];
  return portNamesOf(part, dialectOf(graph.design))
    .filter(namesDiffer)
    .map((names) => ({ names, subject: subjectOf(entry, names.endpoint) }))
    .filter(({ names }) => isPlugged(graph, item.id, names.endpoint))
    .map(({ names, subject }) => ({
      subject,
      name: `${item.ref} ${names.label}`,
      text: `chip ${names.chip ?? 'software'}, firmware port ${names.firmware ?? 'unknown'}`,
    }));
}
