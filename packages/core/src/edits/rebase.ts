import type { Design } from '../model/design.ts';
import { PART_KINDS } from '../model/partKinds.ts';
import { isFresh, nextReference, nextTag, splitReference } from './references.ts';
import type { Edit, SimpleEdit } from './registry.ts';

/** A name that had to be changed because another person used it first. */
export interface Renaming {
  readonly from: string;
  readonly to: string;
}

/**
 * A pending edit made ready for a newer document: a reference or tag that was taken meanwhile becomes the next free one.
 * Everything else stays as it was; `applyEdit` then accepts or refuses it.
 */
export function rebaseEdit(design: Design, edit: Edit): { readonly edit: Edit; readonly renamed: readonly Renaming[] } {
  if (edit.kind === 'undo') return { edit, renamed: [] };
  if (edit.kind !== 'batch') return rebaseAll(design, [edit], (edits) => edits[0] ?? edit);
  return rebaseAll(design, edit.edits, (edits) => ({ ...edit, edits }));
}

function rebaseAll(
  design: Design,
  edits: readonly SimpleEdit[],
  wrap: (edits: readonly SimpleEdit[]) => Edit,
): { edit: Edit; renamed: Renaming[] } {
  const { issued } = design.aircraft;
  const renamed: Renaming[] = [];
  const offsets = new Map<string, number>();
  const nextOffset = (prefix: string): number => {
    const offset = offsets.get(prefix) ?? 0;
    offsets.set(prefix, offset + 1);
    return offset;
  };
  const rebased = edits.map((edit): SimpleEdit => {
    if (edit.kind === 'add-item' && !isFresh(issued, edit.item.ref)) {
      const kind = design.parts.get(edit.item.part)?.kind;
      const prefix = kind === undefined ? splitReference(edit.item.ref).prefix : PART_KINDS[kind].prefix;
      const ref =
        kind === undefined
          ? `${prefix}${(design.aircraft.issued[prefix] ?? 0) + 1 + nextOffset(prefix)}`
          : nextReference(design.aircraft, kind, nextOffset(prefix));
      renamed.push({ from: edit.item.ref, to: ref });
      return { ...edit, item: { ...edit.item, ref } };
    }
    if (edit.kind === 'add-cable' && !isFresh(issued, edit.cable.tag)) {
      const tag = nextTag(design.aircraft, nextOffset('W'));
      renamed.push({ from: edit.cable.tag, to: tag });
      return { ...edit, cable: { ...edit.cable, tag } };
    }
    return edit;
  });
  return { edit: wrap(rebased), renamed };
}
