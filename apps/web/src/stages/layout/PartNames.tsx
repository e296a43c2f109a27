import type { ItemId } from '@wired-falcon/core';
import type { PartLabel } from './partLabels.ts';

interface PartNamesProps {
  readonly labels: readonly PartLabel[];
  readonly letterMm: number;
  readonly selected: ItemId | undefined;
  readonly onSelect: (item: ItemId) => void;
}

/** The names of parts over everything, so that none is hidden. Those that stand apart choose their part too. */
export function PartNames({ labels, letterMm, selected, onSelect }: PartNamesProps) {
  return (
    <g aria-hidden="true" className="select-none font-mono" fontSize={letterMm} dominantBaseline="central">
      {labels.map(({ item, text, x, y, anchor, leader }) => {
        const ink = item === selected ? 'var(--color-rust)' : 'var(--color-ink)';
        return (
          <g key={item} data-name={text} className={anchor === 'middle' ? 'pointer-events-none' : ''} onPointerDown={() => onSelect(item)}>
            {leader !== undefined && (
              <polyline
                points={leader.map((point) => point.join(',')).join(' ')}
                className="pointer-events-none"
                fill="none"
                stroke={ink}
                strokeWidth={0.7}
                opacity={0.6}
                vectorEffect="non-scaling-stroke"
              />
            )}
            <text
              x={x}
              y={y}
              textAnchor={anchor}
              fill={ink}
              stroke="var(--color-sheet)"
              strokeWidth={letterMm * 0.2}
              strokeOpacity={0.7}
              paintOrder="stroke"
            >
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
