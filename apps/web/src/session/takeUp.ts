import { SCHEMA_VERSION, type EditId } from '@wired-falcon/core';
import { arrivedOf } from './arrivedOf.ts';
import type { PendingRecord } from './browserStore.ts';
import type { EditSession } from './editSession.ts';
import type { PendingStore } from './pendingStore.ts';
import type { SubmittedEdit, Transport } from './transport.ts';

/**
 * Takes up what sessions that are gone had not sent, and forgets their records when it is kept under this one. What did
 * arrive, though its answer was lost, is left out. Asked for at the start and now and then: what cannot be taken up now stays for the
 * next time.
 */
export async function takeUp(session: EditSession, author: string, store: PendingStore, transport: Transport): Promise<void> {
  for (const record of await store.takeUp(session.id, author)) {
    if (isOfNewerProduct(record)) {
      session.say('Edits of a newer version of the product wait in this browser. Load this page again to get that version.');
      continue;
    }
    const { epoch, version } = session.getState();
    // What waited at the very version that is shown here is not part of it. Of any other the server knows; while it is away, they stay.
    const isAtSame = record.epoch === epoch && record.version === version;
    const arrived = isAtSame ? nothing : await arrivedOf(transport, session.id, idsIn(record));
    if (session.isClosed) return;
    const isSeen = ({ editId }: SubmittedEdit): boolean => (arrived.get(editId) ?? Number.POSITIVE_INFINITY) <= session.getState().version;
    session.resume(
      record.edits.filter((submitted) => !isSeen(submitted)),
      record.aside.filter(({ submitted }) => !isSeen(submitted)),
    );
    if (await isKept(session)) await store.forget([record]);
  }
}

const nothing: ReadonlyMap<EditId, number> = new Map();

function idsIn({ edits, aside }: PendingRecord): readonly EditId[] {
  return [...edits, ...aside.map(({ submitted }) => submitted)].map(({ editId }) => editId);
}

function isOfNewerProduct({ edits, aside }: PendingRecord): boolean {
  return [...edits, ...aside.map(({ submitted }) => submitted)].some(({ schema }) => schema > SCHEMA_VERSION);
}

/** Whether what a session took up is kept under its own record, as soon as that is known. */
function isKept(session: EditSession): Promise<boolean> {
  return new Promise((resolve) => {
    let stop: () => void = () => undefined;
    const look = (): void => {
      const { keeping } = session.getState();
      if (keeping === 'writing') return;
      stop();
      resolve(keeping === 'browser');
    };
    stop = session.subscribe(look);
    look();
  });
}
