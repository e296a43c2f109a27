import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, connectorFamilies, type Connector } from '../../model/connector.ts';
import type { Sheet } from './sheet.ts';

interface Count {
  readonly connector: Connector;
  shells: number;
  contacts: number;
}

/** Shells and contacts of the whole harness, by family, ways and gender; soldered joints apart. */
export function contactCount(graph: Graph): Sheet {
  const counts = new Map<string, Count>();
  for (const cable of graph.cables) {
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end') continue;
      const { family, positions, gender } = node.connector;
      const key = `${family} ${positions} ${gender}`;
      const count = counts.get(key) ?? { connector: node.connector, shells: 0, contacts: 0 };
      count.shells += 1;
      count.contacts += contactsFitted(cable, node);
      counts.set(key, count);
    }
  }
  const sorted = [...counts.values()].sort(
    (a, b) =>
      connectorFamilies.indexOf(a.connector.family) - connectorFamilies.indexOf(b.connector.family) ||
      a.connector.positions - b.connector.positions ||
      (a.connector.gender < b.connector.gender ? -1 : 1),
  );
  const crimped = sorted.filter(({ connector }) => connector.gender !== 'pads');
  const soldered = sorted.filter(({ connector }) => connector.gender === 'pads');
  const sum = (list: readonly Count[]): number => list.reduce((total, { contacts }) => total + contacts, 0);
  return {
    title: `Contacts and housings ${graph.design.aircraft.name}`,
    subtitle: `${sum(crimped)} contacts, ${sum(soldered)} soldered joints`,
    columns: [
      { title: 'Connector', kind: 'words' },
      { title: 'Ways', kind: 'number' },
      { title: 'Kind', kind: 'words' },
      { title: 'Housings', kind: 'number' },
      { title: 'Contacts', kind: 'number' },
    ],
    rows: sorted.map(({ connector, shells, contacts }) => [
      CONNECTOR_FAMILIES[connector.family].title,
      String(connector.positions),
      connector.gender === 'pads' ? 'soldered' : connector.gender,
      connector.gender === 'pads' ? '' : String(shells),
      String(contacts),
    ]),
    notes: ['Every contact and every joint can fail; fewer is better.'],
    cautions: soldered.length === 0 ? [] : ['Wear eye protection and ventilate when soldering.'],
  };
}

/** The contacts of an end that have a wire and are not pulled. */
export function contactsFitted(cable: Cable, end: CableEnd): number {
  const wired = new Set(Object.values(cable.conductors).flatMap(({ a, b }) => [a, b].filter((at) => at.node === end.id).map((at) => at.n)));
  return [...wired].filter((n) => end.absent?.includes(n) !== true).length;
}
