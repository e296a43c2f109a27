import { mateName, mateOffset, portIn, proposeMate, type Graph, type PortAt } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `mate pwr1 stack > fc2 servos`: puts one item on another without a cable, where their ports go together. */
export const mateCommand: EntryCommand = {
  id: 'mate',
  example: 'mate pwr1 > fc2',
  suggest: (text, { graph }) => {
    const [, left, right = ''] = /^mate\s+([^>]*)(?:>(.*))?$/i.exec(text.trim()) ?? [];
    // Each port of a large aircraft with each other one would keep the keyboard waiting.
    if (left === undefined || left.trim() === '') return [];
    return portsNamed(graph, left).flatMap((a) =>
      portsNamed(graph, right).flatMap((b): Suggestion[] => {
        const proposal = proposeMate(graph, a, b);
        if (proposal === undefined) return [];
        const { positions } = a.port.connector;
        const first = 1 + mateOffset(proposal.mate);
        const isOverSome = positions < b.port.connector.positions;
        const seat = isOverSome ? `, over pins ${first} to ${first + positions - 1}` : '';
        return [
          {
            text: `mate ${a.ref} ${a.port.label} > ${b.ref} ${b.port.label}`,
            effect: `mounts ${a.ref} on ${b.ref}${seat}: ${positions} pins meet, without a cable`,
            action: { is: 'edit', edit: { kind: 'add-mate', mate: proposal.mate } },
          },
        ];
      }),
    );
  },
};

/** `separate pwr1`: separates an item from another that it sits on. */
export const partCommand: EntryCommand = {
  id: 'separate',
  example: 'separate pwr1 fc2',
  suggest: (text, { graph }) => {
    const [, typed] = /^separate\s+(.*)$/i.exec(text.trim()) ?? [];
    if (typed === undefined) return [];
    const words = typed.toLowerCase().split(/\s+/);
    return Object.values(graph.design.aircraft.mates).flatMap((mate): Suggestion[] => {
      const name = mateName(graph.design, mate);
      const own = name.toLowerCase().split(' ');
      if (!words.every((word) => own.some((part) => part.startsWith(word)))) return [];
      return [
        {
          text: `separate ${name}`,
          effect: 'separates the two',
          action: { is: 'edit', edit: { kind: 'remove-mate', mate: mate.id } },
        },
      ];
    });
  },
};

function portsNamed(graph: Graph, typed: string): readonly PortAt[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  return graph.items.flatMap(({ item, part }, ix) =>
    (part?.ports ?? []).flatMap((port) => {
      const own = `${item.ref} ${port.label} ${port.id}`.toLowerCase().split(' ');
      const isMeant = words.every((word) => own.some((text) => text.startsWith(word)));
      return isMeant ? (portIn(graph, ix, port.id) ?? []) : [];
    }),
  );
}
