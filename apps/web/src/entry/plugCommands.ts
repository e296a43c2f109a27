import { connectorsMate, nodeNames, type Cable, type CableEnd, type CableEndAt, type Graph } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `plug w07 > fc1 s4`: puts the free end of a cable into a port; what fits comes first. */
export const plugCommand: EntryCommand = {
  id: 'plug',
  example: 'plug w07 > fc1 s4',
  suggest: (text, { graph }) => {
    const [, tag, place = ''] = /^plug\s+(w\d*)\s*(?:>\s*(.*))?$/i.exec(text.trim()) ?? [];
    if (tag === undefined) return [];
    const words = place
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const ends = cablesNamed(graph, tag).flatMap((cable) => endsOf(cable, (at) => at.is === 'free').map((end) => ({ cable, end })));
    return ends
      .flatMap(({ cable, end }) => places(graph, words).map((to) => plug(cable, end, to)))
      .sort((x, y) => Number(y.fits) - Number(x.fits))
      .map(({ suggestion }) => suggestion);
  },
};

/** `unplug w07 fc1`: takes an end of a cable out of its port. */
export const unplugCommand: EntryCommand = {
  id: 'unplug',
  example: 'unplug w07 fc1',
  suggest: (text, { graph }) => {
    const [, tag, place = ''] = /^unplug\s+(w\d*)\s*(.*)$/i.exec(text.trim()) ?? [];
    if (tag === undefined) return [];
    return cablesNamed(graph, tag).flatMap((cable) =>
      endsOf(cable, (at) => at.is !== 'free').flatMap((end): Suggestion[] => {
        const name = nodeNames(graph, cable).get(end.id) ?? '?';
        if (!name.toLowerCase().startsWith(place.trim().toLowerCase())) return [];
        return [
          {
            text: `unplug ${cable.tag} ${name}`,
            effect: `takes the plug out of ${name}; the cable stays with a free end`,
            action: { is: 'edit', edit: { kind: 'set-cable-end', cable: cable.id, node: end.id, at: { is: 'free' }, was: end.at } },
          },
        ];
      }),
    );
  },
};

function cablesNamed(graph: Graph, tag: string): readonly Cable[] {
  return graph.cables.filter((cable) => cable.tag.toLowerCase().startsWith(tag.toLowerCase()));
}

function endsOf(cable: Cable, isMeant: (at: CableEndAt) => boolean): readonly CableEnd[] {
  return Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end' && isMeant(node.at));
}

function places(graph: Graph, words: readonly string[]) {
  return graph.items.flatMap(({ item, part }) =>
    (part?.ports ?? [])
      .filter((port) => {
        const own = `${item.ref} ${port.label} ${port.id}`.toLowerCase().split(' ');
        return words.every((word) => own.some((part) => part.startsWith(word)));
      })
      .map((port) => ({ item, port })),
  );
}

function plug(cable: Cable, end: CableEnd, { item, port }: ReturnType<typeof places>[number]) {
  const fits = connectorsMate(end.connector, port.connector);
  const at = { is: 'port', item: item.id, port: port.id } as const;
  const suggestion: Suggestion = {
    text: `plug ${cable.tag} > ${item.ref} ${port.label}`,
    effect: fits
      ? `plugs its free end into ${item.ref} ${port.label}`
      : `plugs its free end into ${item.ref} ${port.label}, which it does not fit`,
    action: { is: 'edit', edit: { kind: 'set-cable-end', cable: cable.id, node: end.id, at, was: end.at } },
  };
  return { fits, suggestion };
}
