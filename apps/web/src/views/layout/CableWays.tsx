import { legWays, type CableId, type Graph, type ItemId, type LegWay, type Spot } from '@wired-falcon/core';

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
}

/** Tag and length beside the ways of what is chosen, and whether somebody typed the length; over everything else. */
export function WayLengths({ graph, chosen, letterMm }: WayLengthsProps) {
  const written = [...legWays(graph).values()].filter((entry) => isOf(entry, chosen));
  return (
    <g aria-hidden="true" className="pointer-events-none font-mono" fontSize={letterMm * 0.85} dominantBaseline="central">
      {labelsOf(written.length > MOST_WRITTEN ? [] : written, letterMm).map(({ text, x, y }, i) => (
        <text
          key={i}
          x={x}
          y={y}
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

interface Label {
  readonly text: string;
  readonly x: number;
  readonly y: number;
}

/** A label at the middle of each way; those that would stand on one another are moved down. */
function labelsOf(entries: readonly LegWay[], letterMm: number): readonly Label[] {
  const labels: Label[] = [];
  for (const { cable, leg, way, lengthMm } of entries) {
    const text = leg.typedLengthMm === undefined ? `${cable.tag} ${lengthMm} mm` : `${cable.tag} ${leg.typedLengthMm} mm typed`;
    const [station, x] = middleCorner(way.spots);
    let y = station - letterMm * 0.7;
    const isTaken = (): boolean =>
      labels.some((other) => Math.abs(other.y - y) < letterMm && Math.abs(other.x - x) < text.length * letterMm * 0.55);
    while (isTaken()) y += letterMm;
    labels.push({ text, x: x + letterMm * 0.4, y });
  }
  return labels;
}

/** The middle of the longest stretch of a way. */
function middleCorner(spots: readonly Spot[]): Spot {
  let best: Spot = spots[0] ?? [0, 0, 0];
  let longest = -1;
  spots.slice(1).forEach((to, i) => {
    const from = spots[i] ?? to;
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length <= longest) return;
    longest = length;
    best = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2, (from[2] + to[2]) / 2];
  });
  return best;
}
