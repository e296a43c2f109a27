import { isJoined } from '../../graph/matesAt.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import { chainName } from '../../links/chains/chainWords.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Subject } from '../finding.ts';

/** So many links are named in the sentence; the others are counted. */
const NAMED = 5;

/** Links that are wanted and lead nowhere yet. One note for all of them. */
export const notBegun: Check = {
  id: 'link.not-begun',
  stage: 'links',
  title: 'Links not connected yet',
  leftToPeople: 'ports are planned together, by a person or the planner',
  run: ({ graph }) => {
    const open = chainsOf(graph).filter(({ kind, state, wish }) => state.is === 'not-joined' && (kind.isNeeded || wish !== undefined));
    if (open.length === 0) return [];
    const names = open.slice(0, NAMED).map((chain) => chainName(graph, chain));
    const others = open.length - names.length;
    const subjects = [...new Set(open.map(({ item }) => item))].flatMap((item): Subject[] => {
      const entry = graph.items[item];
      return entry === undefined ? [] : [{ is: 'item', item: entry.item.id }];
    });
    const wired = open.filter(({ item }) => isJoined(graph, item)).length;
    return [
      {
        severity: 'note',
        where: subjects,
        what: `${open.length === 1 ? 'A link is' : `${open.length} links are`} not connected yet: ${others > 0 ? `${names.join(', ')} and ${others} more` : listed(names)}.`,
        evidence: [
          { label: 'links not connected', value: String(open.length) },
          { label: 'of them between wired items', value: String(wired) },
        ],
        why: 'These parts do not do anything until then.',
      },
    ];
  },
};
