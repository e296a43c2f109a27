import { describe, expect, it } from '@jest/globals';
import type { Bench } from '../../demo/bench.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { assigned, bench, FC, joined, removed, withPart } from '../../test/checkCases/build.ts';
import { itemOf, made } from '../../test/designs.ts';
import { driveGroup, motorOf } from './drives.ts';
import { flyingMassG } from './flyingMass.ts';
import { hoverOf } from './hoverOf.ts';

const FOUR = 'motor-controller-four-in-one-45a';
const MOTOR = 'motor-28mm-9x6';
const LIFTER = 'motor-lift-41mm-15x5';
const STACK = 'controller-f4-stack';

/** What is turned by each drive of an item, by the reference of the motor, and whether it lifts; in the order of its circuit. */
function drivesOf(design: Design, ref: string) {
  const graph = graphOf(design);
  const item = graph.items.findIndex((entry) => entry.item.ref === ref);
  return (graph.items[item]?.part?.circuit ?? []).flatMap((element) => {
    if (element.is !== 'drive') return [];
    const driven = motorOf(graph, item, element);
    return [{ motor: driven === undefined ? undefined : graph.items[driven.item]?.item.ref, group: driveGroup(graph, item, element) }];
  });
}

const as = (design: Design, airframe: Design['aircraft']['airframe']['kind']): Design =>
  made(design, { kind: 'set-airframe', airframe, was: design.aircraft.airframe.kind });

const sized = (design: Design, value: number): Design =>
  made(design, { kind: 'set-frame-number', number: 'liftPropDiameterMm', value, was: null });

describe('a drive', () => {
  it('turns the motor that is wired to all of its phases, wherever that is in the list', () => {
    const one = bench(FOUR, MOTOR, MOTOR, 'battery-lipo-4s-5000');
    one.wire('ESC1 motor2', 'MOT2 phases', 'straight', 60);
    one.wire('ESC1 motor4', 'MOT1 phases', 'straight', 60);
    expect(drivesOf(one.design, 'ESC1').map(({ motor }) => motor)).toEqual([undefined, 'MOT2', undefined, 'MOT1']);
    // Two phases exchanged turn it the other way round, and turn it.
    const crossed = bench('motor-controller-40a-5v2a', MOTOR);
    crossed.wire('ESC1 motor', 'MOT1 phases', 'none', 60);
    const pairs = [
      [1, 3],
      [2, 1],
      [3, 2],
    ] as const;
    expect(drivesOf(joined(crossed.design, 'W01', pairs), 'ESC1')).toEqual([{ motor: 'MOT1', group: 'cruise' }]);
  });

  it('does not turn one with a phase missing', () => {
    const one = bench('motor-controller-40a-5v2a', MOTOR);
    one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
    expect(drivesOf(removed(one.design, 'W01', 2), 'ESC1')).toEqual([{ motor: undefined, group: 'cruise' }]);
  });

  it('lifts where the output of its throttle says so, each of several by its own', () => {
    const one = bench(FOUR, STACK);
    one.wire('ESC1 FC', 'FC1 ESC', 'meaning', 60);
    const bare = one.design;
    const of = (design: Design): readonly string[] => drivesOf(design, 'ESC1').map(({ group }) => group);
    expect(of(bare)).toEqual(['cruise', 'cruise', 'cruise', 'cruise']);
    expect(of(as(bare, 'quad'))).toEqual(['lift', 'lift', 'lift', 'lift']);
    const outputs = graphOf(bare).items.find(({ item }) => item.ref === 'FC1')?.part?.endpoints ?? [];
    const names = outputs.flatMap((endpoint) => (endpoint.is === 'pulse-out' ? [endpoint.id] : []));
    const [, second = '', third = ''] = names;
    expect(of(assigned(bare, 'FC1', second, 'motor-1'))).toEqual(['cruise', 'lift', 'cruise', 'cruise']);
    expect(of(as(assigned(bare, 'FC1', third, 'throttle'), 'quad'))).toEqual(['lift', 'lift', 'cruise', 'lift']);
  });

  it('of a controller with one drive takes every throttle input that it has, and no other input', () => {
    const one = bench(FC, 'motor-controller-40a-5v2a');
    one.wire('ESC1 signal', 'FC1 out1', 'meaning', 60);
    expect(drivesOf(assigned(one.design, 'FC1', 'out1', 'motor-3'), 'ESC1')).toEqual([{ motor: undefined, group: 'lift' }]);
    const four = bench(FOUR, STACK);
    four.wire('ESC1 FC', 'FC1 ESC', 'meaning', 60);
    const both = assigned(assigned(four.design, 'FC1', 'm1', 'throttle'), 'FC1', 'm2', 'motor-1');
    const groups = (design: Design): readonly string[] => drivesOf(design, 'ESC1').map(({ group }) => group);
    expect(groups(both).slice(0, 2)).toEqual(['cruise', 'lift']);
    // With a single drive it is not told which input is whose: one that lifts is enough.
    const single = withPart(both, FOUR, (part) => ({ ...part, circuit: part.circuit.filter(({ id }) => !/^drive-[2-4]$/.test(id)) }));
    expect(groups(single)).toEqual(['lift']);
    // An input that switches is no throttle, so that each drive still has its own.
    const switching = withPart(both, FOUR, (part) => ({
      ...part,
      endpoints: [{ is: 'pulse-in', id: 'beacon', pin: 'FC.4', kinds: ['pwm'], rateHz: [1, 400], use: 'switching' }, ...part.endpoints],
    }));
    expect(groups(switching)).toEqual(groups(both));
  });
});

