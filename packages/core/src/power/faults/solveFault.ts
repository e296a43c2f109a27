import { darkLoads, letFall, type Fall, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { Circuit, Law, Solved } from '../solve/circuit.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { runningStart } from '../solve/startOf.ts';
import type { Fault } from './faultsOf.ts';

/** What a load that is shorted, and a regulator that has failed through, still put in the way. */
const SHORT_OHM = 0.01;
const THROUGH_OHM = 0.05;

/** An aircraft in a scenario with a fault. */
export interface FaultResult {
  readonly before: Solved;
  readonly after: Solved;
  readonly falls: readonly Fall[];
  /** Loads that no supply reaches, with this fault. */
  readonly dark: readonly number[];
}

/** The circuit with what a fault does to it. */
export function faultyCircuit(circuit: Circuit, { effect }: Fault): Circuit {
  const ohms = effect.open.length === 0 ? circuit.ohms : circuit.ohms.slice();
  for (const branch of effect.open) ohms[branch] = Infinity;
  const laws: Law[] = [...circuit.laws];
  for (const device of effect.off) laws[device] = { is: 'open' };
  for (const device of effect.through) laws[device] = { is: 'through', ohm: THROUGH_OHM };
  for (const device of effect.shorted) laws[device] = { is: 'resistance', ohm: SHORT_OHM };
  return { shape: circuit.shape, ohms, laws };
}

/**
 * Solves a scenario with a fault, and lets fall what falls, from a running start of its own. What the fault cuts off is dark at once
 * and does not fall in turn.
 */
export function solveFault(base: ScenarioResult, fault: Fault): FaultResult {
  const circuit = faultyCircuit(base.circuit, fault);
  const start = runningStart(circuit);
  const dark = darkLoads(base.network, circuit, start);
  const before = solveCircuit(circuit, start);
  return { before, dark, ...letFall(base.network, circuit, before, start, dark) };
}
