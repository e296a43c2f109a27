import type { Graph } from '../../../graph/graph.ts';
import { scenariosOf } from '../../../power/scenarios/scenario.ts';
import { solveScenario, type ScenarioResult } from '../../../power/scenarios/solveScenario.ts';

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
