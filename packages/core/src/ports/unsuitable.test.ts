import { describe, expect, it } from '@jest/globals';
import { portUnsuitable } from '../checks/links/portUnsuitable.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Part } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { controllers } from '../parts/controllers/controllers.ts';
import { emptyBench, itemOf } from '../test/designs.ts';
import { boardPortsOf } from './boardPorts.ts';
import { linkSeekers } from './linkSeekers.ts';
import { fitsOf } from './portFit.ts';

/** What another check speaks of: protocol, baud, level, or a wire that is not there. */
const OF_OTHERS = /does not speak|takes no baud| V, and |another kind of port|it has no RX|only sends/;

function portOf({ tx, rx }: Extract<Part['endpoints'][number], { is: 'uart' }>): string {
  const pin = rx ?? tx ?? '';
  return pin.slice(0, pin.lastIndexOf('.'));
}

/** Every serial port of a part that has a plug of its own, at every serial port of every controller. */
const pairs = sampleParts
  .filter(({ kind }) => kind !== 'controller')
  .flatMap((part) => part.endpoints.flatMap((one) => (one.is === 'uart' ? [{ part, port: portOf(one) }] : [])))
  .filter(({ part, port }) => part.endpoints.filter((one) => one.is === 'uart' && portOf(one) === port).length === 1)
  .flatMap((device) =>
    controllers.flatMap((board) =>
      board.endpoints.flatMap((one) => (one.is === 'uart' ? [{ ...device, board, to: portOf(one), end: one.id }] : [])),
    ),
  );

const sample = process.env['WF_PORT_PAIRS'] === 'all' ? pairs : pairs.filter((_, i) => i % 7 === 3);

describe('the planner of ports and the check of unsuitable ports', () => {
  it('say the same of a device at a port', () => {
    const differ: string[] = [];
    const said = { mend: 0, note: 0, nothing: 0 };
    for (const { part, port, board, to, end } of sample) {
      const bench = emptyBench();
      bench.add(board.id, 'board');
      bench.add(part.id, 'device');
      const ref = Object.values(bench.design.aircraft.items).find(({ ref: one }) => one !== 'FC1')?.ref ?? '';
      try {
        bench.wire(`${ref} ${port}`, `FC1 ${to}`);
      } catch {
        continue;
      }
      const graph = graphOf(bench.design);
      const seekers = linkSeekers(graph);
      const there = boardPortsOf(graph, seekers).find(({ endpoints }) => endpoints.some(({ id }) => id === end));
      const seeker = seekers.find(({ entry, now }) => entry.item.id === itemOf(bench.design, ref).id && now?.endpoint === end);
      if (there === undefined || seeker === undefined) continue;
      const cell = fitsOf(graph, seeker, there);
      const found = portUnsuitable.run({ graph }).map(({ severity, what }) => ({ severity, what }));
      const worst = found.find(({ severity }) => severity === 'mend') ?? found[0];
      const verdict = worst === undefined ? 'nothing' : worst.severity === 'mend' ? 'mend' : 'note';
      said[verdict] += 1;
      const plan = 'is' in cell ? cell.why : cell[0]?.gives === undefined ? 'plain' : cell[0].gives.way;
      const agrees =
        verdict === 'mend'
          ? // The plan may lower the baud, of which the check says that it is too high now.
            plan !== 'plain' && (plan !== 'software' || worst?.what.includes('baud') === true)
          : verdict === 'note'
            ? plan === 'software' || seeker.kinds.includes('reports')
            : plan === 'plain' || plan === 'level-shifter' || OF_OTHERS.test(plan);
      if (!agrees) differ.push(`${part.name} ${port} on ${board.name} ${to}: ${worst?.what ?? 'nothing'} / ${plan}`);
    }
    expect(differ).toEqual([]);
    expect(Object.values(said).every((count) => count > 0)).toBe(true);
  });
});
