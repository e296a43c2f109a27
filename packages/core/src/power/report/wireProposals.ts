import type { Graph } from '../../graph/graph.ts';
import { wireAmps } from '../../harness/wireLimits.ts';
import type { WireColour } from '../../model/aircraft.ts';
import type { CableId, ConductorId } from '../../model/ids.ts';
import { solveScenarios } from '../scenarios/solveScenario.ts';
import { wireLoads } from './wireLoads.ts';

/** A wire that carries supply current, and the size that it should have; as plain data for the screen. */
export interface WireProposal {
  readonly cable: CableId;
  readonly tag: string;
  readonly conductor: ConductorId;
  readonly contact: number;
  readonly colour: WireColour;
  readonly awg: number;
  readonly lengthMm: number;
  readonly amps: number;
  readonly limitA: number;
  readonly hottestIn: string;
  readonly dropV: number;
  readonly allowedV: number;
  readonly longestIn: string;
  /** The thinnest size that does; undefined where none that the contacts take does. */
  readonly proposedAwg: number | undefined;
}

/** Every wire that carries supply current in some situation on the pack, in the order of cables and contacts. */
export function wireProposals(graph: Graph): readonly WireProposal[] {
  const results = solveScenarios(graph).filter(({ scenario }) => scenario.charge !== undefined);
  return wireLoads(graph, results).map(({ cable, conductor, lengthMm, heat, drop, propose }) => ({
    cable: cable.id,
    tag: cable.tag,
    conductor: conductor.id,
    contact: conductor.a.n,
    colour: conductor.colour,
    awg: conductor.awg,
    lengthMm,
    amps: heat.amps,
    limitA: wireAmps(conductor.awg, heat.result.scenario.durationS) ?? 0,
    hottestIn: heat.result.scenario.title,
    dropV: drop.volts,
    allowedV: drop.allowedV,
    longestIn: drop.result.scenario.title,
    proposedAwg: propose(),
  }));
}
