import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { Edit } from '@wired-falcon/core';
import { useSession } from '../../session/SessionContext.tsx';
import type { ContourLine, FieldReady, FieldWorker } from '../../workers/field.worker.ts';
import { useFollower, type Started } from '../../workers/useFollower.ts';
import type { ViewBox } from './viewBoxes.ts';

function start(): Started<Remote<FieldWorker>> {
  const worker = new Worker(new URL('../../workers/field.worker.ts', import.meta.url), { type: 'module' });
  return { worker, port: wrap<FieldWorker>(worker) };
}

/** Lines of equal field, and the number of the document that they are of. */
export interface FieldLines {
  readonly seq: number;
  readonly lines: readonly ContourLine[];
}

/** The map of the field in a situation at a height, drawn in a worker; a newer wish ends an older one, whose lines stay until then. */
export function useFieldMap(scenario: string, waterMm: number, window: ViewBox, moving: Edit | undefined): FieldLines | undefined {
  const { result, port } = useFollower<FieldReady, Remote<FieldWorker>>(useSession(), start);
  const [lines, setLines] = useState<FieldLines>();
  const seq = result?.seq;
  const { x, y, width, height } = window;
  useEffect(() => {
    if (port === undefined || seq === undefined) return undefined;
    let isOver = false;
    void port.map({ scenario, waterMm, window: { x, y, width, height }, moving }).then((drawn) => {
      if (!isOver && drawn !== undefined) setLines({ seq, lines: drawn });
    });
    return () => {
      isOver = true;
    };
  }, [port, seq, scenario, waterMm, x, y, width, height, moving]);
  return lines;
}
