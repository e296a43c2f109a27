import { listed, quantity } from '@wired-falcon/core';
import { pinPaint } from '../../../drawing/pinPaint.ts';
import type { RungFacts, Side } from './rungsOf.ts';

interface RungProps {
  readonly rung: RungFacts;
  readonly side: Side;
  readonly isChosen: boolean;
  /** The one that the Tab key reaches. */
  readonly isCurrent: boolean;
  readonly hold: (element: HTMLButtonElement | null) => void;
  readonly onFocus: () => void;
  readonly onChoose: () => void;
}

/** A contact of the ladder: number, label, voltage, and where it leads besides. */
export function Rung({ rung, side, isChosen, isCurrent, hold, onFocus, onChoose }: RungProps) {
  const { n, pin, place, isPulled, crowdedBy, facing, elsewhere, volts } = rung;
  const joined = [...facing, ...elsewhere];
  const label = `Pin ${n}${pin === undefined ? '' : ` ${pin.label}`} of ${place}${isPulled ? ', contact pulled' : ''}${crowdedBy === undefined ? '' : `, ${crowdedBy} wires in one contact`}${joined.length === 0 ? '' : `, to ${listed(joined)}`}`;
  return (
    <>
      <button
        type="button"
        ref={hold}
        tabIndex={isCurrent ? 0 : -1}
        aria-pressed={isChosen}
        aria-label={label}
        data-ladder={rung.address}
        className={`flex h-8 w-[150px] shrink-0 items-center gap-2 border px-2 ${side === 'a' ? 'flex-row-reverse' : ''} ${isChosen ? 'border-2 border-rust bg-white' : 'border-ink bg-sheet'}`}
        onFocus={onFocus}
        onClick={onChoose}
      >
        <svg width="12" height="12" aria-hidden="true">
          <circle
            cx="6"
            cy="6"
            r="5"
            fill={isPulled || pin === undefined ? 'none' : pinPaint(pin)}
            stroke="#1c2530"
            strokeDasharray={isPulled ? '2 2' : undefined}
          />
        </svg>
        <span className="value">{n}</span>
        <span className="value font-medium">{pin?.label}</span>
        <span className="value grow text-right text-ink2">{volts === undefined ? '' : quantity(volts, 'V')}</span>
      </button>
      {crowdedBy !== undefined && <span className="text-[11.5px] whitespace-nowrap text-rust">{crowdedBy} wires in one contact</span>}
      {elsewhere.length > 0 && (
        <span className="max-w-36 min-w-0 truncate text-[11.5px] text-ink2" title={`also ${elsewhere.join(', ')}`}>
          also {elsewhere.join(', ')}
        </span>
      )}
    </>
  );
}
