import type { Circuit, CircuitShape, Solved, Tripping } from './circuit.ts';
import { CONSTANT_POWER, drawnA, emptyDrawTable, fillDrawTable, isBelowKnee, OPEN, RESISTANCE } from './drawTable.ts';
import { equationsOf, type Equations } from './equations.ts';
import { DOWN, LIMITED } from './deviceStates.ts';
import { collapsedInput, smoothState, worstJumps, type Jump } from './nextStates.ts';
import { cutOffs, isUndone, returnsOf } from './returns.ts';
import { LuPool } from './luPool.ts';
import { fillFixedValues, fillLeadEnds, stampDevices, type Round } from './stamps.ts';
import { runningStart, type Start } from './startOf.ts';

/** Rounds in which every device may change its state at once; after them one at a time, the lowest first (K. G. Murty 1974). */
const FREE_ROUNDS = 14;
/** After these, a regulator whose input has fallen away is taken to have shut down. */
const PATIENT_ROUNDS = 30;
/** More rounds than this between two changes for good, and the circuit is said not to settle. */
const MOST_ROUNDS = 160;
/**
 * Settled when the last round changed less than this, as a share of 1 + the value. Newton's method squares its error, so that what is
 * left is a trillionth; what is taken without its slope does not, and has to stand a thousand times stiller.
 */
const TOLERANCE = 1e-6;
const WITHOUT_SLOPE = 1000;
/** A constant-power device is taken at no less than this share of the voltage of the round before, so that it comes down in steps. */
const LEAST_STEP = 0.6;

/** What the solves of one wiring share; each begins with clean buffers. */
interface Prepared {
  readonly equations: Equations;
  readonly pool: LuPool;
  readonly round: Round;
  readonly next: Float64Array;
  /** The resistors that `fixed` holds. */
  ohms: Float64Array | undefined;
  readonly fixed: Float64Array;
}

const prepared = new WeakMap<CircuitShape, Prepared>();

function prepare(shape: CircuitShape): Prepared {
  const known = prepared.get(shape);
  if (known !== undefined) return known;
  const equations = equationsOf(shape);
  const made: Prepared = {
    equations,
    pool: new LuPool(equations),
    round: {
      values: new Float64Array(equations.dump + 1),
      rightSide: new Float64Array(equations.size),
      x: new Float64Array(equations.size),
      states: new Int8Array(shape.devices.length),
      at: new Float64Array(shape.devices.length),
      isFlat: new Uint8Array(shape.devices.length),
      table: emptyDrawTable(shape.devices.length),
      bentS: new Float64Array(shape.devices.length),
      bentA: new Float64Array(shape.devices.length),
    },
    next: new Float64Array(equations.size),
    ohms: undefined,
    fixed: new Float64Array(equations.dump + 1),
  };
  prepared.set(shape, made);
  return made;
}

/**
 * Solves a circuit as a running system: from voltages on high, it comes down to the highest balance that there is. Newton's
 * method on modified nodal equations; states of diodes and limits by complementary pivoting.
 *
 * 1. What jumps, such as a regulator that shuts down, jumps one after the other on each island, the furthest out of its limits first,
 *    and stays: so the solve ends.
 * 2. What a fuse or a latched regulator has cut off for good no longer overloads the others, which try again.
 * 3. A regulator that lacked its input for a moment starts again, and a selector goes back to an earlier input, where that holds.
 * @param start to begin from, such as a neighbouring solution; else the running start. What is down in it stays down
 */
export function solveCircuit(circuit: Circuit, start: Start = runningStart(circuit)): Solved {
  return withReturns(circuit, start, afterCuts(circuit, start, comeDown(circuit, start.volts, start.states)));
}

/** Lets everything try again once something is cut off for good; again when that cuts off more. */
function afterCuts(circuit: Circuit, start: Start, first: Solved): Solved {
  let known = first;
  for (const cut = new Map<number, Tripping>(); ;) {
    const more = cutOffs(circuit, known.trippings).filter(({ device }) => !cut.has(device));
    if (more.length === 0 || known.unsettled !== undefined) return known;
    for (const tripping of more) cut.set(tripping.device, tripping);
    // Nothing else has tripped: nothing has to try again.
    if (known.trippings.every(({ device }) => cut.has(device))) return known;
    const states = start.states.slice();
    for (const device of cut.keys()) states[device] = DOWN;
    const again = comeDown(circuit, start.volts, states);
    known = { ...again, iterations: known.iterations + again.iterations, trippings: [...cut.values(), ...again.trippings] };
  }
}

