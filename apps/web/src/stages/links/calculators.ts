import { GIVING_WAY, graphOf, portBoard, type PortBoard } from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator } from '../../workers/calculator.ts';

/** What a person says of a plan before it is solved. */
export interface PortWish {
  readonly giveWay: boolean;
}

/** A search that takes longer than this says how far from the best it may be. */
const PATIENCE_MS = 450;

/** Which port each link takes. */
export const ports: Calculator<'links.ports', PortWish, PortBoard | undefined> = {
  id: 'links.ports',
  steps: inOneStep((design, { giveWay }) => {
    const until = performance.now() + PATIENCE_MS;
    return portBoard(graphOf(design), {
      giveWay: giveWay ? GIVING_WAY : [],
      patience: { isOver: () => performance.now() > until },
    });
  }),
};

export const linkCalculators: readonly AnyCalculator[] = [ports];
