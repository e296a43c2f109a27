import type { Circuit, Tripping } from './circuit.ts';
import { BLOCKED, DOWN, FOLLOWS, inputOf, LIMITED, NO_INPUT, ON, reachableV, selectorState } from './deviceStates.ts';
import { limiterOhm } from './drawTable.ts';
import type { Equations } from './equations.ts';

/** What is within this of its limit stands at it: rounding must not make a device change over. */
const HAIR = 1e-9;

/**
 * The state that a device would be in at a solution, where its law meets itself without a jump: conducting or blocked, at its
 * setpoint, following its input, or at its limit.
 */
export function smoothState(equations: Equations, { shape, laws }: Circuit, device: number, x: Float64Array, state: number): number {
  const law = laws[device];
  const { terminals } = equations;
  const aV = x[terminals[3 * device] ?? 0] ?? 0;
  const bV = x[terminals[3 * device + 1] ?? 0] ?? 0;
  const amps = x[equations.branchOf[device] ?? -1] ?? 0;
  switch (law?.is) {
    case 'diode':
      if (state === ON) return amps < -HAIR ? BLOCKED : ON;
      return aV - bV > law.dropV + HAIR ? ON : BLOCKED;
    case 'supply': {
      if (law.maxA === Infinity) return ON;
      const across = aV - bV;
      if (state === ON) return amps < -HAIR ? BLOCKED : amps > law.maxA + HAIR ? LIMITED : ON;
      if (state === LIMITED) return across > law.emfV - law.ohm * law.maxA + HAIR ? ON : LIMITED;
      return across < law.emfV - HAIR ? ON : BLOCKED;
    }
    case 'selector': {
      const input = inputOf(state);
      if (input < 0) return state;
      if ((state & 1) === ON) return amps < -HAIR ? selectorState(input, true) : state;
      const { nodes = [] } = shape.devices[device] ?? {};
      return (x[nodes[input] ?? 0] ?? 0) - (x[nodes[nodes.length - 2] ?? 0] ?? 0) > law.dropV + HAIR ? selectorState(input, false) : state;
    }
    case 'regulator': {
      if (state === DOWN) return DOWN;
      const ground = x[terminals[3 * device + 2] ?? 0] ?? 0;
      const inV = aV - ground;
      const outV = bV - ground;
      const reach = reachableV(law, inV);
      if (state === BLOCKED) return outV < reach - HAIR ? (reach < law.setV ? FOLLOWS : ON) : BLOCKED;
      if (state === LIMITED && law.onOverload === 'foldback') return LIMITED;
      if (state === LIMITED) return outV > reach + HAIR ? (reach < law.setV ? FOLLOWS : ON) : LIMITED;
      if (amps < -HAIR) return BLOCKED;
      if (law.onOverload === 'constant-current' && amps > law.limitA + HAIR) return LIMITED;
      if (state === ON) return reach < law.setV - HAIR ? FOLLOWS : ON;
      return reach >= law.setV ? ON : FOLLOWS;
    }
    case 'open':
    case 'resistance':
    case 'constant-current':
    case 'constant-power':
    case 'square':
    case 'clamp':
    case 'sense':
    case 'through':
    case 'limiter':
    case undefined:
      return state;
  }
}

/** A change with a jump that a device would make for good, by how far it is out of its limits; undefined for one that stays. */
export interface Jump {
  readonly tripping: Tripping;
  readonly to: number;
  /** How far out, as a share of the limit. */
  readonly severity: number;
}

/**
 * Of the devices that are out of their limits at a settled balance, on each island the one that is furthest out; ties by number.
 * Islands know nothing of each other, so that theirs are made together.
 */
export function worstJumps(equations: Equations, circuit: Circuit, x: Float64Array, states: Int8Array): readonly Jump[] {
  let worst: Map<number, Jump> | undefined;
  for (const device of equations.jumping) {
    const jump = jumpOf(equations, circuit, device, x, states[device] ?? 0);
    if (jump === undefined) continue;
    worst ??= new Map();
    const island = equations.islandOf[device] ?? 0;
    const before = worst.get(island);
    if (before === undefined || jump.severity > before.severity + HAIR) worst.set(island, jump);
  }
  return worst === undefined ? [] : [...worst.values()];
}

/** Of the regulators whose input has collapsed where no balance is found, the one that is furthest down. */
export function collapsedInput(circuit: Circuit, x: Float64Array, states: Int8Array): Jump | undefined {
  let worst: Jump | undefined;
  circuit.laws.forEach((law, device) => {
    if (law.is !== 'regulator' || states[device] === DOWN) return;
    const [input = 0, , gnd = 0] = circuit.shape.devices[device]?.nodes ?? [];
    const inV = (x[input] ?? 0) - (x[gnd] ?? 0);
    if (inV >= law.inputMinV) return;
    const jump = down(device, 'input-low', Math.max(inV, 0), law.inputMinV);
    const severity = (law.inputMinV - inV) / law.inputMinV;
    if (worst === undefined || severity > worst.severity + HAIR) worst = { ...jump, severity };
  });
  return worst;
}

function jumpOf(equations: Equations, { shape, laws }: Circuit, device: number, x: Float64Array, state: number): Jump | undefined {
  const law = laws[device];
  const { nodes = [] } = shape.devices[device] ?? {};
  const volts = (k: number): number => x[nodes[k] ?? -1] ?? 0;
  if (law?.is === 'regulator' && state !== DOWN) {
    const inV = volts(0) - volts(2);
    if (inV < law.inputMinV - HAIR) return down(device, 'input-low', inV, law.inputMinV);
    const amps = x[equations.branchOf[device] ?? -1] ?? 0;
    const isOver = law.onOverload !== 'constant-current' && state !== LIMITED && amps > law.limitA + HAIR;
    if (isOver) return { ...down(device, 'overload', amps, law.limitA), to: law.onOverload === 'foldback' ? LIMITED : DOWN };
  }
  if (law?.is === 'limiter' && state !== DOWN) {
    const amps = (volts(0) - volts(1)) / limiterOhm(law, state);
    if (amps > law.tripA + HAIR) return down(device, 'trip', amps, law.tripA);
  }
  if (law?.is === 'selector') {
    const input = inputOf(state);
    const window = law.windows[input];
    if (window === undefined) return undefined;
    const inV = volts(input) - volts(nodes.length - 1);
    const limit = inV < window.minV - HAIR ? window.minV : inV > window.maxV + HAIR ? window.maxV : undefined;
    if (limit === undefined) return undefined;
    const to = firstInside(law.windows, (k) => volts(k) - volts(nodes.length - 1), input + 1);
    return { tripping: { device, what: 'window', value: inV, limit, input }, to, severity: Math.abs(inV - limit) / limit };
  }
  return undefined;
}

function down(device: number, what: Tripping['what'], value: number, limit: number): Jump {
  return { tripping: { device, what, value, limit }, to: DOWN, severity: Math.abs(value - limit) / Math.max(limit, 1e-6) };
}

/** The state of a selector that takes its first input, from `from` on, whose voltage is inside its window. */
export function firstInside(
  windows: readonly { readonly minV: number; readonly maxV: number }[],
  voltsOf: (input: number) => number,
  from = 0,
): number {
  for (let input = from; input < windows.length; input++) {
    const window = windows[input];
    const volts = voltsOf(input);
    if (window !== undefined && volts >= window.minV && volts <= window.maxV) return selectorState(input, false);
  }
  return NO_INPUT;
}
