import { asId, nextReference, partKeyOf, type ItemId, type Part, type SimpleEdit, listed } from '@wired-falcon/core';
import { searchParts, wordsOf } from './searchParts.ts';
import type { EntryCommand, EntryContext, Suggestion } from './suggestion.ts';

const MOST = 24;

/** `add servo 9g x4`: puts parts into the aircraft. */
export const addCommand: EntryCommand = {
  id: 'add',
  example: 'add servo 9g x4',
  suggest: (text, context) => {
    const typed = /^add(?:\s+(.*))?$/i.exec(text.trim());
    if (typed === null) return [];
    const { words, count } = parse(typed[1] ?? '');
    return searchParts(context.parts, words).map((part) => suggestionFor(part, count, context));
  },
};

function parse(rest: string): { readonly words: readonly string[]; readonly count: number } {
  const [, name = '', digits] = /^(.*?)(?:\s+x(\d{1,2}))?$/i.exec(rest) ?? [];
  return {
    words: wordsOf(name),
    count: Math.min(MOST, Math.max(1, Number(digits ?? 1))),
  };
}

function suggestionFor(part: Part, count: number, context: EntryContext): Suggestion {
  const refs = Array.from({ length: count }, (_, i) => nextReference(context.design.aircraft, part.kind, i));
  return {
    text: `add ${part.name}${count > 1 ? ` x${count}` : ''}`,
    effect: `adds ${refs.length > 2 ? `${refs[0] ?? ''} to ${refs.at(-1) ?? ''}` : listed(refs)}`,
    action: { is: 'edit', edit: addParts(part, refs) },
  };
}

/** The edit that puts a part in under each of these references. Ids are placeholders. */
export function addParts(part: Part, refs: readonly string[]) {
  const edits = refs.map((ref, i): SimpleEdit => ({
    kind: 'add-item',
    item: { id: asId<ItemId>(`?${i + 1}`), ref, part: partKeyOf(part), where: part.usually ?? 'aircraft', settings: {} },
  }));
  const [only] = edits;
  if (edits.length === 1 && only !== undefined) return only;
  return { kind: 'batch', title: `Add ${refs.length} x ${part.name}`, edits } as const;
}
