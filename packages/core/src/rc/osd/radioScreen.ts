import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import type { OsdField } from '../../model/osdFields.ts';
import { channelPlanOf } from '../channelPlan.ts';
import { fieldSource, type FieldSource } from './fieldSources.ts';

/** What a sensor that reports to the receiver by itself tells, without the controller. */
const OF_SENSOR: readonly OsdField[] = ['pack-volts', 'pack-amps', 'used-mah'];
/** What the radio knows by itself. */
const OF_RADIO: readonly OsdField[] = ['link-quality', 'link-strength', 'timer'];

/**
 * Where a field on the screen of the radio comes from: from the radio itself, from a sensor on the receiver's own port, or from the controller, where
 * reports get back to the radio.
 */
export function radioFieldSource(graph: Graph, field: OsdField): FieldSource {
  const { feeds } = channelPlanOf(graph);
  const answers = feeds.some(({ source }) => (source.entry.part?.radios ?? []).some(({ sendsDbm }) => sendsDbm !== undefined));
  if (OF_RADIO.includes(field) && (answers || field === 'timer')) return { isThere: true, words: 'the radio itself' };
  const sensor = OF_SENSOR.includes(field) ? sensorAtReceiver(graph) : undefined;
  if (sensor !== undefined && answers) return { isThere: true, words: `${sensor}, by the receiver` };
  const way = reportsBy(graph);
  if (way === undefined) return { isThere: false, words: 'needs a telemetry path from the controller back to the radio' };
  const source = fieldSource(graph, field);
  return source.isThere ? { isThere: true, words: `${source.words}, by ${way}` } : source;
}

/** By what reports of the controller get back to the radio: the receiver's telemetry port, or the frames of a two-way format. */
function reportsBy(graph: Graph): string | undefined {
  const chain = chainsOf(graph).find(({ kind, state }) => kind.id === 'reports' && (state.is === 'agrees' || state.is === 'open'));
  const ref = chain === undefined ? undefined : graph.items[chain.item]?.item.ref;
  if (ref !== undefined) return `the telemetry port of ${ref}`;
  const twoWay = channelPlanOf(graph).feeds.find(({ format }) => format === 'crsf');
  return twoWay === undefined ? undefined : `${twoWay.source.entry.item.ref} in CRSF`;
}

/** A sensor that is wired to a receiver's telemetry port. */
function sensorAtReceiver(graph: Graph): string | undefined {
  for (const { medium, a, b } of hopsOf(graph).hops) {
    if (medium !== 'serial' || b === undefined) continue;
    const ends = [a, b];
    const sensor = ends.find(({ entry }) => entry.part?.kind === 'power-module');
    if (sensor !== undefined && ends.some(({ entry }) => entry.part?.kind === 'rc-receiver')) return sensor.entry.item.ref;
  }
  return undefined;
}
