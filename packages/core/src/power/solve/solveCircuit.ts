import type { Circuit, CircuitShape, Solved, Tripping } from './circuit.ts';
import { drawnA } from './drawCurrent.ts';
import { equationsOf, type Equations } from './equations.ts';
import { collapsedInput, smoothState, worstJumps, type Jump } from './nextStates.ts';
import { SparseLu } from './sparseLu.ts';
import { drawLawOf, fixedValues, stampDevices, type Round } from './stamps.ts';
import { runningStart, type Start } from './startOf.ts';

/** Rounds in which every device may change its state at once; after them one at a time, the lowest first (K. G. Murty 1974). */
const FREE_ROUNDS = 14;
/** After these, a regulator whose input has fallen away is taken to have shut down. */
const PATIENT_ROUNDS = 30;
/** More rounds than this between two changes for good, and the circuit is said not to settle. */
const MOST_ROUNDS = 160;
const TOLERANCE_V = 1e-9;
/** A constant-power device is taken at no less than this share of the voltage of the round before, so that it comes down in steps. */
const LEAST_STEP = 0.6;

interface Prepared {
  readonly equations: Equations;
  readonly lu: SparseLu;
}

const prepared = new WeakMap<CircuitShape, Prepared>();

function prepare(shape: CircuitShape): Prepared {
  const known = prepared.get(shape);
  if (known !== undefined) return known;
  const equations = equationsOf(shape);
  const made = { equations, lu: new SparseLu(equations.order) };
  prepared.set(shape, made);
  return made;
}

/**
 * Solves a circuit as a running system: from voltages on high, it comes down to the highest balance that there is. What jumps,
 * such as a regulator that shuts down, jumps for good, the furthest out of its limits first, so that the solve ends. Newton's
 * method on modified nodal equations; states of diodes and limits by complementary pivoting.
 * @param start to begin from, such as a neighbouring solution; else the running start
 */
export function solveCircuit(circuit: Circuit, start: Start = runningStart(circuit)): Solved {
  const { equations, lu } = prepare(circuit.shape);
  const fixed = fixedValues(equations, circuit);
  const x = new Float64Array(equations.size);
  const round: Round = {
    values: new Float64Array(fixed.length),
    rightSide: new Float64Array(equations.size),
    x,
    states: start.states.slice(),
    at: new Float64Array(circuit.laws.length),
    isFlat: new Uint8Array(circuit.laws.length),
  };
  const trippings: Tripping[] = [];
  let iterations = 0;
  for (;;) {
    beginAt(circuit, start.volts, round);
    const balance = balanceOf(equations, lu, circuit, fixed, round);
    iterations += balance.rounds;
    const jumps = balance.unsettled === undefined ? worstJumps(equations, circuit, x, round.states) : balance.collapsed;
    if (jumps.length === 0) return solution(equations, circuit, round, trippings, iterations, balance.unsettled);
    for (const { tripping, to } of jumps) {
      trippings.push(tripping);
      round.states[tripping.device] = to;
    }
  }
}

/** Every search for a balance begins high, so that it comes down to the highest one. */
function beginAt({ shape }: Circuit, volts: Float64Array, { x, at, isFlat }: Round): void {
  x.fill(0);
  x.set(volts);
  isFlat.fill(0);
  shape.devices.forEach(({ kind, nodes: [a = 0, b = 0, c = 0] }, i) => {
    if (kind === 'draw' || kind === 'limiter') at[i] = (x[a] ?? 0) - (x[b] ?? 0);
    else if (kind === 'regulator') at[i] = (x[a] ?? 0) - (x[c] ?? 0);
  });
}

interface Balance {
  readonly rounds: number;
  /** The device that still moves; undefined when all have settled. */
  readonly unsettled: number | undefined;
  /** A regulator whose input fell away while no balance was found. */
  readonly collapsed: readonly Jump[];
}

