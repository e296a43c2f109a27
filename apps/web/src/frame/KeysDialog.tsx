import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { useFrameState } from './FrameState.tsx';

const KEYS: readonly (readonly [string, string])[] = [
  ['/ or Ctrl K', 'entry line: type a command'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['w', 'wiring sheet'],
  ['i', 'parts of this aircraft'],
  ['p', 'documents'],
  ['m', 'fold the margin away, or show it'],
  ['arrow keys', 'on the sheet: from pin to pin; in the ladder: along and across; in the layout: move a part, with Shift by 1 mm'],
  ['Enter', 'on a pin: choose it, then its counterpart; on a cable tag: open it'],
  ['Delete', 'in the ladder: part the joined pin'],
  ['x', 'in the ladder: swap the joined pin with the next one'],
  ['r, b', 'in the layout: turn a part by a quarter; put the pack where it balances the aircraft'],
  ['Escape', 'let go of what is chosen'],
  ['?', 'this help'],
];

/** Keyboard help. */
export function KeysDialog() {
  const { areKeysShown, showKeys } = useFrameState();
  return (
    <Dialog open={areKeysShown} onClose={() => showKeys(false)} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-ink/30" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="w-[560px] border border-ink bg-sheet p-5">
          <DialogTitle className="text-lg font-bold">Keys</DialogTitle>
          <dl className="mt-3 grid grid-cols-[150px_1fr] gap-y-1.5">
            {KEYS.map(([keys, what]) => (
              <div key={keys} className="contents">
                <dt className="value">{keys}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <button type="button" className="action mt-4" onClick={() => showKeys(false)}>
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
