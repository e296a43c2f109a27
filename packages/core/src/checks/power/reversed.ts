import { isSupply } from '../../harness/joinVerdict.ts';
import type { Graph } from '../../graph/graph.ts';
import { isOnTopOf, packsOf } from '../../graph/packsInSeries.ts';
import { railsOf } from '../../graph/railsOf.ts';
import { runsOf, type Join, type Run } from '../../harness/runs.ts';
import type { Check, Saying } from '../finding.ts';
import { oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { joinsSupplyToGround, joinSubjects } from '../helpers/runSubjects.ts';

/** A supply pin of one part joined to the ground of another. */
export const reversed: Check = {
  id: 'power.reversed',
  stage: 'power',
  title: 'Supply and ground swapped',
  run: ({ graph }) => runsOf(graph).flatMap((run) => reversedIn(graph, run)),
};

function reversedIn(graph: Graph, run: Run): Saying[] {
  const wrong = run.joins.filter((join) => joinsSupplyToGround(join) && !isInSeries(graph, join));
  const first = wrong[0];
  if (first === undefined) return [];
  const [supply, ground] = isSupply(first.a.pin.role) ? [first.a, first.b] : [first.b, first.a];
  return [
    {
      severity: 'stop',
      where: joinSubjects(run, wrong),
      what: `${run.name} joins the supply of ${supply.ref} ${supply.port.label} (pin ${supply.pin.n}) to the ground of ${ground.ref} ${ground.port.label} (pin ${ground.pin.n}).`,
      evidence: wrong.map((join) => ({
        label: `${join.a.ref}.${join.a.pin.n} to ${join.b.ref}.${join.b.pin.n}`,
        value: `${join.a.pin.label} to ${join.b.pin.label}`,
      })),
      why: `The supply is shorted, or ${run.a.ref} or ${run.b.ref} is powered in reverse and destroyed. Do not apply power.`,
      remedies: () => oneOrNone(repinByMeaning(graph, run)),
    },
  ];
}

/** The plus of one pack at the minus of another, which is no short: two packs in series. */
function isInSeries(graph: Graph, { a, b }: Pick<Join, 'a' | 'b'>): boolean {
  const [supply, ground] = isSupply(a.pin.role) ? [a, b] : [b, a];
  const { railOfNode } = railsOf(graph);
  const packs = packsOf(graph);
  return packs.some(
    (below) =>
      below.item === supply.itemIx &&
      below.plus === railOfNode[supply.node] &&
      packs.some((above) => above.item === ground.itemIx && above.minus === railOfNode[ground.node] && isOnTopOf(above, below)),
  );
}
