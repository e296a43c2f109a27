import { afterAll, beforeAll, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit, asId, canonicalJson, shipped, newAircraft, withFreshIds, type Design, type Edit } from '@wired-falcon/core';
import { draws } from '../../../packages/core/src/test/randomEdits/draw.ts';
import { editFrom } from '../../../packages/core/src/test/randomEdits/editFrom.ts';
import { submitted, TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

let count = 0;
const makeId = (): string => `s${++count}`;

/** Fills each edit of a batch from one pot of new ids, as the browser does for a proposal. */
function filled(edit: Edit): Edit {
  if (edit.kind !== 'batch') return withFreshIds(edit, makeId);
  const edits = edit.edits
    .map((one) => withFreshIds(one, makeId))
    .flatMap((one) => (one.kind === 'batch' || one.kind === 'undo' ? [] : [one]));
  return { ...edit, edits };
}

it('random edits give the same document on the server as in the browser, undone ones too', async () => {
  let accepted = 0;
  await fc.assert(
    fc.asyncProperty(draws, async (list) => {
      const id = await server.create('Same');
      let design: Design = { aircraft: newAircraft(id, 'Same'), ...shipped };
      const edits: ReturnType<typeof submitted>[] = [];
      for (const draw of list) {
        const edit = filled(editFrom(design, draw));
        const result = applyEdit(design, edit);
        if ('refused' in result) continue;
        const editId = makeId();
        edits.push(submitted(editId, edit));
        design = result.design;
        if (draw.kind % 5 !== 0) continue;
        const undone = applyEdit(design, { kind: 'undo', of: asId(editId) }, () => result.inverse);
        if ('refused' in undone) throw new Error(undone.refused.sentence);
        edits.push(submitted(makeId(), { kind: 'undo', of: asId(editId) }));
        design = undone.design;
      }
      if (edits.length === 0) return;
      const { body } = await server.edit(id, 0, edits);
      expect(body).toMatchObject({ is: 'done', version: edits.length });
      accepted += edits.length;
      expect(canonicalJson((await server.load(id)).aircraft)).toBe(canonicalJson(design.aircraft));
    }),
    { numRuns: 20 },
  );
  expect(accepted).toBeGreaterThan(100);
});