/** Lets what would start again at a balance do so, where nothing jumps then. */
function withReturns(circuit: Circuit, start: Start, settled: Solved): Solved {
  let known = settled;
  const refused = new Set<number>();
  while (known.unsettled === undefined && known.trippings.length > 0) {
    const [next] = returnsOf(circuit, known, known.trippings).filter(({ device }) => !refused.has(device));
    if (next === undefined) break;
    const states = known.states.slice();
    states[next.device] = next.to;
    const tried = comeDown(circuit, start.volts, states);
    const iterations = known.iterations + tried.iterations;
    const holds = tried.trippings.length === 0 && tried.unsettled === undefined;
    if (!holds) refused.add(next.device);
    known = holds
      ? { ...tried, iterations, trippings: known.trippings.filter((tripping) => !isUndone(tripping, next)) }
      : { ...known, iterations };
  }
  return known;
}

/** From voltages on high down to a balance at which nothing jumps any more. */
function comeDown(circuit: Circuit, volts: Float64Array, states: Int8Array): Solved {
  const ready = readyFor(circuit, states);
  const { equations, round } = ready;
  const trippings: Tripping[] = [];
  let iterations = 0;
  for (;;) {
    beginAt(equations, circuit, volts, round);
    const balance = balanceOf(ready, circuit);
    iterations += balance.rounds;
    const jumps = balance.unsettled === undefined ? worstJumps(equations, circuit, round.x, round.states) : balance.collapsed;
    if (jumps.length === 0) return solution(equations, circuit, round, trippings, iterations, balance.unsettled);
    for (const { tripping, to } of jumps) {
      trippings.push(tripping);
      round.states[tripping.device] = to;
    }
  }
}

/** A neighbouring balance is found in a few rounds, or it is no neighbour. */
const NEAR_ROUNDS = 10;

/**
 * The balance next to one that is known, as a running system finds it after a small change; undefined when anything jumps, when a
 * load has come down to where it is a mere resistance, or when there is no balance near. Then `solveCircuit` has to come down from high.
 */
export function solveNear(circuit: Circuit, from: Pick<Solved, 'volts' | 'amps' | 'states'>): Solved | undefined {
  const ready = readyFor(circuit, from.states);
  const { equations, round } = ready;
  beginAt(equations, circuit, from.volts, round);
  for (const device of equations.branches) round.x[equations.branchOf[device] ?? 0] = from.amps[device] ?? 0;
  const { rounds, unsettled } = balanceOf(ready, circuit, NEAR_ROUNDS);
  if (unsettled !== undefined || worstJumps(equations, circuit, round.x, round.states).length > 0) return undefined;
  const isAnyBelowKnee = equations.draws.some((device) => isBelowKnee(round.table, device, round.at[device] ?? 0));
  return isAnyBelowKnee ? undefined : solution(equations, circuit, round, [], rounds, undefined);
}

/** The buffers of a wiring, with the resistors of this circuit in place. */
function readyFor(circuit: Circuit, states: Int8Array): Prepared {
  const ready = prepare(circuit.shape);
  if (ready.ohms !== circuit.ohms) {
    fillFixedValues(ready.equations, circuit, ready.fixed);
    ready.ohms = circuit.ohms;
  }
  ready.round.states.set(states);
  return ready;
}

/** Every search for a balance begins high, so that it comes down to the highest one. */
function beginAt(equations: Equations, circuit: Circuit, volts: Float64Array, { x, at, isFlat, table, states }: Round): void {
  const { terminals, curved, branchOf } = equations;
  fillDrawTable(table, equations, circuit, states);
  x.fill(0);
  x.set(volts);
  isFlat.fill(0);
  for (const i of curved) {
    const other = (branchOf[i] ?? -1) < 0 ? 1 : 2;
    at[i] = (x[terminals[3 * i] ?? 0] ?? 0) - (x[terminals[3 * i + other] ?? 0] ?? 0);
  }
}

