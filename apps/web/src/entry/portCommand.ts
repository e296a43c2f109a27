import { paths } from '../addresses/paths.ts';
import type { EntryCommand } from './suggestion.ts';

/** `solve ports`: which port each link takes. */
export const portCommand: EntryCommand = {
  id: 'solve-ports',
  example: 'solve ports',
  suggest: (text, { aircraft }) => {
    const typed = text.trim().toLowerCase();
    if (typed.length < 2 || !'solve ports'.startsWith(typed)) return [];
    return [{ text: 'solve ports', effect: 'plans a port for each link', action: { is: 'go', to: paths.ports(aircraft) } }];
  },
};
