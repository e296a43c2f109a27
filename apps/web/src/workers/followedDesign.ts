import { applyEdit, shipped, withRevisions, type Aircraft, type Design, type Edit, type PutBack, type Revisions } from '@wired-falcon/core';

/** A worker's copy of the document, which follows the same edits as the page. */
export class FollowedDesign {
  #design: Design | undefined;
  #seq = 0;

  /** The document as it stands; undefined before the first. */
  get design(): Design | undefined {
    return this.#design;
  }

  /** The document, when it is the one with this number. */
  at(seq: number): Design | undefined {
    return seq === this.#seq ? this.#design : undefined;
  }

  load(seq: number, aircraft: Aircraft, revisions: Revisions): Design {
    this.#design = { ...withRevisions(shipped, revisions), aircraft };
    this.#seq = seq;
    return this.#design;
  }

  /** Follows one edit. Undefined when this copy is not the document that the edit was made on; then it must be loaded. */
  follow(seq: number, edit: Edit, undoes: PutBack | undefined): Design | undefined {
    if (this.#design === undefined || this.#seq !== seq - 1) return undefined;
    const made = applyEdit(this.#design, edit, () => undoes ?? { refused: { code: 'unknown-edit', sentence: '', about: [] } });
    if ('refused' in made || namesUnknown(this.#design, made.design)) return undefined;
    this.#design = made.design;
    this.#seq = seq;
    return this.#design;
  }
}

/** True where an edit brought in a revision that the page knows and this copy does not: an undo may name any that there was. */
function namesUnknown(before: Design, { aircraft, parts, dialects }: Design): boolean {
  if (aircraft.dialect !== before.aircraft.dialect && !dialects.has(aircraft.dialect)) return true;
  if (aircraft.items === before.aircraft.items) return false;
  return Object.values(aircraft.items).some((item) => !parts.has(item.part) && before.aircraft.items[item.id]?.part !== item.part);
}
