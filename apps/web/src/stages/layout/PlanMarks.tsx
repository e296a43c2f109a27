import { placedAntennas, type Balance, type FramePlan, type Graph, type PackSolution } from '@wired-falcon/core';
import type { ViewBox } from '../../drawing/viewBoxes.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

const ROUND_MM = [1000, 500, 200, 100, 50, 20, 10];
const ROUND_INCHES = [40, 20, 10, 4, 2, 1, 0.5];

/** A round length to scale, at the lower left. */
export function ScaleBar({ view, letterMm }: { readonly view: ViewBox; readonly letterMm: number }) {
  const { factor, unit } = useReadersUnits();
  const [long = 10, ...shorter] = factor('mm') === 1 ? ROUND_MM : ROUND_INCHES;
  const round = [long, ...shorter].find((one) => one <= view.width * 0.2 * factor('mm')) ?? shorter.at(-1) ?? long;
  const length = round / factor('mm');
  const [x, y] = [view.x + letterMm, view.y + view.height - letterMm];
  return (
    <g aria-hidden="true" stroke="var(--color-ink2)">
      <path d={`M${x} ${y - letterMm / 2}V${y}H${x + length}V${y - letterMm / 2}`} fill="none" vectorEffect="non-scaling-stroke" />
      <text
        x={x + length / 2}
        y={y - letterMm * 0.4}
        textAnchor="middle"
        fontSize={letterMm}
        stroke="none"
        fill="var(--color-ink2)"
        className="font-mono"
      >
        {round} {unit('mm')}
      </text>
    </g>
  );
}

/** A cross where the aircraft balances, and the band in which it may. */
export function BalanceMark({ balance, frame, sizeMm }: { readonly balance: Balance; readonly frame: FramePlan; readonly sizeMm: number }) {
  const [station, butt] = balance.at;
  const { foreLimitMm: fore, aftLimitMm: aft, spanMm, bodyWidthMm = 100 } = frame.numbers;
  const reach = Math.min((spanMm ?? bodyWidthMm * 2) * 0.12, bodyWidthMm * 1.5);
  return (
    <g aria-hidden="true" className="pointer-events-none" stroke="var(--color-rust)" strokeWidth={1.5}>
      {[fore, aft].map((limit, i) =>
        limit === undefined ? null : (
          <line key={i} x1={-reach} y1={limit} x2={reach} y2={limit} strokeDasharray="2 3" vectorEffect="non-scaling-stroke" />
        ),
      )}
      <line x1={butt - sizeMm} y1={station} x2={butt + sizeMm} y2={station} vectorEffect="non-scaling-stroke" />
      <line x1={butt} y1={station - sizeMm} x2={butt} y2={station + sizeMm} vectorEffect="non-scaling-stroke" />
      <circle cx={butt} cy={station} r={sizeMm * 0.6} fill="none" vectorEffect="non-scaling-stroke" />
    </g>
  );
}

/** Every antenna: a stroke the way its axis points, a dot where that is upright. */
export function AntennaAxes({ graph, sizeMm }: { readonly graph: Graph; readonly sizeMm: number }) {
  return (
    <g aria-hidden="true" className="pointer-events-none" stroke="var(--color-ink)" strokeWidth={1.6}>
      {placedAntennas(graph).map(({ name, axis, at: [station, butt] }) => (
        <g key={name}>
          <circle
            cx={butt}
            cy={station}
            r={sizeMm * 0.28}
            fill={axis === 'up' ? 'var(--color-ink)' : 'none'}
            vectorEffect="non-scaling-stroke"
          />
          {axis !== 'up' && (
            <line
              x1={butt - (axis === 'across' ? sizeMm : 0)}
              x2={butt + (axis === 'across' ? sizeMm : 0)}
              y1={station - (axis === 'along' ? sizeMm : 0)}
              y2={station + (axis === 'along' ? sizeMm : 0)}
              vectorEffect="non-scaling-stroke"
            />
          )}
        </g>
      ))}
    </g>
  );
}

/** Where the pack would have to lie. */
export function Ghost({ solution: { pack, reachableMm } }: { readonly solution: PackSolution }) {
  return (
    <rect
      aria-hidden="true"
      x={pack.place.at[1] - pack.half[1]}
      y={reachableMm - pack.half[0]}
      width={pack.half[1] * 2}
      height={pack.half[0] * 2}
      fill="none"
      stroke="var(--color-rust)"
      strokeDasharray="5 4"
      vectorEffect="non-scaling-stroke"
    />
  );
}
