import type { Graph } from '../../graph/graph.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { faultsOf, type Fault } from './faultsOf.ts';
import { judgedStages, outcomeOf, type FaultLine } from './faultSweep.ts';
import { crewOf } from './abilities.ts';
import { liveCircuit } from '../scenarios/solveScenario.ts';
import { faultyCircuit } from './solveFault.ts';

/**
 * Faults of wires, plugs and regulators that cost control, or propulsion with another ability, and that another wiring or one more
 * regulator would survive. Only by what is cut off from every supply, in the first judged situation: what fails by overload is in
 * the fault table. Much cheaper than the sweep, so that it can run with every edit.
 */
export function singlePoints(graph: Graph): readonly FaultLine[] {
  const crew = crewOf(graph);
  const [stage] = judgedStages(graph, crew);
  if (stage === undefined || !stage.abilities.has('control')) return [];
  const cutting = faultsOf(powerNetwork(graph)).filter(({ effect }) => effect.shorted.length === 0 && effect.through.length === 0);
  return cutting.flatMap((fault: Fault): FaultLine[] => {
    const { network, circuit } = stage.base;
    const live = liveCircuit(network, faultyCircuit(circuit, fault));
    const solved = { ...stage.base.before, volts: live.start.volts };
    const line = outcomeOf(crew, stage, fault, { before: solved, after: solved, falls: [], dark: live.dark });
    return (line.class === 'critical' || line.class === 'major') && !line.isInherent ? [line] : [];
  });
}
