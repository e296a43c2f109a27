import { EdgeWriter, pulsesOf, type Edges } from './edges.ts';

/** Pulses of one channel on a wire of its own, one each period. @param rateHz how many a second */
export function encodePwm(widthsUs: readonly number[], rateHz: number, startNs = 0): Edges {
  const writer = new EdgeWriter(0);
  widthsUs.forEach((us, n) => {
    const atNs = startNs + Math.round((n * 1e9) / rateHz);
    writer.set(atNs, 1);
    writer.set(atNs + Math.round(us * 1000), 0);
  });
  return writer.edges;
}

/** The widths that an input measures, in microseconds, and the rate of the pulses, which takes two of them. */
export function decodePwm(edges: Edges): { readonly widthsUs: readonly number[]; readonly rateHz: number | undefined } {
  const pulses = pulsesOf(edges);
  const [first, last] = [pulses[0], pulses.at(-1)];
  const spanNs = first === undefined || last === undefined ? 0 : last.atNs - first.atNs;
  return {
    widthsUs: pulses.map(({ widthNs }) => widthNs / 1000),
    rateHz: spanNs === 0 ? undefined : ((pulses.length - 1) * 1e9) / spanNs,
  };
}
