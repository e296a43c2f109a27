import type { ReactNode } from 'react';
import { OUTPUT_FUNCTIONS, type Bank, type Graph, type MixedValue, type Slot } from '@wired-falcon/core';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { slotUs, valueWords, type Moved } from './motion.ts';
import { PulsesField } from './PulsesField.tsx';
import { isAbout } from './isAbout.ts';
import type { StopProps } from './useSlotKeys.ts';

interface BankRackProps {
  readonly graph: Graph;
  readonly bank: Bank;
  readonly moved: Moved;
  readonly chosen: string | undefined;
  readonly stopProps: StopProps;
  readonly onChoose: (key: string) => void;
  readonly onDrop: (from: string, to: string) => void;
  /** What is said of the chosen output, where it is one of this bank. */
  readonly children: ReactNode;
}

/** One bank: its pulses, and its outputs in the order of the board. */
export function BankRack({ graph, bank, moved, chosen, stopProps, onChoose, onDrop, children }: BankRackProps) {
  return (
    <section aria-label={`Bank ${bank.id}`} className="border-t border-ink pt-1 pb-3" data-bank={bank.id}>
      <div className="flex flex-wrap items-center gap-x-4">
        <h3 className="text-[13px] font-bold">Bank {bank.id}</h3>
        <PulsesField graph={graph} bank={bank} />
      </div>
      <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(118px,1fr))] gap-2">
        {bank.slots.map((slot) => (
          <li key={slot.key}>
            <SlotCard
              slot={slot}
              value={slot.use === undefined ? undefined : moved.values.get(slot.use.function)}
              us={slotUs(moved, slot)}
              isChosen={slot.key === chosen}
              stopProps={stopProps}
              onChoose={onChoose}
              onDrop={onDrop}
            />
          </li>
        ))}
      </ul>
      {children}
    </section>
  );
}

interface SlotCardProps extends Pick<BankRackProps, 'stopProps' | 'onChoose' | 'onDrop'> {
  readonly slot: Slot;
  readonly value: MixedValue | undefined;
  readonly us: number | undefined;
  readonly isChosen: boolean;
}

const DRAGGED = 'application/x-output';

function SlotCard({ slot, value, us, isChosen, stopProps, onChoose, onDrop }: SlotCardProps) {
  const { key, label, use, on, isReserved, sharedWith } = slot;
  const title = use === undefined ? 'free' : OUTPUT_FUNCTIONS[use.function].title;
  const { judged } = useFindings();
  const isWrong = judged.some(({ waiver, finding }) => waiver === undefined && finding.severity !== 'note' && isAbout(finding, slot));
  const hanging = on.map(({ entry }) => entry.item.ref).join(', ');
  return (
    <button
      type="button"
      {...stopProps(key)}
      draggable={use !== undefined}
      aria-pressed={isChosen}
      aria-label={`${label}: ${title}${hanging === '' ? '' : `, ${hanging}`}${us === undefined ? '' : `, ${us} us`}${isWrong ? ', has a finding' : ''}`}
      data-slot={label}
      data-function={use?.function ?? 'none'}
      data-us={us ?? ''}
      className={`flex min-h-[84px] flex-col justify-start w-full border bg-white px-2 py-1 text-left text-[12.5px] ${isChosen ? 'outline-2 outline-rust' : ''} ${isWrong ? 'border-rust' : 'border-ink'}`}
      onClick={() => onChoose(key)}
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, key)}
      onDragOver={(event) => event.dataTransfer.types.includes(DRAGGED) && event.preventDefault()}
      onDrop={(event) => {
        const from = event.dataTransfer.getData(DRAGGED);
        event.preventDefault();
        if (from !== '') onDrop(from, key);
      }}
    >
      <span className="flex justify-between gap-1">
        <span className="value font-semibold">{label}</span>
        <span className="text-[11px] text-ink2">
          {[isReserved ? 'for motors' : '', use?.held === true ? 'fixed' : '', sharedWith === undefined ? '' : 'pin in use']
            .filter(Boolean)
            .join(', ')}
        </span>
      </span>
      <span className={`block ${use === undefined ? 'text-ink2' : 'font-semibold'} ${isWrong ? 'text-rust' : ''}`}>{title}</span>
      <span className="block text-[11.5px] text-ink2">{hanging === '' ? (use === undefined ? '' : 'nothing on it') : hanging}</span>
      {value !== undefined && (
        <span className="value flex justify-between gap-1 text-[11.5px]">
          <span>{us === undefined ? '' : `${us} us`}</span>
          <span>{valueWords(value)}</span>
        </span>
      )}
      {us !== undefined && (
        <span className="relative mt-1 block h-1 bg-grid" aria-hidden="true">
          <span
            className="absolute -inset-y-0.5 w-1 bg-ink"
            style={{ left: `calc(${Math.min(Math.max((us - 800) / 14, 0), 100)}% - 2px)` }}
          />
        </span>
      )}
    </button>
  );
}
