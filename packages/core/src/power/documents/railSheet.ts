import { decimals, figure, percent, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { enduranceOf, flyMission } from '../mission/flyMission.ts';
import { powerReport, type SupplyLine } from '../report/powerReport.ts';
import { inSentence } from '../../text/sentences.ts';

interface Seen {
  readonly line: SupplyLine;
  leastV: number;
  leastIn: string;
  mostA: number;
  mostIn: string;
}

/** Every supply at its lowest voltage and its largest current over all situations on the pack, against what it may carry. */
export function railSheet(graph: Graph): Sheet {
  const seen = new Map<number, Seen>();
  for (const { charge, title, supplies } of powerReport(graph).scenarios) {
    if (charge === undefined) continue;
    for (const line of supplies) {
      if (line.is === 'usb') continue;
      const known = seen.get(line.device) ?? { line, leastV: Infinity, leastIn: '', mostA: -Infinity, mostIn: '' };
      if (line.volts < known.leastV) [known.leastV, known.leastIn] = [line.volts, title];
      if (Math.abs(line.amps) > known.mostA) [known.mostA, known.mostIn] = [Math.abs(line.amps), title];
      seen.set(line.device, known);
    }
  }
  const rows = [...seen.values()].map(({ line, leastV, leastIn, mostA, mostIn }) => [
    line.ref,
    line.element,
    figure(leastV, 'V'),
    leastIn,
    figure(mostA, 'A'),
    mostIn,
    line.ratedA === undefined ? '' : decimals(line.ratedA, 1),
    line.ratedA === undefined ? '' : percent(mostA / line.ratedA),
  ]);
  return {
    title: `Supplies and rails ${graph.design.aircraft.name}`,
    subtitle: 'worst case over all situations on the pack',
    columns: [
      { title: 'Item', kind: 'value' },
      { title: 'Element', kind: 'words' },
      { title: 'Lowest', kind: 'number', unit: 'V' },
      { title: 'In', kind: 'words' },
      { title: 'Highest', kind: 'number', unit: 'A' },
      { title: 'In', kind: 'words' },
      { title: 'Rated', kind: 'number', unit: 'A' },
      { title: 'Used', kind: 'number' },
    ],
    rows,
    notes: [...missionNotes(graph), 'Cruise power is an estimate unless a motor current was measured.'],
    cautions: ['Computed, not measured: check rails with a meter, propellers off, before the first flight.'],
  };
}

function missionNotes(graph: Graph): string[] {
  const endurance = enduranceOf(graph);
  const { emptyAtMin, emptyPack, isExample, totalMin, packs } = flyMission(graph);
  if (packs.length === 0) return [];
  const lasts =
    endurance?.minutes === undefined
      ? []
      : [`Endurance in ${inSentence(endurance.situation)}: ${quantity(endurance.minutes, 'minutes')} of usable charge.`];
  if (isExample) return lasts;
  return [
    ...lasts,
    emptyAtMin === undefined
      ? `The mission of ${quantity(totalMin, 'minutes')} is flown with charge left.`
      : `${emptyPack ?? '?'} runs out of usable charge after ${figure(emptyAtMin, 'minutes')} of ${quantity(totalMin, 'minutes')}.`,
  ];
}
