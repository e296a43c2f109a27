/** The stages of the work, in its order. */
export const STAGES = {
  brief: 'Brief',
  layout: 'Layout',
  power: 'Power',
  wiring: 'Wiring',
  links: 'Links',
  outputs: 'Outputs',
  firmware: 'Firmware',
  bench: 'Bench',
  logbook: 'Logbook',
} as const;
export type Stage = keyof typeof STAGES;

function isStage(text: string): text is Stage {
  return Object.hasOwn(STAGES, text);
}

export const stages: readonly Stage[] = Object.keys(STAGES).filter(isStage);
