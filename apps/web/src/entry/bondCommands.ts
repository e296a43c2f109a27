import { proposeBonds, type BondProposal } from '@wired-falcon/core';
import type { EntryCommand, Suggestion } from './suggestion.ts';

/** `pair radio1 radio2`: two radios that are meant to hear one another. */
export const bondCommand: EntryCommand = {
  id: 'pair',
  example: 'pair radio1 radio2',
  suggest: (text, { graph }) => {
    const [, first, second = ''] = /^pair\s+(\S+)(?:\s+(?:with\s+)?(.*))?$/i.exec(text.trim()) ?? [];
    if (first === undefined) return [];
    const named = graph.items.filter(({ item }) => item.ref.toLowerCase().startsWith(first.toLowerCase()));
    const proposals = named.flatMap(({ item }) => proposeBonds(graph, item.id));
    return proposals.filter(({ b }) => b.entry.item.ref.toLowerCase().startsWith(second.trim().toLowerCase())).map(suggestionFor);
  },
};

function suggestionFor({ a, b, bond, facets, fits }: BondProposal): Suggestion {
  const apart = facets.filter(({ verdict }) => verdict === 'differ').map(({ title }) => title);
  const effect = !fits
    ? `pairs them, but they cannot link: ${apart.join(', ')} differs`
    : apart.length === 0
      ? 'pairs them: their settings match'
      : `pairs them; still different: ${apart.join(', ')}`;
  return {
    text: `pair ${a.entry.item.ref} ${b.entry.item.ref}`,
    effect,
    action: { is: 'edit', edit: { kind: 'add-bond', bond } },
  };
}

/** `unpair radio1 radio2`: unpairs two radios. */
export const unbondCommand: EntryCommand = {
  id: 'unpair',
  example: 'unpair radio1 radio2',
  suggest: (text, { graph: { design } }) => {
    const [, typed] = /^unpair\s+(.*)$/i.exec(text.trim()) ?? [];
    if (typed === undefined) return [];
    const words = typed.toLowerCase().split(/\s+/);
    return Object.values(design.aircraft.bonds).flatMap(({ id, a, b }): Suggestion[] => {
      const refs = [a, b].map(({ item }) => design.aircraft.items[item]?.ref ?? '?');
      const isMeant = words.every((word) => refs.some((ref) => ref.toLowerCase().startsWith(word)));
      if (!isMeant) return [];
      return [
        {
          text: `unpair ${refs.join(' ')}`,
          effect: 'unpairs the two radios',
          action: { is: 'edit', edit: { kind: 'remove-bond', bond: id } },
        },
      ];
    });
  },
};
