import { fillTemplate } from '../../dialects/lines/lineTemplate.ts';
import { inPassTexts, type PlacedLine } from '../configText.ts';
import type { Configuration } from '../configuration.ts';
import { deliveredValues, lineWithValues } from '../text/delivered.ts';
import { OPEN_KINDS, type Drift, type DriftLine } from './driftOf.ts';

/** What makes the aircraft as planned in some lines. */
export interface ToLoad {
  /** A text for each pass, to be loaded with a restart after each. */
  readonly texts: readonly string[];
  /** Lines that the aircraft has and no text takes away, since the dialect does not say what they are delivered with. */
  readonly byHand: readonly string[];
}

/** The text that loads the plan's side of the open lines that are wanted. What the plan says nothing of goes back to how it was delivered. */
export function toLoad(configuration: Configuration, drift: Drift, isWanted: (line: DriftLine) => boolean): ToLoad {
  const { scope, passes } = configuration;
  const lines: PlacedLine[] = [];
  const byHand: string[] = [];
  for (const line of drift.lines) {
    if (!OPEN_KINDS.includes(line.is) || !isWanted(line)) continue;
    const { planned, keptText, section } = line;
    const text = planned?.text ?? keptText ?? asDelivered(configuration, drift, line);
    if (text === undefined || text === '') byHand.push(line.read?.text.trim() ?? line.name);
    else lines.push({ section, pass: planned?.pass ?? passes, text });
  }
  return { texts: inPassTexts(scope, lines), byHand };
}

/** The line with the values of delivery in the place of those that were read. */
function asDelivered({ scope }: Configuration, { version }: Drift, { read }: DriftLine): string | undefined {
  if (read?.is !== 'value' || !('planned' in read.compiled.is)) return undefined;
  const delivered = deliveredValues(scope.text, version, read.compiled.is.planned);
  return delivered === undefined
    ? undefined
    : lineWithValues(
        read.compiled,
        fillTemplate(read.compiled.pieces, ({ name }) => read.codes.get(name) ?? ''),
        delivered,
      );
}
