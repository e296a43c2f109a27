import type { Graph } from '../../graph/graph.ts';
import { cablesAtPin, portAt } from '../../graph/cableJoins.ts';
import { outputKey } from '../../model/aircraft.ts';
import type { ItemId } from '../../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import type { Sheet } from './sheet.ts';

/** Every output of a controller: its bank, what it can make, what it is for, and what is on it. */
export function outputCard(graph: Graph, itemId: ItemId): Sheet | undefined {
  const entry = graph.items[graph.itemIx.get(itemId) ?? -1];
  const { part, item } = entry ?? {};
  if (part === undefined || item === undefined) return undefined;
  const rows = part.endpoints.flatMap((endpoint): string[][] => {
    if (endpoint.is !== 'pulse-out') return [];
    const dot = endpoint.pin.lastIndexOf('.');
    const [portId, n] = [endpoint.pin.slice(0, dot), Number(endpoint.pin.slice(dot + 1))];
    const port = part.ports.find((candidate) => candidate.id === portId);
    const use = graph.design.aircraft.outputs[outputKey(itemId, endpoint.id)]?.function;
    const cables = cablesAtPin(graph, itemId, portId, n);
    const far = cables.flatMap((cable) =>
      Object.values(cable.nodes).flatMap((node) => {
        const at = node.is === 'end' ? portAt(graph, node) : undefined;
        return at === undefined || at.itemId === itemId ? [] : [`${at.ref} ${at.port.label}`];
      }),
    );
    return [
      [
        port?.label ?? portId,
        endpoint.bank,
        endpoint.kinds.join(', '),
        use === undefined ? '' : OUTPUT_FUNCTIONS[use].title,
        far.join(', '),
        cables.map((cable) => cable.tag).join(', '),
        signalPlace(port?.signalRow, n),
      ],
    ];
  });
  return {
    title: `Output card ${item.ref}`,
    subtitle: part.name,
    columns: [
      { title: 'Output', kind: 'value' },
      { title: 'Bank', kind: 'value' },
      { title: 'Pulses', kind: 'words' },
      { title: 'Function', kind: 'words' },
      { title: 'On it', kind: 'words' },
      { title: 'Cable', kind: 'value' },
      { title: 'Signal pin', kind: 'words' },
    ],
    rows,
    notes: ['Outputs of one bank share pulse kind and rate.'],
    cautions: ['Take the propellers off before any output is tried.'],
  };
}

function signalPlace(row: 'inner' | 'outer' | undefined, n: number): string {
  return row === undefined ? `pin ${n}` : `pin ${n}, ${row} row`;
}
