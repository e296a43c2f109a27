import type { Edges } from '../codecs/edges.ts';

/** A signal as a value change dump with one wire, `D0`, in steps of 100 ns, as logic analysers read it. @param endNs how long it goes on */
export function vcdOf({ startsAt, atNs }: Edges, endNs: number): string {
  const step = (ns: number): number => Math.round(ns / 100);
  const lines = ['$timescale 100 ns $end', '$scope module top $end', '$var wire 1 ! D0 $end', '$upscope $end', '$enddefinitions $end'];
  lines.push('#0', `${startsAt}!`);
  atNs.forEach((ns, n) => lines.push(`#${step(ns)}`, `${(startsAt + n + 1) % 2}!`));
  lines.push(`#${step(endNs)}`);
  return `${lines.join('\n')}\n`;
}
