import { describe, expect, it } from '@jest/globals';
import loadHighs from 'highs';
import { assignCase } from '../demo/assignCases.ts';
import type { Problem } from './problem.ts';
import { solveAssignment } from './solveAssignment.ts';

/** All 300 with `WF_ASSIGN_CASES=300`; a fixed sample without. */
const CASES = Number(process.env['WF_ASSIGN_CASES'] ?? 40);

/** The problem as a linear one with whole numbers, in the LP format: a variable for each option, 1 where it is chosen. */
function asLinearProgram({ seekers, capacity, notTogether }: Problem): string {
  const options = seekers.flatMap((seeker, i) => seeker.options.map((option, k) => ({ ...option, name: `x${i}_${k}`, seeker: i })));
  const using = (resource: string): readonly string[] => options.filter(({ uses }) => uses.includes(resource)).map(({ name }) => name);
  const resources = [...new Set(options.flatMap(({ uses }) => uses))];
  const rows = [
    ...seekers.map((_, i) => `${options.flatMap(({ seeker, name }) => (seeker === i ? [name] : [])).join(' + ')} = 1`),
    ...resources.map((resource) => `${using(resource).join(' + ')} <= ${capacity[resource] ?? 1}`),
    ...notTogether.flatMap(([a, b], i) => [
      ...using(a).map((name) => `${name} - y${i} <= 0`),
      ...using(b).map((name) => `${name} + y${i} <= 1`),
    ]),
  ];
  const objective = options.filter(({ cost }) => cost > 0).map(({ cost, name }) => `${cost} ${name}`);
  const variables = [...options.map(({ name }) => name), ...notTogether.map((_, i) => `y${i}`)];
  return [
    'Minimize',
    ` obj: ${objective.join(' + ')}`,
    'Subject To',
    ...rows.map((row, i) => ` c${i}: ${row}`),
    'Binary',
    ` ${variables.join(' ')}`,
    'End',
  ].join('\n');
}

describe('twenty links on twenty-four ports', () => {
  it('cost what a solver of linear programs with whole numbers finds', async () => {
    const highs = await loadHighs();
    let leftOut = 0;
    for (let seed = 1; seed <= CASES; seed++) {
      const problem = assignCase(seed, { links: 20, ports: 24 });
      const { Status: status, ObjectiveValue: cost } = highs.solve(asLinearProgram(problem), { output_flag: false });
      expect([seed, status]).toEqual([seed, 'Optimal']);
      const found = solveAssignment(problem);
      expect([seed, found.is, found.is === 'solved' ? found.proof.is : '']).toEqual([seed, 'solved', 'optimal']);
      if (found.is !== 'solved') continue;
      expect([seed, found.cost]).toEqual([seed, Math.round(cost)]);
      leftOut += found.chosen.filter(({ id }) => id === 'left out').length;
    }
    expect(leftOut).toBeGreaterThan(0);
  });
});
