import { useState } from 'react';
import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { planAdoption, proposeAdoption, type AdoptRevision, type Item, type PartKey } from '@wired-falcon/core';
import { useDesign, useSession } from '../session/SessionContext.tsx';
import { PortMap } from './PortMap.tsx';

interface AdoptDialogProps {
  readonly items: readonly Item[];
  readonly to: PartKey;
  readonly onClose: () => void;
}

/** What changes when items become of another revision, or of another part: the mapping to look at and change, then one edit. */
export function AdoptDialog({ items, to, onClose }: AdoptDialogProps) {
  const design = useDesign();
  const session = useSession();
  const [first] = items;
  const proposed = first === undefined ? undefined : proposeAdoption(design, first.id, to);
  const [map, setMap] = useState(proposed?.map);
  const [from, part] = [design.parts.get(first?.part ?? to), design.parts.get(to)];
  if (map === undefined || from === undefined || part === undefined) return null;
  const edits = items.map((item): AdoptRevision => ({ kind: 'adopt-part-revision', item: item.id, part: to, was: item.part, map }));
  const plans = edits.map((edit) => planAdoption(design, edit));
  const refused = plans.find((plan) => 'refused' in plan);
  const [moves, losses] = (['moves', 'losses'] as const).map((key) => plans.flatMap((plan) => ('refused' in plan ? [] : plan[key])));
  const refs = items.map(({ ref }) => ref).join(', ');
  const adopt = (): void => {
    const [only] = edits;
    if (only === undefined) return;
    session.make(edits.length === 1 ? only : { kind: 'batch', title: `Update ${refs} to the newest revision of "${part.name}"`, edits });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-ink/30" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="max-h-full w-[760px] overflow-y-auto border border-ink bg-sheet p-5">
          <DialogTitle className="text-lg font-bold">
            {refs}: {from.id === part.id ? `another revision of "${part.name}"` : `"${part.name}" instead of "${from.name}"`}
          </DialogTitle>
          <PortMap
            from={from}
            to={part}
            rows={map.ports}
            onRow={(now) => setMap({ ...map, ports: map.ports.map((row) => (row.from === now.from ? now : row)) })}
          />
          <Sentences title="What moves with it" sentences={moves ?? []} none="Nothing: every wire, setting and function stays as it is." />
          <Sentences title="Removed" sentences={losses ?? []} none="Nothing." />
          {refused !== undefined && (
            <p role="alert" className="mt-2 text-rust">
              {refused.refused.sentence}
            </p>
          )}
          <div className="mt-4 flex gap-2">
            <button type="button" className="action action-main" disabled={refused !== undefined} onClick={adopt}>
              Adopt for {refs}
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

function Sentences({ title, sentences, none }: { readonly title: string; readonly sentences: readonly string[]; readonly none: string }) {
  return (
    <>
      <h3 className="mt-3 text-[13px] font-semibold text-ink2">{title}</h3>
      {sentences.length === 0 ? (
        <p className="text-[13px]">{none}</p>
      ) : (
        sentences.map((sentence) => (
          <p key={sentence} className="text-[13px]">
            {sentence}
          </p>
        ))
      )}
    </>
  );
}
