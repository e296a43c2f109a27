import { useState } from 'react';
import { useDesign } from '../session/SessionContext.tsx';
import { newerRevisions, partsOnOffer, useWorkshopParts, type NewerRevision } from '../session/workshopParts.ts';
import { AdoptDialog } from './AdoptDialog.tsx';

/** Says which items have an older revision of their part. Nothing changes until a person adopts the newer one. */
export function NewerRevisions() {
  const design = useDesign();
  const own = useWorkshopParts();
  const [open, setOpen] = useState<NewerRevision>();
  const newer = newerRevisions(Object.values(design.aircraft.items), design.parts, partsOnOffer(own)).filter(({ now }) =>
    design.parts.has(now),
  );
  if (newer.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-rust pl-3" data-testid="newer-revisions">
      {newer.map((entry) => (
        <p key={entry.was} className="text-[13px]">
          {entry.items.map(({ ref }) => ref).join(', ')}: there is a newer revision of "{entry.part.name}".{' '}
          <button type="button" className="underline" onClick={() => setOpen(entry)}>
            Look at what changes
          </button>
        </p>
      ))}
      {open !== undefined && <AdoptDialog items={open.items} to={open.now} onClose={() => setOpen(undefined)} />}
    </div>
  );
}
