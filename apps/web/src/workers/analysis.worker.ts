import { expose } from 'comlink';
import {
  findingsOf,
  judge,
  remediesOf,
  type Aircraft,
  type Design,
  type Edit,
  type JudgedFinding,
  type Part,
  type PutBack,
  type Remedy,
} from '@wired-falcon/core';
import { FollowedDesign } from './followedDesign.ts';

/** What the checks say of the document with this number. */
export interface AnalysisResult {
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
}

const followed = new FollowedDesign();
let design: Design | undefined;
let seqNow = 0;

/** Runs the checks on the document. */
const analysis = {
  load: (seq: number, aircraft: Aircraft, parts: readonly Part[]): AnalysisResult => resultOf(seq, followed.load(seq, aircraft, parts)),

  follow(seq: number, edit: Edit, undoes: PutBack | undefined): AnalysisResult | undefined {
    const now = followed.follow(seq, edit, undoes);
    return now === undefined ? undefined : resultOf(seq, now);
  },

  /** What mends the finding with this key; undefined when the document has moved on. */
  remedies: (seq: number, key: string): readonly Remedy[] | undefined =>
    design === undefined || seq !== seqNow ? undefined : remediesOf(design, { key }),
};

function resultOf(seq: number, now: Design): AnalysisResult {
  design = now;
  seqNow = seq;
  return { seq, judged: judge(findingsOf(now), now.aircraft) };
}

export type AnalysisWorker = typeof analysis;
expose(analysis);
