import type { PowerNetwork } from '../network/powerNetwork.ts';
import { letFall, type Fall, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { Circuit, Law, Solved } from '../solve/circuit.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { runningStart, type Start } from '../solve/startOf.ts';
import type { Fault } from './faultsOf.ts';

/** What a load that is shorted, and a regulator that has failed through, still put in the way. */
const SHORT_OHM = 0.01;
const THROUGH_OHM = 0.05;

/** An aircraft in a scenario with a fault. */
export interface FaultResult {
  readonly before: Solved;
  readonly after: Solved;
  readonly falls: readonly Fall[];
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

/** Solves a scenario with a fault, and lets fall what falls. Cold, from a running start of its own. */
export function solveFault(base: ScenarioResult, fault: Fault): FaultResult {
  const circuit = faultyCircuit(base.circuit, fault);
  return settled(base.network, circuit, base.dark, runningStart(circuit));
}

function settled(network: PowerNetwork, circuit: Circuit, dark: readonly number[], start: Start): FaultResult {
  const before = solveCircuit(circuit, start);
  const { after, falls } = letFall(network, circuit, before, start, dark);
  return { before, after, falls };
}
