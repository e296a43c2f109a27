import { describe, expect, it } from '@jest/globals';
import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import { findingsOf } from '../../checks/findingsOf.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import { sampleDialects } from '../../dialects/sampleDialects.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { airframeKinds, requiredFunctions, type AirframeKind } from '../../model/airframes.ts';
import type { Design } from '../../model/design.ts';
import type { Dialect } from '../../model/dialect.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { countingIds, emptyBench } from '../../test/designs.ts';
import { outputBoards } from './outputBoard.ts';

const controllers = sampleParts.filter(({ kind, endpoints }) => kind === 'controller' && endpoints.some(({ is }) => is === 'pulse-out'));
const cases = airframeKinds.flatMap((kind) =>
  sampleDialects.flatMap((dialect) => controllers.map(({ id }) => ({ kind, dialect, controller: String(id) }))),
);

/** An aircraft of a kind with all that its outputs move, and nothing wired. */
function unwired(kind: AirframeKind, dialect: Dialect, controller: string): Design {
  const bench = emptyBench();
  if (kind !== 'flying-wing') bench.make({ kind: 'set-airframe', airframe: kind, was: 'flying-wing' });
  const now = dialectKeyOf(dialect);
  if (bench.design.aircraft.dialect !== now) bench.make({ kind: 'set-dialect', dialect: now, was: bench.design.aircraft.dialect });
  bench.add(controller, 'flight controller');
  for (const name of requiredFunctions(kind)) {
    const { title, drives } = OUTPUT_FUNCTIONS[name];
    bench.add(drives === 'motor' ? 'motor-controller-20a-6s' : 'servo-9g-digital', title);
  }
  return bench.design;
}

const freshId = countingIds('plan');

describe('planned from nothing', () => {
  it.each(cases.map((one) => [`${one.kind}, ${one.dialect.id}, ${one.controller}`, one] as const))(
    '%s',
    (_, { kind, dialect, controller }) => {
      const design = unwired(kind, dialect, controller);
      const board = outputBoards(graphOf(design))[0];
      const open = board?.rows.filter(({ planned, isNeeded }) => planned === undefined && isNeeded) ?? [];
      expect(board?.proof).toEqual({ is: 'optimal' });
      // What finds no output has a reason.
      for (const { why } of open) expect(why.length).toBeGreaterThan(10);
      if (open.length > 0) expect(board?.summary).toContain('No output for');
      const edit = board?.edit;
      if (edit === undefined) throw new Error('There is nothing to take.');
      expect(board?.undone).toEqual([]);
      const result = applyEdit(design, withFreshIds(edit, freshId));
      if ('refused' in result) throw new Error(result.refused.sentence);
      const uses = Object.values(result.design.aircraft.outputs).map((use) => use.function);
      const placed = requiredFunctions(kind).filter((name) => !open.some((row) => row.function === name));
      expect([...uses].sort()).toEqual([...placed].sort());
      const above = findingsOf(result.design).filter(({ stage, severity }) => stage === 'outputs' && severity !== 'note');
      expect(above.map(({ check }) => check)).toEqual(open.length === 0 ? [] : ['output.missing-function']);
      // The plan of what is planned is what is there.
      expect(outputBoards(graphOf(result.design))[0]?.edit).toBeUndefined();
    },
  );
});
