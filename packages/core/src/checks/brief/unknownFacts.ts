import { learnFacts, newerFacts, type Learning } from '../../edits/learnFacts.ts';
import type { Item } from '../../model/aircraft.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Evidence, Subject } from '../finding.ts';

/** So many references stand in the sentence; the others are counted. */
const NAMED = 4;

/** Items of older revisions, whose parts do not state what the newest ones do. One note an aircraft. */
export const unknownFacts: Check = {
  id: 'part.unknown-facts',
  stage: 'brief',
  title: 'Facts that older parts do not state',
  run: ({ graph }) => {
    const lacking = newerFacts(graph.design).filter(({ facts }) => facts.length > 0);
    if (lacking.length === 0) return [];
    const items = lacking.flatMap((each) => each.items);
    const isOne = items.length === 1;
    const facts = [...new Map(lacking.flatMap((each) => each.facts).map((fact) => [fact.id, fact])).values()];
    return [
      {
        severity: 'note',
        where: items.map(({ id }): Subject => ({ is: 'item', item: id })),
        what: `${named(items)} ${isOne ? 'has an older revision of its part, which does' : 'have older revisions of their parts, which do'} not state ${listed(facts.map(({ title }) => title))}.`,
        evidence: lacking.slice(0, 6).map(evidenceOf),
        why: 'What is not stated is unknown: no check uses it, for or against.',
        remedies: () => {
          const { edit } = learnFacts(graph.design);
          if (edit === undefined) return [];
          const sentence = `Make ${isOne ? 'it' : 'them'} the newest revision of ${isOne ? 'its part' : 'their parts'}; no wire, setting or function moves or is lost.`;
          return [{ label: 'Update to newer facts', sentence, edit }];
        },
      },
    ];
  },
};

function named(items: readonly Item[]): string {
  const refs = items.map(({ ref }) => ref);
  const others = refs.length - NAMED;
  return others > 0 ? `${refs.slice(0, NAMED).join(', ')} and ${others} more` : listed(refs);
}

function evidenceOf({ now, items, facts }: Learning): Evidence {
  return { label: `${named(items)}, ${now.name}`, value: listed(facts.map(({ title }) => title)) };
}
