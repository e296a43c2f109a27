import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import type { CircuitElement } from '../../model/part.ts';
import { bench, withPart } from '../../test/checkCases/build.ts';
import { servos } from '../../test/checkCases/powerDesigns.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { stalledLaw } from './lawsOf.ts';
import { SCENARIOS, type Scenario } from './scenario.ts';
import { isAnyShort, leastVolts, liveCircuit, reachedCircuit, solveScenario, voltsAcross, type ScenarioResult } from './solveScenario.ts';

type Load = Extract<CircuitElement, { is: 'load' }>;

/** One load at its nominal current in every situation. */
function load(id: string, supply: string, amps: number, minV: number, more: Partial<Load> = {}): Load {
  return {
    id,
    is: 'load',
    supply,
    gnd: '@gnd',
    law: 'constant-current',
    nominalV: 5,
    minV,
    maxV: 99,
    idleA: amps,
    typicalA: amps,
    peakA: amps,
    ...more,
  };
}

const source = (id: string, plus: string, volts: number, minus = '@gnd'): CircuitElement => ({
  id,
  is: 'source',
  plus,
  minus,
  volts,
  ohm: 0.001,
  maxA: 1000,
});

const ohms = (id: string, a: string, b: string, ohm: number): CircuitElement => ({ id, is: 'link', a, b, ohm });

const SITUATION: Scenario = {
  id: 'of-the-test',
  title: 'Of the test',
  charge: 1,
  durationS: 60,
  cruiseThrottle: 0,
  liftThrottle: 0,
  servos: 0.25,
  transmitters: 'typical',
  others: 'typical',
};

/** One part that holds such a circuit, in a situation in which every load takes its current. */
class Inside {
  readonly result: ScenarioResult;
  readonly #names: readonly string[];

  constructor(...circuit: readonly CircuitElement[]) {
    const part = 'regulator-buck-5v-3a';
    const held = withPart(bench(part).design, part, (one) => ({ ...one, circuit: [...circuit] }));
    this.result = solveScenario(graphOf(held), SITUATION);
    this.#names = this.result.network.devices.map(({ device }) => (device.is === 'element' ? device.element.id : device.is));
  }

  at(id: string): number {
    return this.#names.indexOf(id);
  }

