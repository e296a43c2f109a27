import { isAnyShort, letFall, liveCircuit, reachedCircuit, type Fall, type Live, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { Circuit, Law, Solved } from '../solve/circuit.ts';
import { comesBack } from '../solve/returns.ts';
import { solveCircuit, solveNear } from '../solve/solveCircuit.ts';
import { DOWN, inputOf } from '../solve/deviceStates.ts';
import { raisedStart, type RaisedStart, type Start } from '../solve/startOf.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
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

/** A solved fault, with what is left of the circuit and how it started: the same in every situation that is fed alike. */
export interface SolvedFault extends FaultResult {
  readonly live: Live;
}

/** The circuit with what a fault does to it. */
export function faultyCircuit(circuit: Circuit, fault: Fault): Circuit {
  return { shape: circuit.shape, ohms: faultyOhms(circuit, fault), laws: faultyLaws(circuit, fault) };
}

function faultyOhms({ ohms: intact }: Circuit, { effect }: Fault): Float64Array {
  if (effect.open.length === 0) return intact;
  const ohms = intact.slice();
  for (const branch of effect.open) ohms[branch] = Infinity;
  return ohms;
}

function faultyLaws(circuit: Circuit, { effect }: Fault): Law[] {
  const laws: Law[] = [...circuit.laws];
  for (const device of effect.off) laws[device] = { is: 'open' };
  for (const device of effect.through) laws[device] = { is: 'through', ohm: THROUGH_OHM };
  for (const device of effect.shorted) laws[device] = { is: 'resistance', ohm: SHORT_OHM };
  return laws;
}

/**
 * Solves a scenario with a fault, and lets fall what falls. What the fault cuts off is dark at once and does not fall in turn.
 * Most faults move the balance of the intact aircraft a little, and it is followed there; where anything jumps or falls, the faulty
 * aircraft is brought down from a running start of its own.
 * @param alike the same fault in a situation that is fed alike, when it is solved already
 */
export function solveFault(base: ScenarioResult, fault: Fault, alike?: SolvedFault): SolvedFault {
  // What is shorted pulls its supply down: there is no neighbouring balance to look for, and nothing loses its return.
  const isShort = fault.effect.shorted.length > 0;
  const live = alike === undefined ? liveWith(base, fault) : liveAs(alike.live, base, fault);
  const near = isUnhurt(base) && !isShort ? nextToIntact(base, live) : undefined;
  return { ...(near ?? broughtDown(base.network, live)), live };
}

function liveWith(base: ScenarioResult, fault: Fault): Live {
  const circuit = faultyCircuit(base.circuit, fault);
  const known = keptStart(base.circuit, fault);
  return fault.effect.shorted.length > 0 ? reachedCircuit(base.network, circuit, known) : liveCircuit(base.network, circuit, known);
}

/** What is left of the circuit in a situation that is fed like one for which that is known. */
function liveAs({ circuit: { ohms }, start, dark }: Live, { circuit }: ScenarioResult, fault: Fault): Live {
  const laws = faultyLaws(circuit, fault);
  for (const device of dark) laws[device] = { is: 'open' };
  return { circuit: { shape: circuit.shape, ohms, laws }, start, dark };
}

/**
 * True when the same supplies feed the same devices in two situations, whatever these take: then the same is dark with any fault, and
 * everything starts at the same voltages.
 */
export function areFedAlike({ circuit: a }: ScenarioResult, { circuit: b }: ScenarioResult): boolean {
  return (
    a.ohms === b.ohms &&
    a.laws.every((law, device) => {
      const other = b.laws[device];
      return law.is === other?.is && (law.is !== 'supply' || (other.is === 'supply' && law.emfV === other.emfV));
    })
  );
}

const starts = new WeakMap<Circuit, RaisedStart>();

/** The running start of the intact aircraft, with what it hangs on. */
export function intactStart(intact: Circuit): RaisedStart {
  const known = starts.get(intact) ?? raisedStart(intact);
  starts.set(intact, known);
  return known;
}

/** The running start of the intact aircraft, when it is that with the fault too: nothing has its voltage by way of what is open. */
export function keptStart(intact: Circuit, { effect }: Fault): Start | undefined {
  if (effect.off.length > 0 || effect.through.length > 0) return undefined;
  const known = intactStart(intact);
  return effect.open.some((resistor) => known.isUsed[resistor] === 1) ? undefined : known;
}

/** The faulty aircraft from a running start, whatever the intact one does. */
export function fromRunning(network: PowerNetwork, circuit: Circuit): FaultResult {
  return broughtDown(network, liveCircuit(network, circuit));
}

function broughtDown(network: PowerNetwork, live: Live): FaultResult {
  const before = solveCircuit(live.circuit, live.start);
  return { before, dark: live.dark, ...letFall(network, live, before) };
}

/** Nothing tripped, fell or was dark. */
function isUnhurt({ before, falls, dark }: ScenarioResult): boolean {
  return before.trippings.length === 0 && before.unsettled === undefined && falls.length === 0 && dark.length === 0;
}

function nextToIntact({ network, before: intact }: ScenarioResult, { circuit, start, dark }: Live): FaultResult | undefined {
  const near = solveNear(circuit, { ...intact, states: withStarted(circuit, intact.states, start.states) });
  if (near === undefined || comesBack(circuit, near) || isAnyShort(network, circuit, near)) return undefined;
  return { before: near, after: near, falls: [], dark };
}

/** The states of the intact aircraft, but for what the fault keeps from starting, and the input that a selector starts with. */
function withStarted({ laws }: Circuit, intact: Int8Array, started: Int8Array): Int8Array {
  const states = intact.slice();
  laws.forEach((law, device) => {
    const [was = 0, now = 0] = [intact[device], started[device]];
    const isOther = law.is === 'selector' ? inputOf(was) !== inputOf(now) : law.is === 'regulator' && now === DOWN;
    if (isOther) states[device] = now;
  });
  return states;
}
