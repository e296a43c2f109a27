import type { Graph } from '../../graph/graph.ts';
import { STREAM_IDS, type StreamId } from '../../model/linkIds.ts';
import type { Chain } from '../chains/chainsOf.ts';
import type { Hop } from '../chains/hop.ts';
import { capacityOf, type Capacity } from './capacity.ts';
import { messageBytes, PARAMETER_MESSAGE, STREAM_MESSAGES } from './messages.ts';
import { usualRates } from './usualRates.ts';

/** A message that is sent over a link. */
export interface PlannedStream {
  readonly id: StreamId;
  readonly hz: number;
  /** True where a person set the rate. */
  readonly isOwn: boolean;
  readonly bytesPerS: number;
}

/** What a hop is to carry against what it can. */
export interface HopLoad {
  readonly hop: Hop;
  readonly capacity: Capacity;
  /** The planned bytes of the fuller direction, or of both where they share the hop, as a share of its capacity. */
  readonly share: number;
}

/** What is planned to go over a link, and whether it fits. */
export interface StreamBudget {
  readonly streams: readonly PlannedStream[];
  readonly downBytesPerS: number;
  readonly upBytesPerS: number;
  /** In the order of the chain, the hops that limit anything. */
  readonly loads: readonly HopLoad[];
  /** The hop that is fullest; undefined where none limits anything. */
  readonly narrowest: HopLoad | undefined;
  /** How long reading all parameters takes in what is left free; undefined where nothing is, or nothing limits it. */
  readonly parametersS: number | undefined;
}

/** How many parameters a vehicle has, about; and the share of messages that is lost and asked for again. */
export const USUAL_PARAMETERS = 1000;
const LOST_SHARE = 0.05;

/** The budget of a chain; undefined for a link that carries no streams, or that reaches nothing. */
export function budgetOf(graph: Graph, chain: Chain): StreamBudget | undefined {
  const streams = streamsOf(graph, chain);
  if (streams === undefined || chain.hops.length === 0) return undefined;
  const sum = (goes: 'down' | 'up'): number =>
    streams.reduce((bytes, { id, bytesPerS }) => (STREAM_MESSAGES[id].goes === goes ? bytes + bytesPerS : bytes), 0);
  const [down, up] = [sum('down'), sum('up')];
  const loads = chain.hops.flatMap((hop): HopLoad[] => {
    const capacity = capacityOf(graph, hop);
    if (capacity === undefined) return [];
    return [{ hop, capacity, share: (capacity.isShared ? down + up : Math.max(down, up)) / capacity.bytesPerS }];
  });
  const narrowest = loads.reduce<HopLoad | undefined>(
    (most, load) => (most === undefined || load.share > most.share ? load : most),
    undefined,
  );
  const isSigned = graph.design.aircraft.links[chain.key]?.signed === true;
  return {
    streams,
    downBytesPerS: down,
    upBytesPerS: up,
    loads,
    narrowest,
    parametersS: parametersS(loads, down, up, messageBytes(PARAMETER_MESSAGE, isSigned)),
  };
}

/** The streams of a link, by their rates as a person has them or else as usual; without those that are off. */
export function streamsOf(graph: Graph, { key, kind, wish }: Pick<Chain, 'key' | 'kind' | 'wish'>): readonly PlannedStream[] | undefined {
  const usual = usualRates(kind.id);
  if (usual === undefined) return undefined;
  const words = wish !== undefined ? undefined : graph.design.aircraft.links[key];
  return STREAM_IDS.flatMap((id): PlannedStream[] => {
    const own = words?.streams?.[id];
    const hz = own ?? usual[id];
    if (hz === undefined || hz === 0) return [];
    return [{ id, hz, isOwn: own !== undefined, bytesPerS: hz * messageBytes(STREAM_MESSAGES[id], words?.signed === true) }];
  });
}

/** Parameters come down one message each, in what the streams leave of the hop that leaves least. */
function parametersS(loads: readonly HopLoad[], down: number, up: number, bytesEach: number): number | undefined {
  const free = loads.map(({ capacity }) => capacity.bytesPerS - (capacity.isShared ? down + up : down));
  const least = Math.min(...free);
  if (loads.length === 0 || least <= 0) return undefined;
  return (USUAL_PARAMETERS * bytesEach) / (least * (1 - LOST_SHARE));
}
