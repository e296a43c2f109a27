import { useState } from 'react';
import { Link } from 'react-router';
import { partKeyOf, type Item, type Part } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign } from '../../session/SessionContext.tsx';
import { partsOnOffer, useWorkshopParts } from '../../session/workshopParts.ts';
import { AdoptDialog } from '../../adopt/AdoptDialog.tsx';
import { useCopyPart } from '../../partDrafts/useCopyPart.ts';

/** What can be done about the part of an item: change it where it is the workshop's own, copy it, put another in its place. */
export function ItemPart({ item, part }: { readonly item: Item; readonly part: Part }) {
  const design = useDesign();
  const own = useWorkshopParts();
  const copy = useCopyPart();
  const [to, setTo] = useState('');
  const [isOpen, setOpen] = useState(false);
  const isOwn = own.some((revision) => revision.part.id === part.id);
  const others = partsOnOffer(own).filter(
    (other) => other.kind === part.kind && partKeyOf(other) !== item.part && design.parts.has(partKeyOf(other)),
  );
  const chosen = others.find((other) => other.id === to);
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Update or replace the part</summary>
      <p className="mt-1.5 text-[13px]">
        {isOwn ? (
          <Link className="underline" to={paths.partEditor(part.id)}>
            Open it in the part editor
          </Link>
        ) : (
          <button type="button" className="underline" onClick={() => copy(part)}>
            Copy it as a part of this workshop
          </button>
        )}
      </p>
      <div className="mt-1.5 flex gap-2">
        <select
          className="field min-w-0 grow"
          aria-label={`Replacement for ${item.ref}`}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        >
          <option value="">replace with ...</option>
          {others.map((other) => (
            <option key={other.id} value={other.id}>
              {other.name}
            </option>
          ))}
        </select>
        <button type="button" className="action" disabled={chosen === undefined} onClick={() => setOpen(true)}>
          Look
        </button>
      </div>
      {isOpen && chosen !== undefined && (
        <AdoptDialog
          key={to}
          items={[item]}
          to={partKeyOf(chosen)}
          onClose={() => {
            setOpen(false);
            setTo('');
          }}
        />
      )}
    </details>
  );
}
