import type { Graph } from '../../graph/graph.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { faultsOf, type Fault } from './faultsOf.ts';
import { judgedStages, outcomeOf, type FaultLine } from './faultSweep.ts';
import type { Circuit } from '../solve/circuit.ts';
import type { RaisedStart } from '../solve/startOf.ts';
import { crewOf } from './abilities.ts';
import { liveCircuit } from '../scenarios/solveScenario.ts';
import { faultyCircuit, intactStart, keptStart } from './solveFault.ts';

/**
 * Faults of wires, plugs and regulators that cost control, or propulsion with another ability, and that another wiring or one more
 * regulator would survive. Only by what is cut off from every supply, in the first judged situation: what fails by overload is in
 * the fault table. Much cheaper than the sweep, so that it can run with every edit.
 */
export function singlePoints(graph: Graph): readonly FaultLine[] {
  const crew = crewOf(graph);
  const [stage] = judgedStages(graph, crew);
  if (stage === undefined || !stage.abilities.has('control')) return [];
  const { network, circuit } = stage.base;
  // What only takes an item that cannot be fed otherwise costs what that item costs: it is inherent, or it is nothing.
  const cutting = faultsOf(powerNetwork(graph)).filter(
    ({ effect, takes }) => effect.shorted.length === 0 && effect.through.length === 0 && !(takes.is === 'items' && takes.items.length > 0),
  );
  const intact = intactStart(circuit);
  return cutting.flatMap((fault: Fault): FaultLine[] => {
    if (!isNeeded(circuit, intact, fault)) return [];
    const live = liveCircuit(network, faultyCircuit(circuit, fault), keptStart(circuit, fault));
    if (live.dark.length === stage.base.dark.length && !isLower(live.start.volts, intact.volts)) return [];
    const solved = { ...stage.base.before, volts: live.start.volts };
    const line = outcomeOf(crew, stage, fault, { before: solved, after: solved, falls: [], dark: live.dark });
    return (line.class === 'critical' || line.class === 'major') && !line.isInherent ? [line] : [];
  });
}

/** Below this a node is a ground: what opens there takes the way back and not the supply. */
const GROUND_V = 0.1;

/** False for copper by way of which nothing has its voltage, and that is no ground: it may open and nothing is dark. */
function isNeeded({ shape }: Circuit, { volts, isUsed }: RaisedStart, { effect }: Fault): boolean {
  return (
    effect.off.length > 0 || effect.open.some((branch) => isUsed[branch] === 1 || (volts[shape.resistorA[branch] ?? 0] ?? 0) < GROUND_V)
  );
}

/** True where some node stands clearly lower than before. */
function isLower(now: Float64Array, intact: Float64Array): boolean {
  return intact.some((volts, node) => (now[node] ?? 0) < volts * 0.9 - GROUND_V);
}
