import type { Problem, Seeker } from '../assign/problem.ts';

/** Numbers that look random and are the same in every run (a linear congruential generator; Numerical Recipes). */
function numbersFrom(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

export interface CaseSize {
  readonly links: number;
  readonly ports: number;
}

/**
 * An aircraft with many links as the search sees it: ports in groups of which some share their pins, some made by software of which there
 * may be few, roles that are allowed once or not together, links that a person pinned, links that can take a bus, and each can be left out
 * at a price beyond all others.
 */
export function assignCase(seed: number, { links, ports }: CaseSize): Problem {
  const random = numbersFrom(seed);
  const isShared = Array.from({ length: ports }, () => random(4) === 0);
  const isSoft = Array.from({ length: ports }, () => random(6) === 0);
  const seekers = Array.from({ length: links }, (_, i): Seeker => {
    const role = random(6);
    const suits = 40 + random(50);
    const pinned = random(8) === 0 ? random(ports) : undefined;
    const options = Array.from({ length: ports }, (_port, port) => port)
      .filter((port) => random(100) < suits && (pinned === undefined || pinned === port))
      .map((port) => ({
        id: `port ${port}`,
        cost: [0, 4, 4, 6, 10, 25, 100][random(7)] ?? 0,
        uses: [
          `port ${port}`,
          ...(isShared[port] === true ? [`pins ${port - (port % 2)}`] : []),
          ...(isSoft[port] === true ? ['by software'] : []),
          `role ${role}`,
        ],
      }));
    const bus = random(5) === 0 ? [{ id: 'bus', cost: 30, uses: ['bus'] }] : [];
    return { id: `link ${i}`, options: [...options, ...bus, { id: 'left out', cost: 1000, uses: [] }] };
  });
  return {
    seekers,
    capacity: { 'by software': 2, bus: 3, 'role 0': 1, 'role 1': 4, 'role 2': 4, 'role 3': links, 'role 4': links, 'role 5': links },
    notTogether: random(3) === 0 ? [['role 4', 'role 5']] : [],
  };
}
