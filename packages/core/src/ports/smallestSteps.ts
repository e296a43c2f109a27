import type { Patience } from '../assign/problem.ts';
import { solveAssignment } from '../assign/solveAssignment.ts';
import type { Graph } from '../graph/graph.ts';
import { grouped } from '../text/grouped.ts';
import { boardLimits, boardPortsOf } from './boardPorts.ts';
import { choicesOf, together, type Choice } from './choices.ts';
import { linkSeekers, type LinkSeeker } from './linkSeekers.ts';
import { pinsOf } from './planPorts.ts';
import { fitsOf } from './portFit.ts';
import { GIVES_WAY } from './portPrices.ts';
import { afterSteps, servesAsBefore, type Step } from './steps.ts';

/** One way in which the links of an item are on ports: as it is, or after a step. */
interface Variant extends Choice {
  readonly steps: readonly Step[];
  /** True where a link that it needs is left out. */
  readonly lacks: boolean;
}

/**
 * The fewest steps after which every needed link has a port, by the same exact search as ports are found with: each item chooses between
 * itself as it is and what a step makes of it. A step costs as much as a rule that gives way, which is more than all ports together, and a
 * needed link left out more than any number of steps.
 * @param steps what may be done; of those to one item one is taken at most
 * @returns undefined where all of them are not enough, or the search was stopped
 */
export function smallestSteps(graph: Graph, steps: readonly Step[], patience?: Patience): readonly Step[] | undefined {
  const seekers = linkSeekers(graph);
  const byItem = grouped(steps, ({ item }) => item);
  const groups = [...grouped(seekers, ({ entry }) => entry.item.id)].map(([item, own]) => [
    ...variantsOf(graph, own, []),
    ...(byItem.get(item) ?? []).flatMap((step) => {
      if (patience?.isOver() === true) return [];
      const after = afterSteps(graph, [step]);
      const links = after === undefined ? [] : linkSeekers(after);
      if (after === undefined || !servesAsBefore(seekers, links, step)) return [];
      return variantsOf(
        after,
        links.filter(({ entry }) => entry.item.id === item),
        [step],
      );
    }),
  ]);
  const problem = { seekers: groups.map((options, g) => ({ id: `item ${g}`, options })), ...boardLimits(graph, seekers) };
  const found = solveAssignment(problem, patience);
  // A search that was stopped, or that did not look at every step, cannot say that there is no smaller set.
  if (found.is !== 'solved' || found.proof.is !== 'optimal' || patience?.isOver() === true) return undefined;
  const chosen = groups.map((variants, g) => variants.find((variant) => variant === found.chosen[g]));
  if (chosen.some((variant) => variant === undefined || variant.lacks)) return undefined;
  return chosen.flatMap((variant) => variant?.steps ?? []);
}

function variantsOf(graph: Graph, own: readonly LinkSeeker[], steps: readonly Step[]): readonly Variant[] {
  const ports = boardPortsOf(graph, linkSeekers(graph));
  const pins = pinsOf(graph, ports);
  const choices = own.map((seeker) => {
    const wanted = seeker.keys.flatMap((key) => pins.get(key) ?? [])[0];
    const open = ports.filter(({ key }) => wanted === undefined || key === wanted);
    const fits = open.flatMap((port) => {
      const cell = fitsOf(graph, seeker, port);
      return 'is' in cell ? [] : cell;
    });
    return choicesOf(seeker, fits);
  });
  const [first] = choices;
  if (first === undefined) return [];
  const extra = steps.length * GIVES_WAY;
  return together(choices).map((choice, k) => ({
    ...choice,
    id: `${steps.map(({ sentence }) => sentence).join(' ')} ${k}`,
    cost: choice.cost + extra,
    steps,
    lacks: choice.fits.some((fit, i) => fit === undefined && own[i]?.isNeeded === true),
  }));
}
