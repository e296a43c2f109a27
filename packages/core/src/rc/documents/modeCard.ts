import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { FLIGHT_MODES } from '../../model/flightModes.ts';
import { armingOf } from '../modes/armingPositions.ts';
import { combinationsOf } from '../modes/combinations.ts';
import { flightCombinations, flightSwitches } from '../modes/flightSwitches.ts';
import { positionName, positionWords } from '../switchPositions.ts';

/** What every position of the switches gives, with the firmware's own names: fits a pocket. */
export function modeCard(graph: Graph): Sheet {
  const { design } = graph;
  const { rc, name } = design.aircraft;
  const switches = flightSwitches(design);
  const dialect = dialectOf(design);
  const rows = flightCombinations(design).map(({ positions, mode, isOverlap }) => {
    const entry = mode === undefined ? undefined : dialect?.modes[mode];
    return [
      ...positions.map(({ id, at }) => positionName(rc.switches[id]?.positions ?? 0, at)),
      isOverlap ? 'two modes at once' : mode === undefined ? 'no mode' : FLIGHT_MODES[mode].title,
      entry?.name ?? entry?.code ?? '',
      mode !== undefined && FLIGHT_MODES[mode].position ? 'position fix' : '',
    ];
  });
  const arming = armingOf(combinationsOf(design) ?? []);
  return {
    title: `Mode card ${name}`,
    subtitle: 'what each switch position selects',
    columns: [
      ...switches.map((id) => ({ title: rc.switches[id]?.title ?? id, kind: 'words' as const })),
      { title: 'Mode', kind: 'words' },
      { title: 'In the firmware', kind: 'value' },
      { title: 'Needs', kind: 'words' },
    ],
    rows,
    notes: [
      arming.is === 'some' && arming.common.length > 0
        ? `The motors may run with ${positionWords(rc, arming.common)}.`
        : 'No switch alone arms the motors.',
    ],
    cautions: [],
  };
}
