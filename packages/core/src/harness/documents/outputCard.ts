import { boardOf } from '../../dialects/boardOf.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import { groupOf, membersOf, pinNode, pinsOf, type Graph } from '../../graph/graph.ts';
import { isPassedOn } from '../../graph/passedOn.ts';
import { outputKey } from '../../model/aircraft.ts';
import type { ItemId } from '../../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import type { Sheet } from './sheet.ts';

/** Every output of a controller: its bank, what it can make, what it is for, and what is on it. */
export function outputCard(graph: Graph, itemId: ItemId): Sheet | undefined {
  const entry = graph.items[graph.itemIx.get(itemId) ?? -1];
  const { part, item } = entry ?? {};
  if (part === undefined || item === undefined) return undefined;
  const dialect = dialectOf(graph.design);
  const board = boardOf(dialect, part);
  const rows = part.endpoints.flatMap((endpoint): string[][] => {
    if (endpoint.is !== 'pulse-out') return [];
    const dot = endpoint.pin.lastIndexOf('.');
    const [portId, n] = [endpoint.pin.slice(0, dot), Number(endpoint.pin.slice(dot + 1))];
    const port = part.ports.find((candidate) => candidate.id === portId);
    const use = graph.design.aircraft.outputs[outputKey(itemId, endpoint.id)]?.function;
    const { ports, cables } = reachedFrom(graph, itemId, portId, n);
    return [
      [
        port?.label ?? portId,
        board?.outputs?.[endpoint.id] ?? '',
        endpoint.bank,
        endpoint.kinds.join(', '),
        use === undefined ? '' : OUTPUT_FUNCTIONS[use].title,
        use === undefined ? '' : (dialect?.functions[use]?.code ?? ''),
        ports.join(', '),
        cables.join(', '),
        signalPlace(port?.signalRow, n),
      ],
    ];
  });
  return {
    title: `Output card ${item.ref}`,
    subtitle: part.name,
    columns: [
      { title: 'Output', kind: 'value' },
      { title: 'Firmware output', kind: 'value' },
      { title: 'Bank', kind: 'value' },
      { title: 'Pulses', kind: 'words' },
      { title: 'Function', kind: 'words' },
      { title: 'Function code', kind: 'value' },
      { title: 'On it', kind: 'words' },
      { title: 'Cable', kind: 'value' },
      { title: 'Signal pin', kind: 'words' },
    ],
    rows,
    notes: ['Outputs of one bank share pulse kind and rate.'],
    cautions: ['Take the propellers off before any output is tried.'],
  };
}

/** Where the signal of a pin arrives, also through splices and over a board that sits on the controller; and the cables that carry it. */
function reachedFrom(graph: Graph, itemId: ItemId, port: string, n: number): { readonly ports: string[]; readonly cables: string[] } {
  const node = pinNode(graph, itemId, port, n);
  if (node === undefined) return { ports: [], cables: [] };
  const group = groupOf(graph.wires, node);
  const ports = pinsOf(graph, graph.wires, group).flatMap(({ at }): string[] => {
    const there = graph.items[at.item];
    const isBetween = there?.part !== undefined && isPassedOn(there.part, `${at.port.id}.${at.pin.n}`);
    return there === undefined || there.item.id === itemId || isBetween ? [] : [`${there.item.ref} ${at.port.label}`];
  });
  const cables = [...membersOf(graph.wires, group)].flatMap((member): string[] => {
    const at = graph.nodes[member];
    const tag = at?.is === 'contact' ? graph.cables[at.cable]?.tag : undefined;
    return tag === undefined ? [] : [tag];
  });
  return { ports: [...new Set(ports)], cables: [...new Set(cables)] };
}

function signalPlace(row: 'inner' | 'outer' | undefined, n: number): string {
  return row === undefined ? `pin ${n}` : `pin ${n}, ${row} row`;
}
