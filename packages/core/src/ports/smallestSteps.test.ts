import { describe, expect, it } from '@jest/globals';
import type { Bench } from '../demo/bench.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Graph } from '../graph/graph.ts';
import { bench } from '../test/checkCases/build.ts';
import { itemOf, made } from '../test/designs.ts';
import { GIVING_WAY } from './fit.ts';
import { planPorts, type PortPlan } from './planPorts.ts';
import { relaxationsOf } from './relaxations.ts';
import { smallestSteps } from './smallestSteps.ts';
import { afterSteps, anyPortSteps, formatSteps, partSteps, servesAsBefore, type Step } from './steps.ts';
import { linkSeekers } from './linkSeekers.ts';

function planOf(graph: Graph): PortPlan {
  const plan = planPorts(graph, { giveWay: GIVING_WAY });
  if (plan === undefined) throw new Error('There is no plan.');
  return plan;
}

/** Everything that can be done, but for what gives way in a plan. */
function stepsOf(graph: Graph): readonly Step[] {
  const items = [...new Set(linkSeekers(graph).map(({ entry }) => entry))];
  return [...anyPortSteps(graph, planOf(graph)), ...items.flatMap((entry) => [...formatSteps(graph, entry), ...partSteps(graph, entry)])];
}

/** How many things give way once some steps are made; undefined where a needed link is left out all the same. */
function sizeAfter(graph: Graph, steps: readonly Step[]): number | undefined {
  const after = afterSteps(graph, steps);
  if (after === undefined) return undefined;
  if (!steps.every((step) => servesAsBefore(linkSeekers(graph), linkSeekers(after), step))) return undefined;
  const { links } = planOf(after);
  if (links.some(({ fit, seeker }) => fit === undefined && seeker.isNeeded)) return undefined;
  return steps.length + links.filter(({ fit }) => fit?.gives !== undefined).length;
}

/** Sets of steps, at most one to an item. */
function* setsOf(steps: readonly Step[], size: number): Generator<readonly Step[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (const [i, step] of steps.entries()) {
    const rest = steps.slice(i + 1).filter(({ item }) => item !== step.item);
    for (const others of setsOf(rest, size - 1)) yield [step, ...others];
  }
}

/** With how many steps each takes; undefined where no steps are enough. */
const CASES: Readonly<Record<string, readonly [() => Bench, number | undefined]>> = {
  'two sensors too many': [
    () =>
      bench(
        'controller-f4-stack',
        'receiver-sbus-16',
        'gnss-serial',
        'radio-900-class',
        'payload-gimbal-serial',
        'rangefinder-serial-40m',
        'rangefinder-serial-40m',
      ),
    2,
  ],
  'a receiver and a sensor too many': [
    () =>
      bench(
        'controller-f4-stack',
        'receiver-crsf-full',
        'gnss-serial',
        'radio-900-class',
        'payload-gimbal-serial',
        'rangefinder-serial-40m',
      ),
    1,
  ],
  'sensors that could go by a bus': [
    () =>
      bench('controller-f4-stack', 'receiver-sbus-16', 'gnss-serial', 'radio-900-class', 'rangefinder-serial-40m', 'payload-gimbal-serial'),
    1,
  ],
  'a receiver on a board that reads PPM': [() => bench('controller-8-bit-servo-fed', 'receiver-sbus-16', 'radio-900-class'), 1],
  'more than there is for': [
    () =>
      bench(
        'controller-f4-stack',
        'receiver-crsf-full',
        'gnss-serial',
        'radio-900-class',
        'radio-433-class',
        'payload-gimbal-serial',
        'payload-gimbal-serial',
      ),
    undefined,
  ],
};

describe('the fewest steps that are enough', () => {
  it.each(Object.entries(CASES))('are no more than any set of steps that is: %s', (_, [make, expected]) => {
    const graph = graphOf(make().design);
    const steps = stepsOf(graph);
    const chosen = smallestSteps(graph, steps);
    const found = chosen === undefined ? undefined : sizeAfter(graph, chosen);
    // Exhaustive: every smaller set, and where nothing was found every set up to three.
    const most = found === undefined ? 3 : Math.min(3, found);
    const sizes: number[] = [];
    for (let size = 0; size <= most; size++) for (const set of setsOf(steps, size)) sizes.push(sizeAfter(graph, set) ?? Infinity);
    const best = Math.min(...sizes);
    expect([found, found ?? Infinity]).toEqual([expected, best]);
  });

  it('are offered as one edit where no single step is enough, and wire what gives way', () => {
    const { design } = CASES['two sensors too many']?.[0]() ?? bench();
    const graph = graphOf(design);
    const plan = planPorts(graph);
    if (plan === undefined) throw new Error('There is no plan.');
    const [first] = relaxationsOf(graph, plan);
    expect([first?.is, first?.label, first?.isEnough]).toEqual(['several', 'Take 2 steps', true]);
    const after = first === undefined ? design : made(design, first.edit);
    const left = planOf(graphOf(after)).links.filter(({ fit, seeker }) => fit === undefined && seeker.isNeeded);
    expect(left).toEqual([]);
  });

  it('release a port that a person insists on before anything is bought', () => {
    const { design } = bench('controller-h7-carrier', 'radio-900-class', 'radio-433-class');
    const [fc, one, two] = ['FC1', 'RADIO1', 'RADIO2'].map((ref) => itemOf(design, ref).id);
    if (fc === undefined || one === undefined || two === undefined) throw new Error('An item is missing.');
    const pinned = [one, two].reduce(
      (now, item) => made(now, { kind: 'set-link-port', link: `telemetry.${item}`, port: { item: fc, endpoint: 'C' }, was: null }),
      design,
    );
    const graph = graphOf(pinned);
    expect(smallestSteps(graph, stepsOf(graph))?.map(({ is }) => is)).toEqual(['any-port']);
  });
});
