import { shownName } from '../../dialects/lines/lineName.ts';
import { configurationOf } from '../../firmware/configuration.ts';
import { configurable, scopeOf } from '../../firmware/scope.ts';
import type { Graph } from '../../graph/graph.ts';
import { keptKey, type KeptLine } from '../../model/firmwarePlan.ts';
import { grouped } from '../../text/grouped.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Lines of the configuration that the firmware does not have, since what turns them on is off. */
export const prerequisite: Check = {
  id: 'firmware.prerequisite',
  stage: 'firmware',
  title: 'Setting needs another one first',
  run: ({ graph }) =>
    configurable(graph).flatMap(({ item }): Saying[] => {
      const scope = scopeOf(graph, item.id);
      if (typeof scope === 'string') return [];
      const configuration = configurationOf(scope);
      return [...grouped(configuration.unmet, (one) => one.prerequisite)].map(([needed, lines]): Saying => {
        const [first] = lines;
        const others = lines.length === 1 ? '' : lines.length === 2 ? ' and one line more' : ` and ${lines.length - 1} lines more`;
        return {
          severity: 'mend',
          where: [{ is: 'item', item: item.id }],
          what: `"${first.line.text}"${others} of ${item.ref} need ${needed.title}, which is off.`.replace(
            ' need ',
            lines.length === 1 ? ' needs ' : ' need ',
          ),
          evidence: lines.slice(0, 6).map(({ line }) => ({ label: line.row.what, value: line.text })),
          why: `While that is off the firmware ignores these lines. ${needed.byHand ?? ''}`.trim(),
          discriminator: needed.id,
          remedies: () => asPlanned(graph, keptGivers(needed.id)),
        };
      });

      /** Lines that would turn it on, and that are kept otherwise. */
      function keptGivers(id: string): readonly KeptLine[] {
        return configuration.lines.flatMap(({ template, keptAs }) =>
          template.gives?.prerequisite === id && keptAs !== undefined ? [keptAs] : [],
        );
      }
    }),
};

function asPlanned(graph: Graph, kept: readonly KeptLine[]): readonly Remedy[] {
  const { kept: all } = graph.design.aircraft.firmware;
  if (kept.length === 0) return [];
  return [
    {
      label: 'Load it as planned',
      sentence: `Load ${listed(kept.map(({ line }) => `"${shownName(line)}"`))} as planned, not as it was in the aircraft.`,
      edit: {
        kind: 'batch',
        title: 'Load the lines that turn other settings on as planned',
        edits: kept.map((line) => ({ kind: 'keep-line' as const, key: keptKey(line), value: null, was: all[keptKey(line)] ?? null })),
      },
    },
  ];
}
