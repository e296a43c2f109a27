import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Option, Problem } from './problem.ts';
import { solveAssignment } from './solveAssignment.ts';

/** Every choice of one option for each seeker that breaks no rule, tried one by one. */
function cheapestByTrying({
  seekers,
  capacity,
  notTogether,
}: Problem): { readonly cost: number; readonly chosen: readonly string[] } | undefined {
  let best: { readonly cost: number; readonly chosen: readonly string[] } | undefined;
  const users = new Map<string, number>();
  const place = (i: number, cost: number, chosen: readonly string[]): void => {
    const seeker = seekers[i];
    if (seeker === undefined) {
      const clash = notTogether.some(([a, b]) => (users.get(a) ?? 0) > 0 && (users.get(b) ?? 0) > 0);
      // Options are tried in their order: the first of equal cost is the one that is wanted.
      if (!clash && (best === undefined || cost < best.cost)) best = { cost, chosen };
      return;
    }
    for (const { id, cost: own, uses } of seeker.options) {
      if (uses.some((name) => (users.get(name) ?? 0) >= (capacity[name] ?? 1))) continue;
      for (const name of uses) users.set(name, (users.get(name) ?? 0) + 1);
      place(i + 1, cost + own, [...chosen, id]);
      for (const name of uses) users.set(name, (users.get(name) ?? 0) - 1);
    }
  };
  place(0, 0, []);
  return best;
}

/** Links on ports: each port once, some pairs of ports on the same pins, some ports of a kind of which there may be so many, roles that exclude each other, and pins by the person. */
const cases: fc.Arbitrary<Problem> = fc
  .record({
    seekers: fc.integer({ min: 0, max: 8 }),
    ports: fc.integer({ min: 1, max: 9 }),
    costs: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 72, maxLength: 72 }),
    suits: fc.array(fc.integer({ min: 0, max: 99 }), { minLength: 72, maxLength: 72 }),
    shared: fc.array(fc.tuple(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 0, max: 8 })), { maxLength: 4 }),
    soft: fc.array(fc.integer({ min: 0, max: 8 }), { maxLength: 4 }),
    mostSoft: fc.integer({ min: 0, max: 3 }),
    apart: fc.array(fc.tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 7 })), { maxLength: 2 }),
    pinned: fc.array(fc.tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 8 })), { maxLength: 2 }),
    bus: fc.array(fc.integer({ min: 0, max: 7 }), { maxLength: 2 }),
  })
  .map((of): Problem => {
    const seekers = Array.from({ length: of.seekers }, (_, i) => {
      const ports = Array.from({ length: of.ports }, (_port, port) => port).filter((port) => (of.suits[i * 9 + port] ?? 0) < 75);
      const pins = of.pinned.filter(([seeker]) => seeker === i).map(([, port]) => port);
      const options: Option[] = ports
        .filter((port) => pins.length === 0 || pins.includes(port))
        .map((port) => ({
          id: `p${port}`,
          cost: of.costs[i * 9 + port] ?? 0,
          uses: [
            `port ${port}`,
            ...of.shared.flatMap(([a, b], k) => (a === port || b === port ? [`pins ${k}`] : [])),
            ...(of.soft.includes(port) ? ['by software'] : []),
            `role ${i}`,
          ],
        }));
      return { id: `s${i}`, options: of.bus.includes(i) ? [...options, { id: 'bus', cost: 15, uses: ['bus'] }] : options };
    });
    return {
      seekers,
      capacity: { 'by software': of.mostSoft, bus: 2, ...Object.fromEntries(seekers.map((_, i) => [`role ${i}`, 2])) },
      notTogether: of.apart.filter(([a, b]) => a !== b).map(([a, b]) => [`role ${a}`, `role ${b}`]),
    };
  });