interface Balance {
  readonly rounds: number;
  /** The device that still moves; undefined when all have settled. */
  readonly unsettled: number | undefined;
  /** A regulator whose input fell away while no balance was found. */
  readonly collapsed: readonly Jump[];
}

/** Rounds of Newton's method until voltages and states stay. With `nearRounds`, at most so many, in which voltages may rise too. */
function balanceOf({ equations, pool, fixed, round, next }: Prepared, circuit: Circuit, nearRounds?: number): Balance {
  const isNear = nearRounds !== undefined;
  const most = nearRounds ?? MOST_ROUNDS;
  const matrix = { size: equations.size, starts: equations.starts, rows: equations.rows, values: round.values };
  let mover = 0;
  for (let rounds = 1; rounds <= most; rounds++) {
    round.values.set(fixed);
    round.rightSide.fill(0);
    stampDevices(equations, circuit, round);
    const lu = pool.factor(matrix);
    if (lu === undefined) return { rounds, unsettled: mover, collapsed: [] };
    next.set(round.rightSide);
    lu.solve(next);
    fillLeadEnds(equations, circuit, round, next);
    const change = settle(equations, circuit, round, next, isNear);
    round.x.set(next);
    const changed = changeStates(equations, circuit, round, rounds > FREE_ROUNDS);
    if (changed >= 0) mover = changed;
    else if (change.size < TOLERANCE) return { rounds, unsettled: undefined, collapsed: [] };
    else mover = change.device;
    const collapsed = rounds > PATIENT_ROUNDS ? collapsedInput(circuit, round.x, round.states) : undefined;
    if (collapsed !== undefined) return { rounds, unsettled: mover, collapsed: [collapsed] };
  }
  return { rounds: most, unsettled: mover, collapsed: [] };
}

/** Moves the places at which curved laws are taken. @returns the largest change and the device that made it */
function settle(
  { curved, terminals, branchOf }: Equations,
  { laws }: Circuit,
  round: Round,
  next: Float64Array,
  mayRise: boolean,
): { readonly size: number; readonly device: number } {
  const { at, states, x, isFlat, table } = round;
  let largest = 0;
  let device = 0;
  for (const i of curved) {
    const a = terminals[3 * i] ?? 0;
    const b = terminals[3 * i + 1] ?? 0;
    const was = at[i] ?? 0;
    const branch = branchOf[i] ?? -1;
    let change: number;
    if (branch >= 0) {
      const law = laws[i];
      if (law?.is !== 'regulator' && law?.is !== 'through') continue;
      const c = terminals[3 * i + 2] ?? 0;
      const now = (next[a] ?? 0) - (next[c] ?? 0);
      at[i] = !mayRise && law.is === 'regulator' && was > law.inputMinV / 2 ? comingDown(round, i, was, now) : now;
      const rail = Math.abs((next[b] ?? 0) - (next[c] ?? 0) - (x[b] ?? 0) + (x[c] ?? 0));
      change = Math.max(Math.abs(now - was), rail, Math.abs((next[branch] ?? 0) - (x[branch] ?? 0)));
    } else {
      const now = (next[a] ?? 0) - (next[b] ?? 0);
      const kind = table.kinds[i];
      at[i] = !mayRise && kind === CONSTANT_POWER && !isBelowKnee(table, i, was) ? comingDown(round, i, was, now) : now;
      if (kind === OPEN || kind === RESISTANCE) continue;
      change = Math.abs(now - was);
    }
    change /= 1 + Math.abs(was);
    if (isFlat[i] === 1 || states[i] === LIMITED) change *= WITHOUT_SLOPE;
    if (change > largest) {
      largest = change;
      device = i;
    }
  }
  return { size: largest, device };
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
  for (const device of equations.switching) {
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
  { branches, branchOf, draws }: Equations,
  { shape }: Circuit,
  { x, states, at, table }: Round,
  trippings: readonly Tripping[],
  iterations: number,
  unsettled: number | undefined,
): Solved {
  const amps = new Float64Array(shape.devices.length);
  for (const i of branches) amps[i] = x[branchOf[i] ?? 0] ?? 0;
  for (const i of draws) amps[i] = (table.leadsOhm[i] ?? 0) === Infinity ? 0 : drawnA(table, i, at[i] ?? 0);
  return { volts: x.slice(0, shape.nodeCount), amps, states: states.slice(), trippings, iterations, unsettled };
}
