import {
  freeOffsets,
  isPinRow,
  nodeNames,
  plugGoesOnto,
  portIn,
  portPlace,
  type Cable,
  type CableEnd,
  type CableEndAt,
  type Graph,
} from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `plug w07 > fc1 s4`: puts the free end of a cable into a port; what fits comes first. `plug w07 > fc1 servos.4`: from pin 4 of a row on. */
export const plugCommand: EntryCommand = {
  id: 'plug',
  example: 'plug w07 > fc1 s4',
  suggest: (text, { graph }) => {
    const [, tag, typed = ''] = /^plug\s+(w\d*)\s*(?:>\s*(.*))?$/i.exec(text.trim()) ?? [];
    if (tag === undefined) return [];
    const [, place = '', pin] = /^(.*?)(?:\.(\d{1,2}))?$/.exec(typed) ?? [];
    const words = place
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const ends = cablesNamed(graph, tag).flatMap((cable) => endsOf(cable, (at) => at.is === 'free').map((end) => ({ cable, end })));
    return ends
      .flatMap(({ cable, end }) =>
        places(graph, words).map((to) => plug(graph, cable, end, to, pin === undefined ? undefined : Number(pin))),
      )
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
            effect: `unplugs it from ${name}; the cable stays, with a free end`,
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

function plug(graph: Graph, cable: Cable, end: CableEnd, { item, port }: ReturnType<typeof places>[number], pin: number | undefined) {
  const { positions } = end.connector;
  const whole = portIn(graph, graph.itemIx.get(item.id) ?? -1, port.id);
  const [free = 0] = whole === undefined ? [] : freeOffsets(graph, whole, positions);
  const offset = pin === undefined ? free : Math.max(0, pin - 1);
  const fits = plugGoesOnto(end.connector, port.connector);
  const isOverSome = isPinRow(port.connector) && positions < port.connector.positions;
  const name = `${item.ref} ${port.label}${isOverSome ? `.${offset + 1}` : ''}`;
  const seat = isOverSome ? `, over ${positions === 1 ? `pin ${offset + 1}` : `pins ${offset + 1} to ${offset + positions}`}` : '';
  const suggestion: Suggestion = {
    text: `plug ${cable.tag} > ${name}`,
    effect: `plugs its free end into ${item.ref} ${port.label}${seat}${fits ? '' : ', which it does not fit'}`,
    action: {
      is: 'edit',
      edit: { kind: 'set-cable-end', cable: cable.id, node: end.id, at: portPlace(item.id, port.id, offset), was: end.at },
    },
  };
  return { fits, suggestion };
}
