import { canonicalJson, type AircraftId, type EditId } from '@wired-falcon/core';
import type { EditSession } from '../../apps/web/src/session/editSession.ts';
import type { RealWorkshop } from './realWorkshop.ts';
import type { Window } from './window.ts';

/** Where each edit that a person made has gone. */
export class Accounts {
  /** Edits that went with a window that had said that it alone held them. */
  readonly #goneWithWindow = new Set<EditId>();

  constructor(
    private readonly workshop: RealWorkshop,
    private readonly windows: readonly Window[],
  ) {}

  /** A window closes that had said that it alone held its edits. */
  letGo(session: EditSession): void {
    for (const editId of unsentBy(session)) this.#goneWithWindow.add(editId);
  }

  /**
   * In the journal (of now, or before a restore), shown as not made, taken back before it was made, or gone with a window that had
   * said so. An undo also when the document does not hold what it takes back: not made, or gone with a restore.
   */
  has(editId: EditId): boolean {
    if (this.workshop.accepted.has(editId) || this.#goneWithWindow.has(editId)) return true;
    const { windows } = this;
    if (windows.some(({ shown }) => shown.has(editId))) return true;
    if (windows.some(({ made }) => [...made.values()].some(({ edit }) => edit.kind === 'undo' && edit.of === editId))) return true;
    const edit = windows.map(({ made }) => made.get(editId)?.edit).find((found) => found !== undefined);
    if (edit?.kind !== 'undo') return false;
    return windows.some(({ saidOfUndo }) => saidOfUndo.size > 0) || !this.workshop.acceptedNow.has(edit.of);
  }
}

/** What open windows say at this moment that is not so: "saved", and "kept in this browser". */
export function wrongNow(windows: readonly Window[], accounts: Accounts): readonly string[] {
  return windows.flatMap(({ session, name, isClosed, browser, made }) => {
    if (session === undefined || isClosed) return [];
    const { saving, keeping } = session.getState();
    const unsaved = saving === 'saved' ? [...made.keys()].filter((editId) => !accounts.has(editId)) : [];
    const record = browser.store.records.get(name);
    const kept = new Set(
      [...(record?.edits ?? []), ...(record?.aside ?? []).map(({ submitted }) => submitted)].map(({ editId }) => editId),
    );
    const unkept = keeping === 'browser' ? unsentBy(session).filter((editId) => !kept.has(editId)) : [];
    return [
      ...unsaved.map((editId) => `Window ${name} says "saved", and the edit ${editId} is not.`),
      ...unkept.map((editId) => `Window ${name} says that the edit ${editId} is kept in the browser, and it is not.`),
    ];
  });
}

/** What differs from the journal when all is quiet: documents, versions, what undo would take back, and edits that are nowhere. */
export async function wrongAtRest(
  workshop: RealWorkshop,
  id: AircraftId,
  windows: readonly Window[],
  accounts: Accounts,
): Promise<readonly string[]> {
  const { aircraft, version } = await workshop.aircraft(id);
  const inJournal = (await workshop.rows(id)).map(({ editId }) => editId);
  const wrong: string[] = [];
  if (new Set(inJournal).size !== inJournal.length) wrong.push('An edit is in the journal twice.');
  for (const editId of workshop.acceptedNow)
    if (!inJournal.includes(editId)) wrong.push(`The acknowledged edit ${editId} is not in the journal.`);
  for (const { name, session, isClosed, browser } of windows) {
    if (isClosed || session === undefined) continue;
    const { design, version: shown, saving, undo, redo } = session.getState();
    if (canonicalJson(design.aircraft) !== canonicalJson(aircraft)) wrong.push(`Window ${name} shows another document than the journal.`);
    if (shown !== version) wrong.push(`Window ${name} is at ${shown}, the journal at ${version}.`);
    if (saving !== 'saved') wrong.push(`Window ${name} says "${saving}".`);
    const history = await workshop.history(id, browser.name);
    if (idsOf(undo) !== idsOf(history.undo)) wrong.push(`Window ${name} would undo something else than the journal says.`);
    if (idsOf(redo) !== idsOf(history.redo)) wrong.push(`Window ${name} would redo something else than the journal says.`);
  }
  for (const window of windows) {
    wrong.push(...window.wrong);
    for (const editId of window.made.keys())
      if (!accounts.has(editId)) wrong.push(`The edit ${editId} of window ${window.name} is nowhere.`);
  }
  return wrong;
}

function unsentBy({ pending, aside }: EditSession): readonly EditId[] {
  return [...pending, ...aside.map(({ submitted }) => submitted)].map(({ editId }) => editId);
}

function idsOf(entries: readonly { readonly editId: EditId }[]): string {
  return entries.map(({ editId }) => editId).join(' ');
}
