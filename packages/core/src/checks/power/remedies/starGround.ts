import type { SimpleEdit } from '../../../edits/registry.ts';
import { plainCable } from '../../../graph/cableJoins.ts';
import type { Graph } from '../../../graph/graph.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { proposeCable } from '../../../harness/proposeCable.ts';
import type { WireIn } from '../../../harness/runs.ts';
import type { Cable, Conductor } from '../../../model/aircraft.ts';
import { asId, type ConductorId } from '../../../model/ids.ts';
import { listed } from '../../../text/lists.ts';
import type { Remedy } from '../../finding.ts';

/** A second ground beside each of the cables, where the ends of all are soldered. */
export function starGrounds(graph: Graph, opened: readonly Pick<WireIn, 'cable' | 'conductor'>[]): readonly Remedy[] {
  const draft = new DraftEdits(graph.design);
  const words: string[] = [];
  for (const { cable, conductor } of opened) {
    const strap = strapBeside(draft.graph, cable, conductor);
    if (strap === undefined || !draft.make(strap.edit)) return [];
    words.push(strap.words);
  }
  const title = opened.length === 1 ? 'Add a star ground' : 'Add star grounds';
  return [{ label: title, sentence: `Solder a second ground wire ${listed(words)}.`, edit: draft.edit(title) }];
}

/** A ground wire of its own beside a cable, where both ends are soldered. */
function strapBeside(graph: Graph, cable: Cable, conductor: Conductor): { readonly words: string; readonly edit: SimpleEdit } | undefined {
  const plain = plainCable(graph, cable);
  if (plain === undefined || plain.endA.connector.gender !== 'pads' || plain.endB.connector.gender !== 'pads') return undefined;
  const { edit } = proposeCable(graph, plain.a, plain.b, 'none');
  if (edit.kind !== 'add-cable') return undefined;
  const [leg] = Object.values(edit.cable.legs);
  if (leg === undefined) return undefined;
  const strap: Conductor = {
    ...conductor,
    id: asId<ConductorId>('?2'),
    leg: leg.id,
    a: { node: leg.a, n: conductor.a.n },
    b: { node: leg.b, n: conductor.b.n },
  };
  return {
    words: `from ${plain.a.ref} ${plain.a.port.label} to ${plain.b.ref} ${plain.b.port.label}, beside ${cable.tag}`,
    edit: { ...edit, cable: { ...edit.cable, conductors: { [strap.id]: strap } } },
  };
}
