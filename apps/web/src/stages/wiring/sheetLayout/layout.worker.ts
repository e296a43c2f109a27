import { expose } from 'comlink';
import ELK from 'elkjs/lib/elk.bundled.js';
import { engineGraph, readLayout, type EngineAnswer, type SheetLayout, type SheetModel } from '@wired-falcon/core';

const engine = new ELK();

/** Lays the wiring sheet out with the layered-graph engine. */
const layout = {
  async sheet(model: SheetModel): Promise<SheetLayout> {
    const answer: EngineAnswer = await engine.layout(engineGraph(model));
    return readLayout(answer);
  },
};

export type LayoutWorker = typeof layout;
expose(layout);
