import type { Severity } from '@wired-falcon/core';

const WORDS: Readonly<Record<Severity, string>> = { stop: 'stop', mend: 'mend', note: 'note' };

/** The mark of a severity: filled, half-filled or hollow square, with its word for those who cannot see it. */
export function SeverityMark({
  severity,
  size = 11,
  silent = false,
}: {
  readonly severity: Severity;
  readonly size?: number;
  readonly silent?: boolean;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 12 12"
      className="inline-block shrink-0"
      {...(silent ? { 'aria-hidden': true } : { role: 'img', 'aria-label': WORDS[severity] })}
    >
      <SeverityShape severity={severity} />
    </svg>
  );
}

/** The same mark for use inside a drawing, 12 by 12 units. */
export function SeverityShape({ severity, colour = 'currentColor' }: { readonly severity: Severity; readonly colour?: string }) {
  return (
    <>
      <rect
        x="1"
        y="1"
        width="10"
        height="10"
        fill={severity === 'stop' ? colour : 'var(--color-sheet)'}
        stroke={colour}
        strokeWidth="1.6"
      />
      {severity === 'mend' && <path d="M1 11V1H11Z" fill={colour} />}
    </>
  );
}
