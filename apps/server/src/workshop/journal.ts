import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import {
  afterRow,
  applyEdit,
  emptyStacks,
  EditSchema,
  hasShape,
  PutBackSchema,
  SCHEMA_VERSION,
  asId,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type InverseOf,
  type PutBack,
} from '@wired-falcon/core';
import type { EditOutcome, EditsRequestDto, EditsResponse, HistoryEntry, JournalEntry, SubmittedEditDto } from '@wired-falcon/contract';
import { changedPieces } from '../database/documentPieces.ts';
import { isUniqueViolation } from '../database/fastWriter.ts';
import { JournalTable, type JournalRow } from '../database/tables.ts';
import { AircraftQueue } from './aircraftQueue.ts';
import { AircraftStore, snapshotOf } from './aircraftStore.ts';
import { CommitGroup, type NewRow } from './commitGroup.ts';
import { DesignCache, type CurrentDesign } from './designCache.ts';
import { PartShelf } from './partShelf.ts';

const SNAPSHOT_EVERY = 200;
const HISTORY_LENGTH = 500;

/** Takes edits in, in order, each once, and answers what was done before. */
@Injectable()
export class Journal {
  constructor(
    private readonly em: EntityManager,
    private readonly queue: AircraftQueue,
    private readonly store: AircraftStore,
    private readonly cache: DesignCache,
    private readonly shelf: PartShelf,
    private readonly commits: CommitGroup,
  ) {}

  /**
   * Makes edits on an aircraft. Repeats get their first answer. When the sender's base is older than the document, nothing
   * is done and the edits that it has not seen are given. The answer comes after the transaction is on the disk.
   */
  submit(id: AircraftId, request: EditsRequestDto): Promise<EditsResponse> {
    return this.queue.run(id, () => this.#submit(id, request));
  }

  async #submit(id: AircraftId, request: EditsRequestDto): Promise<EditsResponse> {
    const current = await this.store.currentInQueue(id);
    if (request.baseVersion === current.version) {
      const answer = await this.#submitFresh(id, current, request);
      if (answer !== undefined) return answer;
    }
    return this.#submitAfterLookingUp(id, request);
  }

