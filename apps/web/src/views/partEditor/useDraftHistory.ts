import { useState } from 'react';
import type { Json } from '@wired-falcon/core';

interface History {
  readonly now: Json;
  readonly past: readonly Json[];
  readonly future: readonly Json[];
  /** Where the last change was made: what is typed on in one field is one step back. */
  readonly place: string;
}

export interface DraftHistory {
  readonly draft: Json;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly change: (now: Json, place: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** A draft with its steps back and forth. */
export function useDraftHistory(start: Json): DraftHistory {
  const [history, setHistory] = useState<History>({ now: start, past: [], future: [], place: '' });
  return {
    draft: history.now,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    change: (now, place) =>
      setHistory((was) => ({
        now,
        past: place !== '' && place === was.place ? was.past : [...was.past, was.now],
        future: [],
        place,
      })),
    undo: () =>
      setHistory((was) => {
        const before = was.past.at(-1);
        return before === undefined ? was : { now: before, past: was.past.slice(0, -1), future: [was.now, ...was.future], place: '' };
      }),
    redo: () =>
      setHistory((was) => {
        const [after, ...rest] = was.future;
        return after === undefined ? was : { now: after, past: [...was.past, was.now], future: rest, place: '' };
      }),
  };
}
