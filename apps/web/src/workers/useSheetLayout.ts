import { useEffect, useRef, useState } from 'react';
import { wrap, type Remote } from 'comlink';
import type { SheetLayout, SheetModel } from '@wired-falcon/core';
import type { LayoutWorker } from './layout.worker.ts';

/** A layout together with the model that it is of. */
export interface LaidOutSheet {
  readonly model: SheetModel;
  readonly layout: SheetLayout;
  /** The number of the document that the model was made from. */
  readonly seq: number;
}

/** The laid-out sheet of a model; the one before stays until the new one is ready. The engine is loaded when first needed. */
export function useSheetLayout(model: SheetModel, seq: number): LaidOutSheet | undefined {
  const [shown, setShown] = useState<LaidOutSheet>();
  const worker = useRef<Remote<LayoutWorker>>(undefined);
  const newest = useRef(0);
  useEffect(() => {
    const thread = new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<LayoutWorker>(thread);
    return () => {
      worker.current = undefined;
      thread.terminate();
    };
  }, []);
  useEffect(() => {
    newest.current = seq;
    let isWanted = true;
    void worker.current?.sheet(model).then((layout) => {
      if (isWanted && newest.current === seq) setShown({ model, layout, seq });
    });
    return () => {
      isWanted = false;
    };
  }, [model, seq]);
  return shown;
}
