import type { Circuit, Law, RegulatorLaw } from './circuit.ts';
import { LEAK_S, LEAST_OHM } from './circuit.ts';
import { BLOCKED, DOWN, FOLLOWS, inputOf, inputShare, LIMITED, ON, overloadedA } from './deviceStates.ts';
import { drawnA, drawnS, OPEN, type DrawTable } from './drawTable.ts';
import type { Equations } from './equations.ts';

/** A round of the solver: the values and the right side that it fills, and the voltages at which curved laws are taken. */
export interface Round {
  readonly values: Float64Array;
  readonly rightSide: Float64Array;
  readonly x: Float64Array;
  readonly states: Int8Array;
  /** The voltage at which the law of each two-terminal device is taken; of a regulator that at its input. */
  readonly at: Float64Array;
  /** Those that are taken as a constant current there, without their slope. */
  readonly isFlat: Uint8Array;
  readonly table: DrawTable;
  /** The straight law of each draw and limiter between the hubs of its leads: `I = bentS * V + bentA`. */
  readonly bentS: Float64Array;
  readonly bentA: Float64Array;
}

/** The part of the matrix that no state changes: resistors, leaks, and the rows of the references. */
export function fillFixedValues(equations: Equations, { ohms }: Circuit, values: Float64Array): void {
  values.fill(0);
  const { resistorSlots, diagonal, isReference } = equations;
  for (let node = 0; node < diagonal.length; node++) values[diagonal[node] ?? 0] = isReference[node] === 1 ? 1 : LEAK_S;
  for (let i = 0; i < ohms.length; i++) conduct(values, resistorSlots, 4 * i, 1 / (ohms[i] ?? Infinity));
}

function conduct(values: Float64Array, slots: Int32Array, from: number, siemens: number): void {
  for (let k = 0; k < 4; k++) {
    const slot = slots[from + k] ?? 0;
    values[slot] = (values[slot] ?? 0) + (k < 2 ? siemens : -siemens);
  }
}

/** Writes every device into the round. */
export function stampDevices(equations: Equations, { shape, laws }: Circuit, round: Round): void {
  stampDraws(equations, round);
  for (const i of equations.branches) {
    const law = laws[i];
    const device = shape.devices[i];
    const slots = equations.deviceSlots[i];
    if (law === undefined || device === undefined || slots === undefined) continue;
    const branch = equations.branchOf[i] ?? -1;
    if (device.kind === 'selector') stampSelector(law, slots, branch, round, round.states[i] ?? 0);
    else if (device.kind === 'regulator') stampRegulator(equations, law, slots, branch, round, i);
    else stampPair(law, slots, branch, round, round.states[i] ?? 0);
  }
}

/** Devices without a current of their own, in series with their leads: `V = v + R I` and `I = ownS * v + rest`. */
function stampDraws({ draws, deviceSlots, isReference, leads: { hubs } }: Equations, round: Round): void {
  const { values, rightSide, at, isFlat, bentS, bentA, table } = round;
  for (const device of draws) {
    const leadsOhm = table.leadsOhm[device] ?? 0;
    const slots = deviceSlots[device];
    if (table.kinds[device] === OPEN || leadsOhm === Infinity || slots === undefined) {
      bentS[device] = bentA[device] = 0;
      continue;
    }
    const volts = at[device] ?? 0;
    const truly = drawnS(table, device, volts);
    const ownS = isFlat[device] === 1 ? Math.max(truly, 0) : truly;
    const bend = 1 + ownS * leadsOhm;
    const share = 1 / (Math.abs(bend) < LEAST_BEND ? LEAST_BEND : bend);
    const slope = ownS * share;
    const rest = (drawnA(table, device, volts) - ownS * volts) * share;
    bentS[device] = slope;
    bentA[device] = rest;
    conduct(values, slots, 0, slope);
    add(rightSide, isReference, hubs[2 * device] ?? 0, -rest);
    add(rightSide, isReference, hubs[2 * device + 1] ?? 0, rest);
  }
}

/**
 * Gives the ends of leads their voltages: what the hub has, less the drop of the current in the lead. Behind an open lead nothing
 * flows: such a node has the voltage of the other side of its device, or when that conducts nothing 0 V.
 */
export function fillLeadEnds({ leads, terminals }: Equations, { ohms }: Circuit, { table, bentS, bentA }: Round, x: Float64Array): void {
  const { resistorOf, hubs } = leads;
  for (const device of leads.devices) {
    const first = resistorOf[2 * device] ?? -1;
    const second = resistorOf[2 * device + 1] ?? -1;
    const firstOhm = first < 0 ? 0 : (ohms[first] ?? 0);
    const secondOhm = second < 0 ? 0 : (ohms[second] ?? 0);
    const hubV = x[hubs[2 * device] ?? 0] ?? 0;
    const otherV = x[hubs[2 * device + 1] ?? 0] ?? 0;
    const amps = (bentS[device] ?? 0) * (hubV - otherV) + (bentA[device] ?? 0);
    const conducts = table.kinds[device] !== OPEN;
    const behindFirst = conducts && secondOhm !== Infinity ? otherV : 0;
    const behindSecond = conducts && firstOhm !== Infinity ? hubV : 0;
    if (first >= 0) x[terminals[3 * device] ?? 0] = firstOhm === Infinity ? behindFirst : hubV - firstOhm * amps;
    if (second >= 0) x[terminals[3 * device + 1] ?? 0] = secondOhm === Infinity ? behindSecond : otherV + secondOhm * amps;
  }
}

/** Exactly where a constant power draws the most that its leads let through, its slope is infinite; it is taken a hair beside. */
const LEAST_BEND = 1e-9;

