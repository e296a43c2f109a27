import type { Graph } from '../../../graph/graph.ts';
import { graphOf } from '../../../graph/graphOf.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { filters } from '../../../parts/small.ts';
import { settingsOf } from '../../../model/settingsOf.ts';
import type { Remedy } from '../../finding.ts';
import { openPortOn } from './railSupply.ts';

/** A clamp and a capacitor on a free row of the rail. */
export function conditionerRemedies(graph: Graph, node: number): readonly Remedy[] {
  const part = filters.find(({ id }) => id === 'conditioner-rail-5v6');
  const port = openPortOn(graph, node);
  const draft = new DraftEdits(graph.design);
  const item = part === undefined || port === undefined ? undefined : draft.add(part, 'servo rail');
  if (item === undefined || port === undefined || !draft.wire(draft.port(item, 'lead'), draft.port(port.itemId, port.port.id))) return [];
  return [
    {
      label: 'Add a rail conditioner',
      sentence: `Plug a clamp and a capacitor into ${port.ref} ${port.port.label}. Its capacitor must not be the wrong way round: the stripe is ground.`,
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
  const draft = new DraftEdits(graphOf(graph.design).design);
  const added = value === undefined ? undefined : draft.add(part, `at ${entry.item.ref}`, { [spec.id]: value });
  if (added === undefined || !draft.wire(draft.port(added, 'leads'), draft.port(entry.item.id, portId), 'straight')) return [];
  return [
    {
      label: `Add ${value ?? 0} uF`,
      sentence: `Solder ${value ?? 0} uF, low ESR, 50 V, across the supply pads of ${entry.item.ref}, as short as it goes. The stripe is the negative terminal: the wrong way round it bursts.`,
      edit: draft.edit(`Add a capacitor at ${entry.item.ref}`),
    },
  ];
}
