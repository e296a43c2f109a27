import { expose } from 'comlink';
import { graphOf, powerReport, type Aircraft, type Design, type Edit, type Part, type PowerReport, type PutBack } from '@wired-falcon/core';
import { FollowedDesign } from './followedDesign.ts';

/** What every situation asks of the supplies of the document with this number. */
export interface PowerResult {
  readonly seq: number;
  readonly report: PowerReport;
}

const followed = new FollowedDesign();

/** Solves the document in every situation. */
const power = {
  load: (seq: number, aircraft: Aircraft, parts: readonly Part[]): PowerResult => resultOf(seq, followed.load(seq, aircraft, parts)),

  follow(seq: number, edit: Edit, undoes: PutBack | undefined): PowerResult | undefined {
    const design = followed.follow(seq, edit, undoes);
    return design === undefined ? undefined : resultOf(seq, design);
  },
};

function resultOf(seq: number, design: Design): PowerResult {
  return { seq, report: powerReport(graphOf(design)) };
}

export type PowerWorker = typeof power;
expose(power);
