import { circuitNode, groupOf, type Graph } from '../../../graph/graph.ts';
import { graphOf } from '../../../graph/graphOf.ts';
import { feedsOf } from '../../../power/report/feedsOf.ts';
import type { Remedy } from '../../finding.ts';
import type { Overload } from '../helpers/overloads.ts';
import { ownSupplyRemedies } from './ownSupply.ts';
import { railRemedies } from './railSupply.ts';

/** What takes load off a supply: a separate regulator for its servo rail, or one for the largest of what it feeds. */
export function overloadRemedies(graph: Graph, { device, result }: Overload): readonly Remedy[] {
  const placed = result.network.devices[device ?? -1]?.device;
  if (device === undefined || placed?.is !== 'element') return [];
  const fed = fedBy(graph, result, device).sort((a, b) => b.amps - a.amps);
  const servo = fed.find(({ item }) => graph.items[item]?.part?.kind === 'servo');
  if (servo !== undefined && placed.element.is === 'regulator' && graph.items[placed.item]?.part?.kind === 'motor-controller') {
    const node = circuitNode(graph, placed.item, placed.element.out);
    return node === undefined || groupOf(graph.nets, node) < 0 ? [] : railRemedies(graphOf(graph.design), node);
  }
  const largest = fed.find(({ item }) => !['controller', 'servo', 'power-module'].includes(graph.items[item]?.part?.kind ?? ''));
  const load = result.network.devices[largest?.device ?? -1]?.device;
  return largest === undefined || load?.is !== 'element' || load.element.is !== 'load'
    ? []
    : ownSupplyRemedies(graph, largest.item, load.element);
}

interface Fed {
  readonly device: number;
  readonly item: number;
  readonly amps: number;
}

/** The loads that hang on a device, directly or through others. */
function fedBy(graph: Graph, { network, before }: Overload['result'], device: number): Fed[] {
  const feeds = feedsOf(network, before);
  const reached = new Set([device]);
  for (const from of reached) for (const feed of feeds) if (feed.from === from) reached.add(feed.to);
  return [...reached].flatMap((one) => {
    const placed = network.devices[one]?.device;
    const isLoad = placed?.is === 'element' && placed.element.is === 'load' && graph.items[placed.item] !== undefined;
    return isLoad ? [{ device: one, item: placed.item, amps: before.amps[one] ?? 0 }] : [];
  });
}
