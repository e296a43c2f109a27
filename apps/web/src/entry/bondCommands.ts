import { proposeBonds, type BondProposal } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `bond radio1 radio2`: two radios that are meant to hear one another. */
export const bondCommand: EntryCommand = {
  id: 'bond',
  example: 'bond radio1 radio2',
  suggest: (text, { graph }) => {
    const [, first, second = ''] = /^bond\s+(\S+)(?:\s+(?:with\s+)?(.*))?$/i.exec(text.trim()) ?? [];
    if (first === undefined) return [];
    const named = graph.items.filter(({ item }) => item.ref.toLowerCase().startsWith(first.toLowerCase()));
    const proposals = named.flatMap(({ item }) => proposeBonds(graph, item.id));
    return proposals.filter(({ b }) => b.entry.item.ref.toLowerCase().startsWith(second.trim().toLowerCase())).map(suggestionFor);
  },
};

function suggestionFor({ a, b, bond, facets, fits }: BondProposal): Suggestion {
  const apart = facets.filter(({ verdict }) => verdict === 'differ').map(({ title }) => title);
  const effect = !fits
    ? `bonds them, and they cannot hear one another: ${apart.join(', ')} differs`
    : apart.length === 0
      ? 'bonds them: they hear one another as they are set'
      : `bonds them; still apart: ${apart.join(', ')}`;
  return {
    text: `bond ${a.entry.item.ref} ${b.entry.item.ref}`,
    effect,
    action: { is: 'edit', edit: { kind: 'add-bond', bond } },
  };
}

/** `unbond radio1 radio2`: parts two radios. */
export const unbondCommand: EntryCommand = {
  id: 'unbond',
  example: 'unbond radio1 radio2',
  suggest: (text, { graph: { design } }) => {
    const [, typed] = /^unbond\s+(.*)$/i.exec(text.trim()) ?? [];
    if (typed === undefined) return [];
    const words = typed.toLowerCase().split(/\s+/);
    return Object.values(design.aircraft.bonds).flatMap(({ id, a, b }): Suggestion[] => {
      const refs = [a, b].map(({ item }) => design.aircraft.items[item]?.ref ?? '?');
      const isMeant = words.every((word) => refs.some((ref) => ref.toLowerCase().startsWith(word)));
      if (!isMeant) return [];
      return [
        {
          text: `unbond ${refs.join(' ')}`,
          effect: 'parts the two radios',
          action: { is: 'edit', edit: { kind: 'remove-bond', bond: id } },
        },
      ];
    });
  },
};
