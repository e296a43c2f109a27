import type { WireColour } from '@wired-falcon/core';
import { WIRE_PAINT } from './wireColours.ts';

/** A short piece of wire in its colour. */
export function Swatch({ colour }: { readonly colour: WireColour }) {
  return (
    <svg width="26" height="8" viewBox="0 0 26 8" aria-hidden className="inline-block">
      <line x1="1" x2="25" y1="4" y2="4" stroke="#1c2530" strokeWidth="5" />
      <line x1="1" x2="25" y1="4" y2="4" stroke={WIRE_PAINT[colour]} strokeWidth="3.4" />
    </svg>
  );
}
