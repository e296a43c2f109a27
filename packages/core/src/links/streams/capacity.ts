import type { Graph } from '../../graph/graph.ts';
import { AIR } from '../../model/settingsOf.ts';
import { settingInForce } from '../../model/settingInForce.ts';
import type { Frame } from '../../model/setting.ts';
import { baudAt } from '../baudInForce.ts';
import type { Hop, HopEnd } from '../chains/hop.ts';
import { serialSetup } from '../serialSetup.ts';

/** What a hop carries at most, in bytes a second. */
export interface Capacity {
  readonly bytesPerS: number;
  /** True where both directions share it, as through the air; else each has as much. */
  readonly isShared: boolean;
}

/** Bits on the wire for a byte: a start bit, the data, parity where there is one, and the stop bits. */
export const BITS_PER_BYTE: Readonly<Record<Frame, number>> = { '8N1': 10, '8E1': 11, '8N2': 11, '8E2': 12 };

/** What a hop carries; undefined where nothing limits it that is known: a network cable, USB, a bus. */
export function capacityOf(graph: Graph, { medium, a, b }: Hop): Capacity | undefined {
  const ends = b === undefined ? [a] : [a, b];
  const each = ends.flatMap((end) => (medium === 'serial' ? serialBytes(graph, end) : medium === 'air' ? airBytes(graph, end) : []));
  if (each.length === 0) return undefined;
  return { bytesPerS: Math.min(...each), isShared: medium === 'air' };
}

function serialBytes(graph: Graph, { item, entry, signal }: HopEnd): number[] {
  if (signal.is !== 'endpoint' || signal.endpoint.is !== 'uart') return [];
  const { frame } = serialSetup(entry.item, signal.endpoint);
  const inForce = baudAt(graph, { item, entry, endpoint: signal.endpoint });
  return inForce === undefined ? [] : [inForce / BITS_PER_BYTE[frame ?? '8N1']];
}

/** Of the air rate, what is left for data in both directions together. */
function airBytes(graph: Graph, { entry: { item }, signal }: HopEnd): number[] {
  if (signal.is !== 'radio') return [];
  const { air, id } = signal.radio;
  if (air?.rates?.unit !== 'kbit/s' || air.usableShare === undefined) return [];
  const set = settingInForce(graph.design, item, `${id}.${AIR.rate}`);
  const kbps = typeof set === 'number' ? set : air.rates.choices[0];
  return kbps === undefined ? [] : [((kbps * 1000) / 8) * air.usableShare];
}
