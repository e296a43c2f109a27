import { pinsBefore, type PortLeg } from '../../../graph/cableJoins.ts';
import { pinNode, type Graph } from '../../../graph/graph.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { spliceCrowded } from '../../../harness/looms/spliceContact.ts';
import { findPin, isSupply, joinVerdict } from '../../../harness/joinVerdict.ts';
import { joinPins } from '../../../harness/pinLeg.ts';
import type { Run } from '../../../harness/runs.ts';
import { voltsAt } from '../../../graph/railsOf.ts';
import { runsAt } from '../../helpers/runsAt.ts';
import { groundWire } from '../../helpers/legRemedies.ts';
import type { Remedy } from '../../finding.ts';

/** A ground wire in a cable that an item has and that lacks one. */
export function missingGround(graph: Graph, item: number): readonly Remedy[] {
  return runsAt(graph, item).flatMap((run) => {
    const { leg } = run;
    return leg === undefined ? [] : groundWire(graph, run).flatMap((remedy) => spliced(graph, leg, remedy));
  });
}

/** A supply wire in a cable that an item has, where the other end has the voltage that it takes. @param port the one to be fed; any where none is named */
export function missingSupply(graph: Graph, item: number, port?: string): readonly Remedy[] {
  const runs = runsAt(graph, item);
  const leading = port === undefined ? runs : runs.filter(({ a, b }) => [a, b].some((at) => at.item === item && at.port.id === port));
  return leading.flatMap((run) => supplyWire(graph, run));
}

function supplyWire(graph: Graph, { leg, name, joins }: Run): readonly Remedy[] {
  if (leg === undefined || joins.some(({ a, b }) => isSupply(a.pin.role) && isSupply(b.pin.role))) return [];
  for (const first of leg.a.port.pins) {
    for (const second of leg.b.port.pins) {
      if (!isSupply(first.role) || !isSupply(second.role)) continue;
      // A contact whose wire goes elsewhere is a mistake of its own, and a second wire would make it worse.
      if (leg.conductors.some(({ a, b }) => a.n === first.n || b.n === second.n)) continue;
      if (leg.endA.absent?.includes(first.n) === true || leg.endB.absent?.includes(second.n) === true) continue;
      const [a, b] = [leg.a, leg.b].map((at, i) => {
        const n = (i === 0 ? first : second).n + pinsBefore(at);
        return { found: findPin(graph, { item: at.itemId, port: at.port.id, n }), node: pinNode(graph, at.itemId, at.port.id, n), n };
      });
      if (a?.found === undefined || b?.found === undefined || joinVerdict(graph, a.found, b.found).is !== 'good') continue;
      if (![a.node, b.node].some((node) => node !== undefined && voltsAt(graph, node) !== undefined)) continue;
      return [
        {
          label: 'Add the supply wire',
          sentence: `Add a supply wire to ${name}, from pin ${a.n} of ${leg.a.ref} to pin ${b.n} of ${leg.b.ref} ${leg.b.port.label}.`,
          edit: joinPins(graph, leg, first.n, second.n),
        },
      ].flatMap((remedy) => spliced(graph, leg, remedy));
    }
  }
  return [];
}

/** The same wire where its contacts hold others already: they are joined by a splice before it. */
function spliced(graph: Graph, { cable, endA, endB }: PortLeg, { label, sentence, edit }: Remedy): readonly Remedy[] {
  const draft = new DraftEdits(graph.design);
  if (edit.kind === 'batch' || edit.kind === 'undo' || !draft.make(edit) || !spliceCrowded(draft, cable.id, [endA.id, endB.id])) return [];
  return [{ label, sentence, edit: draft.edit(label) }];
}
