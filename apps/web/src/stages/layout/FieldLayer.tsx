import type { ContourLine } from './calculators.ts';
import { firstFree, type Box, type TextLabel } from './labelBoxes.ts';
import type { FieldLines } from './useFieldMap.ts';

export interface FieldLayerProps {
  /** Undefined until the first lines are there. */
  readonly drawn: FieldLines | undefined;
  readonly letterMm: number;
  /** Where other texts stand. */
  readonly taken: readonly Box[];
}

/** Lines of equal field over the plan: what turns the heading of a compass that stands there. */
export function FieldLayer({ drawn, letterMm, taken }: FieldLayerProps) {
  return (
    <g aria-hidden="true" className="pointer-events-none" data-testid="field" data-field-seq={drawn?.seq ?? 0}>
      {drawn?.lines.map(({ ut, path, labelSpots }) => {
        const { text, x, y, anchor } = placed(String(ut), labelSpots, letterMm * 0.85, taken);
        return (
          <g key={ut}>
            <path
              d={path}
              fill="var(--color-rust)"
              fillOpacity={0.05}
              stroke="var(--color-rust)"
              strokeWidth={ut >= 1 ? 1.2 : 0.6}
              vectorEffect="non-scaling-stroke"
            />
            <text
              x={x}
              y={y}
              textAnchor={anchor}
              fontSize={letterMm * 0.85}
              dominantBaseline="central"
              fill="var(--color-rust)"
              stroke="var(--color-sheet)"
              strokeWidth={letterMm * 0.2}
              paintOrder="stroke"
              className="font-mono"
            >
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The strength beside its line, outwards of it, as far to the right as it stands on nothing else. */
function placed(text: string, spots: ContourLine['labelSpots'], letter: number, taken: readonly Box[]): TextLabel {
  const gap = letter * 0.3;
  const middle = ((spots[0]?.[0] ?? 0) + (spots.at(-1)?.[0] ?? 0)) / 2;
  const [first = { text, x: 0, y: 0, anchor: 'start' }, ...others] = spots.map(([x, y]): TextLabel =>
    x >= middle ? { text, x: x + gap, y, anchor: 'start' } : { text, x: x - gap, y, anchor: 'end' },
  );
  return firstFree<TextLabel>([first, ...others], letter, taken);
}
