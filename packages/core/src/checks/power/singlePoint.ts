import { circuitNode, type Graph } from '../../graph/graph.ts';
import { lostWords } from '../../power/faults/lostWords.ts';
import type { FaultLine } from '../../power/faults/faultSweep.ts';
import { singlePoints } from '../../power/faults/singlePoints.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { rewiredInput } from './remedies/rewireInput.ts';
import { secondSupplyRemedies } from './remedies/railSupply.ts';

/** One thing that takes control with it, though another wiring or one more regulator would survive it. */
export const singlePoint: Check = {
  id: 'power.single-point',
  stage: 'power',
  title: 'Single fault that costs control',
  run: ({ graph }) => {
    const byDead = new Map<string, FaultLine[]>();
    for (const line of singlePoints(graph)) {
      const key = `${line.lost.join(' ')} | ${line.dead.join(' ')}`;
      byDead.set(key, [...(byDead.get(key) ?? []), line]);
    }
    return [...byDead.values()].flatMap((lines) => sayingOf(graph, lines));
  },
};

/**
 * All faults that make the same things dark are one weakness. One regulator for the servos is what everybody does, and a note: unless
 * the items that are there survive it when they are wired otherwise, or the brief asks that single electrical faults be survived.
 */
function sayingOf(graph: Graph, lines: readonly FaultLine[]): Saying[] {
  const [first] = lines;
  if (first === undefined) return [];
  const dead = graph.items.filter(({ item }) => first.dead.includes(item.ref));
  const names = lines.flatMap(({ names: own }) => own);
  const lost = lostWords(first);
  const rewired = rewiredInput(graph, first.dead, (edit) => mends(graph, edit, first.id));
  const isAsked = graph.design.aircraft.power?.survivesFaults === true;
  return [
    {
      severity: isAsked || rewired.length > 0 ? 'mend' : 'note',
      where: dead.slice(0, 8).map(({ item }) => ({ is: 'item', item: item.id })),
      what: `${names[0] ?? '?'}${names.length > 1 ? `, or one of ${names.length - 1} others,` : ''} costs ${lost}: ${first.dead.slice(0, 6).join(', ')}${first.dead.length > 6 ? ' and others' : ''} stop.`,
      evidence: names.slice(0, 6).map((name) => ({ label: 'by itself', value: name })),
      why:
        rewired.length > 0
          ? 'The same parts survive it when they are wired differently.'
          : `${isAsked ? 'The brief asks that single electrical faults be survived. ' : ''}A second supply, through a combiner or at another input, would take over.`,
      discriminator: names[0] ?? '',
      remedies: () => [...rewired, ...secondSupplies(graph, first)],
    },
  ];
}

/** A second supply for the rail of the servos that stop, where that mends it. */
function secondSupplies(graph: Graph, { id, dead }: FaultLine): readonly Remedy[] {
  for (const [item, { item: own, part }] of graph.items.entries()) {
    const load = part?.kind === 'servo' && dead.includes(own.ref) ? part.circuit.find(({ is }) => is === 'load') : undefined;
    const node = load?.is === 'load' ? circuitNode(graph, item, load.supply) : undefined;
    const remedies = node === undefined ? [] : secondSupplyRemedies(graph, node);
    if (remedies.length > 0) return remedies.filter(({ edit }) => mends(graph, edit, id));
  }
  return [];
}

function mends(graph: Graph, edit: Edit, fault: string): boolean {
  const after = graphAfter(graph, edit);
  return after !== undefined && !singlePoints(after).some(({ id }) => id === fault);
}
