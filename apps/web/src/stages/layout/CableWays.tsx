import { legWays, type CableId, type Graph, type ItemId, type LegWay, type Spot, stated } from '@wired-falcon/core';
import { boxOfLabel, firstFree, type Box, type TextLabel } from './labelBoxes.ts';
import { useReadersUnits, type ReadersUnits } from '../../ui/readersUnits.ts';

/** A part, with the cables that are plugged into it, or a cable. */
export type WaysOf = { readonly is: 'item'; readonly item: ItemId } | { readonly is: 'cable'; readonly cable: CableId };

interface CableWaysProps {
  readonly graph: Graph;
  readonly chosen: WaysOf | undefined;
  /** All of them, or only those of what is chosen. */
  readonly showsAll: boolean;
}

/** More lengths than this at once could not be read; the margin has them then. */
const MOST_WRITTEN = 6;

/** The ways of cables over the plan; those of what is chosen are thicker. */
export function CableWays({ graph, chosen, showsAll }: CableWaysProps) {
  return (
    <g aria-hidden="true" className="pointer-events-none" fill="none">
      {[...legWays(graph)].map(([key, entry]) => {
        const isChosen = isOf(entry, chosen);
        return isChosen || showsAll ? (
          <polyline
            key={key}
            points={entry.way.spots.map(([station, butt]) => `${butt},${station}`).join(' ')}
            stroke={isChosen ? 'var(--color-ink)' : 'var(--color-ink2)'}
            strokeWidth={isChosen ? 1.8 : 1}
            opacity={isChosen ? 1 : 0.7}
            vectorEffect="non-scaling-stroke"
          />
        ) : null;
      })}
    </g>
  );
}

interface WayLengthsProps {
  readonly graph: Graph;
  readonly chosen: WaysOf | undefined;
  readonly letterMm: number;
  /** Where other texts stand. */
  readonly taken: readonly Box[];
}

/** Tag and length beside the ways of what is chosen, and whether somebody typed the length; over everything else. */
export function WayLengths({ graph, chosen, letterMm, taken }: WayLengthsProps) {
  const { read } = useReadersUnits();
  const written = [...legWays(graph).values()].filter((entry) => isOf(entry, chosen));
  const letter = letterMm * 0.85;
  return (
    <g aria-hidden="true" className="pointer-events-none font-mono" fontSize={letter} dominantBaseline="central">
      {labelsOf(written.length > MOST_WRITTEN ? [] : written, letter, taken, read).map(({ text, x, y, anchor }, i) => (
        <text
          key={i}
          x={x}
          y={y}
          textAnchor={anchor}
          fill="var(--color-ink)"
          stroke="var(--color-sheet)"
          strokeWidth={letterMm * 0.3}
          paintOrder="stroke"
          data-way={text}
        >
          {text}
        </text>
      ))}
    </g>
  );
}

function isOf({ cable }: LegWay, chosen: WaysOf | undefined): boolean {
  if (chosen === undefined) return false;
  if (chosen.is === 'cable') return cable.id === chosen.cable;
  return Object.values(cable.nodes).some((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === chosen.item);
}

/** So many lines up and down a label is tried at each of its places. */
const MOST_LINES = 12;

/** A label beside the middle of a stretch of each way, the longest stretch first, where it stands on no other. */
function labelsOf(entries: readonly LegWay[], letter: number, taken: readonly Box[], read: ReadersUnits['read']): readonly TextLabel[] {
  const labels: TextLabel[] = [];
  for (const { cable, leg, way, lengthMm } of entries) {
    const text =
      leg.typedLengthMm === undefined
        ? `${cable.tag} ${read(stated(lengthMm, 'mm'))}`
        : `${cable.tag} ${read(stated(leg.typedLengthMm, 'mm'))} typed`;
    const places = middlesOf(way.spots).flatMap(([station, x]) =>
      linesAround(station, letter).flatMap((y): TextLabel[] => [
        { text, x: x + letter / 2, y, anchor: 'start' },
        { text, x: x - letter / 2, y, anchor: 'end' },
      ]),
    );
    const [first, ...others] = places;
    if (first !== undefined)
      labels.push(firstFree([first, ...others], letter, [...taken, ...labels.map((label) => boxOfLabel(label, letter))]));
  }
  return labels;
}

/** Lines of text above and below a station, the nearest first. */
function linesAround(station: number, letter: number): readonly number[] {
  return Array.from({ length: 2 * MOST_LINES }, (_, i) => station + (i % 2 === 0 ? -1 : 1) * (Math.floor(i / 2) + 0.8) * letter);
}

/** The middles of the stretches of a way, of the longest one first. */
function middlesOf(spots: readonly Spot[]): readonly Spot[] {
  return spots
    .slice(1)
    .map((to, i) => ({ from: spots[i] ?? to, to }))
    .sort((p, q) => planLength(q) - planLength(p))
    .map(({ from, to }): Spot => [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2, (from[2] + to[2]) / 2]);
}

function planLength({ from, to }: { readonly from: Spot; readonly to: Spot }): number {
  return Math.hypot(to[0] - from[0], to[1] - from[1]);
}
