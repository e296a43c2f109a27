import { cablesAtPort } from '../../graph/cableJoins.ts';
import type { DraftEdits } from '../../harness/draftEdits.ts';
import type { ItemId } from '../../model/ids.ts';

/** Takes out the cables at a port of an item that lead nowhere else: all of their other ends hang free. */
export function dropLooseCables(draft: DraftEdits, item: ItemId, port: string): void {
  for (const { id, nodes } of cablesAtPort(draft.graph, item, port)) {
    const leadsNowhere = Object.values(nodes).every(
      (node) => node.is === 'end' && (node.at.is === 'free' || (node.at.is === 'port' && node.at.item === item)),
    );
    if (leadsNowhere) draft.make({ kind: 'remove-cable', cable: id });
  }
}
