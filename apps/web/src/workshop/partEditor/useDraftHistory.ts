import { useState } from 'react';
import type { Json } from '@wired-falcon/core';
import { draftSteps } from './draftSteps.ts';

export interface DraftHistory {
  readonly draft: Json;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly change: (now: Json, place: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** A draft that can be changed, and its changes taken back and forth. */
export function useDraftHistory(start: Json): DraftHistory {
  const [steps, setSteps] = useState(() => draftSteps.start(start));
  return {
    draft: steps.now,
    canUndo: steps.past.length > 0,
    canRedo: steps.future.length > 0,
    change: (now, place) => setSteps((was) => draftSteps.change(was, now, place)),
    undo: () => setSteps(draftSteps.undo),
    redo: () => setSteps(draftSteps.redo),
  };
}
