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

/** The map of the field in a situation at a height, drawn in the worker; a newer wish ends an older one, whose lines stay until then. */
export function useFieldMap(scenario: string, waterMm: number, window: ViewBox, moving: Edit | undefined): FieldLines | undefined {
  const { x, y, width, height } = window;
  const wish = useMemo(
    () => ({ scenario, waterMm, window: { x, y, width, height }, moving }),
    [scenario, waterMm, x, y, width, height, moving],
  );
  const { shown } = useCalculated<typeof fieldMap>('layout.field', wish);
  return useMemo(() => (shown === undefined ? undefined : { seq: shown.seq, lines: shown.answer }), [shown]);
}
