import { quantity, type LossTimeline, type TimelineSpan } from '@wired-falcon/core';

const LEFT = 92;
const WIDTH = 820;
const LANE = 34;
const BAR = 24;
const TOP = 18;
/** About the width of a character, to keep words inside their span. */
const CHAR = 6.1;

const FILL: Readonly<Record<TimelineSpan['is'], string>> = {
  waits: 'var(--color-sheet)',
  acts: 'var(--color-grid)',
  control: 'var(--color-ink)',
  wrong: 'var(--color-sheet)',
};

/** What happens after the signal is lost, lane by lane, to scale in time. */
export function LossPicture({ timeline: { lanes, endS, marksS } }: { readonly timeline: LossTimeline }) {
  const x = (s: number): number => LEFT + (s / endS) * WIDTH;
  const bottom = TOP + lanes.length * LANE;
  const words = lanes
    .map(({ who, spans }) => `${who}: ${spans.map(({ fromS, words: what }) => `from ${quantity(fromS, 's')} ${what}`).join(', ')}`)
    .join('; ');
  // Times that would run into one another stand below each other.
  const levels = levelsOf(marksS.map(x));
  return (
    <figure data-testid="loss-picture" className="mt-2">
      <svg viewBox={`0 0 ${LEFT + WIDTH + 12} ${bottom + 34}`} className="w-full max-w-[930px]" role="img" aria-label={words}>
        <g aria-hidden="true" fontSize={12}>
          {lanes.map(({ who, spans }, lane) => (
            <g key={who} transform={`translate(0 ${TOP + lane * LANE})`}>
              <text x={LEFT - 8} y={16} textAnchor="end" fill="var(--color-ink2)">
                {who}
              </text>
              {spans.map((span) => (
                <Bar key={span.fromS} span={span} from={x(span.fromS)} to={x(span.toS)} />
              ))}
            </g>
          ))}
          <line x1={x(0)} x2={x(0)} y1={2} y2={bottom} stroke="var(--color-rust)" strokeWidth={2} />
          <text x={x(0) + 5} y={11} fill="var(--color-rust)" fontSize={11.5}>
            loss of signal
          </text>
          {marksS.map((s, i) => (
            <g key={s}>
              <line x1={x(s)} x2={x(s)} y1={bottom - 4} y2={bottom + 4} stroke="var(--color-ink2)" />
              <text
                x={x(s)}
                y={bottom + 15 + (levels[i] ?? 0) * 13}
                textAnchor="middle"
                className="font-mono"
                fontSize={11}
                fill="var(--color-ink2)"
              >
                {quantity(s, 's')}
              </text>
            </g>
          ))}
        </g>
      </svg>
    </figure>
  );
}

const MARK_WIDTH = 52;

function levelsOf(at: readonly number[]): readonly number[] {
  let last = -Infinity;
  let level = 0;
  return at.map((one) => {
    level = one - last < MARK_WIDTH ? 1 - level : 0;
    last = one;
    return level;
  });
}

function Bar({ span: { words, is }, from, to }: { readonly span: TimelineSpan; readonly from: number; readonly to: number }) {
  const room = Math.floor((to - from - 10) / CHAR);
  const isWrong = is === 'wrong';
  return (
    <g>
      <rect
        x={from}
        y={0}
        width={to - from}
        height={BAR}
        fill={FILL[is]}
        stroke={isWrong ? 'var(--color-rust)' : 'var(--color-ink)'}
        strokeWidth={isWrong ? 2 : 1}
      />
      {room > 3 && (
        <text x={from + 6} y={16} fill={is === 'control' ? 'var(--color-sheet)' : isWrong ? 'var(--color-rust)' : 'var(--color-ink)'}>
          {words.length <= room ? words : `${words.slice(0, room - 3).trimEnd()} ...`}
        </text>
      )}
    </g>
  );
}
