import { EdgeWriter, pulsesOf, type Edges } from './edges.ts';

/** How a pulse train is sent: frames of one length, whose gap shrinks as the channels grow; or gaps of one length, whose frames vary. */
export type PpmTiming = { readonly is: 'fixed-frame'; readonly frameUs: number } | { readonly is: 'fixed-gap'; readonly gapUs: number };

/** The high part that each channel begins with, and the gap between frames too. */
export const PPM_MARK_US = 300;
/** A receiver takes anything shorter for a channel. */
export const PPM_LEAST_GAP_US = 4000;
/** What a channel can be at most, mark included. */
export const PPM_MOST_CHANNEL_US = 2100;

/** The frame that so many channels usually have: eight go into 22.5 ms, each further one adds 2 ms. */
export function usualPpmFrameUs(channels: number): number {
  return 22_500 + 2000 * Math.max(0, channels - 8);
}

/** The shortest frame in which so many channels leave the least gap, whatever their values. */
export function leastPpmFrameUs(channels: number): number {
  return channels * PPM_MOST_CHANNEL_US + PPM_LEAST_GAP_US;
}

/** How many channels a frame has room for, whatever their values. */
export function ppmRoom(frameUs: number): number {
  return Math.max(0, Math.floor((frameUs - PPM_LEAST_GAP_US) / PPM_MOST_CHANNEL_US));
}

/** The gap behind the channels of a frame, in microseconds; what is below `PPM_LEAST_GAP_US` is not found by a receiver. */
export function ppmGapUs(channelsUs: readonly number[], timing: PpmTiming): number {
  return timing.is === 'fixed-gap' ? timing.gapUs : timing.frameUs - channelsUs.reduce((sum, us) => sum + us, 0);
}

/**
 * Frames of a pulse train: each channel is the time from the rise of its mark to the rise of the next. The last frame ends with the mark
 * by which the next would begin.
 * @param frames the channels of each frame in microseconds
 */
export function encodePpm(frames: readonly (readonly number[])[], timing: PpmTiming, startNs = 0): Edges {
  const writer = new EdgeWriter(0);
  let atUs = 0;
  const mark = (): void => {
    writer.set(startNs + Math.round(atUs * 1000), 1);
    writer.set(startNs + Math.round((atUs + PPM_MARK_US) * 1000), 0);
  };
  for (const channelsUs of frames) {
    for (const us of channelsUs) {
      mark();
      atUs += us;
    }
    mark();
    // A gap that is no gap leaves no room for the mark before the next frame; the marks then run together.
    atUs += Math.max(ppmGapUs(channelsUs, timing), 0);
  }
  if (frames.length > 0) mark();
  return writer.edges;
}

/** The frames that a receiver finds: what lies between two gaps. What comes before the first gap is not known to be whole. */
export function decodePpm(edges: Edges): readonly (readonly number[])[] {
  const frames: number[][] = [];
  let open: number[] | undefined;
  const rises = pulsesOf(edges).map(({ atNs }) => atNs);
  for (let n = 1; n < rises.length; n++) {
    const us = ((rises[n] ?? 0) - (rises[n - 1] ?? 0)) / 1000;
    if (us < PPM_LEAST_GAP_US) open?.push(us);
    else {
      if (open !== undefined && open.length > 0) frames.push(open);
      open = [];
    }
  }
  return frames;
}
