import { dialectOf } from '../../dialects/dialectOf.ts';
import { groupOf, membersOf, pinNode, pinsOf, type Graph } from '../../graph/graph.ts';
import { isPassedOn } from '../../graph/passedOn.ts';
import { percent } from '../../text/numbers.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import type { ItemId } from '../../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { PULSE_KINDS, pulseWords, USUAL_TRAVEL } from '../../model/outputPlan.ts';
import { rowOf } from '../mixing/mixed.ts';
import { COMMANDS, type MixerRow } from '../mixing/mixerRow.ts';
import { mixerOf } from '../mixing/mixerOf.ts';
import { racksOf, type Bank, type Slot } from '../plan/racks.ts';

/** Every output of a controller: its bank with its pulses, what it is for and how it is mixed, and what is on it. */
export function outputCard(graph: Graph, itemId: ItemId): Sheet | undefined {
  const rack = racksOf(graph).find(({ entry }) => entry.item.id === itemId);
  const entry = graph.items[graph.itemIx.get(itemId) ?? -1];
  if (entry?.part === undefined) return undefined;
  const mixer = mixerOf(graph.design);
  return {
    title: `Output card ${entry.item.ref}`,
    subtitle: entry.part.name,
    columns: [
      { title: 'Output', kind: 'value' },
      { title: 'Firmware output', kind: 'value' },
      { title: 'Bank', kind: 'value' },
      { title: 'Pulses', kind: 'words' },
      { title: 'Function', kind: 'words' },
      { title: 'Function code', kind: 'value' },
      { title: 'Mixer', kind: 'words' },
      { title: 'Travel', kind: 'value', unit: 'us' },
      { title: 'Connected to', kind: 'words' },
      { title: 'Cable', kind: 'value' },
      { title: 'Signal pin', kind: 'words' },
    ],
    rows: (rack?.banks ?? []).flatMap((bank) => bank.slots.map((slot) => rowFor(graph, bank, slot, mixer))),
    notes: ['Outputs of one bank share pulse kind and rate.', 'Mixer: what a full command adds, as a share of full travel.'],
    cautions: ['Remove the propellers before testing any output.'],
  };
}

function rowFor(graph: Graph, bank: Bank, slot: Slot, mixer: readonly MixerRow[]): readonly string[] {
  const { output, use } = slot;
  const dot = output.pin.lastIndexOf('.');
  const [portId, n] = [output.pin.slice(0, dot), Number(output.pin.slice(dot + 1))];
  const { item, part } = graph.items[slot.item] ?? {};
  if (item === undefined) throw new Error('An output is of no item.');
  const { ports, cables } = reachedFrom(graph, item.id, portId, n);
  const row = use === undefined ? undefined : rowOf(mixer, use.function);
  const { minUs, trimUs, maxUs } = { ...USUAL_TRAVEL, ...use };
  return [
    slot.label,
    slot.code ?? '',
    bank.id,
    bank.use === undefined ? `not planned: ${slot.kinds.map((kind) => PULSE_KINDS[kind].title).join(' or ')}` : pulseWords(bank.use),
    use === undefined ? '' : OUTPUT_FUNCTIONS[use.function].title,
    use === undefined ? '' : (dialectOf(graph.design)?.functions[use.function]?.code ?? ''),
    row === undefined ? '' : mixerWords(row),
    use === undefined ? '' : `${minUs} ${trimUs} ${maxUs}${use.reversed === true ? ' reversed' : ''}`,
    ports.join(', '),
    cables.join(', '),
    signalPlace(part?.ports.find((candidate) => candidate.id === portId)?.signalRow, n),
  ];
}

/** A row of the mixer in words: `roll +60 %, pitch -60 %`. */
export function mixerWords({ weights, downShare, scale, reason }: MixerRow): string {
  if (scale === 'passed') return reason;
  const parts = COMMANDS.flatMap((command) => {
    const weight = weights[command] ?? 0;
    return weight === 0 ? [] : [`${command.replaceAll('-', ' ')} ${weight > 0 ? '+' : '-'}${percent(Math.abs(weight))}`];
  });
  return [...parts, ...(downShare === 1 ? [] : [`down ${percent(downShare)} of it`])].join(', ');
}

/** Where the signal of a pin arrives, also through splices and over a board that sits on the controller; and the cables that carry it. */
function reachedFrom(graph: Graph, itemId: ItemId, port: string, n: number): { readonly ports: string[]; readonly cables: string[] } {
  const node = pinNode(graph, itemId, port, n);
  if (node === undefined) return { ports: [], cables: [] };
  const group = groupOf(graph.wires, node);
  const ports = pinsOf(graph, graph.wires, group).flatMap(({ at }): string[] => {
    const there = graph.items[at.item];
    const isBetween = there?.part !== undefined && isPassedOn(there.part, `${at.port.id}.${at.pin.n}`);
    return there === undefined || there.item.id === itemId || isBetween ? [] : [`${there.item.ref} ${at.port.label}`];
  });
  const cables = [...membersOf(graph.wires, group)].flatMap((member): string[] => {
    const at = graph.nodes[member];
    const tag = at?.is === 'contact' ? graph.cables[at.cable]?.tag : undefined;
    return tag === undefined ? [] : [tag];
  });
  return { ports: [...new Set(ports)], cables: [...new Set(cables)] };
}

function signalPlace(row: 'inner' | 'outer' | undefined, n: number): string {
  return row === undefined ? `pin ${n}` : `pin ${n}, ${row} row`;
}