  /**
   * The common case, without asking the database first: the sender has seen everything and its edits can all be made.
   * @returns undefined when one may be here already: it cannot be made a second time, or the database refuses its id
   */
  async #submitFresh(id: AircraftId, current: CurrentDesign, request: EditsRequestDto): Promise<EditsResponse | undefined> {
    const made = await this.#make(id, current, request.edits);
    if ([...made.outcomes.values()].some((outcome) => outcome.is !== 'accepted')) return undefined;
    try {
      const version = await this.#commit(id, current, made);
      return { is: 'done', version, outcomes: request.edits.map((edit) => outcomeOf(edit, made, noRows)) };
    } catch (error) {
      if (isUniqueViolation(error)) return undefined;
      throw error;
    }
  }

  async #submitAfterLookingUp(id: AircraftId, request: EditsRequestDto): Promise<EditsResponse> {
    const current = await this.store.currentInQueue(id);
    const known = await this.#rowsOf(
      id,
      request.edits.map((edit) => edit.editId),
    );
    const fresh = request.edits.filter((edit) => !known.has(edit.editId));
    if (fresh.length > 0) {
      const seenByItself = [...known.values()].filter((row) => row.version > request.baseVersion).length;
      if (request.baseVersion + seenByItself !== current.version) {
        return { is: 'stale', version: current.version, since: await this.since(id, request.baseVersion) };
      }
    }
    const made = await this.#make(id, current, fresh);
    const version = await this.#commit(id, current, made);
    return { is: 'done', version, outcomes: request.edits.map((edit) => outcomeOf(edit, made, known)) };
  }

  async #make(id: AircraftId, current: CurrentDesign, edits: readonly SubmittedEditDto[]): Promise<Made> {
    const made: Made = { design: current.design, rows: [], outcomes: new Map() };
    let stopped = false;
    for (const submitted of edits) {
      const { editId, edit } = submitted;
      if (stopped || made.outcomes.has(editId)) {
        if (!made.outcomes.has(editId)) made.outcomes.set(editId, { is: 'not-tried', editId });
        continue;
      }
      const inverseOf = edit.kind === 'undo' ? await this.#inverseFor(id, edit.of, submitted.by, made.rows) : undefined;
      const result = applyEdit(made.design, edit, inverseOf);
      if ('refused' in result) {
        stopped = true;
        made.outcomes.set(editId, { is: 'refused', editId, refusal: result.refused });
        continue;
      }
      const version = current.version + made.rows.length + 1;
      made.design = result.design;
      made.rows.push(rowOf(id, version, submitted, result.title, result.inverse));
      made.outcomes.set(editId, { is: 'accepted', editId, version, title: result.title });
    }
    return made;
  }

  /** Answers `undo`: the inverse of the author's own edit, if it has not been undone yet. */
  async #inverseFor(id: AircraftId, of: EditId, by: string, pending: readonly NewRow[]): Promise<InverseOf> {
    const em = this.em.fork();
    const row = pending.find((candidate) => candidate.editId === of) ?? (await em.findOne(JournalTable, { aircraft: id, editId: of }));
    const undone = pending.some((candidate) => candidate.undoOf === of) || (await em.count(JournalTable, { aircraft: id, undoOf: of })) > 0;
    return () => {
      if (row === null) return refusal('unknown-edit', 'The edit to undo is not in the journal of this aircraft.');
      if (row.author !== by) return refusal('not-yours', `"${row.title}" was made by ${row.author}; each person undoes their own edits.`);
      if (undone) return refusal('already-undone', `"${row.title}" is undone already.`);
      if (row.schema !== SCHEMA_VERSION)
        return refusal('changed-since', `"${row.title}" was made before the document's shape changed and stays as history.`);
      return putBackFrom(row.inverse);
    };
  }

  /** The journal rows, what changed of the document where its version still is what it was, and now and then a snapshot, as one. */
  async #commit(id: AircraftId, current: CurrentDesign, made: Made): Promise<number> {
    const version = current.version + made.rows.length;
    if (made.rows.length === 0) return version;
    const { aircraft } = made.design;
    // By the clock of this server: those of the senders need not agree, and their edits may have waited for long.
    const updatedAt = new Date().toISOString();
    const parts = this.shelf.notKept(aircraft);
    const isSnapshotDue = Math.floor(version / SNAPSHOT_EVERY) > Math.floor(current.version / SNAPSHOT_EVERY);
    await this.commits.commit({
      aircraft: id,
      from: current.version,
      to: version,
      name: aircraft.name,
      schema: SCHEMA_VERSION,
      pieces: changedPieces(current.design.aircraft, aircraft),
      updatedAt,
      rows: made.rows,
      parts,
      snapshot: isSnapshotDue ? await snapshotOf(id, version, SCHEMA_VERSION, aircraft) : undefined,
    });
    this.shelf.markKept(parts);
    this.cache.put(id, { design: made.design, version, updatedAt });
    return version;
  }

  /** The edits after a version, oldest first. */
  async since(id: AircraftId, version: number): Promise<JournalEntry[]> {
    const em = this.em.fork();
    const rows = await em.find(JournalTable, { aircraft: id, version: { $gt: version } }, { orderBy: { version: 'asc' } });
    const undone = await this.#rowsOf(
      id,
      rows.map((row) => row.undoOf).filter((of) => of !== null && of !== undefined),
    );
    return rows.map((row) => entryFrom(row, undone.get(row.undoOf ?? '')));
  }

  /** What an author can undo and redo, newest last. */
  async historyOf(id: AircraftId, author: string): Promise<{ undo: HistoryEntry[]; redo: HistoryEntry[] }> {
    const em = this.em.fork();
    const rows = await em.find(JournalTable, { aircraft: id, author }, { orderBy: { version: 'desc' }, limit: HISTORY_LENGTH });
    rows.reverse();
    const byId = new Map(rows.map((row) => [row.editId, row]));
    const stacks = rows.reduce(
      (before, row) =>
        afterRow(before, {
          editId: asId<EditId>(row.editId),
          undoOf: row.undoOf === null || row.undoOf === undefined ? undefined : asId<EditId>(row.undoOf),
        }),
      emptyStacks,
    );
    const entries = (ids: readonly EditId[]): HistoryEntry[] =>
      ids.flatMap((editId) => {
        const row = byId.get(editId);
        return row === undefined || row.schema !== SCHEMA_VERSION ? [] : [{ editId, title: row.title, inverse: putBackFrom(row.inverse) }];
      });
    return { undo: entries(stacks.undo), redo: entries(stacks.redo) };
  }

  async #rowsOf(id: AircraftId, editIds: readonly string[]): Promise<Map<string, JournalRow>> {
    if (editIds.length === 0) return new Map();
    const rows = await this.em.fork().find(JournalTable, { aircraft: id, editId: { $in: [...editIds] } });
    return new Map(rows.map((row) => [row.editId, row]));
  }
}

interface Made {
  design: Design;
  readonly rows: NewRow[];
  readonly outcomes: Map<EditId, EditOutcome>;
}

function refusal(code: 'unknown-edit' | 'not-yours' | 'already-undone' | 'changed-since', sentence: string) {
  return { refused: { code, sentence, about: [] } };
}

const noRows: ReadonlyMap<string, JournalRow> = new Map();

/** What became of an edit now, or what the journal says became of it before. */
function outcomeOf({ editId }: SubmittedEditDto, made: Made, known: ReadonlyMap<string, JournalRow>): EditOutcome {
  const row = known.get(editId);
  if (row !== undefined) return { is: 'accepted', editId, version: row.version, title: row.title };
  return made.outcomes.get(editId) ?? { is: 'not-tried', editId };
}

function rowOf(id: AircraftId, version: number, submitted: SubmittedEditDto, title: string, inverse: PutBack): NewRow {
  return {
    aircraft: id,
    version,
    editId: submitted.editId,
    author: submitted.by,
    at: submitted.at,
    schema: SCHEMA_VERSION,
    title,
    edit: JSON.stringify(submitted.edit),
    inverse: JSON.stringify(inverse),
    undoOf: submitted.edit.kind === 'undo' ? submitted.edit.of : null,
  };
}

function entryFrom(row: JournalRow, undone: JournalRow | undefined): JournalEntry {
  return {
    version: row.version,
    editId: asId<EditId>(row.editId),
    at: row.at,
    by: row.author,
    title: row.title,
    edit: editFrom(row.edit),
    ...(undone === undefined ? {} : { undoes: putBackFrom(undone.inverse) }),
  };
}

function editFrom(text: string): Edit {
  const edit: unknown = JSON.parse(text);
  if (!hasShape(EditSchema, edit)) throw new Error('A journal row holds something that is not an edit.');
  return edit;
}

function putBackFrom(text: string): PutBack {
  const inverse: unknown = JSON.parse(text);
  if (!hasShape(PutBackSchema, inverse)) throw new Error('A journal row holds something that is not an inverse.');
  return inverse;
}
