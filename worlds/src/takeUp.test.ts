import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { asId, SCHEMA_VERSION, type EditId } from '@wired-falcon/core';
import type { PendingRecord } from '../../apps/web/src/session/browserStore.ts';
import { takeUp } from '../../apps/web/src/session/takeUp.ts';
import { BrowserStore } from './browser.ts';
import { RealWorkshop } from './realWorkshop.ts';
import { quiet, rename, SessionBench } from './sessionBench.ts';

let workshop: RealWorkshop;
beforeAll(async () => {
  workshop = await RealWorkshop.open();
});
afterAll(() => workshop.dispose());

/** A window that is gone had renamed the aircraft, and the browser kept it. */
async function leftBehind(editId: EditId) {
  const bench = await SessionBench.of(workshop);
  const { session } = await bench.open();
  const store = new BrowserStore();
  const edits = [{ editId, at: '2026-11-24T10:00:00.000Z', by: 'me', schema: SCHEMA_VERSION, edit: rename('Left behind', 'Test') }];
  const record: PendingRecord = { aircraft: bench.id, session: 'gone', author: 'me', epoch: 'another', version: 0, edits, aside: [] };
  store.records.set('gone', record);
  return { bench, session, store, seen: store.seenBy('new') };
}

it('makes again what a window that is gone had not sent', async () => {
  const { bench, session, seen } = await leftBehind(asId<EditId>('left1'));
  await takeUp(session, 'me', seen, bench.transport);
  await quiet(session);
  expect(await bench.titles()).toEqual(['Rename the aircraft to Left behind']);
});

it('leaves it to the next window when it is closed while it asks what of it arrived: it could tell nobody what became of it', async () => {
  const { bench, session, store, seen } = await leftBehind(asId<EditId>('left2'));
  const takingUp = takeUp(session, 'me', seen, bench.transport);
  session.close();
  await takingUp;
  expect(session.pending).toEqual([]);
  expect([...store.records.keys()]).toEqual(['gone']);
});
