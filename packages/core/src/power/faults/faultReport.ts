import type { Graph } from '../../graph/graph.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { scenarioReport, type ScenarioReport } from '../report/powerReport.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario } from '../scenarios/solveScenario.ts';
import { faultsOf } from './faultsOf.ts';
import { faultyCircuit, solveFault } from './solveFault.ts';

/** A situation with a fault in it, as the report shows one without. Undefined when there is no such situation or fault. */
export function faultReport(graph: Graph, scenarioId: string, faultId: string): ScenarioReport | undefined {
  const scenario = scenariosOf(graph.design.aircraft).find(({ id }) => id === scenarioId);
  const fault = faultsOf(powerNetwork(graph)).find(({ id }) => id === faultId);
  if (scenario === undefined || fault === undefined) return undefined;
  const base = solveScenario(graph, scenario);
  const { live, ...solved } = solveFault(base, fault);
  return scenarioReport({ ...base, ...solved, live: live.circuit, circuit: faultyCircuit(base.circuit, fault) });
}
