import { chainsOf, LINKS } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import type { EntryCommand } from './suggestion.ts';

/** `chain gnss1`: the links of an item from end to end. */
export const chainCommand: EntryCommand = {
  id: 'chain',
  example: 'chain gnss1',
  suggest: (text, { graph, aircraft }) => {
    const typed = /^chain(?:\s+(.*))?$/i.exec(text.trim());
    if (typed === null) return [];
    const wanted = (typed[1] ?? '').toLowerCase();
    const chains = chainsOf(graph);
    return graph.items.flatMap(({ item }, ix) => {
      const own = chains.filter((chain) => chain.item === ix);
      if (own.length === 0 || !item.ref.toLowerCase().startsWith(wanted)) return [];
      const effect = `shows ${own.map(({ kind }) => LINKS[kind.id]).join(', ')} from end to end`;
      return [
        {
          text: `chain ${item.ref}`,
          effect,
          action: { is: 'select', selection: { is: 'item', item: item.id }, to: paths.links(aircraft) },
        },
      ];
    });
  },
};
