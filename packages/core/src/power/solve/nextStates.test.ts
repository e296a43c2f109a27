import { describe, expect, it } from '@jest/globals';
import { CircuitSketch } from '../test/circuits.ts';
import type { Law, RegulatorLaw, SelectorLaw } from './circuit.ts';
import { BLOCKED, DOWN, FOLLOWS, LIMITED, NO_INPUT, ON, selectorState } from './deviceStates.ts';
import { equationsOf } from './equations.ts';
import { collapsedInput, firstInside, smoothState, worstJumps } from './nextStates.ts';

/** A circuit that begins with two devices that have nothing to do with the ones in question, between nodes at 70 and 77 V. */
function begun(): CircuitSketch {
  return new CircuitSketch().draw('beside', 'high', 'higher', { is: 'open' }).draw('too', 'higher', 'high', { is: 'open' });
}

/**
 * A balance that is set by hand: the voltages of the nodes by name, and the current of every device that has one of its own. What
 * the next state of a device is, depends on nothing else.
 */
class Balance {
  readonly #volts = new Map([
    ['high', 70],
    ['higher', 77],
  ]);
  readonly #amps: number[] = [];

  constructor(readonly sketch: CircuitSketch) {}

  volts(at: Readonly<Record<string, number>>): this {
    for (const [node, volts] of Object.entries(at)) this.#volts.set(node, volts);
    return this;
  }

  amps(...each: readonly number[]): this {
    this.#amps.splice(0, Infinity, 0, 0, ...each);
    return this;
  }

  get made() {
    const { circuit } = this.sketch;
    const equations = equationsOf(circuit.shape);
    const x = new Float64Array(equations.size);
    for (const [node, volts] of this.#volts) x[this.sketch.node(node)] = volts;
    this.#amps.forEach((amps, device) => {
      const branch = equations.branchOf[device] ?? -1;
      if (branch >= 0) x[branch] = amps;
    });
    return { circuit, equations, x };
  }

  next(state: number, device = 2): number {
    const { circuit, equations, x } = this.made;
    return smoothState(equations, circuit, device, x, state);
  }

  jumps(...states: readonly number[]) {
    const { circuit, equations, x } = this.made;
    return worstJumps(equations, circuit, x, Int8Array.of(ON, ON, ...states));
  }

  collapsed(...states: readonly number[]) {
    const { circuit, x } = this.made;
    return collapsedInput(circuit, x, Int8Array.of(ON, ON, ...states));
  }
}

