import { stated } from '../../../text/numbers.ts';
import type { Edit } from '../../../edits/registry.ts';
import { circuitNode, type Graph } from '../../../graph/graph.ts';
import type { Part } from '../../../model/part.ts';
import type { Settings } from '../../../model/resolvePart.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { filters } from '../../../parts/small.ts';
import { settingsOf } from '../../../model/settingsOf.ts';
import type { Remedy } from '../../finding.ts';
import { openPortOn } from './railSupply.ts';
import { inSentence, withArticle } from '../../../text/sentences.ts';

/** The choices of the conditioner's settings: clamp volts and microfarad. */
export const CONDITIONER_PART = filters.find(({ id }) => id === 'conditioner-rail-5v6');
export const FILTER_PART = filters.find(({ id }) => id === 'filter-lc-2a');

/** Puts a part of the filters into the aircraft; a conditioner is plugged into the servo rail where that has a free row. */
export function conditioningEdit(graph: Graph, part: Part, settings: Settings): Edit | undefined {
  const draft = new DraftEdits(graph.design);
  const item = draft.add(part, part === CONDITIONER_PART ? 'servo rail' : '', settings);
  if (item === undefined) return undefined;
  const servo = graph.items.findIndex((entry) => entry.part?.kind === 'servo');
  const load = graph.items[servo]?.part?.circuit.find((element) => element.is === 'load');
  const node = load?.is === 'load' ? circuitNode(graph, servo, load.supply) : undefined;
  const port = part !== CONDITIONER_PART || node === undefined ? undefined : openPortOn(graph, node);
  if (port !== undefined) draft.wire(draft.port(item, 'lead'), draft.port(port.itemId, port.port.id));
  return draft.edit(`Add ${withArticle(inSentence(part.name))}`);
}

/** A clamp and a capacitor on a free row of the rail. */
export function conditionerRemedies(graph: Graph, node: number): readonly Remedy[] {
  const part = filters.find(({ id }) => id === 'conditioner-rail-5v6');
  const port = openPortOn(graph, node);
  const draft = new DraftEdits(graph.design, port === undefined ? [] : [port.itemId]);
  const item = part === undefined || port === undefined ? undefined : draft.add(part, 'servo rail');
  if (item === undefined || port === undefined || !draft.wire(draft.port(item, 'lead'), draft.port(port.itemId, port.port.id))) return [];
  return [
    {
      label: 'Add a rail conditioner',
      sentence: `Plug a clamp and a capacitor into ${port.ref} ${port.port.label}. Mind the polarity of its capacitor: the stripe is ground.`,
      edit: draft.edit('Add a rail conditioner'),
    },
  ];
}

/** A capacitor across the supply pads of a motor controller that is far from its pack. */
export function leadCapacitorRemedies(graph: Graph, item: number, microfarad: number): readonly Remedy[] {
  const part = filters.find(({ id }) => id === 'capacitor-lead-low-esr');
  const entry = graph.items[item];
  const drive = entry?.part?.circuit.find((element) => element.is === 'drive');
  const portId = drive?.is === 'drive' ? drive.plus.split('.')[0] : undefined;
  const [spec] = part === undefined ? [] : settingsOf(part);
  if (part === undefined || entry === undefined || portId === undefined || spec?.is !== 'choice') return [];
  const value = spec.choices.map((choice) => Number(choice.value)).find((choice) => choice >= microfarad);
  const draft = new DraftEdits(graph.design, [entry.item.id]);
  if (value === undefined) return [];
  const added = draft.add(part, `at ${entry.item.ref}`, { [spec.id]: value });
  if (added === undefined || !draft.wire(draft.port(added, 'leads'), draft.port(entry.item.id, portId), 'straight')) return [];
  return [
    {
      label: `Add ${stated(value, 'uF')}`,
      sentence: `Solder ${stated(value, 'uF')}, low ESR, 50 V, across the supply pads of ${entry.item.ref}, with leads as short as possible. The stripe marks the negative terminal: reversed, it bursts.`,
      edit: draft.edit(`Add a capacitor at ${entry.item.ref}`),
    },
  ];
}