/** So many lift motors on controllers of their own, and one more controller without a motor. */
function lifters(count: number): Bench {
  const one = bench('battery-lipo-6s-10000', ...Array.from({ length: count + 1 }, () => 'motor-controller-40a-5v2a'));
  for (let n = 1; n <= count; n++) {
    one.add(LIFTER, '');
    one.wire(`ESC${n} motor`, `MOT${n} phases`, 'straight', 60);
  }
  return one;
}

/** The aircraft with motors that state no thrust. */
function withoutThrust(design: Design): Design {
  return withPart(design, LIFTER, (part) => ({
    ...part,
    circuit: part.circuit.map((element) =>
      element.is === 'motor' ? { ...element, table: element.table.map(({ throttle, currentA }) => ({ throttle, currentA })) } : element,
    ),
  }));
}

describe('hovering on motors that state their thrust', () => {
  const quad = as(lifters(4).design, 'quad');
  /** The aircraft with such a mass that each motor carries so much. */
  const carrying = (grams: number) => {
    const pack = itemOf(quad, 'BAT1');
    const restG = flyingMassG(graphOf(made(quad, { kind: 'set-frame-number', number: 'massG', value: 1, was: null })));
    const bare = made(quad, { kind: 'set-frame-number', number: 'massG', value: 1, was: null });
    const massG = 4 * grams - (restG - (quad.parts.get(pack.part)?.massG ?? NaN));
    return hoverOf(graphOf(made(bare, { kind: 'weigh-item', item: pack.id, massG, was: null })));
  };

  it('is at the throttle of its share of the weight, whatever its propellers are', () => {
    // 1600 g at half throttle and 8.2 A of 22.8 V; 2500 g at three quarters and 17 A.
    expect(carrying(1600)).toMatchObject({
      motors: 4,
      throttle: expect.closeTo(0.5, 9),
      wattsEach: expect.closeTo(8.2 * 22.8, 6),
      isEnough: true,
    });
    expect(carrying(2050)).toMatchObject({ throttle: expect.closeTo(0.625, 9), wattsEach: expect.closeTo(12.6 * 22.8, 6) });
    expect(carrying(3200)).toMatchObject({ throttle: expect.closeTo(1, 9), isEnough: true });
    expect(carrying(3210)).toMatchObject({ throttle: 1, isEnough: false });
  });

  it('is estimated where a row of the table states none', () => {
    const partly = withPart(quad, LIFTER, (part) => ({
      ...part,
      circuit: part.circuit.map((element) =>
        element.is === 'motor' ? { ...element, table: [{ throttle: 0, currentA: 0 }, ...element.table.slice(1)] } : element,
      ),
    }));
    expect(hoverOf(graphOf(partly))).toBeUndefined();
    expect(hoverOf(graphOf(sized(partly, 381)))).toEqual(hoverOf(graphOf(withoutThrust(sized(partly, 381)))));
  });
});

