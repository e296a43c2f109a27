import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph } from '../../graph/graph.ts';
import type { DraftEdits } from '../../harness/draftEdits.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import { outputKey } from '../../model/outputPlan.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { ItemId } from '../../model/ids.ts';
import type { AdoptRevision } from '../../edits/adoptPlan.ts';
import { rowStretch } from '../../ports/rowStretch.ts';
import { dropLooseCables } from './looseCables.ts';

/**
 * Leads what an output drove to the output that took its function over, where no plug could go there as it was: the lead is made anew.
 * @param map where each output of the old board is on the new one
 */
export function leadOutputs(before: Graph, draft: DraftEdits, item: ItemId, { outputs }: AdoptRevision['map']): void {
  for (const { endpoint, driven } of drivenBy(before, item)) {
    const now = outputs.find(({ from }) => from === endpoint)?.to ?? undefined;
    const use = now === undefined ? undefined : draft.graph.design.aircraft.outputs[outputKey(item, now)];
    if (now === undefined || use === undefined) continue;
    for (const far of driven) lead(draft, item, now, far);
  }
}

interface Far {
  readonly item: ItemId;
  readonly port: string;
}

/** The outputs of a controller with the ports of other items that hear them. */
function drivenBy(graph: Graph, item: ItemId): readonly { readonly endpoint: string; readonly driven: readonly Far[] }[] {
  const ix = graph.itemIx.get(item) ?? -1;
  const endpoints = graph.items[ix]?.part?.endpoints ?? [];
  return endpoints.flatMap((endpoint) => {
    if (endpoint.is !== 'pulse-out') return [];
    const driven = counterpartsOf(graph, ix, endpoint).flatMap((other): Far[] => {
      const [far, port] = [graph.items[other.item]?.item.id, portOfEndpoint(other.endpoint)];
      return far === undefined || port === undefined ? [] : [{ item: far, port }];
    });
    return driven.length === 0 ? [] : [{ endpoint: endpoint.id, driven }];
  });
}

function lead(draft: DraftEdits, item: ItemId, output: string, far: Far): void {
  const { graph } = draft;
  const ix = graph.itemIx.get(item) ?? -1;
  const endpoint = graph.items[ix]?.part?.endpoints.find(({ id }) => id === output);
  const port = endpoint === undefined ? undefined : portOfEndpoint(endpoint);
  if (endpoint === undefined || port === undefined) return;
  const isLed = counterpartsOf(graph, ix, endpoint).some((other) => graph.items[other.item]?.item.id === far.item);
  const [a, b] = [draft.port(far.item, far.port), draft.port(item, port)];
  const stretch = b === undefined ? undefined : rowStretch(graph, b, [endpoint]);
  if (isLed || a === undefined || stretch === undefined) return;
  dropLooseCables(draft, far.item, far.port);
  draft.take(planJoin(draft.graph, a, stretch, 'meaning'));
}
