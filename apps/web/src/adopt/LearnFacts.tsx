import { useMemo, useState } from 'react';
import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { learnFacts, listed, otherChanges, type FactsPlan, type Learning, type Part, type PartId } from '@wired-falcon/core';
import { useDesign, useSession } from '../session/SessionContext.tsx';
import { memberWords } from './memberWords.ts';

/** Brings all items of older revisions to the newest at once, after a look at what they learn. @param newest what is on offer, by id */
export function LearnFacts({ newest }: { readonly newest: ReadonlyMap<PartId, Part> }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="action mt-1.5" onClick={() => setOpen(true)}>
        Update to newer facts of these parts
      </button>
      {isOpen && <LearnDialog newest={newest} onClose={() => setOpen(false)} />}
    </>
  );
}

function LearnDialog({ newest, onClose }: { readonly newest: ReadonlyMap<PartId, Part>; readonly onClose: () => void }) {
  const design = useDesign();
  const session = useSession();
  // Every item of a large aircraft is planned: once a version, and not with every drawing of the dialog.
  const { edit, learns, left } = useMemo(() => learnFacts(design, newest), [design, newest]);
  const count = learns.reduce((sum, { items }) => sum + items.length, 0);
  const learn = (): void => {
    if (edit !== undefined) session.make(edit);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-ink/30" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="max-h-full w-[720px] overflow-y-auto border border-ink bg-sheet p-5" data-testid="learn-facts">
          <DialogTitle className="text-lg font-bold">Update to newer facts of these parts</DialogTitle>
          <p className="mt-1 max-w-prose text-[13px] text-ink2">
            The newest revisions of these parts state more facts. What a part does not state is unknown, and no check uses it. Every wire,
            setting and function stays as it is; one undo reverts all of it.
          </p>
          {learns.length === 0 ? (
            <p className="mt-3">No update is possible without moving or removing something.</p>
          ) : (
            <Table learns={learns} />
          )}
          <Left left={left} />
          <div className="mt-4 flex gap-2">
            <button type="button" className="action action-main" disabled={edit === undefined} onClick={learn}>
              Update {count === 1 ? '1 item' : `${count} items`}
            </button>
            <button type="button" className="action" onClick={onClose}>
              Leave as it is
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Table({ learns }: { readonly learns: readonly Learning[] }) {
  return (
    <table className="mt-3 w-full border-collapse text-left text-[13px]">
      <thead>
        <tr className="border-b border-ink text-ink2">
          <th scope="col" className="w-[150px] py-1 pr-3 font-semibold">
            Items
          </th>
          <th scope="col" className="py-1 pr-3 font-semibold">
            Now stated
          </th>
          <th scope="col" className="w-[150px] py-1 font-semibold">
            Also changed
          </th>
        </tr>
      </thead>
      <tbody>
        {learns.map((learning) => (
          <tr key={learning.items[0]?.id} className="border-b border-rule align-top">
            <th scope="row" className="value py-1 pr-3 font-normal">
              {learning.items.map(({ ref }) => ref).join(', ')}
            </th>
            <td className="py-1 pr-3">
              {learning.facts.length === 0 ? 'words only' : listed(learning.facts.map(({ title }) => title))}
              <span className="block text-[12px] text-ink2">{learning.now.name}</span>
            </td>
            <td className="py-1">{otherChanges(learning).map(memberWords).join(', ') || 'nothing'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Left({ left }: Pick<FactsPlan, 'left'>) {
  if (left.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 text-[13px] font-semibold text-ink2">Left as they are: review these one by one</h3>
      <ul className="text-[13px]">
        {left.map(({ ref, because }) => (
          <li key={ref}>
            <span className="value">{ref}</span>: {because}
          </li>
        ))}
      </ul>
    </>
  );
}
