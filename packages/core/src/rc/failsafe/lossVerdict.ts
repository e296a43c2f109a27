import type { Graph } from '../../graph/graph.ts';
import { lossPathsOf, type LossPath } from './lossPath.ts';
import { throttleMargin } from './throttleMargin.ts';

/** Whether a controller notices by one of its inputs that the signal is lost. */
export interface LossVerdict {
  readonly path: LossPath;
  /** `preset-above`: preset channels arrive whose throttle is not below the threshold, or there is no threshold. */
  readonly is: 'noticed' | 'not-noticed' | 'preset-above' | 'unknown';
  /** Where the throttle of preset channels goes, as far as somebody has said. */
  readonly presetUs: number | undefined;
  readonly thresholdUs: number | undefined;
}

/**
 * What controllers make of a lost signal, by each input. Channels of one wire each from one receiver are one way: the loss is in all of
 * them at once, and the throttle tells.
 */
export function lossVerdicts(graph: Graph): readonly LossVerdict[] {
  const { thresholdUs } = throttleMargin(graph.design);
  const seen = new Set<string>();
  return lossPathsOf(graph).flatMap((path): LossVerdict[] => {
    const { feed, arrives } = path;
    const way = [feed.input.item, feed.format, feed.source.item, arrives].join(' ');
    if (seen.has(way)) return [];
    seen.add(way);
    const preset = feed.source.entry.item.settings['preset-throttle'];
    const presetUs = typeof preset === 'number' ? preset : undefined;
    return [{ path, is: verdictOf(arrives, presetUs, thresholdUs), presetUs, thresholdUs }];
  });
}

function verdictOf(arrives: LossPath['arrives'], presetUs: number | undefined, thresholdUs: number | undefined): LossVerdict['is'] {
  switch (arrives) {
    case undefined:
      return 'unknown';
    case 'flag':
    case 'no-frames':
      return 'noticed';
    case 'none':
      return 'not-noticed';
    case 'preset':
      if (thresholdUs === undefined) return 'preset-above';
      if (presetUs === undefined) return 'unknown';
      return presetUs < thresholdUs ? 'noticed' : 'preset-above';
  }
}
