import type { Graph } from '../../graph/graph.ts';
import { plainCable } from '../../graph/cableJoins.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import { isStraightThrough } from '../offTheShelf.ts';
import { nodeNames } from '../looms/nodeNames.ts';
import type { Sheet } from './sheet.ts';

/** A label for every end of every cable: its tag, where this end and the other ends go, and a warning where the pin map is its own. */
export function labelSheet(graph: Graph): Sheet {
  return {
    title: `Labels ${graph.design.aircraft.name}`,
    subtitle: 'One per cable end: print, cut, and wrap around. Each text is printed twice, so that it reads from both sides.',
    form: 'labels',
    columns: [
      { title: 'Tag', kind: 'value' },
      { title: 'This end', kind: 'words' },
      { title: 'Other end', kind: 'words' },
      { title: 'Flag', kind: 'words' },
    ],
    rows: graph.cables.flatMap((cable) => labelsOf(graph, cable)),
    notes: [],
    cautions: [],
  };
}

function labelsOf(graph: Graph, cable: Cable): string[][] {
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  const names = nodeNames(graph, cable);
  const nameOf = (end: CableEnd): string => names.get(end.id) ?? '?';
  const plain = plainCable(graph, cable);
  const hasPlug = plain !== undefined && [plain.endA, plain.endB].some(({ connector }) => connector.gender !== 'pads');
  const isOwn = hasPlug && !isStraightThrough(plain);
  const flag = cable.label ?? (isOwn ? 'pins swapped: only here' : '');
  return ends.map((end) => [
    cable.tag,
    nameOf(end),
    ends
      .filter((other) => other !== end)
      .map(nameOf)
      .join(', '),
    flag,
  ]);
}
