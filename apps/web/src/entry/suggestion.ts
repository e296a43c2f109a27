import type { AircraftId, Design, Edit, Graph, Part } from '@wired-falcon/core';
import type { Screen } from '../addresses/screens.ts';
import type { Selection } from '../selection/SelectionContext.tsx';

/** What a command does when it is taken. Data, so that the same command means the same wherever it is typed or tested. */
export type EntryAction =
  /** `to`: where its effect is seen, where that is not here. */
  | { readonly is: 'edit'; readonly edit: Edit; readonly to?: string }
  | { readonly is: 'go'; readonly to: string }
  | { readonly is: 'select'; readonly selection: Selection; readonly to: string }
  | { readonly is: 'undo' }
  | { readonly is: 'redo' };

/** One line of the completion: the command in full, what it would do, and, where it cannot be done, why not. */
export interface Suggestion {
  readonly text: string;
  readonly effect: string;
  readonly action: EntryAction | undefined;
}

export interface EntryContext {
  readonly design: Design;
  readonly graph: Graph;
  readonly aircraft: AircraftId;
  /** Where one can go. */
  readonly screens: readonly Screen[];
  /** The parts that can be added. */
  readonly parts: readonly Part[];
}

/** One command of the entry line. */
export interface EntryCommand {
  readonly id: string;
  readonly example: string;
  /** Completions for what is typed so far; none when the text is not this command's. */
  readonly suggest: (text: string, context: EntryContext) => readonly Suggestion[];
}