describe('the cheapest choice for all', () => {
  it('costs what an exhaustive search finds, and is the first of those that cost as little', () => {
    const seen = { solved: 0, impossible: 0 };
    fc.assert(
      fc.property(cases, (problem) => {
        const expected = cheapestByTrying(problem);
        const found = solveAssignment(problem);
        if (expected === undefined) {
          expect(found).toEqual({ is: 'impossible' });
          seen.impossible += 1;
          return;
        }
        expect(found).toMatchObject({ is: 'solved', cost: expected.cost, proof: { is: 'optimal' } });
        expect(found.is === 'solved' ? found.chosen.map(({ id }) => id) : []).toEqual(expected.chosen);
        seen.solved += 1;
      }),
      { numRuns: 2000, seed: 18 },
    );
    expect(seen.solved).toBeGreaterThan(800);
    expect(seen.impossible).toBeGreaterThan(200);
  });

  it('does not hang on names: the same with all of them changed', () => {
    fc.assert(
      fc.property(cases, (problem) => {
        const other = (name: string): string => `z${Array.from(name).reverse().join('')}`;
        const renamed: Problem = {
          seekers: problem.seekers.map(({ id, options }) => ({
            id: other(id),
            options: options.map((option) => ({ ...option, id: other(option.id), uses: option.uses.map(other) })),
          })),
          capacity: Object.fromEntries(Object.entries(problem.capacity).map(([name, most]) => [other(name), most])),
          notTogether: problem.notTogether.map(([a, b]) => [other(a), other(b)]),
        };
        const [one, two] = [solveAssignment(problem), solveAssignment(renamed)];
        expect(two.is).toBe(one.is);
        if (one.is === 'solved' && two.is === 'solved')
          expect(two.chosen.map(({ id }) => id)).toEqual(one.chosen.map(({ id }) => other(id)));
      }),
      { numRuns: 300, seed: 19 },
    );
  });

  it('is empty for nobody, and a choice that is stopped says how far from the best it may be', () => {
    expect(solveAssignment({ seekers: [], capacity: {}, notTogether: [] })).toEqual({
      is: 'solved',
      chosen: [],
      cost: 0,
      proof: { is: 'optimal' },
    });
    // Each two of the three share something: half of each would cost 3, and no half is possible.
    const pairs = [
      ['p', 'q'],
      ['q', 'r'],
      ['r', 'p'],
    ];
    const crowded: Problem = {
      seekers: pairs.map((uses, i) => ({
        id: `s${i}`,
        options: [
          { id: 'x', cost: 0, uses: [`place ${i}`, ...uses] },
          { id: 'y', cost: 2, uses: [`other ${i}`] },
        ],
      })),
      capacity: {},
      notTogether: [],
    };
    expect(solveAssignment(crowded)).toMatchObject({ cost: 4, proof: { is: 'optimal' } });
    expect(solveAssignment(crowded, { isOver: () => true })).toMatchObject({ is: 'solved', cost: 4, proof: { is: 'stopped', atLeast: 0 } });
    let asked = 0;
    const later = solveAssignment(crowded, { isOver: () => ++asked > 60 });
    expect(later).toMatchObject({ is: 'solved', cost: 4, proof: { is: 'stopped', atLeast: 3 } });
  });

  it('is found for two hundred that want one of eight places', () => {
    const places = Array.from({ length: 8 }, (_, i) => ({ id: `p${i}`, cost: i, uses: [`place ${i}`, 'four of them'] }));
    const seekers = Array.from({ length: 200 }, (_, i) => ({ id: `s${i}`, options: [...places, { id: 'none', cost: 1000, uses: [] }] }));
    const found = solveAssignment({ seekers, capacity: { 'four of them': 4 }, notTogether: [] });
    expect(found).toMatchObject({ cost: 0 + 1 + 2 + 3 + 196 * 1000, proof: { is: 'optimal' } });
    expect(found.is === 'solved' ? found.chosen.slice(0, 5).map(({ id }) => id) : []).toEqual(['p0', 'p1', 'p2', 'p3', 'none']);
  });

  it('wants whole costs', () => {
    const one = (cost: number): Problem => ({
      seekers: [{ id: 'a', options: [{ id: 'x', cost, uses: [] }] }],
      capacity: {},
      notTogether: [],
    });
    expect(() => solveAssignment(one(0.5))).toThrow('The option x costs 0.5.');
    expect(() => solveAssignment(one(-1))).toThrow('The option x costs -1.');
  });
});
