import type { Graph } from '../../../graph/graph.ts';
import { percent, stated } from '../../../text/numbers.ts';
import { scenariosOf, type Scenario } from '../../../power/scenarios/scenario.ts';
import { solveScenario, type ScenarioResult } from '../../../power/scenarios/solveScenario.ts';
import { inSentence } from '../../../text/sentences.ts';

const cache = new WeakMap<Graph, readonly ScenarioResult[]>();

/** The situations in which everything should work: all that the aircraft gets into, but a computer's USB alone. */
export function workingSituations(graph: Graph): readonly ScenarioResult[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const results = scenariosOf(graph.design.aircraft)
    .filter(({ charge }) => charge !== undefined)
    .map((scenario) => solveScenario(graph, scenario));
  cache.set(graph, results);
  return results;
}

/** One situation by its id. */
export function situation(graph: Graph, id: 'climb' | 'cruise'): ScenarioResult | undefined {
  return workingSituations(graph).find(({ scenario }) => scenario.id === id);
}

/** A situation with the throttle and the time that its currents rest on: `launch, full throttle for 10 s`. */
export function situationWords({ title, cruiseThrottle, liftThrottle, durationS }: Scenario): string {
  const throttles = [cruiseThrottle, liftThrottle].filter((throttle) => throttle !== 0);
  const words = throttles.map((throttle) =>
    throttle === 'cruise' || throttle === 'hover' ? '' : throttle === 1 ? 'full throttle' : `${percent(throttle)} throttle`,
  );
  const how = [
    ...words.filter((word) => word !== '').slice(0, 1),
    ...(durationS === Infinity ? [] : [`for ${stated(durationS, 's')}`]),
  ].join(' ');
  return [inSentence(title), ...(how === '' ? [] : [how])].join(', ');
}
