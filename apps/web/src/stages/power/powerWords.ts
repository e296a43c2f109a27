import {
  inSentence,
  lostWords,
  quantity,
  type FaultLine,
  type LoadLine,
  type ScenarioReport,
  type SupplyLine,
  stated,
  percent,
} from '@wired-falcon/core';

/** A state with what it is judged by. */
export function stateText(line: SupplyLine | LoadLine): string {
  if (!('minV' in line) || line.minV === undefined) return line.state;
  return line.state === 'under-voltage' || line.state === 'reset' || line.state === 'weak'
    ? `${line.state}: needs ${quantity(line.minV, 'V')}`
    : line.state;
}

/** How long and at which charge. */
export function situationText({ charge, durationS }: ScenarioReport): string {
  const lasting = Number.isFinite(durationS) ? stated(durationS, 's') : 'lasting';
  return charge === undefined ? `packs off, ${lasting}` : `${percent(charge)}, ${lasting}`;
}

/** True when something resets, shuts down or is below the voltage that it needs. */
export function isTroubled({ loads, events }: ScenarioReport): boolean {
  return events.length > 0 || loads.some(({ state }) => state === 'under-voltage' || state === 'reset' || state === 'reversed');
}

/** What a fault costs, in words. */
export function costText(line: FaultLine): string {
  const { class: kind, lost, isInherent, scenarioTitle } = line;
  if (kind === 'unknown') return `control may be lost, worst in ${inSentence(scenarioTitle)}: assign the outputs to know.`;
  if (lost.length === 0) return kind === 'latent' ? 'no effect, but a backup is used up.' : 'no effect.';
  return `${lostWords(line)} ${lost.length === 1 ? 'is' : 'are'} lost, worst in ${inSentence(scenarioTitle)}${isInherent ? '; no wiring would change it' : ''}.`;
}
