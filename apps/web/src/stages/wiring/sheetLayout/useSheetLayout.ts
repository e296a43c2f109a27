import { useEffect, useRef, useState } from 'react';
import { wrap, type Remote } from 'comlink';
import type { SheetLayout, SheetModel } from '@wired-falcon/core';
import { threadError } from '../../../workers/threadError.ts';
import type { LayoutWorker } from './layout.worker.ts';

/** A layout together with the model that it is of. */
export interface LaidOutSheet {
  readonly model: SheetModel;
  readonly layout: SheetLayout;
  /** The number of the document that the model was made from. */
  readonly seq: number;
}

interface Engine {
  readonly thread: Worker;
  readonly remote: Remote<LayoutWorker>;
  isBusy: boolean;
}

function newEngine(): Engine {
  const thread = new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' });
  return { thread, remote: wrap<LayoutWorker>(thread), isBusy: false };
}

export interface SheetLayoutState {
  /** The newest sheet that was laid out; undefined before the first. */
  readonly shown: LaidOutSheet | undefined;
  /** Why the newest model could not be laid out. */
  readonly failure: string | undefined;
}

/**
 * The laid-out sheet of a model; the one before stays until the new one is ready. The engine is loaded when first needed. A
 * layout that is still being made when another is wanted is ended with its engine: nobody waits for a picture that is old. So is an
 * engine that failed: the next model finds a new one.
 */
export function useSheetLayout(model: SheetModel, seq: number): SheetLayoutState {
  const [state, setState] = useState<SheetLayoutState>({ shown: undefined, failure: undefined });
  const engine = useRef<Engine>(undefined);
  useEffect(
    () => () => {
      engine.current?.thread.terminate();
      engine.current = undefined;
    },
    [],
  );
  useEffect(() => {
    if (engine.current?.isBusy === true) {
      engine.current.thread.terminate();
      engine.current = undefined;
    }
    const own = (engine.current ??= newEngine());
    own.isBusy = true;
    const fail = (sentence: string): void => {
      if (engine.current !== own) return;
      own.thread.terminate();
      engine.current = undefined;
      setState(({ shown }) => ({ shown, failure: sentence }));
    };
    own.thread.onerror = (event) => fail(threadError(event));
    own.remote.sheet(model).then(
      (layout) => {
        own.isBusy = false;
        if (engine.current === own) setState({ shown: { model, layout, seq }, failure: undefined });
      },
      (error: unknown) => fail(error instanceof Error ? error.message : String(error)),
    );
  }, [model, seq]);
  return state;
}
