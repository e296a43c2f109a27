import type { SimpleEdit } from '../../edits/registry.ts';
import { takesSeveralCables } from '../../model/connector.ts';
import { pinsBefore } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { isWholeCable, type Join, type Run } from '../../harness/runs.ts';
import { joinPins, repinEdits } from '../../harness/pinLeg.ts';
import type { Remedy } from '../finding.ts';

/** A remedy that may not exist, as the list that a finding offers. */
export function oneOrNone(remedy: Remedy | undefined): readonly Remedy[] {
  return remedy === undefined ? [] : [remedy];
}

/** Gives the leg of a run the pin map by meaning; undefined when it already has it, or the run has no leg of its own. */
export function repinByMeaning(graph: Graph, run: Run): Remedy | undefined {
  const { leg, a, b } = run;
  if (leg === undefined) return undefined;
  const edits = repinEdits(graph, leg, 'meaning');
  if (edits.length === 0) return undefined;
  const title = isWholeCable(run)
    ? `Re-pin ${run.name} by signal`
    : `Re-pin ${run.name} from ${a.ref} to ${b.ref} ${b.port.label} by signal`;
  return {
    label: 'Re-pin by signal',
    sentence: `${title}: each pin of ${a.ref} ${a.port.label} to the pin of ${b.ref} ${b.port.label} that it belongs to.`,
    edit: { kind: 'batch', title, edits },
  };
}

/**
 * Takes the wire at one contact of a join out of use: its contact is pulled from the shell, or, where the end is soldered, the wire is
 * removed. Nothing of that where two ports mate without a cable.
 */
export function takeOut(join: Join, side: 'a' | 'b'): SimpleEdit | undefined {
  const contact = side === 'a' ? join.contactA : join.contactB;
  if (contact === undefined) return undefined;
  const { cable, end, n } = contact;
  if (!takesSeveralCables(end.connector)) {
    const was = [...(end.absent ?? [])];
    const absent = [...new Set([...was, n])].sort((x, y) => x - y);
    return { kind: 'set-absent-contacts', cable: cable.id, node: end.id, absent, was };
  }
  const wire = side === 'a' ? join.wires[0] : join.wires.at(-1);
  return wire === undefined ? undefined : { kind: 'remove-conductor', cable: wire.cable.id, conductor: wire.conductor.id };
}

/** A wire from the ground pin of one port to that of the other; none where a contact is pulled for it, or the wire is there. */
export function groundWire(graph: Graph, { leg, name }: Run): readonly Remedy[] {
  const [a, b] = [leg?.a, leg?.b].map((at) => at?.port.pins.find((pin) => pin.role === 'gnd')?.n);
  if (leg === undefined || a === undefined || b === undefined) return [];
  const isPulled = leg.endA.absent?.includes(a) === true || leg.endB.absent?.includes(b) === true;
  if (isPulled || leg.conductors.some((conductor) => conductor.a.n === a && conductor.b.n === b)) return [];
  return [
    {
      label: 'Add the ground wire',
      sentence: `Add a ground wire to ${name}, from pin ${a + pinsBefore(leg.a)} of ${leg.a.ref} to pin ${b + pinsBefore(leg.b)} of ${leg.b.ref} ${leg.b.port.label}.`,
      edit: joinPins(graph, leg, a, b),
    },
  ];
}
