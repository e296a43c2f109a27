import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import type { HopEnd } from '../../links/chains/hop.ts';

/** The character grid that fields lie on, and what draws them. */
export interface PictureGrid {
  /** Over an analog picture, or on a canvas that is sent as text beside a digital one. */
  readonly is: 'analog' | 'digital';
  /** The item that draws, by name. */
  readonly by: string;
  readonly item: number;
  /** Of an analog picture, where both camera and what draws agree on one. */
  readonly standard: 'PAL' | 'NTSC' | undefined;
  readonly cols: number;
  readonly rows: number;
  /** So many characters at each edge are cut by some goggles and screens. */
  readonly margin: number;
}

const ANALOG_COLS = 30;
/** NTSC shows three lines fewer than PAL. */
export const PAL_ROWS = 16;
export const NTSC_ROWS = 13;
/** The canvas of our sample protocol. */
const CANVAS = { cols: 48, rows: 18 } as const;

/** What fields are drawn over, the digital picture before the analog one; undefined where nothing draws. */
export function pictureGridOf(graph: Graph): PictureGrid | undefined {
  return canvasOf(graph) ?? overlayOf(graph);
}

/** A digital picture whose transmitter is joined to the controller's text. */
function canvasOf(graph: Graph): PictureGrid | undefined {
  const chain = chainsOf(graph).find(
    ({ kind, item, state }) =>
      kind.id === 'text' && graph.items[item]?.part?.kind === 'video-transmitter' && state.is !== 'not-joined' && state.is !== 'off',
  );
  const entry = chain === undefined ? undefined : graph.items[chain.item];
  if (chain === undefined || entry === undefined) return undefined;
  return { is: 'digital', by: entry.item.ref, item: chain.item, standard: undefined, ...CANVAS, margin: 0 };
}

/** An overlay on the way of an analog picture: a part of its own, or in the controller. */
function overlayOf(graph: Graph): PictureGrid | undefined {
  for (const { kind, hops } of chainsOf(graph)) {
    if (kind.id !== 'picture') continue;
    const ends = hops.flatMap(({ a, b }) => (b === undefined ? [a] : [a, b]));
    const draws = ends.find(({ entry }) => entry.part?.routes.some(({ transform }) => transform === 'overlay') === true);
    if (draws === undefined) continue;
    const standard = standardOf(ends);
    return {
      is: 'analog',
      by: draws.entry.item.ref,
      item: draws.item,
      standard,
      cols: ANALOG_COLS,
      // Where the standard is open, what fits both counts.
      rows: standard === 'PAL' ? PAL_ROWS : NTSC_ROWS,
      margin: 1,
    };
  }
  return undefined;
}

/** The one standard that every end of a picture's way has; undefined where there are two or none. */
function standardOf(ends: readonly HopEnd[]): 'PAL' | 'NTSC' | undefined {
  const sets = ends.flatMap(({ signal }) =>
    signal.is === 'endpoint' && (signal.endpoint.is === 'video-out' || signal.endpoint.is === 'video-in')
      ? [signal.endpoint.standards]
      : [],
  );
  const common = (['PAL', 'NTSC'] as const).filter((standard) => sets.every((set) => set.includes(standard)));
  return common.length === 1 ? common[0] : undefined;
}
