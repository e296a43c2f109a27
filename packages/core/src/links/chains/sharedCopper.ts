import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { endpointPins } from '../../model/endpointPins.ts';
import type { Endpoint } from '../../model/part.ts';
import type { HopEnd } from './hop.ts';

/** An endpoint with one of its pins. */
export interface PinnedEnd {
  readonly end: HopEnd;
  readonly endpoint: Endpoint;
  readonly pin: string;
}

const cache = new WeakMap<Graph, ReadonlyMap<number, readonly PinnedEnd[]>>();

/** The endpoints that share copper, by the net that their pins are in: a hub or a chained device leads a bus on by its own copper. */
export function sharedCopper(graph: Graph): ReadonlyMap<number, readonly PinnedEnd[]> {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const groups = new Map<number, PinnedEnd[]>();
  graph.items.forEach((entry, item) => {
    for (const endpoint of entry.part?.endpoints ?? []) {
      const end: HopEnd = { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
      for (const pin of pinsWithPort(entry.part?.ports ?? [], endpoint)) {
        const node = circuitNode(graph, item, pin);
        if (node === undefined) continue;
        const group = groupOf(graph.nets, node);
        const there = groups.get(group);
        if (there === undefined) groups.set(group, [{ end, endpoint, pin }]);
        else there.push({ end, endpoint, pin });
      }
    }
  });
  cache.set(graph, groups);
  return groups;
}

/** The pins of an endpoint; of USB and of a network, which name a port and no pins, the first data pin of that port. */
function pinsWithPort(ports: NonNullable<HopEnd['entry']['part']>['ports'], endpoint: Endpoint): readonly string[] {
  if (endpoint.is !== 'usb' && endpoint.is !== 'network') return endpointPins(endpoint);
  const port = ports.find(({ id }) => id === endpoint.port);
  const data = port?.pins.find(({ role }) => role === 'usb');
  return port === undefined || data === undefined ? [] : [`${port.id}.${data.n}`];
}
