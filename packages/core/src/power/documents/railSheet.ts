import { decimals, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { enduranceOf, flyMission } from '../mission/flyMission.ts';
import { powerReport, type SupplyLine } from '../report/powerReport.ts';

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
    decimals(leastV, 2),
    leastIn,
    decimals(mostA, 2),
    mostIn,
    line.ratedA === undefined ? '' : decimals(line.ratedA, 1),
    line.ratedA === undefined ? '' : `${Math.round((mostA / line.ratedA) * 100)} %`,
  ]);
  return {
    title: `Supplies and rails ${graph.design.aircraft.name}`,
    subtitle: 'the worst of every situation on the pack',
    columns: [
      { title: 'Item', kind: 'value' },
      { title: 'Element', kind: 'words' },
      { title: 'Lowest V', kind: 'number' },
      { title: 'In', kind: 'words' },
      { title: 'Most A', kind: 'number' },
      { title: 'In', kind: 'words' },
      { title: 'Rated A', kind: 'number' },
      { title: 'Used', kind: 'number' },
    ],
    rows,
    notes: [...missionNotes(graph), 'The power of cruising is an estimate unless a motor current was measured.'],
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
      : [`Endurance in ${endurance.situation.toLowerCase()}: ${quantity(endurance.minutes, 'minutes', 0)} of usable charge.`];
  if (isExample) return lasts;
  return [
    ...lasts,
    emptyAtMin === undefined
      ? `The mission of ${quantity(totalMin, 'minutes', 0)} is flown with charge left.`
      : `${emptyPack ?? '?'} is at the end of its usable charge after ${decimals(emptyAtMin, 0)} of ${quantity(totalMin, 'minutes', 0)}.`,
  ];
}
