import { givesName, positionValues, positionWords, stated, STRIP_US, type Design, type ModeRange } from '@wired-falcon/core';

const LEFT = 24;
const WIDTH = 880;
const TICK_EVERY_US = 200;
const BAR = { top: 46, height: 38 };
const LANE = 30;

function x(us: number): number {
  return LEFT + ((Math.min(Math.max(us, STRIP_US.least), STRIP_US.most) - STRIP_US.least) / (STRIP_US.most - STRIP_US.least)) * WIDTH;
}

/** The values of a channel from 800 to 2200 us, with the modes on it and every position of its switches. */
export function ModeStrip({ design, channel }: { readonly design: Design; readonly channel: string }) {
  const { rc } = design.aircraft;
  const ranges = Object.entries(rc.ranges)
    .filter(([, range]) => range.channel === channel)
    .sort(([, a], [, b]) => a.fromUs - b.fromUs);
  // Ranges that go with another channel lie in a lane of their own, below those that do not.
  const plain = ranges.filter(([, range]) => range.with === undefined);
  const together = ranges.filter(([, range]) => range.with !== undefined);
  const marks = positionValues(design, channel);
  const lanes = 1 + (together.length > 0 ? 1 : 0);
  const axis = BAR.top + BAR.height + (lanes - 1) * LANE + 10;
  const words = [
    ...ranges.map(([, range]) => `${givesName(range.gives)} from ${range.fromUs} to ${stated(range.toUs, 'us')}${withWords(range)}`),
    ...marks.map(({ positions, us }) => `${positionWords(rc, positions)} at ${stated(Math.round(us), 'us')}`),
  ].join('; ');
  return (
    <figure className="mt-3" data-strip={channel}>
      <figcaption className="text-[13px] text-ink2">Channel {channel}, in microseconds at the controller</figcaption>
      <svg
        viewBox={`0 0 ${LEFT * 2 + WIDTH} ${axis + 28}`}
        className="mt-1 w-full max-w-[930px]"
        role="img"
        aria-label={`Channel ${channel}: ${words}`}
      >
        <g aria-hidden="true" fontSize={12}>
          {marks.map(({ us }, i) => (
            <line key={i} x1={x(us)} x2={x(us)} y1={axis - 8} y2={axis} stroke="var(--color-ink)" />
          ))}
          {plain.map(([id, range]) => (
            <RangeBox key={id} range={range} top={BAR.top} height={BAR.height} />
          ))}
          {together.map(([id, range]) => (
            <RangeBox key={id} range={range} top={BAR.top + BAR.height + 4} height={LANE - 6} />
          ))}
          {marks.map(({ positions, us }, i) => (
            <g key={i} data-position={positionWords(rc, positions)}>
              <path d={`M${x(us) - 5} ${BAR.top - 15} h10 l-5 8 z`} fill="var(--color-ink)" />
              <text
                x={x(us)}
                y={BAR.top - (i % 2 === 1 && marks.length > 3 ? 32 : 19)}
                textAnchor="middle"
                className="font-mono"
                fontSize={11}
              >
                {positionWords(rc, positions)}
              </text>
            </g>
          ))}
          <line x1={x(STRIP_US.least)} x2={x(STRIP_US.most)} y1={axis} y2={axis} stroke="var(--color-ink2)" />
          {Array.from({ length: (STRIP_US.most - STRIP_US.least) / TICK_EVERY_US + 1 }, (_, i) => STRIP_US.least + i * TICK_EVERY_US).map(
            (us) => (
              <g key={us}>
                <line x1={x(us)} x2={x(us)} y1={axis} y2={axis + 5} stroke="var(--color-ink2)" />
                <text x={x(us)} y={axis + 18} textAnchor="middle" className="font-mono" fontSize={11} fill="var(--color-ink2)">
                  {us}
                </text>
              </g>
            ),
          )}
        </g>
      </svg>
    </figure>
  );
}

function withWords({ with: also }: ModeRange): string {
  return also === undefined ? '' : ` with channel ${also.channel} from ${also.fromUs} to ${stated(also.toUs, 'us')}`;
}

function RangeBox({ range, top, height }: { readonly range: ModeRange; readonly top: number; readonly height: number }) {
  const [from, to] = [x(range.fromUs), x(range.toUs)];
  const isNarrow = to - from < 74;
  return (
    <g data-range={range.gives}>
      <rect
        x={from}
        y={top}
        width={Math.max(to - from, 1)}
        height={height}
        fill={range.gives === 'armed' ? 'var(--color-white)' : 'var(--color-grid)'}
        stroke="var(--color-ink)"
      />
      <text x={from + 6} y={top + (height > 30 ? 16 : 15)} fontWeight={600}>
        {isNarrow
          ? givesName(range.gives).slice(0, 8)
          : `${givesName(range.gives)}${range.with === undefined ? '' : ` with ${range.with.channel}`}`}
      </text>
      {height > 30 && !isNarrow && (
        <text x={from + 6} y={top + 31} className="font-mono" fontSize={10.5} fill="var(--color-ink2)">
          {range.fromUs} to {range.toUs}
        </text>
      )}
    </g>
  );
}
