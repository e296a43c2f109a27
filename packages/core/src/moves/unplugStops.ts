import { findingsOf } from '../checks/findingsOf.ts';
import type { Finding } from '../checks/finding.ts';
import type { Graph } from '../graph/graph.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import type { CableEnd } from '../model/aircraft.ts';
import type { CableId, ItemId } from '../model/ids.ts';

/**
 * Leaves ends loose at a board that would bring something that stops: what nothing else mends must not burn. As few as take each such
 * finding away.
 */
export function unplugStops(before: Graph, draft: DraftEdits, board: ItemId): void {
  const known = new Set(stopsOf(before).map(({ key }) => key));
  const tried = new Set<string>();
  for (;;) {
    const next = stopsOf(draft.graph).find(({ key }) => !known.has(key) && !tried.has(key));
    if (next === undefined) return;
    tried.add(next.key);
    for (const edit of fewestThatEase(draft, board, next)) draft.make(edit);
  }
}

function stopsOf({ design }: Graph): readonly Finding[] {
  return findingsOf(design).filter(({ severity }) => severity === 'stop');
}

type Unplug = Extract<Parameters<DraftEdits['make']>[0], { kind: 'set-cable-end' }>;

/** One end where one is enough, else one after the other until the finding is gone, less those that it does not take. */
function fewestThatEase(draft: DraftEdits, board: ItemId, stop: Finding): readonly Unplug[] {
  const edits = endsAt(draft.graph, board, stop).map(({ cable, end }): Unplug => ({
    kind: 'set-cable-end',
    cable,
    node: end.id,
    at: { is: 'free' },
    was: end.at,
  }));
  const eases = (some: readonly Unplug[]): boolean => {
    const own = new DraftEdits(draft.graph.design);
    return some.every((edit) => own.make(edit)) && !stopsOf(own.graph).some(({ key }) => key === stop.key);
  };
  const single = edits.find((edit) => eases([edit]));
  if (single !== undefined) return [single];
  const enough = edits.findIndex((_, i) => eases(edits.slice(0, i + 1)));
  return edits.slice(0, enough + 1).reduceRight<readonly Unplug[]>(
    (kept, edit) => {
      const without = kept.filter((other) => other !== edit);
      return eases(without) ? without : kept;
    },
    edits.slice(0, enough + 1),
  );
}

interface EndOf {
  readonly cable: CableId;
  readonly end: CableEnd;
}

/** The ends at a board: of cables that a finding names, then of those to an item that it names, then all others. */
function endsAt({ cables }: Graph, board: ItemId, { where }: Finding): readonly EndOf[] {
  const items = new Set(where.flatMap((subject) => ('item' in subject && subject.item !== board ? [subject.item] : [])));
  const named = new Set(where.flatMap((subject) => ('cable' in subject ? [subject.cable] : [])));
  return cables
    .map((cable) => {
      const ends = Object.values(cable.nodes).filter((node) => node.is === 'end');
      const isToNamed = ends.some(({ at }) => at.is === 'port' && items.has(at.item));
      return { cable: cable.id, ends, rank: named.has(cable.id) ? 0 : isToNamed ? 1 : 2 };
    })
    .sort((a, b) => a.rank - b.rank)
    .flatMap(({ cable, ends }) => ends.flatMap((end) => (end.at.is === 'port' && end.at.item === board ? [{ cable, end }] : [])));
}
