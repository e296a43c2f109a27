import type { Graph } from '../../graph/graph.ts';
import { asId, type CableId, type ItemId } from '../../model/ids.ts';
import { pinTable } from './pinTable.ts';
import { portCard } from './portCard.ts';
import type { Sheet } from './sheet.ts';

/** Something that a document can be made of. */
export interface DocumentSubject {
  readonly id: string;
  readonly title: string;
}

/** One kind of document: what it can be made of, and how. */
export interface DocumentKind {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly subjects: (graph: Graph) => readonly DocumentSubject[];
  readonly build: (graph: Graph, subject: string) => Sheet | undefined;
}

/** Every kind of document. A new one is named here once; pages, CSV and the tests that sweep all kinds follow. */
export const documentKinds: readonly DocumentKind[] = [
  {
    id: 'port-card',
    title: 'Port card',
    summary: 'Every port of a controller with its three names, what is on it, protocol and baud.',
    subjects: (graph) =>
      graph.items.filter(({ part }) => part?.kind === 'controller').map(({ item }) => ({ id: item.id, title: item.ref })),
    build: (graph, subject) => portCard(graph, asId<ItemId>(subject)),
  },
  {
    id: 'pin-table',
    title: 'Pin table',
    summary: 'One cable to make: pins, labels, colours, gauge and length, end A to end B.',
    subjects: (graph) => graph.cables.map((cable) => ({ id: cable.id, title: cable.tag })),
    build: (graph, subject) => pinTable(graph, asId<CableId>(subject)),
  },
];
