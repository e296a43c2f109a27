import { portChoices } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `gnss1 on s4`: keeps the links of an item on a port, whatever else would be better. */
export const onPortCommand: EntryCommand = {
  id: 'on-port',
  example: 'gnss1 on s4',
  suggest: (text, { graph, aircraft }) => {
    const [, ref = '', port = ''] = /^\s*(\S+)\s+on\s+(.*)$/i.exec(text) ?? [];
    const item = graph.items.find((entry) => entry.item.ref.toLowerCase() === ref.toLowerCase())?.item;
    if (item === undefined || ref === '') return [];
    return portChoices(graph, item.id, port)
      .toSorted((a, b) => Number(a.edit === undefined) - Number(b.edit === undefined))
      .slice(0, 12)
      .map(({ title, links, edit, why }): Suggestion => ({
        text: `${item.ref} on ${title}`,
        effect: edit === undefined ? `cannot be there: ${why ?? ''}` : `fixes ${links.join(', ')} there when ports are planned`,
        action: edit === undefined ? undefined : { is: 'edit', edit, to: paths.ports(aircraft) },
      }));
  },
};
