import { useMemo } from 'react';
import type { Edit } from '@wired-falcon/core';
import type { ViewBox } from '../../drawing/viewBoxes.ts';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { ContourLine, fieldMap } from './calculators.ts';

/** Lines of equal field, and the number of the document that they are of. */
export interface FieldLines {
  readonly seq: number;
  readonly lines: readonly ContourLine[];
}

interface FieldMapNow {
  /** Undefined before the first. The lines of an older wish stay until those of a newer are there. */
  readonly drawn: FieldLines | undefined;
  /** Why there are none of the newest document. */
  readonly failure: string | undefined;
}

/** The map of the field in a situation at a height, drawn in the worker. Nothing is computed without a situation. */
export function useFieldMap(scenario: string | undefined, waterMm: number, window: ViewBox, moving: Edit | undefined): FieldMapNow {
  const { x, y, width, height } = window;
  const wish = useMemo(
    () => (scenario === undefined ? undefined : { scenario, waterMm, window: { x, y, width, height }, moving }),
    [scenario, waterMm, x, y, width, height, moving],
  );
  const { shown, failure } = useCalculated<typeof fieldMap>('layout.field', wish);
  const drawn = useMemo(
    () => (shown === undefined || scenario === undefined ? undefined : { seq: shown.seq, lines: shown.answer }),
    [shown, scenario],
  );
  return { drawn, failure: scenario === undefined ? undefined : failure };
}
