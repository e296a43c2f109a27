import { documentKinds, faultSheet, faultSteps, graphOf, type Design, type Sheet } from '@wired-falcon/core';

/** For so long a sweep keeps other requests waiting at a time. */
const SLICE_MS = 15;

/** A document of an aircraft; undefined when there is no such kind or subject. The long ones let other requests through meanwhile. */
export async function makeDocument(design: Design, kindId: string, subject: string): Promise<Sheet | undefined> {
  const graph = graphOf(design);
  const kind = documentKinds.find(({ id }) => id === kindId);
  if (kind === undefined || !kind.subjects(graph).some(({ id }) => id === subject)) return undefined;
  if (kind.id !== 'faults') return kind.build(graph, subject);
  const steps = faultSteps(graph);
  for (let from = performance.now(), step = steps.next(); ; step = steps.next()) {
    if (step.done === true) return faultSheet(graph, step.value);
    if (performance.now() - from < SLICE_MS) continue;
    await new Promise((resolve) => setImmediate(resolve));
    from = performance.now();
  }
}
