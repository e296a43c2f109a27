import { LIMITS, stated, type SimpleEdit } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `length w07 120`: types the length of a cable; of a loom, that of each of its legs. */
export const lengthCommand: EntryCommand = {
  id: 'length',
  example: 'length w07 120',
  suggest: (text, { graph }) => {
    const [, tag, digits = ''] = /^length\s+(w\d*)(?:\s+(\S*))?$/i.exec(text.trim()) ?? [];
    if (tag === undefined) return [];
    const mm = Number(digits.replace(',', '.'));
    return graph.cables
      .filter((cable) => cable.tag.toLowerCase().startsWith(tag.toLowerCase()))
      .map((cable): Suggestion => {
        const legs = Object.values(cable.legs);
        const what = `length ${cable.tag}`;
        if (digits === '') return { text: what, effect: 'in mm', action: undefined };
        if (!(mm > 0 && mm <= LIMITS.lengthMmMax))
          return { text: what, effect: `a length is a number of mm, up to ${stated(LIMITS.lengthMmMax, 'mm')}`, action: undefined };
        const edits = legs.map((leg): SimpleEdit => ({
          kind: 'set-leg-length',
          cable: cable.id,
          leg: leg.id,
          lengthMm: mm,
          was: leg.typedLengthMm ?? null,
        }));
        const effect =
          legs.length === 1 ? `sets its length to ${stated(mm, 'mm')}` : `makes each of its ${legs.length} legs ${stated(mm, 'mm')} long`;
        return {
          text: `${what} ${mm}`,
          effect,
          action: { is: 'edit', edit: { kind: 'batch', title: `Set ${cable.tag} to ${stated(mm, 'mm')}`, edits } },
        };
      });
  },
};