describe('a diode', () => {
  const at = (a: number, b: number, amps: number) =>
    new Balance(begun().device('d', 'diode', ['a', 'b'], { is: 'diode', dropV: 0.4 })).volts({ a, b }).amps(amps);

  it('blocks when its current turns round, and conducts again when it has its drop', () => {
    expect(at(5, 4.6, 1).next(ON)).toBe(ON);
    expect(at(5, 4.6, 0).next(ON)).toBe(ON);
    expect(at(5, 4.6, -0.1).next(ON)).toBe(BLOCKED);
    expect(at(5, 4.7, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at(5, 4.5, 0).next(BLOCKED)).toBe(ON);
    expect(at(4.5, 5, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at(0.4, 0, 0).next(BLOCKED)).toBe(BLOCKED);
  });
});

describe('a supply that takes nothing back', () => {
  const at = (plus: number, amps: number, minus = 0) =>
    new Balance(begun().source('plus', 'minus', 5, 0.5, 2)).volts({ plus, minus }).amps(amps);

  it('blocks backwards, is limited at its most, and leaves either when its voltage says so', () => {
    expect(at(4.5, 1).next(ON)).toBe(ON);
    expect(at(5, 0).next(ON)).toBe(ON);
    expect(at(5, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at(4, 2).next(LIMITED)).toBe(LIMITED);
    expect(at(5.1, -0.2).next(ON)).toBe(BLOCKED);
    expect(at(4, 2.1).next(ON)).toBe(LIMITED);
    expect(at(4, 2).next(ON)).toBe(ON);
    // At 2 A it has 4 V: below it stays limited, above it gives less than that.
    expect(at(3.9, 2).next(LIMITED)).toBe(LIMITED);
    expect(at(4.1, 2).next(LIMITED)).toBe(ON);
    expect(at(5.1, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at(4.9, 0).next(BLOCKED)).toBe(ON);
    expect(at(6.5, 0, 2).next(BLOCKED)).toBe(ON);
  });

  it('and a pack, which can be charged, never changes', () => {
    const pack = new Balance(begun().battery('plus', 'minus', 16, 0.01)).volts({ plus: 20, minus: 0 }).amps(-400);
    expect(pack.next(ON)).toBe(ON);
  });
});

describe('a selector', () => {
  const law: Omit<SelectorLaw, 'is'> = {
    windows: [
      { minV: 4, maxV: 5.7 },
      { minV: 4, maxV: 5.7 },
      { minV: 4, maxV: 9 },
    ],
    dropV: 0.1,
  };
  const at = (inputs: readonly [number, number, number], out: number, amps: number, gnd = 0) =>
    new Balance(begun().selector('s', ['i0', 'i1', 'i2'], 'out', 'gnd', law))
      .volts({ i0: inputs[0], i1: inputs[1], i2: inputs[2], out, gnd })
      .amps(amps);

  it('blocks backwards on the input in use, and conducts again when that input has its drop', () => {
    const first = selectorState(0, false);
    const second = selectorState(1, false);
    expect(at([5, 5, 5], 4.9, 1).next(first)).toBe(first);
    expect(at([5, 5, 5], 4.9, 0).next(first)).toBe(first);
    expect(at([5, 5, 5], 5.2, -1).next(first)).toBe(selectorState(0, true));
    expect(at([0.1, 5, 5], 0, 0).next(selectorState(0, true))).toBe(selectorState(0, true));
    expect(at([5, 5, 5], 5.2, -1).next(second)).toBe(selectorState(1, true));
    expect(at([0, 5.2, 0], 5, 0).next(selectorState(1, true))).toBe(second);
    expect(at([5.2, 5.05, 5.2], 5, 0).next(selectorState(1, true))).toBe(selectorState(1, true));
    expect(at([5, 5, 5], 0, 0).next(NO_INPUT)).toBe(NO_INPUT);
  });

  it('leaves an input outside its window for the next one inside, never for an earlier one', () => {
    const [low] = at([3.5, 6, 5], 3.4, 1).jumps(selectorState(0, false));
    expect(low).toMatchObject({ to: selectorState(2, false), tripping: { what: 'window', value: 3.5, limit: 4, input: 0 } });
    expect(low?.severity).toBeCloseTo(0.125, 12);
    const [high] = at([5, 6, 0], 5, 1).jumps(selectorState(1, false));
    expect(high).toMatchObject({ to: NO_INPUT, tripping: { value: 6, limit: 5.7, input: 1 } });
    expect(high?.severity).toBeCloseTo(0.3 / 5.7, 12);
    expect(at([5, 3, 3], 4.9, 1).jumps(selectorState(0, false))).toEqual([]);
    expect(at([5, 5, 5], 4.9, 1).jumps(NO_INPUT)).toEqual([]);
    expect(at([4, 5, 5], 4, 1).jumps(selectorState(0, false))).toEqual([]);
    expect(at([5.7, 5, 5], 4, 1).jumps(selectorState(0, false))).toEqual([]);
  });

  it('measures against its own ground', () => {
    expect(at([7, 7, 7], 6.9, 1, 2).jumps(selectorState(0, false))).toEqual([]);
    expect(at([5.5, 7, 7], 5.4, 1, 2).jumps(selectorState(0, false))).toMatchObject([{ to: selectorState(1, false) }]);
  });

  it('takes the first input inside its window, edges included', () => {
    const first = (...volts: readonly number[]) => firstInside(law.windows, (input) => volts[input] ?? 0);
    expect(first(4, 5, 5)).toBe(selectorState(0, false));
    expect(first(5.7, 5, 5)).toBe(selectorState(0, false));
    expect(first(3.9, 5.8, 8)).toBe(selectorState(2, false));
    expect(first(3.9, 3.9, 3.9)).toBe(NO_INPUT);
    expect(firstInside(law.windows, () => 5, 1)).toBe(selectorState(1, false));
    expect(firstInside(law.windows, () => 5, 3)).toBe(NO_INPUT);
  });
});

describe('a regulator', () => {
  const at = (law: Partial<RegulatorLaw>, inV: number, outV: number, amps: number, gnd = 0) =>
    new Balance(begun().regulator('r', ['in', 'out', 'gnd'], law)).volts({ in: inV + gnd, out: outV + gnd, gnd }).amps(amps);

  it('holds its setpoint, or follows an input that is less than its dropout above it', () => {
    for (const gnd of [0, 3]) {
      expect(at({}, 12, 5, 1, gnd).next(ON)).toBe(ON);
      expect(at({}, 5.5, 5, 1, gnd).next(ON)).toBe(FOLLOWS);
      expect(at({}, 5.5, 4.5, 1, gnd).next(FOLLOWS)).toBe(FOLLOWS);
      expect(at({}, 6, 5, 1, gnd).next(FOLLOWS)).toBe(ON);
      expect(at({}, 6, 5, 1, gnd).next(ON)).toBe(ON);
      // Rounding makes it neither leave its setpoint nor come back to it.
      expect(at({}, 6 - 5e-10, 5, 1, gnd).next(ON)).toBe(ON);
      expect(at({}, 6 - 5e-10, 5, 1, gnd).next(FOLLOWS)).toBe(FOLLOWS);
      expect(at({ topology: 'buck-boost' }, 3, 5, 1, gnd).next(ON)).toBe(ON);
    }
  });

  it('blocks when its current turns round, and gives again below what it can reach', () => {
    expect(at({}, 12, 5, 0).next(ON)).toBe(ON);
    expect(at({}, 12, 5, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at({}, 12, 4.9, 0, 3).next(BLOCKED)).toBe(ON);
    expect(at({}, 12, 5.3, 0, 3).next(BLOCKED)).toBe(BLOCKED);
    expect(at({}, 12, 5.3, -0.1).next(ON)).toBe(BLOCKED);
    expect(at({}, 5.5, 4.5, -0.1).next(FOLLOWS)).toBe(BLOCKED);
    expect(at({}, 12, 5.3, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at({}, 12, 4.9, 0).next(BLOCKED)).toBe(ON);
    expect(at({}, 5.5, 4.6, 0).next(BLOCKED)).toBe(BLOCKED);
    expect(at({}, 5.5, 4.4, 0).next(BLOCKED)).toBe(FOLLOWS);
  });

  it('of constant current is limited and comes back; one that folds back does not by itself; others do neither', () => {
    expect(at({ onOverload: 'constant-current' }, 12, 5, 3.1).next(ON)).toBe(LIMITED);
    expect(at({ onOverload: 'constant-current' }, 12, 5, 3).next(ON)).toBe(ON);
    expect(at({ onOverload: 'constant-current' }, 12, 4, 3).next(LIMITED)).toBe(LIMITED);
    expect(at({ onOverload: 'constant-current' }, 12, 5, 3).next(LIMITED)).toBe(LIMITED);
    expect(at({ onOverload: 'foldback' }, 12, 4.9, 1).next(BLOCKED)).toBe(ON);
    expect(at({ onOverload: 'foldback' }, 12, 5, 1).next(ON)).toBe(ON);
    expect(at({ onOverload: 'constant-current' }, 12, 5.1, 3).next(LIMITED)).toBe(ON);
    expect(at({ onOverload: 'constant-current' }, 5.5, 4.6, 3).next(LIMITED)).toBe(FOLLOWS);
    expect(at({ onOverload: 'foldback' }, 12, 5.1, 1).next(LIMITED)).toBe(LIMITED);
    expect(at({ onOverload: 'hiccup' }, 12, 5, 9).next(ON)).toBe(ON);
    expect(at({}, 12, 0, 0).next(DOWN)).toBe(DOWN);
  });

  it('goes down when its input is too low, by how much of what it needs is missing', () => {
    const [jump] = at({}, 5.2, 4.2, 1).jumps(FOLLOWS);
    expect(jump).toMatchObject({ to: DOWN, tripping: { device: 2, what: 'input-low', value: 5.2, limit: 6.5 } });
    expect(jump?.severity).toBeCloseTo(0.2, 12);
    expect(at({}, 6.5, 5, 1).jumps(ON)).toEqual([]);
    expect(at({}, 5.2, 0, 0).jumps(DOWN)).toEqual([]);
    expect(at({}, 6.6, 5, 1, 2).jumps(ON)).toEqual([]);
    expect(at({}, 5.2, 4.2, 1, 2).jumps(ON)).toMatchObject([{ tripping: { value: expect.closeTo(5.2, 12) } }]);
  });

  it('goes down by overload, or folds back, and where its current is held, neither', () => {
    const [jump] = at({ onOverload: 'hiccup' }, 12, 5, 3.6).jumps(ON);
    expect(jump).toMatchObject({ to: DOWN, tripping: { what: 'overload', value: 3.6, limit: 3 } });
    expect(jump?.severity).toBeCloseTo(0.2, 12);
    expect(at({ onOverload: 'latch-off' }, 12, 5, 3.6).jumps(ON)).toMatchObject([{ to: DOWN }]);
    expect(at({ onOverload: 'foldback' }, 12, 5, 3.6).jumps(ON)).toMatchObject([{ to: LIMITED, tripping: { what: 'overload' } }]);
    expect(at({ onOverload: 'foldback' }, 12, 5, 3.6).jumps(LIMITED)).toEqual([]);
    expect(at({ onOverload: 'constant-current' }, 12, 5, 3.6).jumps(ON)).toEqual([]);
    expect(at({}, 12, 5, 3).jumps(ON)).toEqual([]);
  });
});

describe('a fuse', () => {
  const at = (a: number, b: number) =>
    new Balance(begun().limiter('f', 'a', 'b', { ohm: 0.1, tripA: 2, trippedOhm: 1000 })).volts({ a, b });

  it('trips above its current, and stays', () => {
    expect(at(5, 4.8).jumps(ON)).toEqual([]);
    const [jump] = at(5, 4.7).jumps(ON);
    expect(jump).toMatchObject({ to: DOWN, tripping: { what: 'trip', limit: 2 } });
    expect(jump?.tripping.value).toBeCloseTo(3, 9);
    expect(jump?.severity).toBeCloseTo(0.5, 9);
    expect(at(5000, 0).jumps(DOWN)).toEqual([]);
    expect(at(5, 4.7).next(ON)).toBe(ON);
    expect(at(5, 4.7).next(DOWN)).toBe(DOWN);
  });
});

describe('of the devices that are out of their limits', () => {
  const two = () => begun().regulator('r0', ['a', 'b', 'gnd'], {}).regulator('r1', ['c', 'd', 'gnd'], {});
  const apart = () => begun().regulator('r0', ['a', 'b', 'gnd'], {}).regulator('r1', ['c', 'd', 'other'], {});

  it('the one furthest out changes, of equal ones the first; where they know nothing of each other, both do', () => {
    const devicesOf = (sketch: CircuitSketch, a: number, c: number) =>
      new Balance(sketch)
        .volts({ a, c, gnd: 0, other: 0 })
        .jumps(ON, ON)
        .map(({ tripping }) => tripping.device);
    expect(devicesOf(two(), 6, 5)).toEqual([3]);
    expect(devicesOf(two(), 5, 6)).toEqual([2]);
    expect(devicesOf(two(), 5, 5)).toEqual([2]);
    expect(devicesOf(two(), 12, 12)).toEqual([]);
    expect(devicesOf(apart(), 6, 5)).toEqual([2, 3]);
  });

  it('where no balance is found, the regulator whose input has fallen furthest goes, and one that is down does not again', () => {
    const at = (a: number, c: number, ...states: readonly number[]) =>
      new Balance(two()).volts({ a: a + 2, c: c + 2, gnd: 2 }).collapsed(...states);
    expect(at(6, 3, ON, ON)).toMatchObject({ to: DOWN, severity: expect.closeTo(3.5 / 6.5, 12), tripping: { device: 3, value: 3 } });
    expect(at(3, 6, ON, ON)).toMatchObject({ tripping: { device: 2, what: 'input-low', limit: 6.5 } });
    expect(at(3, 3, ON, ON)).toMatchObject({ tripping: { device: 2 } });
    expect(at(3, 6, DOWN, ON)).toMatchObject({ tripping: { device: 3 } });
    expect(at(6.5, 12, ON, ON)).toBeUndefined();
    // An input below its own ground has collapsed by more than all of it, and is said as 0 V.
    expect(at(-1, 3, ON, ON)).toMatchObject({ severity: expect.closeTo(7.5 / 6.5, 12), tripping: { device: 2, value: 0 } });
  });

  it('laws without states of their own keep what they had', () => {
    const laws: readonly Law[] = [
      { is: 'open' },
      { is: 'resistance', ohm: 1 },
      { is: 'constant-current', amps: 1, kneeV: 1 },
      { is: 'constant-power', watts: 1, kneeV: 1 },
      { is: 'square', ampsPerV2: 1 },
      { is: 'clamp', volts: 5, ohm: 1 },
    ];
    for (const law of laws) {
      const balance = new Balance(begun().device('x', 'draw', ['a', 'b'], law)).volts({ a: 9, b: 0 });
      expect([law.is, balance.next(ON), balance.next(BLOCKED)]).toEqual([law.is, ON, BLOCKED]);
      expect(balance.jumps(ON)).toEqual([]);
    }
  });
});
