import type { CableEnd } from '../../model/aircraft.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { takesSeveralCables } from '../../model/connector.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Graph } from '../../graph/graph.ts';
import type { PlainCable } from '../../graph/cableJoins.ts';
import { repinEdits } from '../../harness/proposeCable.ts';
import type { Remedy } from '../finding.ts';

/** A remedy that may not exist, as the list that a finding offers. */
export function oneOrNone(remedy: Remedy | undefined): readonly Remedy[] {
  return remedy === undefined ? [] : [remedy];
}

/** Gives a plain cable the pin map by meaning; undefined when it already has it. */
export function repinByMeaning(graph: Graph, plain: PlainCable): Remedy | undefined {
  const { [plain.cable.id]: _this, ...cables } = graph.design.aircraft.cables;
  const without = graphOf({ ...graph.design, aircraft: { ...graph.design.aircraft, cables } });
  const edits = repinEdits(graph, without, plain, 'meaning');
  if (edits.length === 0) return undefined;
  const title = `Re-pin ${plain.cable.tag} by meaning`;
  return {
    label: 'Re-pin by meaning',
    sentence: `${title}: each pin of ${plain.a.ref} ${plain.a.port.label} to the pin of ${plain.b.ref} ${plain.b.port.label} that it belongs to.`,
    edit: { kind: 'batch', title, edits },
  };
}

/**
 * Takes the wire at one contact of a plain cable out of use: its contact is pulled from the shell, or, where the end is
 * soldered, the conductor is removed.
 */
export function takeOut(plain: PlainCable, end: CableEnd, n: number): SimpleEdit | undefined {
  if (!takesSeveralCables(end.connector)) {
    const was = [...(end.absent ?? [])];
    const absent = [...new Set([...was, n])].sort((a, b) => a - b);
    return { kind: 'set-absent-contacts', cable: plain.cable.id, node: end.id, absent, was };
  }
  const conductor = plain.conductors.find((candidate) => (end === plain.endA ? candidate.a.n : candidate.b.n) === n);
  return conductor === undefined ? undefined : { kind: 'remove-conductor', cable: plain.cable.id, conductor: conductor.id };
}
