import { findPin, joinVerdict, pinName, type Graph, type ItemId, type PinAddress } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { pinPaint } from '../../drawing/pinPaint.ts';
import { isSamePin } from './usePinPick.ts';

interface UnwiredStripProps {
  readonly graph: Graph;
  readonly items: readonly ItemId[];
  readonly picked: PinAddress | undefined;
  readonly onPick: (pin: PinAddress) => void;
  readonly onPoint: (pin: PinAddress | undefined) => void;
}

/** Items that no cable reaches yet, with their pins, so that they can be wired from here. */
export function UnwiredStrip({ graph, items, picked, onPick, onPoint }: UnwiredStripProps) {
  const { select } = useSelection();
  if (items.length === 0) return null;
  return (
    <section aria-label="Not wired yet" className="px-4 pt-1 pb-3">
      <h3 className="text-[12.5px] text-ink2">Not wired yet</h3>
      <ul className="mt-1 flex flex-wrap gap-3">
        {items.map((id) => {
          const entry = graph.items[graph.itemIx.get(id) ?? -1];
          if (entry === undefined) return null;
          return (
            <li key={id} className="border border-dashed border-ink2 bg-sheet px-2 py-1.5" data-unwired={entry.item.ref}>
              <button type="button" className="font-bold hover:underline" onClick={() => select({ is: 'item', item: id })}>
                {entry.item.ref}
              </button>{' '}
              <span className="text-[12.5px] text-ink2">
                {entry.item.label ?? entry.part?.name}
                {entry.item.where !== 'aircraft' && `, on the ${entry.item.where}`}
              </span>
              {(entry.part?.ports ?? []).map((port) => (
                <div key={port.id} className="mt-1 flex items-center gap-1">
                  <span className="w-12 text-[12px] font-semibold">{port.label}</span>
                  {port.pins.map((pin) => (
                    <PinButton
                      key={pin.n}
                      graph={graph}
                      address={{ item: id, port: port.id, n: pin.n }}
                      picked={picked}
                      onPick={onPick}
                      onPoint={onPoint}
                    />
                  ))}
                </div>
              ))}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function PinButton({ graph, address, picked, onPick, onPoint }: { readonly address: PinAddress } & Omit<UnwiredStripProps, 'items'>) {
  const pin = findPin(graph, address);
  if (pin === undefined) return null;
  const from = picked === undefined ? undefined : findPin(graph, picked);
  const isPicked = picked !== undefined && isSamePin(picked, address);
  const isDimmed = from !== undefined && !isPicked && joinVerdict(graph, from, pin).is !== 'good';
  return (
    <button
      type="button"
      aria-label={`Pin ${pin.pin.n} ${pin.pin.label} of ${pin.ref} ${pin.port.label}`}
      aria-pressed={isPicked}
      title={pinName(pin)}
      data-pin={`${pin.ref}.${address.port}.${address.n}`}
      className={`value flex min-h-6 items-center gap-1 border px-1.5 ${isPicked ? 'border-rust bg-white' : 'border-rule bg-paper'} ${isDimmed ? 'opacity-40' : ''}`}
      onClick={() => onPick(address)}
      onPointerEnter={() => onPoint(address)}
      onPointerLeave={() => onPoint(undefined)}
      onFocus={() => onPoint(address)}
    >
      <svg width="9" height="9" aria-hidden="true">
        <circle cx="4.5" cy="4.5" r="3.6" fill={pinPaint(pin.pin)} stroke="#1c2530" />
      </svg>
      {pin.pin.label}
    </button>
  );
}