  get fallen(): readonly string[] {
    return this.result.falls.map(({ device }) => this.#names[device] ?? '?');
  }

  get dark(): readonly string[] {
    return this.result.dark.map((device) => this.#names[device] ?? '?');
  }

  volts(id: string, when: 'before' | 'after' = 'before'): number {
    return voltsAcross(this.result.network, this.result[when], this.at(id));
  }

  amps(id: string, when: 'before' | 'after' = 'before'): number {
    return this.result[when].amps[this.at(id)] ?? NaN;
  }
}

describe('the least voltage of a device', () => {
  it('is in its data; what only turns or glows weaker has none', () => {
    const one = new Inside(
      source('s', '@s', 12),
      load('computer', '@s', 1, 4.5),
      load('servo', '@s', 1, 4.5, { law: 'resistance', stallA: 2 }),
      { id: 'd', is: 'drive', plus: '@s', minus: '@gnd', phases: ['@p', '@q'], minV: 7, maxV: 20, continuousA: 10, burstA: 12 },
    );
    const least = (id: string) => leastVolts(one.result.network, one.at(id));
    expect([least('computer'), least('servo'), least('d'), least('s')]).toEqual([4.5, undefined, 7, undefined]);
    expect(leastVolts(one.result.network, 99)).toBeUndefined();
  });
});

describe('loads for which the voltage is too low', () => {
  it('fall out one after another, until those that are left have enough', () => {
    // 10 V over 1 ohm: 3 A leave 7 V, and without the larger one there are 9 V.
    for (const turned of [false, true]) {
      const loads = [load('large', '@a', 2, 9), load('small', '@a', 1, 8)];
      const one = new Inside(source('s', '@s', 10), ohms('r', '@s', '@a', 1), ...(turned ? loads.reverse() : loads));
      expect(one.volts('small')).toBeCloseTo(7, 1);
      expect(one.fallen).toEqual(['large']);
      expect(one.result.falls[0]).toMatchObject({ minV: 9, volts: one.volts('large') });
      expect([one.amps('large', 'after'), one.amps('small', 'after')]).toEqual([0, expect.closeTo(1, 6)]);
      expect(one.volts('small', 'after')).toBeCloseTo(9, 1);
      expect(one.amps('large')).toBeCloseTo(2, 6);
    }
  });

  it('fall in the order of what they lack as a share, not in volts', () => {
    // 7 V of 9 V is 2 V and 22 % short; 2 V of 3 V is 1 V and 33 % short.
    const one = new Inside(
      source('s', '@s', 10),
      ohms('ra', '@s', '@a', 1),
      ohms('rb', '@s', '@b', 2),
      load('high', '@a', 3, 9),
      load('low', '@b', 4, 3),
    );
    expect(one.fallen).toEqual(['low', 'high']);
    expect(one.volts('low')).toBeCloseTo(2, 1);
  });

  it('of two alike the first one falls', () => {
    const one = new Inside(source('s', '@s', 10), ohms('r', '@s', '@a', 0.7), load('first', '@a', 1, 9), load('second', '@a', 1, 9));
    expect(one.fallen).toEqual(['first']);
    expect(one.amps('second', 'after')).toBeCloseTo(1, 6);
  });

  it('fall on each island by themselves', () => {
    const island = (name: string, ohm: number) => [
      source(`s${name}`, `@s${name}`, 10, `@g${name}`),
      ohms(`r${name}`, `@s${name}`, `@a${name}`, ohm),
      load(`first${name}`, `@a${name}`, 1, 9, { gnd: `@g${name}` }),
      load(`second${name}`, `@a${name}`, 1, 9, { gnd: `@g${name}` }),
    ];
    const one = new Inside(...island('x', 0.7), ...island('y', 0.8));
    expect(one.fallen).toEqual(['firstx', 'firsty']);
    // Both fall before the islands are solved again.
    expect(one.result.falls.map(({ volts }) => volts)).toEqual([expect.closeTo(8.6, 1), expect.closeTo(8.4, 1)]);
  });

  it('stay where they have just enough', () => {
    const least = new Inside(source('s', '@s', 10), load('l', '@s', 0, 9.9)).result.network;
    expect(least.devices).toHaveLength(2);
    expect(new Inside(source('s', '@s', 10), ohms('r', '@s', '@a', 1), load('l', '@a', 1, 8.99)).fallen).toEqual([]);
    expect(new Inside(source('s', '@s', 10), ohms('r', '@s', '@a', 1), load('l', '@a', 1, 9.01)).fallen).toEqual(['l']);
  });

  it('are told by themselves, as long as they are on', () => {
    const { result } = new Inside(source('s', '@s', 10), ohms('r', '@s', '@a', 1), load('large', '@a', 2, 9), load('small', '@a', 1, 8));
    const { network, live, before, after, falls } = result;
    expect(isAnyShort(network, live, before)).toBe(true);
    const laws = live.laws.map((law, i) => (falls.some(({ device }) => device === i) ? ({ is: 'open' } as const) : law));
    expect(isAnyShort(network, { ...live, laws }, after)).toBe(false);
    const fine = new Inside(source('s', '@s', 10), load('l', '@s', 1, 8)).result;
    expect(isAnyShort(fine.network, fine.live, fine.before)).toBe(false);
  });
});

describe('what no supply reaches', () => {
  it('was never on: without a supply, and where a supply without any load would not have enough', () => {
    const one = new Inside(
      source('s', '@s', 3),
      load('far', '@x', 1, 4),
      load('low', '@s', 1, 4),
      load('fed', '@s', 1, 2),
      load('glow', '@s', 1, 4, { law: 'resistance' }),
    );
    expect(one.dark).toEqual(['far', 'low']);
    expect(one.fallen).toEqual([]);
    expect(one.result.live.laws[one.at('low')]).toEqual({ is: 'open' });
    expect(one.result.circuit.laws[one.at('low')]).toMatchObject({ is: 'constant-current', amps: 1 });
    expect(one.amps('fed')).toBeCloseTo(1, 6);
    // With every device on, the circuit stays the object that it was.
    const fed = new Inside(source('s', '@s', 5), load('l', '@s', 1, 4)).result;
    expect(reachedCircuit(fed.network, fed.circuit).circuit).toBe(fed.circuit);
    expect(liveCircuit(fed.network, fed.circuit).circuit.laws).toEqual(fed.circuit.laws);
  });

  it('is taken out, and the rest is solved, where every current comes back: nothing there is a bridge', () => {
    const { result } = new Inside(
      source('s', '@s', 3),
      ohms('r', '@s', '@a', 1),
      load('low', '@a', 0.2, 4),
      load('low-too', '@a', 0.2, 4),
      load('fed', '@a', 0.5, 2),
    );
    const id = (device: number): string => {
      const placed = result.network.devices[device]?.device;
      return placed?.is === 'element' ? placed.element.id : '?';
    };
    expect(result.dark.map(id)).toEqual(['low', 'low-too']);
    expect(result.live.laws.map(({ is }) => is)).toEqual(['supply', 'open', 'open', 'constant-current']);
    expect(result.live.shape).toBe(result.circuit.shape);
    // Only what is on draws: 0.5 A over 1 ohm.
    expect(voltsAcross(result.network, result.before, 3)).toBeCloseTo(2.5, 2);
  });

  it('is not told of a load that takes nothing', () => {
    expect(new Inside(source('s', '@s', 3), load('off', '@s', 0, 4), load('on', '@s', 1, 2)).dark).toEqual([]);
  });

  it('has no return: a load whose minus leads nowhere, in the order of the devices', () => {
    const one = new Inside(
      source('s', '@s', 5),
      load('hanging', '@s', 1, 4, { gnd: '@nowhere' }),
      load('fed', '@s', 1, 4),
      load('far', '@x', 1, 4),
      load('glow', '@s', 1, 4, { law: 'resistance', gnd: '@nothing' }),
    );
    expect(one.dark).toEqual(['hanging', 'far']);
    expect(one.amps('fed')).toBeCloseTo(1, 6);
    expect(one.amps('hanging')).toBe(0);
    expect(one.fallen).toEqual([]);
  });

  it('has a supply whose return is missing: it feeds nothing, but has its voltage', () => {
    const one = new Inside(
      source('whole', '@w', 5),
      load('fed', '@w', 1, 4),
      source('hanging', '@s', 12, '@nowhere'),
      load('starved', '@s', 1, 4),
    );
    expect(one.dark).toEqual(['starved']);
    expect(one.volts('hanging')).toBeCloseTo(12, 3);
    expect(one.amps('fed')).toBeCloseTo(1, 6);
    // Two loads make a loop of their own, and no current for it comes from such a supply.
    const two = new Inside(source('hanging', '@s', 12, '@nowhere'), load('starved', '@s', 1, 4), load('starved-too', '@s', 1, 4));
    expect(two.dark).toEqual(['starved', 'starved-too']);
  });
});

describe('the jammed servo', () => {
  const jammed = SCENARIOS.find(({ id }) => id === 'jammed') ?? SITUATION;

  /** The share by which the worst load of the aircraft is above its least voltage with one servo stalled; solved from nothing. */
  function marginWith({ network, circuit, stalled }: ScenarioResult, servo: number, free: ScenarioResult): number {
    const laws = [...free.circuit.laws];
    expect(stalled).toBeDefined();
    const { device } = network.devices[servo] ?? {};
    if (device?.is !== 'element' || device.element.is !== 'load') throw new Error('It is no servo.');
    laws[servo] = stalledLaw(device.element);
    const live = liveCircuit(network, { ...circuit, laws });
    const solved = solveCircuit(live.circuit, live.start);
    const margins = network.devices.flatMap(({ device: each }, i) =>
      each.is === 'element' && each.element.is === 'load' ? [voltsAcross(network, solved, i) / each.element.minV] : [],
    );
    return Math.min(...margins);
  }

  const isServo = ({ network }: ScenarioResult, i: number): boolean => {
    const { device } = network.devices[i] ?? {};
    return device?.is === 'element' && device.element.is === 'load' && device.element.stallA !== undefined;
  };

  it.each([
    ['a regulator with much in hand', servos('regulator-buck-selectable-10a', 4)],
    ['a regulator that shuts down', servos('regulator-buck-5v-3a', 5)],
    ['a regulator that droops', servos('regulator-linear-5v-1a5', 3)],
    ['one servo', servos('regulator-buck-5v-3a', 1)],
    ['long leads', servos('regulator-buck-5v-3a', 2, 'servo-20g-standard', 4000)],
  ])('is the one that leaves the least, solved anew for each: %s', (_, design) => {
    const graph = graphOf(design);
    const result = solveScenario(graph, jammed);
    const free = solveScenario(graph, { ...jammed, isJammed: false });
    expect(free.stalled).toBeUndefined();
    const all = result.network.devices.flatMap((_device, i) => (isServo(result, i) ? [i] : []));
    const margins = all.map((servo) => marginWith(result, servo, free));
    const least = Math.min(...margins);
    expect(margins[all.indexOf(result.stalled ?? -1)]).toBeCloseTo(least, 9);
    // What is told is what a solution from nothing gives.
    const live = liveCircuit(result.network, result.circuit);
    const anew = solveCircuit(live.circuit, live.start);
    expect(result.live.laws).toEqual(live.circuit.laws);
    for (const [node, volts] of anew.volts.entries()) expect(result.before.volts[node]).toBeCloseTo(volts, 6);
    expect(result.falls.length > 0).toBe(isAnyShort(result.network, result.live, result.before));
  });

  it('is the worst of all rails, though each is told by itself: of two aircraft in one, the one with the weaker supply', () => {
    // The same two packs, regulators and servos; one lead is long.
    for (const lengths of [
      [200, 3000],
      [3000, 200],
    ] as const) {
      const one = bench('battery-lipo-3s-3300', 'battery-lipo-3s-3300', 'regulator-buck-5v-3a', 'regulator-buck-5v-3a');
      lengths.forEach((mm, i) => {
        const n = i + 1;
        one.wire(`BAT${n} main`, `BEC${n} in`, 'meaning', 100);
        one.add('servo-20g-standard', '');
        one.wire(`BEC${n} out`, `SRV${n} lead`, 'straight', mm);
      });
      const result = solveScenario(graphOf(one.design), jammed);
      const device = result.network.devices[result.stalled ?? -1]?.device;
      expect(result.network.graph.items[device?.item ?? -1]?.item.ref).toBe(lengths[0] > lengths[1] ? 'SRV1' : 'SRV2');
    }
  });

  it('of one that breaks the rail for others is told with what falls', () => {
    const one = solveScenario(graphOf(servos('regulator-buck-5v-3a', 5)), jammed);
    expect(one.before.trippings).toHaveLength(1);
    expect(one.stalled).toBeDefined();
  });

  it('is none where no servo is there or none is on', () => {
    expect(solveScenario(graphOf(bench('servo-9g-digital').design), { ...jammed, charge: undefined }).network.devices).toHaveLength(1);
    expect(solveScenario(graphOf(bench('battery-lipo-4s-5000', 'companion-small-5v').design), jammed).stalled).toBeUndefined();
  });

  it('is kept: asked again, the same answer', () => {
    const graph = graphOf(servos('regulator-buck-5v-3a', 2));
    expect(solveScenario(graph, jammed)).toBe(solveScenario(graph, jammed));
  });
});
