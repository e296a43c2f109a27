import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { lostWords } from '../faults/lostWords.ts';
import { faultSweep, type FaultSweep } from '../faults/faultSweep.ts';

/** Every single fault that costs something, the worst first: what is lost, what stops, and what gives way in turn. @param sweep where it is known already */
export function faultSheet(graph: Graph, { lines, solves }: FaultSweep = faultSweep(graph)): Sheet {
  const shown = lines.filter((line) => line.class !== 'none');
  return {
    title: `Single faults ${graph.design.aircraft.name}`,
    subtitle: 'each in its worst situation',
    columns: [
      { title: 'Class', kind: 'words' },
      { title: 'Fault', kind: 'words' },
      { title: 'Worst situation', kind: 'words' },
      { title: 'Lost', kind: 'words' },
      { title: 'Stops', kind: 'words' },
      { title: 'What fails', kind: 'words' },
    ],
    rows: shown.map((line) => [
      line.isInherent ? `${line.class}, inherent` : line.class,
      line.names.join('; '),
      line.scenarioTitle,
      lostWords(line),
      line.dead.join(' '),
      line.events.join(' '),
    ]),
    notes: [
      `${lines.length} different faults, ${solves} solves; ${lines.length - shown.length} have no effect.`,
      'Inherent: due to the airframe, or to having one pack, one controller, one elevator; no wiring would change it.',
    ],
    cautions: [],
  };
}
