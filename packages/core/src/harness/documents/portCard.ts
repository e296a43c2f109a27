import { dialectOf } from '../../dialects/dialectOf.ts';
import { CONNECTOR_FAMILIES } from '../../model/connector.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { cablesAtPort, portAt } from '../../graph/cableJoins.ts';
import { portNamesOf, type PortNames } from '../../links/portNames.ts';
import { protocols } from '../../links/protocols.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { ItemId } from '../../model/ids.ts';
import type { Port } from '../../model/part.ts';
import { matedNames } from '../matedNames.ts';
import type { Sheet } from './sheet.ts';

/** One page for one controller: every port with its three names, what is on it, and how it is set. */
export function portCard(graph: Graph, itemId: ItemId): Sheet | undefined {
  const entry = graph.items[graph.itemIx.get(itemId) ?? -1];
  if (entry?.part === undefined) return undefined;
  const names = portNamesOf(entry.part, dialectOf(graph.design));
  return {
    title: `Port card ${entry.item.ref}`,
    subtitle: entry.part.name,
    columns: [
      { title: 'Port', kind: 'value' },
      { title: 'Chip UART', kind: 'value' },
      { title: 'Firmware port', kind: 'value' },
      { title: 'Connector', kind: 'words' },
      { title: 'Pins, 1 first', kind: 'value' },
      { title: 'Connected to', kind: 'words' },
      { title: 'Cable', kind: 'value' },
      { title: 'Protocol', kind: 'words' },
      { title: 'Baud', kind: 'number' },
      { title: 'Role, baud code', kind: 'value' },
    ],
    rows: entry.part.ports.map((port) => portRow(graph, entry, port, names)),
    notes: ['Plug by the port label; configure by the firmware port.', 'Sample values: check against the board in your hand.'],
    cautions: ['Fit every antenna before applying power, and remove the propellers for work on the bench.'],
  };
}

function portRow(graph: Graph, entry: GraphItem, port: Port, allNames: readonly PortNames[]): string[] {
  // A row of pins can have several serial ports, a socket has one at most.
  const serials = allNames.filter(({ endpoint }) => [endpoint.rx, endpoint.tx].some((pin) => pin?.startsWith(`${port.id}.`) === true));
  const setups = serials.map(({ endpoint }) => serialSetup(entry.item, endpoint));
  const each = (words: readonly (string | undefined)[]): string =>
    words.every((word) => word === undefined) ? '' : words.map((word) => word ?? '-').join(', ');
  const cables = cablesAtPort(graph, entry.item.id, port.id);
  const far = cables.flatMap((cable) =>
    Object.values(cable.nodes)
      .map((node) => (node.is === 'end' ? portAt(graph, node) : undefined))
      .filter((at) => at !== undefined && at.itemId !== entry.item.id)
      .map((at) => `${at?.ref ?? ''} ${at?.port.label ?? ''}`),
  );
  const family = CONNECTOR_FAMILIES[port.connector.family].title;
  return [
    port.label,
    each(serials.map(({ chip }) => chip ?? 'software')),
    each(serials.map(({ firmware }) => firmware)),
    `${family}, ${port.connector.positions}`,
    port.pins.map((pin) => pin.label).join(' '),
    [...far, ...matedNames(graph, entry.item.id, port.id)].join(', '),
    cables.map((cable) => cable.tag).join(', '),
    each(setups.map((setup) => (setup.protocol === undefined ? undefined : protocols[setup.protocol].title))),
    each(setups.map((setup) => (setup.baud === undefined ? undefined : String(setup.baud)))),
    each(setups.map((setup) => codesOf(dialectOf(graph.design), setup))),
  ];
}

/** What the firmware writes for a port's protocol and baud: `31 60`. The baud of a protocol that fixes it is not written. */
function codesOf(dialect: Dialect | undefined, { protocol, baud }: ReturnType<typeof serialSetup>): string | undefined {
  const role = protocol === undefined ? undefined : dialect?.roles[protocol];
  if (role === undefined) return undefined;
  const pace = role.fixedBaud !== undefined || baud === undefined ? undefined : dialect?.bauds[String(baud)];
  return pace === undefined ? role.code : `${role.code} ${pace}`;
}
