import { figure, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { WIRE_COLOURS, type WireColour } from '../../model/aircraft.ts';
import { conductorLengthMm } from '../wireFacts.ts';
import type { DocumentChoice } from './documentKind.ts';
import type { Sheet } from './sheet.ts';

export const wasteChoice: DocumentChoice = { id: 'waste', label: 'Waste', unit: '%', min: 0, max: 100, default: 10 };

interface Bundle {
  readonly awg: number;
  readonly colour: WireColour;
  readonly pieces: { readonly tag: string; readonly lengthMm: number; readonly isTyped: boolean }[];
}

/** Wires to cut, by gauge and colour, with the length to buy. What has no length yet is counted and named, not guessed. */
export function cutList(graph: Graph, wastePercent: number): Sheet {
  const bundles = new Map<string, Bundle>();
  const open = new Map<string, number>();
  for (const cable of graph.cables) {
    for (const conductor of Object.values(cable.conductors)) {
      const lengthMm = conductorLengthMm(graph, cable, conductor);
      if (lengthMm === undefined) {
        open.set(cable.tag, (open.get(cable.tag) ?? 0) + 1);
        continue;
      }
      const key = `${conductor.awg} ${conductor.colour}`;
      const bundle = bundles.get(key) ?? { awg: conductor.awg, colour: conductor.colour, pieces: [] };
      bundle.pieces.push({ tag: cable.tag, lengthMm, isTyped: cable.legs[conductor.leg]?.typedLengthMm !== undefined });
      bundles.set(key, bundle);
    }
  }
  const sorted = [...bundles.values()].sort((a, b) => a.awg - b.awg || WIRE_COLOURS.indexOf(a.colour) - WIRE_COLOURS.indexOf(b.colour));
  return {
    title: `Cut list ${graph.design.aircraft.name}`,
    subtitle: `Wires by gauge and colour, with ${stated(wastePercent, '%')} waste`,
    columns: [
      { title: 'AWG', kind: 'number' },
      { title: 'Colour', kind: 'colour' },
      { title: 'Pieces', kind: 'number' },
      { title: 'Lengths', kind: 'value' },
      { title: 'Total', kind: 'number', unit: 'm' },
      { title: 'To buy', kind: 'number', unit: 'm' },
    ],
    rows: sorted.map((bundle) => row(bundle, wastePercent)),
    notes: [
      'T: length as typed. The others are the route in the layout plus slack.',
      ...(open.size === 0
        ? []
        : [`Not counted, since no length is set: ${[...open].map(([tag, count]) => `${count} of ${tag}`).join(', ')}.`]),
    ],
    cautions: [],
  };
}

function row({ awg, colour, pieces }: Bundle, wastePercent: number): string[] {
  const byLength = new Map<string, number>();
  for (const { lengthMm, isTyped } of [...pieces].sort((a, b) => b.lengthMm - a.lengthMm || Number(b.isTyped) - Number(a.isTyped))) {
    const text = `${stated(lengthMm, 'mm')}${isTyped ? ' T' : ''}`;
    byLength.set(text, (byLength.get(text) ?? 0) + 1);
  }
  const lengths = [...byLength].map(([text, count]) => (count === 1 ? text : `${count} x ${text}`));
  const totalM = pieces.reduce((sum, piece) => sum + piece.lengthMm, 0) / 1000;
  const toBuyM = totalM * (1 + wastePercent / 100);
  return [String(awg), colour, String(pieces.length), lengths.join(', '), figure(totalM, 'm'), figure(toBuyM, 'm')];
}
