import { expose } from 'comlink';
import {
  applyEdit,
  catalogue,
  findingsOf,
  judge,
  partKeyOf,
  type Aircraft,
  type Design,
  type Edit,
  type JudgedFinding,
  type Part,
  type PutBack,
} from '@wired-falcon/core';

/** What the checks say of the document with this number. */
export interface AnalysisResult {
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
}

let design: Design | undefined;
let designSeq = 0;

/** Holds a copy of the design, follows the same edits, and runs the checks on it. */
const analysis = {
  load(seq: number, aircraft: Aircraft, parts: readonly Part[]): AnalysisResult {
    design = { aircraft, parts: new Map([...catalogue, ...parts.map((part) => [partKeyOf(part), part] as const)]) };
    designSeq = seq;
    return resultOf(design);
  },

  /** Follows one edit. Undefined when this copy is not the document that the edit was made on; then it must be loaded. */
  follow(seq: number, edit: Edit, undoes: PutBack | undefined): AnalysisResult | undefined {
    if (design === undefined || designSeq !== seq - 1) return undefined;
    const made = applyEdit(design, edit, () => undoes ?? { refused: { code: 'unknown-edit', sentence: '', about: [] } });
    if ('refused' in made) return undefined;
    design = made.design;
    designSeq = seq;
    return resultOf(design);
  },
};

function resultOf(of: Design): AnalysisResult {
  return { seq: designSeq, judged: judge(findingsOf(of), of.aircraft) };
}

export type AnalysisWorker = typeof analysis;
expose(analysis);
