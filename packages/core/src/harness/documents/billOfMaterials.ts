import { figure, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { PART_KINDS, partKinds } from '../../model/partKinds.ts';
import type { ResolvedPart } from '../../model/part.ts';
import { propellerSize, turnOf } from '../../model/turns.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { wireGramsPerM } from '../../model/wire.ts';
import { conductorLengthMm } from '../wireFacts.ts';
import type { Sheet } from './sheet.ts';

interface Line {
  readonly part: ResolvedPart;
  readonly refs: string[];
}

/** Every part with its mass, then the wires by gauge, then the sum. */
export function billOfMaterials(graph: Graph): Sheet {
  const lines = new Map<string, Line>();
  let unknown = 0;
  for (const { item, part } of graph.items) {
    if (part === undefined) unknown += 1;
    else lines.set(item.part, { part, refs: [...(lines.get(item.part)?.refs ?? []), item.ref] });
  }
  const parts = [...lines.values()].sort(
    (a, b) => partKinds.indexOf(a.part.kind) - partKinds.indexOf(b.part.kind) || (a.part.name < b.part.name ? -1 : 1),
  );
  const wires = wireRows(graph);
  const partsG = parts.reduce((sum, { part, refs }) => sum + part.massG * refs.length, 0);
  const wiresG = wires.reduce((sum, { massG }) => sum + massG, 0);
  return {
    title: `Bill of materials ${graph.design.aircraft.name}`,
    subtitle: `${quantity(partsG + wiresG, 'g')}: parts ${quantity(partsG, 'g')}, wires ${quantity(wiresG, 'g')}`,
    columns: [
      { title: 'Quantity', kind: 'number' },
      { title: 'Description', kind: 'words' },
      { title: 'Kind', kind: 'words' },
      { title: 'References', kind: 'value' },
      { title: 'Each', kind: 'number', unit: 'g' },
      { title: 'All', kind: 'number', unit: 'g' },
    ],
    rows: [
      ...parts.map(({ part, refs }) => [
        String(refs.length),
        part.name,
        PART_KINDS[part.kind].title,
        refs.join(' '),
        figure(part.massG, 'g'),
        figure(part.massG * refs.length, 'g'),
      ]),
      ...propellerRows(graph),
      ...wires.map(({ awg, lengthM, massG }) => [quantity(lengthM, 'm'), `Wire AWG ${awg}`, 'Cable goods', '', '', figure(massG, 'g')]),
    ],
    notes: [
      'Wire mass is an estimate from gauge and length; connectors are not included. Sample values: weigh yours.',
      ...(unknown === 0 ? [] : [`${unknown} items have parts that are not in this workshop, and are not counted.`]),
    ],
    cautions: [],
  };
}

/** Propellers by size and by the way they turn: they are bought apart from their motors, and one of the wrong hand blows the wrong way. */
function propellerRows(graph: Graph): readonly string[][] {
  const lines = new Map<string, string[]>();
  for (const { item, part } of graph.items) {
    const propeller = part?.propeller;
    if (propeller === undefined || item.where !== 'aircraft') continue;
    const turn = turnOf(propeller.turns, item) ?? 'direction not stated';
    const name = `Propeller ${propellerSize(propeller)}, ${turn}`;
    lines.set(name, [...(lines.get(name) ?? []), item.ref]);
  }
  return [...lines]
    .sort(([a], [b]) => naturalOrder(a, b))
    .map(([name, refs]) => [String(refs.length), name, 'Propeller', refs.join(' '), '', '']);
}

function wireRows(graph: Graph): { readonly awg: number; readonly lengthM: number; readonly massG: number }[] {
  const byGauge = new Map<number, number>();
  for (const cable of graph.cables) {
    for (const conductor of Object.values(cable.conductors)) {
      const lengthMm = conductorLengthMm(graph, cable, conductor) ?? 0;
      byGauge.set(conductor.awg, (byGauge.get(conductor.awg) ?? 0) + lengthMm / 1000);
    }
  }
  return [...byGauge]
    .filter(([, lengthM]) => lengthM > 0)
    .sort(([a], [b]) => a - b)
    .map(([awg, lengthM]) => ({ awg, lengthM, massG: lengthM * wireGramsPerM(awg) }));
}
