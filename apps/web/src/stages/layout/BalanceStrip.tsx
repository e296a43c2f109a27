import { decimals } from '@wired-falcon/core';
import type { Balance, FramePlan, PackSolution } from '@wired-falcon/core';
import { useReadersUnits } from '../../ui/readersUnits.ts';

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
  const { quantity, figure } = useReadersUnits();
  const { foreLimitMm: fore, aftLimitMm: aft, targetMm, maxMassG } = frame.numbers;
  if (balance === undefined) return <p className="text-[13px] text-ink2">Nothing with a mass is placed yet.</p>;
  const [station, butt, water] = balance.at;
  const isOut = fore !== undefined && aft !== undefined && (station < fore || station > aft);
  const isTaken = pack === undefined || Math.abs(pack.reachableMm - pack.pack.place.at[0]) < 1;
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-1 text-[13px]" data-testid="balance" data-station={decimals(station, 1)}>
      <span>
        <span className="text-ink2">Mass</span> <span className="value">{quantity(balance.massG, 'g')}</span>
        {maxMassG !== undefined && <span className="text-ink2"> of {figure(maxMassG, 'g')}</span>}
      </span>
      <span className={isOut ? 'text-rust' : undefined}>
        <span className={isOut ? undefined : 'text-ink2'}>Centre of gravity, station</span>{' '}
        <span className="value">{quantity(station, 'mm')}</span>
        {fore !== undefined && aft !== undefined && (
          <span className="text-ink2">
            {' '}
            ({figure(fore, 'mm')} to {figure(aft, 'mm')}
            {targetMm === undefined ? '' : `, wanted ${figure(targetMm, 'mm')}`}){isOut && ' outside'}
          </span>
        )}
      </span>
      <span>
        <span className="text-ink2">butt line</span> <span className="value">{figure(butt, 'mm')}</span>{' '}
        <span className="text-ink2">water line</span> <span className="value">{figure(water, 'mm')}</span>
      </span>
      <span>
        <span className="text-ink2">placed</span> <span className="value">{`${placed} of ${all}`}</span>
      </span>
      {pack !== undefined && !isTaken && (
        <span className="flex items-center gap-2">
          {pack.pack.item.ref} at {quantity(pack.stationMm, 'mm')} would balance it
          {Math.abs(pack.stationMm - pack.reachableMm) > 1 && `; its bay reaches to ${figure(pack.reachableMm, 'mm')}`}
          {pack.ballast !== undefined &&
            `, and ${quantity(pack.ballast.massG, 'g')} at station ${figure(pack.ballast.stationMm, 'mm')} do the rest`}
          <button type="button" className="action" onClick={onTakePack}>
            Move {pack.pack.item.ref} <kbd className="key">b</kbd>
          </button>
        </span>
      )}
    </div>
  );
}
