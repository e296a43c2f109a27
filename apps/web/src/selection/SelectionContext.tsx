import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import type { CableId, ItemId, NodeId, PinAddress } from '@wired-falcon/core';

/** What the margin is about. */
export type Selection =
  | { readonly is: 'nothing' }
  | { readonly is: 'item'; readonly item: ItemId }
  | { readonly is: 'cable'; readonly cable: CableId }
  /** A pin waits for its counterpart. */
  | { readonly is: 'pin'; readonly pin: PinAddress }
  /** The free end of a cable waits for the port that it is plugged into. */
  | { readonly is: 'end'; readonly cable: CableId; readonly node: NodeId }
  /** Two ports are about to be joined. */
  | { readonly is: 'join'; readonly from: PinAddress; readonly to: PinAddress };

interface SelectionState {
  readonly selection: Selection;
  readonly select: (selection: Selection) => void;
  readonly clear: () => void;
}

const SelectionContext = createContext<SelectionState | undefined>(undefined);

export function SelectionProvider({ children }: { readonly children: ReactNode }) {
  const [selection, select] = useState<Selection>({ is: 'nothing' });
  const clear = useCallback(() => select({ is: 'nothing' }), []);
  const state = useMemo(() => ({ selection, select, clear }), [selection, clear]);
  return <SelectionContext value={state}>{children}</SelectionContext>;
}

export function useSelection(): SelectionState {
  const state = useContext(SelectionContext);
  if (state === undefined) throw new Error('This needs a selection around it.');
  return state;
}