/** Rounds of Newton's method until voltages and states stay. */
function balanceOf(equations: Equations, lu: SparseLu, circuit: Circuit, fixed: Float64Array, round: Round): Balance {
  const matrix = { size: equations.size, starts: equations.starts, rows: equations.rows, values: round.values };
  const next = new Float64Array(equations.size);
  let mover = 0;
  for (let rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
    round.values.set(fixed);
    round.rightSide.fill(0);
    stampDevices(equations, circuit, round);
    if (!lu.factor(matrix)) return { rounds, unsettled: mover, collapsed: [] };
    next.set(round.rightSide);
    lu.solve(next);
    const change = settle(circuit, round, next);
    round.x.set(next);
    const changed = changeStates(equations, circuit, round, rounds > FREE_ROUNDS);
    if (changed >= 0) mover = changed;
    else if (change.volts < TOLERANCE_V) return { rounds, unsettled: undefined, collapsed: [] };
    else mover = change.device;
    const collapsed = rounds > PATIENT_ROUNDS ? collapsedInput(circuit, round.x, round.states) : undefined;
    if (collapsed !== undefined) return { rounds, unsettled: mover, collapsed: [collapsed] };
  }
  return { rounds: MOST_ROUNDS, unsettled: mover, collapsed: [] };
}

/** Moves the places at which curved laws are taken. @returns the largest change and the device that made it */
function settle({ shape, laws }: Circuit, round: Round, next: Float64Array): { readonly volts: number; readonly device: number } {
  let largest = 0;
  let device = 0;
  for (let i = 0; i < laws.length; i++) {
    const { kind, nodes } = shape.devices[i] ?? {};
    const law = laws[i];
    if (law === undefined || nodes === undefined) continue;
    const [a = 0, b = 0, c = 0] = nodes;
    const now = (next[a] ?? 0) - (next[kind === 'regulator' ? c : b] ?? 0);
    if (kind === 'draw' || kind === 'limiter') {
      const was = round.at[i] ?? 0;
      const own = drawLawOf(law, round.states[i] ?? 0);
      if (own.is === 'open' || own.is === 'resistance') {
        round.at[i] = now;
        continue;
      }
      const taken = own.is === 'constant-power' && was > own.kneeV ? comingDown(round, i, was, now) : now;
      round.at[i] = taken;
      const change = Math.abs(now - was) / (1 + Math.abs(was));
      if (change > largest) [largest, device] = [change, i];
    } else if (kind === 'regulator') {
      const was = round.at[i] ?? 0;
      round.at[i] = law.is === 'regulator' && was > law.inputMinV / 2 ? comingDown(round, i, was, now) : now;
      const rail = Math.abs((next[b] ?? 0) - (next[c] ?? 0) - (round.x[b] ?? 0) + (round.x[c] ?? 0));
      const change = Math.max(Math.abs(now - was), rail) / (1 + Math.abs(was));
      if (change > largest) [largest, device] = [change, i];
    }
  }
  return { volts: largest, device };
}

/**
 * From above, Newton's method comes down to the highest balance of a constant power and never rises. Where it rises there is
 * none so high: from then on the device is taken as a constant current, which comes down further, to the next balance.
 */
function comingDown(round: Round, device: number, was: number, now: number): number {
  if (now > was * (1 + 1e-6)) {
    if (round.isFlat[device] === 1) return now;
    round.isFlat[device] = 1;
    return was;
  }
  return Math.max(now, was * LEAST_STEP);
}

/** Lets devices change over to the state that the solution asks for. @returns the first that changed, or -1 */
function changeStates(equations: Equations, circuit: Circuit, { x, states }: Round, isOneAtATime: boolean): number {
  let first = -1;
  for (let device = 0; device < circuit.laws.length; device++) {
    const state = states[device] ?? 0;
    const to = smoothState(equations, circuit, device, x, state);
    if (to === state) continue;
    if (first < 0) first = device;
    states[device] = to;
    if (isOneAtATime) break;
  }
  return first;
}

function solution(
  { branchOf }: Equations,
  circuit: Circuit,
  { x, states, at }: Round,
  trippings: readonly Tripping[],
  iterations: number,
  unsettled: number | undefined,
): Solved {
  const amps = Float64Array.from(circuit.laws, (law, i) => {
    const branch = branchOf[i] ?? -1;
    return branch >= 0 ? (x[branch] ?? 0) : drawnA(drawLawOf(law, states[i] ?? 0), at[i] ?? 0);
  });
  return { volts: x.slice(0, circuit.shape.nodeCount), amps, states, trippings, iterations, unsettled };
}
