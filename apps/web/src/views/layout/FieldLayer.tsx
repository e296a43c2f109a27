import type { Edit } from '@wired-falcon/core';
import { useFieldMap } from './useFieldMap.ts';
import type { ViewBox } from './viewBoxes.ts';

export interface FieldLayerProps {
  readonly scenario: string;
  readonly waterMm: number;
  readonly view: ViewBox;
  readonly letterMm: number;
  readonly moving: Edit | undefined;
}

/** Lines of equal field over the plan: what turns the heading of a compass that stands there. */
export function FieldLayer({ scenario, waterMm, view, letterMm, moving }: FieldLayerProps) {
  const drawn = useFieldMap(scenario, waterMm, view, moving);
  return (
    <g aria-hidden="true" className="pointer-events-none" data-testid="field" data-field-seq={drawn?.seq ?? 0}>
      {drawn?.lines.map(({ ut, path, label: [x, y] }) => (
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
            x={x + letterMm * 0.3}
            y={y}
            fontSize={letterMm * 0.85}
            dominantBaseline="central"
            fill="var(--color-rust)"
            className="font-mono"
          >
            {ut}
          </text>
        </g>
      ))}
    </g>
  );
}
