import { useMemo, useState } from 'react';
import { listed, naturalOrder } from '@wired-falcon/core';
import { useDesign } from '../session/SessionContext.tsx';
import { newerRevisions, partsOnOffer, useWorkshopParts, type NewerRevision } from '../session/workshopParts.ts';
import { AdoptDialog } from './AdoptDialog.tsx';
import { LearnFacts } from './LearnFacts.tsx';

/** Says which items have an older revision of their part. Nothing changes until a person adopts the newer one. */
export function NewerRevisions() {
  const design = useDesign();
  const own = useWorkshopParts();
  const [open, setOpen] = useState<NewerRevision>();
  const onOffer = useMemo(() => partsOnOffer(own), [own]);
  const newest = useMemo(() => new Map(onOffer.map((part) => [part.id, part])), [onOffer]);
  const newer = newerRevisions(Object.values(design.aircraft.items), design.parts, onOffer).filter(({ now }) => design.parts.has(now));
  if (newer.length === 0) return null;
  const rows = newer.map((entry) => (
    <p key={entry.was} className="text-[13px]">
      {entry.items.map(({ ref }) => ref).join(', ')}: there is a newer revision of "{entry.part.name}".{' '}
      <button type="button" className="underline" onClick={() => setOpen(entry)}>
        Review the changes
      </button>
    </p>
  ));
  const items = newer.flatMap((entry) => entry.items);
  return (
    <div className="mt-2 border-l-2 border-rust pl-3" data-testid="newer-revisions">
      {items.length === 1 ? (
        rows
      ) : (
        <>
          <p className="text-[13px]">
            {items.length} items have an older revision of their part: {named(items.map(({ ref }) => ref))}.
          </p>
          <LearnFacts newest={newest} />
          <details className="mt-1.5">
            <summary className="cursor-pointer text-[13px] text-ink2">One by one</summary>
            {rows}
          </details>
        </>
      )}
      {open !== undefined && <AdoptDialog items={open.items} to={open.now} onClose={() => setOpen(undefined)} />}
    </div>
  );
}

/** So many references are named; the others are counted. */
const NAMED = 6;

function named(refs: readonly string[]): string {
  const some = [...refs].sort(naturalOrder).slice(0, NAMED);
  return refs.length > NAMED ? `${some.join(', ')} and ${refs.length - NAMED} more` : listed(some);
}
