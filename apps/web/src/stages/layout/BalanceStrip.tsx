import { decimals, quantity } from '@wired-falcon/core';
import type { Balance, FramePlan, PackSolution } from '@wired-falcon/core';

interface BalanceStripProps {
  readonly frame: FramePlan;
  readonly balance: Balance | undefined;
  readonly pack: PackSolution | undefined;
  readonly placed: number;
  readonly all: number;
  readonly onTakePack: () => void;
}

/** Mass and balance in figures, live while something is dragged, and where the pack would have to lie. */
export function BalanceStrip({ frame, balance, pack, placed, all, onTakePack }: BalanceStripProps) {
  const { foreLimitMm: fore, aftLimitMm: aft, targetMm, maxMassG } = frame.numbers;
  if (balance === undefined) return <p className="text-[13px] text-ink2">Nothing that weighs is placed yet.</p>;
  const [station, butt, water] = balance.at;
  const isOut = fore !== undefined && aft !== undefined && (station < fore || station > aft);
  const isTaken = pack === undefined || Math.abs(pack.reachableMm - pack.pack.place.at[0]) < 1;
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-1 text-[13px]" data-testid="balance" data-station={decimals(station, 1)}>
      <span>
        <span className="text-ink2">Mass</span> <span className="value">{decimals(balance.massG, 0)} g</span>
        {maxMassG !== undefined && <span className="text-ink2"> of {decimals(maxMassG, 0)}</span>}
      </span>
      <span className={isOut ? 'text-rust' : undefined}>
        <span className={isOut ? undefined : 'text-ink2'}>Balances at station</span>{' '}
        <span className="value">{decimals(station, 0)} mm</span>
        {fore !== undefined && aft !== undefined && (
          <span className="text-ink2">
            {' '}
            ({decimals(fore, 0)} to {decimals(aft, 0)}
            {targetMm === undefined ? '' : `, wanted ${decimals(targetMm, 0)}`}){isOut && ' outside'}
          </span>
        )}
      </span>
      <span>
        <span className="text-ink2">butt line</span> <span className="value">{whole(butt)}</span>{' '}
        <span className="text-ink2">water line</span> <span className="value">{whole(water)}</span>
      </span>
      <span>
        <span className="text-ink2">placed</span> <span className="value">{`${placed} of ${all}`}</span>
      </span>
      {pack !== undefined && !isTaken && (
        <span className="flex items-center gap-2">
          {pack.pack.item.ref} at {decimals(pack.stationMm, 0)} mm would balance it
          {Math.abs(pack.stationMm - pack.reachableMm) > 1 && `; its bay reaches to ${decimals(pack.reachableMm, 0)}`}
          {pack.ballast !== undefined &&
            `, and ${quantity(pack.ballast.massG, 'g', 0)} at station ${decimals(pack.ballast.stationMm, 0)} do the rest`}
          <button type="button" className="action" onClick={onTakePack}>
            Move {pack.pack.item.ref} <kbd className="key">b</kbd>
          </button>
        </span>
      )}
    </div>
  );
}

/** To a whole millimetre; never a minus before a zero. */
function whole(mm: number): string {
  return decimals(Math.round(mm) || 0, 0);
}
