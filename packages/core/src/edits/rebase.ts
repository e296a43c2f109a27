import type { Aircraft } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId } from '../model/ids.ts';
import { isFresh, issue, nextLike } from './references.ts';
import type { Edit, SimpleEdit } from './registry.ts';

/** A name that had to be changed because another person used it first. */
export interface Renaming {
  readonly of: ItemId | CableId;
  readonly from: string;
  readonly to: string;
}

/**
 * A pending edit made ready for a newer document: a reference or tag that was taken meanwhile becomes the next free one, and
 * what was said of the thing under its earlier name is said under the new one. Everything else stays as it was; `applyEdit`
 * then accepts or refuses it.
 * @param earlier what was renamed in the edits of the same queue before this one
 */
export function rebaseEdit(
  design: Design,
  edit: Edit,
  earlier: readonly Renaming[] = [],
): { readonly edit: Edit; readonly renamed: readonly Renaming[] } {
  if (edit.kind === 'undo') return { edit, renamed: [] };
  const names = new Names(design.aircraft.issued, earlier);
  if (edit.kind !== 'batch') return { edit: names.rebased(edit), renamed: names.renamed };
  const edits = edit.edits.map((one) => names.rebased(one));
  return { edit: { ...edit, edits, title: names.retold(edit.title) }, renamed: names.renamed };
}

/** The names that are given out while one edit is made ready, on top of those of the document. */
class Names {
  #issued: Aircraft['issued'];
  readonly #renamed: Renaming[] = [];

  constructor(
    issued: Aircraft['issued'],
    private readonly earlier: readonly Renaming[],
  ) {
    this.#issued = issued;
  }

  get renamed(): readonly Renaming[] {
    return this.#renamed;
  }

  rebased(edit: SimpleEdit): SimpleEdit {
    switch (edit.kind) {
      case 'add-item':
        return { ...edit, item: { ...edit.item, ref: this.#given(edit.item.id, edit.item.ref) } };
      case 'add-cable':
        return { ...edit, cable: { ...edit.cable, tag: this.#given(edit.cable.id, edit.cable.tag) } };
      case 'rename-item': {
        const was = this.#nameNow(edit.item, edit.was);
        return { ...edit, was, ref: edit.ref === edit.was ? was : this.#given(edit.item, edit.ref) };
      }
      default:
        return edit;
    }
  }

  /** A text with every renamed thing under its new name. */
  retold(text: string): string {
    const to = new Map([...this.earlier, ...this.#renamed].map((renaming) => [renaming.from, renaming.to]));
    return text.replaceAll(/\b[A-Z]{1,8}\d{1,4}\b/g, (name) => to.get(name) ?? name);
  }

  /** The name itself where it is free, else the next one like it. Given out from now on. */
  #given(of: ItemId | CableId, name: string): string {
    const to = isFresh(this.#issued, name) ? name : nextLike(this.#issued, name);
    this.#issued = issue(this.#issued, to);
    if (to !== name) this.#renamed.push({ of, from: name, to });
    return to;
  }

  #nameNow(of: ItemId, name: string): string {
    const renaming = [...this.earlier, ...this.#renamed].findLast((candidate) => candidate.of === of && candidate.from === name);
    return renaming?.to ?? name;
  }
}
