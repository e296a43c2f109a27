/** Colours of rails by their voltage, from the thin to the strong: pairs that stay apart for eyes that do not tell red from green. */
const RAILS: readonly (readonly [upToV: number, colour: string])[] = [
  [0.5, '#ffffff'],
  [4, '#c9b7dd'],
  [5.8, '#d98b6a'],
  [8.6, '#e8c15a'],
  [12.6, '#8fb6c9'],
  [Infinity, '#7d8c6c'],
];

/** The colour of a rail. */
export function railColour(volts: number): string {
  return RAILS.find(([upToV]) => volts <= upToV)?.[1] ?? '#ffffff';
}
