import { useNavigate } from 'react-router';
import { asId, jsonOf, ownCopyOf, type Part, type PartId } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import { makeId } from '../session/author.ts';
import { keepDraft } from './draftStore.ts';

/** Makes a copy of a part as the workshop's own, as a draft, and goes to it. */
export function useCopyPart(): (part: Part) => void {
  const navigate = useNavigate();
  return (part) => {
    const id = asId<PartId>(makeId());
    keepDraft(id, { draft: jsonOf(ownCopyOf(part, id)), base: 0 });
    void navigate(paths.partEditor(id));
  };
}
