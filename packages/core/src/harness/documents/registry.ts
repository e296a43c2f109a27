import type { Graph } from '../../graph/graph.ts';
import { placedItems } from '../../layout/placedItems.ts';
import { asId, type CableId, type ItemId } from '../../model/ids.ts';
import { billOfMaterials } from './billOfMaterials.ts';
import { contactCount } from './contactCount.ts';
import { cutList, wasteChoice } from './cutList.ts';
import type { DocumentKind, DocumentSubject } from './documentKind.ts';
import { balanceSheet, placementSheet } from './layoutSheets.ts';
import { labelSheet } from './labelSheet.ts';
import { linkSheet } from './linkSheet.ts';
import { pinTable } from './pinTable.ts';
import { portCard } from './portCard.ts';
import { radioSheet } from './radioSheet.ts';
import type { Sheet } from './sheet.ts';
import { isWhole, wholeAircraft } from './wholeAircraft.ts';

export type { DocumentChoice, DocumentKind, DocumentSubject } from './documentKind.ts';

/** The controllers of an aircraft. */
export function controllersOf(graph: Graph): readonly DocumentSubject[] {
  return graph.items.filter(({ part }) => part?.kind === 'controller').map(({ item }) => ({ id: item.id, title: item.ref }));
}

/** A document of the whole harness, there as soon as there is a cable. */
function ofHarness(build: (graph: Graph, chosen: Readonly<Record<string, number>>) => Sheet): Pick<DocumentKind, 'subjects' | 'build'> {
  return {
    subjects: (graph) => wholeAircraft(graph, graph.cables.length > 0),
    build: (graph, subject, chosen = {}) => (isWhole(subject) ? build(graph, chosen) : undefined),
  };
}

/** A document of the layout, there as soon as something is placed. */
function ofLayout(build: (graph: Graph) => Sheet): Pick<DocumentKind, 'subjects' | 'build'> {
  return {
    subjects: (graph) => wholeAircraft(graph, placedItems(graph).length > 0),
    build: (graph, subject) => (isWhole(subject) ? build(graph) : undefined),
  };
}

/** Every document of the harness and of the layout. A new one is named here once; pages, CSV, the booklet and the tests that sweep all kinds follow. */
export const harnessDocuments: readonly DocumentKind[] = [
  {
    id: 'port-card',
    title: 'Port card',
    summary: 'Every port of a controller with its three names, what it connects to, protocol and baud rate.',
    subjects: controllersOf,
    build: (graph, subject) => portCard(graph, asId<ItemId>(subject)),
  },
  {
    id: 'links',
    title: 'Link sheet',
    summary: 'Every link hop by hop, with the settings of both ends and how they are set.',
    ...ofHarness(linkSheet),
  },
  {
    id: 'pin-table',
    title: 'Pin table',
    summary: 'One cable to make: pins, labels, colours, gauge and length, end A to end B.',
    subjects: (graph) => graph.cables.map((cable) => ({ id: cable.id, title: cable.tag })),
    build: (graph, subject) => pinTable(graph, asId<CableId>(subject)),
  },
  {
    id: 'cut-list',
    title: 'Cut list',
    summary: 'Wires by gauge and colour with their lengths, and what to buy.',
    choices: [wasteChoice],
    ...ofHarness((graph, chosen) => cutList(graph, chosen[wasteChoice.id] ?? wasteChoice.default)),
  },
  {
    id: 'labels',
    title: 'Labels',
    summary: 'A label for each end of each cable: tag, from, to, and a flag where the pin map is custom.',
    ...ofHarness(labelSheet),
  },
  {
    id: 'contacts',
    title: 'Contacts and housings',
    summary: 'What to buy and crimp, by connector, and what to solder.',
    ...ofHarness(contactCount),
  },
  {
    id: 'bill-of-materials',
    title: 'Bill of materials',
    summary: 'Every part and all wires, with mass.',
    subjects: (graph) => wholeAircraft(graph, graph.items.length > 0),
    build: (graph, subject) => (isWhole(subject) ? billOfMaterials(graph) : undefined),
  },
  {
    id: 'placement',
    title: 'Placement',
    summary: 'Position and orientation of every part, from the nose aft.',
    ...ofLayout(placementSheet),
  },
  {
    id: 'balance',
    title: 'Balance',
    summary: 'Mass and position of every part, the sum, and where the pack balances the aircraft.',
    ...ofLayout(balanceSheet),
  },
  {
    id: 'radios',
    title: 'Radio sheet',
    summary: 'Every radio with its antenna, its range, and interference from the others.',
    ...ofLayout(radioSheet),
  },
];
