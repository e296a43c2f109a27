import type { KeptLine } from '../model/firmwarePlan.ts';
import type { WrittenLine } from './text/writeLine.ts';

/** One line to load. */
export interface ConfigLine extends WrittenLine {
  /** As it follows from the aircraft; the same as `text` where nobody has kept it otherwise. */
  readonly derived: string;
  readonly keptAs: KeptLine | undefined;
  /** That it loads what a board is delivered with anyway. */
  readonly isDelivered: boolean;
  /** In which pass it is loaded, from 1. */
  readonly pass: number;
  /** The prerequisite that it needs. */
  readonly needs: string | undefined;
}
