import type { Graph } from '../../graph/graph.ts';
import { hopEndName } from '../../links/chains/hop.ts';
import type { Item } from '../../model/aircraft.ts';
import { digestOf } from '../../model/contentHash.ts';
import type { LossSignal } from '../../model/endpoint.ts';
import { rcFeedsOf, rcOutOf, type RcFeed } from '../rcFeeds.ts';

/** What leaves an item on the way of the channels when the signal is lost. */
export interface LossStep {
  /** Index of the item. */
  readonly item: number;
  /** `RX1 SBUS`, where the channels leave it. */
  readonly name: string;
  /** Undefined where the part does not state it and nobody has seen it. */
  readonly signal: LossSignal | undefined;
}

/** How the loss of the signal comes to a controller by one of its inputs. */
export interface LossPath {
  readonly feed: RcFeed;
  /** From what hears the pilot to the last part before the controller. */
  readonly steps: readonly LossStep[];
  /** What the controller gets. */
  readonly arrives: LossSignal | undefined;
  /** What somebody saw of the receiver, as it is set now; undefined where nobody has, or it was set otherwise since. */
  readonly seen: LossSignal | undefined;
}

/** How a receiver is set: what was seen of it lapses when any of this changes. */
export function lossBasis({ part, settings }: Item): string {
  return digestOf({ part, settings });
}

const cache = new WeakMap<Graph, readonly LossPath[]>();

/** Every input of every controller by which channels arrive, with what comes there when the signal is lost. */
export function lossPathsOf(graph: Graph): readonly LossPath[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const paths = rcFeedsOf(graph).map((feed) => pathOf(graph, feed));
  cache.set(graph, paths);
  return paths;
}

function pathOf(graph: Graph, feed: RcFeed): LossPath {
  const seen = seenOf(graph, feed);
  const steps: LossStep[] = [];
  let signal: LossSignal | undefined;
  feed.hops.forEach(({ a }, i) => {
    const own = rcOutOf(a)?.lossSignal?.find(({ format }) => format === formatFrom(feed, i))?.signal;
    signal = i === 0 ? (seen ?? own) : passedOn(signal, own, rcOutOf(a) !== undefined);
    steps.push({ item: a.item, name: hopEndName(a), signal });
  });
  return { feed, steps, arrives: steps.at(-1)?.signal, seen };
}

function seenOf(graph: Graph, { source }: RcFeed): LossSignal | undefined {
  const { item } = source.entry;
  const seen = graph.design.aircraft.rc.seen[item.id];
  return seen?.basis === lossBasis(item) ? seen.signal : undefined;
}

/** The format on a hop: that at the controller on the last one, elsewhere what the sender has. */
function formatFrom({ hops, format }: RcFeed, i: number): string | undefined {
  const sender = hops[i]?.a;
  return i === hops.length - 1 ? format : sender === undefined ? undefined : rcOutOf(sender)?.formats[0];
}

/**
 * What a part on the way makes of a loss that comes to it. Nobody can tell preset or repeated channels from real ones, so they are passed on; of a
 * flag or of silence a part that makes channels anew says its own, and one that passes on bytes the same.
 */
function passedOn(came: LossSignal | undefined, own: LossSignal | undefined, isMadeAnew: boolean): LossSignal | undefined {
  if (came === 'none' || came === 'preset') return came;
  return isMadeAnew ? own : came;
}
