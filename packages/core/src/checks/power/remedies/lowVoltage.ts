import { circuitNode, type Graph } from '../../../graph/graph.ts';
import { graphOf } from '../../../graph/graphOf.ts';
import { applyEdit } from '../../../edits/applyEdit.ts';
import type { SimpleEdit } from '../../../edits/registry.ts';
import { sizesOf } from '../../../harness/wireLimits.ts';
import { dropPath, type Drop } from '../../../power/report/dropPath.ts';
import type { Remedy } from '../../finding.ts';
import { lowLoads, type LowLoad } from '../helpers/lowLoads.ts';
import { ownSupplyRemedies } from './ownSupply.ts';
import { railRemedies } from './railSupply.ts';

/** What raises the voltage of a load: thicker wires on its way where those are enough, else a supply of its own. */
export function lowVoltageRemedies(graph: Graph, low: LowLoad): readonly Remedy[] {
  // What gave way before it is told, and mended, by itself.
  if (low.result.before.trippings.length > 0) return [];
  const placed = low.result.network.devices[low.device]?.device;
  if (placed?.is !== 'element' || placed.element.is !== 'load') return [];
  const thicker = thickerWires(graph, low);
  if (thicker !== undefined) return [thicker];
  const { element } = placed;
  const node = circuitNode(graph, low.item, element.supply);
  if (graph.items[low.item]?.part?.kind === 'servo') return node === undefined ? [] : railRemedies(graph, node);
  return graph.items[low.item]?.part?.kind === 'controller' ? [] : ownSupplyRemedies(graph, low.item, element);
}

function thickerWires(graph: Graph, low: LowLoad): Remedy | undefined {
  const wires = dropPath(low.result, low.device).filter(({ is }) => is === 'wire');
  const edits = wires.flatMap((wire) => thickest(graph, wire));
  if (edits.length === 0) return undefined;
  const title = `Thicker wires to ${graph.items[low.item]?.item.ref ?? '?'}`;
  const edit = { kind: 'batch' as const, title, edits };
  const result = applyEdit(graph.design, edit);
  if ('refused' in result) return undefined;
  const key = ({ item, element }: LowLoad): string => `${item} ${element}`;
  const before = new Set(lowLoads(graph).map(key));
  const after = lowLoads(graphOf(result.design)).map(key);
  if (after.includes(key(low)) || after.some((one) => !before.has(one))) return undefined;
  return {
    label: 'Use thicker wires',
    sentence: `Use the thickest wires that the contacts accept: ${wires.map(({ name }) => name).join(', ')}.`,
    edit,
  };
}

function thickest(graph: Graph, { edge }: Drop): SimpleEdit[] {
  const at = graph.edges[edge ?? -1];
  if (at?.is !== 'conductor') return [];
  const cable = graph.cables[at.cable];
  if (cable === undefined) return [];
  const awg = sizesOf(cable, at.conductor).at(-1);
  if (awg === undefined || awg >= at.conductor.awg) return [];
  return [{ kind: 'set-conductor-gauge', cable: cable.id, conductor: at.conductor.id, awg, was: at.conductor.awg }];
}