function add(rightSide: Float64Array, isReference: Uint8Array, node: number, amps: number): void {
  if (isReference[node] !== 1) rightSide[node] = (rightSide[node] ?? 0) + amps;
}

function plus(values: Float64Array, slots: Int32Array, at: number, value: number): void {
  const slot = slots[at] ?? 0;
  values[slot] = (values[slot] ?? 0) + value;
}

/** Supply, sense and diode: a current from the first node to the second, or out of the plus of a supply. */
function stampPair(law: Law, slots: Int32Array, branch: number, { values, rightSide }: Round, state: number): void {
  const sign = law.is === 'supply' ? -1 : 1;
  plus(values, slots, 0, sign);
  plus(values, slots, 1, -sign);
  if (law.is === 'supply' && state === LIMITED) {
    plus(values, slots, 4, 1);
    rightSide[branch] = law.maxA;
  } else if (law.is === 'open' || state === BLOCKED || (law.is !== 'supply' && law.is !== 'sense' && law.is !== 'diode')) {
    plus(values, slots, 4, 1);
  } else {
    plus(values, slots, 2, 1);
    plus(values, slots, 3, -1);
    const ohm = Math.max(law.is === 'diode' ? 0 : law.ohm, LEAST_OHM);
    plus(values, slots, 4, law.is === 'supply' ? ohm : -ohm);
    rightSide[branch] = law.is === 'supply' ? law.emfV : law.is === 'diode' ? law.dropV : 0;
  }
}

function stampSelector(law: Law, slots: Int32Array, branch: number, { values, rightSide }: Round, state: number): void {
  plus(values, slots, 0, -1);
  const input = inputOf(state);
  if (law.is !== 'selector' || input < 0) return plus(values, slots, 2, 1);
  plus(values, slots, 3 + 2 * input, 1);
  if ((state & 1) === BLOCKED) return plus(values, slots, 2, 1);
  plus(values, slots, 4 + 2 * input, 1);
  plus(values, slots, 1, -1);
  plus(values, slots, 2, -LEAST_OHM);
  rightSide[branch] = law.dropV;
}

function stampRegulator(equations: Equations, law: Law, slots: Int32Array, branch: number, round: Round, device: number): void {
  const { values, rightSide } = round;
  const { terminals } = equations;
  const state = round.states[device] ?? 0;
  plus(values, slots, 4, -1);
  if (law.is === 'through') {
    plus(values, slots, 0, 1);
    plus(values, slots, 9, 1);
    plus(values, slots, 10, -1);
    plus(values, slots, 12, -law.ohm);
    return;
  }
  if (law.is !== 'regulator' || state === DOWN) {
    plus(values, slots, 12, 1);
    if (law.is === 'regulator' && (round.at[device] ?? 0) >= law.inputMinV) stampAwake(equations, law, round, device);
    return;
  }
  stampInput(equations, law, slots, branch, round, device);
  switch (state) {
    case ON:
      plus(values, slots, 10, 1);
      plus(values, slots, 11, -1);
      plus(values, slots, 12, LEAST_OHM);
      rightSide[branch] = law.setV;
      break;
    case FOLLOWS:
      plus(values, slots, 10, 1);
      plus(values, slots, 9, -1);
      plus(values, slots, 12, LEAST_OHM);
      rightSide[branch] = -law.dropoutV;
      break;
    case LIMITED:
      // Without its slope, a folding one comes down with its load and does not run up to where it would be right again.
      plus(values, slots, 12, 1);
      rightSide[branch] = overloadedA(law, (round.x[terminals[3 * device + 1] ?? 0] ?? 0) - (round.x[terminals[3 * device + 2] ?? 0] ?? 0));
      break;
    default:
      plus(values, slots, 12, 1);
  }
}

/** What has shut down for an overload, and not for want of input, still takes its quiescent current. */
function stampAwake({ isReference, terminals }: Equations, { quiescentA }: RegulatorLaw, { rightSide }: Round, device: number): void {
  add(rightSide, isReference, terminals[3 * device] ?? 0, -quiescentA);
  add(rightSide, isReference, terminals[3 * device + 2] ?? 0, quiescentA);
}

/** The current at the input, taken as straight around the last round: `Iq + share(Vin, Vout) * Iout`, which the ground gives back. */
function stampInput(
  { isReference, terminals }: Equations,
  law: RegulatorLaw,
  slots: Int32Array,
  branch: number,
  { values, rightSide, x, at, isFlat }: Round,
  device: number,
): void {
  const input = terminals[3 * device] ?? 0;
  const out = terminals[3 * device + 1] ?? 0;
  const gnd = terminals[3 * device + 2] ?? 0;
  const ground = x[gnd] ?? 0;
  const inV = Math.max(at[device] ?? 0, law.inputMinV / 2, 0.5);
  const outV = (x[out] ?? 0) - ground;
  const amps = Math.max(x[branch] ?? 0, 0);
  const share = inputShare(law, inV, outV);
  const isSwitching = law.topology !== 'linear';
  const byIn = isSwitching && isFlat[device] !== 1 ? (-share * amps) / inV : 0;
  const byOut = isSwitching ? amps / (law.efficiency * inV) : 0;
  const rest = law.quiescentA - byIn * inV - byOut * outV;
  plus(values, slots, 0, share);
  plus(values, slots, 1, byIn);
  plus(values, slots, 2, byOut);
  plus(values, slots, 3, -byIn - byOut);
  plus(values, slots, 5, 1 - share);
  plus(values, slots, 6, -byIn);
  plus(values, slots, 7, -byOut);
  plus(values, slots, 8, byIn + byOut);
  add(rightSide, isReference, input, -rest);
  add(rightSide, isReference, gnd, rest);
}
