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

/** Runs the checks on the document. */
const analysis = {
  load: (seq: number, aircraft: Aircraft, parts: readonly Part[]): AnalysisResult => resultOf(seq, followed.load(seq, aircraft, parts)),

  follow(seq: number, edit: Edit, undoes: PutBack | undefined): AnalysisResult | undefined {
    const now = followed.follow(seq, edit, undoes);
    return now === undefined ? undefined : resultOf(seq, now);
  },

  /** What mends the finding with this key; undefined when the document has moved on. */
  remedies(seq: number, key: string): readonly Remedy[] | undefined {
    const design = followed.at(seq);
    return design === undefined ? undefined : remediesOf(design, { key });
  },
};

function resultOf(seq: number, design: Design): AnalysisResult {
  return { seq, judged: judge(findingsOf(design), design.aircraft) };
}

export type AnalysisWorker = typeof analysis;
expose(analysis);