describe('hovering', () => {
  const quad = withoutThrust(sized(as(lifters(4).design, 'quad'), 381));
  const area = (Math.PI * 0.381 ** 2) / 4;
  const wattsEach = (massG: number): number => (((massG / 1000) * 9.81) / 4) ** 1.5 / (Math.sqrt(2 * 1.225 * area) * 0.5);

  it('shares the weight among the motors that lift', () => {
    const hover = hoverOf(graphOf(quad));
    expect(hover?.motors).toBe(4);
    expect(hover?.wattsEach).toBeCloseTo(wattsEach(flyingMassG(graphOf(quad))), 9);
    expect(hover?.isEnough).toBe(true);
  });

  it('reads the throttle back through the table of the motor: between two rows, and beyond the last', () => {
    const rows = [...quad.parts.values()].flatMap(({ id, circuit }) =>
      circuit.flatMap((element) =>
        id === LIFTER && element.is === 'motor'
          ? element.table.map(({ throttle, currentA }) => ({ throttle, watts: currentA * Number(element.tableV) }))
          : [],
      ),
    );
    const [first, second] = rows;
    const last = rows.at(-1);
    if (first === undefined || second === undefined || last === undefined) throw new Error('The table is too short.');
    /** The aircraft with such a mass that each motor takes so many watts. */
    const taking = (watts: number) => {
      const massG = ((4 * (watts * 0.5 * Math.sqrt(2 * 1.225 * area)) ** (2 / 3)) / 9.81) * 1000;
      const pack = itemOf(quad, 'BAT1');
      const others = made(quad, { kind: 'set-frame-number', number: 'massG', value: 1, was: null });
      const restG = flyingMassG(graphOf(others)) - (quad.parts.get(pack.part)?.massG ?? NaN);
      return hoverOf(graphOf(made(others, { kind: 'weigh-item', item: pack.id, massG: massG - restG, was: null })));
    };
    expect(taking((first.watts + second.watts) / 2)?.throttle).toBeCloseTo((first.throttle + second.throttle) / 2, 6);
    expect(taking(second.watts * 0.75 + first.watts * 0.25)?.throttle).toBeCloseTo(second.throttle * 0.75 + first.throttle * 0.25, 6);
    const before = rows.at(-2);
    if (before === undefined || before === first) throw new Error('The table is too short.');
    const at = 0.3;
    expect(taking(before.watts * (1 - at) + last.watts * at)?.throttle).toBeCloseTo(before.throttle * (1 - at) + last.throttle * at, 6);
    expect(taking(last.watts * 0.999)?.isEnough).toBe(true);
    expect(taking(last.watts * 1.001)).toMatchObject({ throttle: last.throttle, isEnough: false });
  });

  it('is no less than the first row of a table that begins above its watts', () => {
    const table = [
      { throttle: 0.4, currentA: 20 },
      { throttle: 1, currentA: 30 },
    ];
    const begun = withPart(quad, LIFTER, (part) => ({
      ...part,
      circuit: part.circuit.map((element) => (element.is === 'motor' ? { ...element, table } : element)),
    }));
    expect(hoverOf(graphOf(begun))?.throttle).toBe(0.4);
  });

  it('is not known without motors that lift, the size of their propellers, or anything that weighs', () => {
    expect(hoverOf(graphOf(withoutThrust(as(lifters(4).design, 'quad'))))).toBeUndefined();
    expect(hoverOf(graphOf(sized(lifters(4).design, 381)))).toBeUndefined();
    expect(hoverOf(graphOf(sized(as(lifters(0).design, 'quad'), 381)))).toBeUndefined();
    expect(hoverOf(graphOf(sized(as(bench().design, 'quad'), 381)))).toBeUndefined();
  });
});
