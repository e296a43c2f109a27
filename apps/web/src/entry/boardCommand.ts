import { partKeyOf } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import { searchParts, wordsOf } from './searchParts.ts';
import type { EntryCommand, Suggestion } from './suggestion.ts';

const BEGINNING = 'move to ';

/** `move to h7 carrier`: plans the change of controller to another board. */
export const boardCommand: EntryCommand = {
  id: 'move-to',
  example: 'move to h7 carrier',
  suggest: (text, { aircraft, parts, design }) => {
    const typed = text.trimStart().toLowerCase();
    if (!typed.startsWith(BEGINNING.trimEnd())) return [];
    const boards = parts.filter((part) => part.kind === 'controller' && design.parts.has(partKeyOf(part)));
    return searchParts(boards, wordsOf(typed.slice(BEGINNING.length)))
      .slice(0, 12)
      .map((part): Suggestion => ({
        text: `${BEGINNING}${part.name.toLowerCase()}`,
        effect: 'plans the change of controller',
        action: { is: 'go', to: paths.boards(aircraft, partKeyOf(part)) },
      }));
  },
};
