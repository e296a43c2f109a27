import { applyEdit, insist, rebaseEdit, titleOf, type Design, type Edit, type EditId } from '@wired-falcon/core';
import type { SubmittedEdit } from './transport.ts';

/** An edit that could not be made, kept until the person says what becomes of it. */
export interface SetAside {
  readonly submitted: SubmittedEdit;
  /** Why, where that was not found here: in the words of the server. */
  readonly sentence?: string;
  /** True when the server takes no edit of its form, so that it cannot be made again. */
  readonly isUnfit?: boolean;
}

/** What a person is asked about an edit that was not made. */
export interface Conflict {
  readonly editId: EditId;
  /** What the edit is called. */
  readonly title: string;
  /** Why it was not made. */
  readonly sentence: string;
  /** The edit as it would be made on what is there now; undefined when there is nothing left to make it on. */
  readonly again: Edit | undefined;
  /** The edit itself, to be copied. */
  readonly text: string;
}

/** The question about an edit that was set aside, on the design as it is now. */
export function conflictFor(design: Design, { submitted, sentence, isUnfit }: SetAside): Conflict {
  const { editId } = submitted;
  // A name that it gives may have been taken since.
  const { edit } = rebaseEdit(design, submitted.edit);
  const result = applyEdit(design, edit);
  const again = 'refused' in result ? insist(design, edit) : edit;
  return {
    editId,
    title: titleOf(design, edit),
    sentence: sentence ?? ('refused' in result ? result.refused.sentence : 'It can be made now.'),
    again: isUnfit === true ? undefined : again,
    text: JSON.stringify(edit, null, 2),
  };
}

/** The questions about all that was set aside, laid out once for a design. */
export class Questions {
  #asked: { readonly design: Design; readonly aside: readonly SetAside[]; readonly conflicts: readonly Conflict[] } | undefined;

  on(design: Design, aside: readonly SetAside[]): readonly Conflict[] {
    if (this.#asked?.design !== design || this.#asked.aside !== aside)
      this.#asked = { design, aside, conflicts: aside.map((one) => conflictFor(design, one)) };
    return this.#asked.conflicts;
  }
}
