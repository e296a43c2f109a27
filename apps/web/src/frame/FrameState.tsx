import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

interface FrameState {
  readonly isMarginOpen: boolean;
  readonly toggleMargin: () => void;
  readonly areKeysShown: boolean;
  readonly showKeys: (shown: boolean) => void;
}

const Context = createContext<FrameState | undefined>(undefined);

export function FrameStateProvider({ children }: { readonly children: ReactNode }) {
  const [isMarginOpen, setMarginOpen] = useState(true);
  const [areKeysShown, showKeys] = useState(false);
  const state = useMemo(
    () => ({ isMarginOpen, toggleMargin: () => setMarginOpen((open) => !open), areKeysShown, showKeys }),
    [isMarginOpen, areKeysShown],
  );
  return <Context value={state}>{children}</Context>;
}

export function useFrameState(): FrameState {
  const state = useContext(Context);
  if (state === undefined) throw new Error('This needs the frame around it.');
  return state;
}
