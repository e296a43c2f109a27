import type { WireColour } from '@wired-falcon/core';

/** How wire insulation looks on paper. Drawn over an ink outline, so that white and yellow show. */
export const WIRE_PAINT: Readonly<Record<WireColour, string>> = {
  black: '#23262b',
  red: '#c22f2f',
  orange: '#d9822b',
  yellow: '#e3c02d',
  green: '#4b9a55',
  blue: '#3b6fb5',
  violet: '#7f5aa8',
  grey: '#9298a0',
  white: '#ffffff',
  brown: '#8a5a3b',
  pink: '#dc95a8',
};
