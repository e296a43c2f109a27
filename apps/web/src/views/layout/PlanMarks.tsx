import type { Balance, FramePlan } from '@wired-falcon/core';
import type { ViewBox } from './viewBoxes.ts';

/** A round length to scale, at the lower left. */
export function ScaleBar({ view, letterMm }: { readonly view: ViewBox; readonly letterMm: number }) {
  const length = [1000, 500, 200, 100, 50, 20].find((mm) => mm <= view.width * 0.2) ?? 10;
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
        {length} mm
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
