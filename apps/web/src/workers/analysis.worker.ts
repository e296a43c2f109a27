import { expose } from 'comlink';
import { findingsOf, judge, type Aircraft, type Design, type Edit, type JudgedFinding, type Part, type PutBack } from '@wired-falcon/core';
import { FollowedDesign } from './followedDesign.ts';

/** What the checks say of the document with this number. */
export interface AnalysisResult {
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
}

const followed = new FollowedDesign();

/** Runs the checks on the document. */
const analysis = {
  load: (seq: number, aircraft: Aircraft, parts: readonly Part[]): AnalysisResult => resultOf(seq, followed.load(seq, aircraft, parts)),

  follow(seq: number, edit: Edit, undoes: PutBack | undefined): AnalysisResult | undefined {
    const design = followed.follow(seq, edit, undoes);
    return design === undefined ? undefined : resultOf(seq, design);
  },
};

function resultOf(seq: number, design: Design): AnalysisResult {
  return { seq, judged: judge(findingsOf(design), design.aircraft) };
}

export type AnalysisWorker = typeof analysis;
expose(analysis);
