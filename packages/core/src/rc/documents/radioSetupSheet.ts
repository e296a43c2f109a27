import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { CAUTIONS } from '../../parts/cautions.ts';
import { radioSetup } from '../radioSetup.ts';

/** What has to be done in the radio and with the receiver, as a list to tick. */
export function radioSetupSheet(graph: Graph): Sheet {
  const steps = radioSetup(graph);
  const cautions = steps.flatMap(({ caution }) => (caution === undefined ? [] : (CAUTIONS[caution] ?? [])));
  return {
    title: `Radio set-up ${graph.design.aircraft.name}`,
    subtitle: 'in working order',
    columns: [
      { title: 'Step', kind: 'number' },
      { title: 'What', kind: 'words' },
      { title: 'How', kind: 'words' },
      { title: 'Done', kind: 'words' },
    ],
    rows: steps.map(({ title, text }, i) => [String(i + 1), title, text, '']),
    notes: [],
    cautions: [...new Set(cautions)],
  };
}
