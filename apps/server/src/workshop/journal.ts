import { EntityManager } from '@mikro-orm/core';
import type { SqlEntityManager } from '@mikro-orm/libsql';
import { Inject, Injectable } from '@nestjs/common';
import { applyEdit, refuse, SCHEMA_VERSION, type AircraftId, type Design, type EditId, type InverseOf } from '@wired-falcon/core';
import type { EditOutcome, EditsRequestDto, EditsResponse, EditsSinceResponse, SubmittedEditDto } from '@wired-falcon/contract';
import { changedPieces } from '../database/documentPieces.ts';
import { isUniqueViolation, readRow } from '../database/fastWriter.ts';
import type { JournalRow } from '../database/tables.ts';
import { OlderServer } from '../http/errors.ts';
import { AircraftQueue } from './aircraftQueue.ts';
import { AircraftStore, snapshotOf } from './aircraftStore.ts';
import { CommitGroup, type NewRow } from './commitGroup.ts';
import { DesignCache, type CurrentDesign } from './designCache.ts';
import { Epoch } from './epoch.ts';
import { JournalReader } from './journalReader.ts';
import { putBackFrom, rowOf } from './journalRows.ts';
import { Library } from './library.ts';

const SNAPSHOT_EVERY = 200;

/** Takes edits in, in order, each once. */
@Injectable()
export class Journal {
  constructor(
    @Inject(EntityManager) private readonly em: SqlEntityManager,
    private readonly epoch: Epoch,
    private readonly queue: AircraftQueue,
    private readonly store: AircraftStore,
    private readonly cache: DesignCache,
    private readonly library: Library,
    private readonly commits: CommitGroup,
    private readonly reader: JournalReader,
  ) {}

  /**
   * Makes edits on an aircraft. When the sender's base is older than the document, nothing is done and the edits that it has not
   * seen are given, those of its own that had arrived among them. Else repeats get their first answer, and new edits are made.
   * The answer comes after the transaction is on the disk.
   * @throws OlderServer when an edit was made by a newer version of the product
   */
  submit(id: AircraftId, request: EditsRequestDto): Promise<EditsResponse> {
    if (request.edits.some(({ schema }) => schema > SCHEMA_VERSION)) throw new OlderServer();
    return this.queue.run(id, () => this.#submit(id, request));
  }

  /** The edits after a version of this epoch. */
  async since(id: AircraftId, epoch: string, version: number): Promise<EditsSinceResponse> {
    const current = await this.store.current(id);
    if (this.#isOther(epoch, version, current)) return this.#otherDocument();
    const edits = await this.reader.since(id, version);
    return edits === undefined ? this.#otherDocument() : { is: 'since', version: edits.at(-1)?.version ?? version, edits };
  }

  async #submit(id: AircraftId, request: EditsRequestDto): Promise<EditsResponse> {
    const current = await this.store.currentInQueue(id);
    if (this.#isOther(request.epoch, request.baseVersion, current)) return this.#otherDocument();
    if (request.baseVersion === current.version) {
      const answer = await this.#submitFresh(id, current, request);
      if (answer !== undefined) return answer;
    }
    return this.#submitAfterLookingUp(id, request);
  }

  /** True when what the sender has seen is not a state that this document was ever in. */
  #isOther(epoch: string, version: number, current: CurrentDesign): boolean {
    return epoch !== this.epoch.value || version > current.version;
  }

  #otherDocument(): EditsResponse & EditsSinceResponse {
    return { is: 'other-document', epoch: this.epoch.value };
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
    const known = await this.reader.rowsOf(
      id,
      request.edits.map((edit) => edit.editId),
    );
    if (!isOnlyByItself(request, known, current.version)) {
      const since = await this.reader.since(id, request.baseVersion);
      return since === undefined ? this.#otherDocument() : { is: 'stale', version: current.version, since };
    }
    const fresh = request.edits.filter((edit) => !known.has(edit.editId));
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

  /** Answers `undo`: the inverse of the author's own edit, if it has not been undone yet. However old: where its places are gone, `applyEdit` refuses it. */
  async #inverseFor(id: AircraftId, of: EditId, by: string, pending: readonly NewRow[]): Promise<InverseOf> {
    const found = pending.find((candidate) => candidate.editId === of) ?? (await this.#undoable(id, of));
    const isUndone = (found !== undefined && 'isUndone' in found && found.isUndone) || pending.some((candidate) => candidate.undoOf === of);
    return () => {
      if (found === undefined) return refuse('unknown-edit', 'Cannot undo: the edit is not in the journal of this aircraft.');
      const { title, author } = found;
      if (author !== by) return refuse('not-yours', `Cannot undo: ${title}. It was made by ${author}; each person undoes their own edits.`);
      if (isUndone) return refuse('already-undone', `Cannot undo: ${title}. It is undone already.`);
      return (
        putBackFrom(found) ??
        refuse('changed-since', `Cannot undo: ${title}. It was made by another version of the product and stays as history.`)
      );
    };
  }

  /** An edit of the journal as undo asks for it. */
  async #undoable(id: AircraftId, of: EditId): Promise<Undoable | undefined> {
    const row = await readRow(this.em.fork(), UNDOABLE, id, of);
    return row === undefined
      ? undefined
      : {
          author: String(row['author']),
          title: String(row['title']),
          inverse: String(row['inverse']),
          schema: Number(row['schema']),
          isUndone: row['undone'] === 1,
        };
  }

  /** The journal rows, what changed of the document where its version still is what it was, and now and then a snapshot, as one. */
  async #commit(id: AircraftId, current: CurrentDesign, made: Made): Promise<number> {
    const version = current.version + made.rows.length;
    if (made.rows.length === 0) return version;
    const { aircraft } = made.design;
    // By the clock of this server: those of the senders need not agree, and their edits may have waited for long.
    const updatedAt = new Date().toISOString();
    const kept = this.library.notKept(aircraft);
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
      kept,
      snapshot: isSnapshotDue ? await snapshotOf(id, version, SCHEMA_VERSION, aircraft) : undefined,
    });
    this.library.addStored(kept);
    this.cache.put(id, { design: made.design, version, updatedAt });
    return version;
  }
}

/**
 * True when nothing lies between what the sender has seen and the present version but the first of its own edits, in its order and as
 * it sends them. To answer "done" in any other case would hide from it what lies between, also when all are repeats: another
 * window may have taken an edit up and sent it under another name.
 */
function isOnlyByItself({ baseVersion, edits }: EditsRequestDto, known: ReadonlyMap<string, JournalRow>, version: number): boolean {
  const unseen = edits.filter(({ editId }) => (known.get(editId)?.version ?? Number.POSITIVE_INFINITY) > baseVersion);
  const between = unseen.slice(0, version - baseVersion);
  return (
    between.length === version - baseVersion &&
    between.every(({ editId, edit }, i) => {
      const row = known.get(editId);
      return row?.version === baseVersion + 1 + i && row.edit === JSON.stringify(edit);
    }) &&
    unseen.slice(between.length).every(({ editId }) => !known.has(editId))
  );
}

interface Undoable {
  readonly author: string;
  readonly title: string;
  readonly inverse: string;
  readonly schema: number;
  readonly isUndone: boolean;
}

const UNDOABLE = `select author, title, inverse, schema, exists (select 1 from journal u where u.aircraft = j.aircraft and u.undo_of = j.edit_id) as undone
  from journal j where aircraft = ? and edit_id = ?`;

interface Made {
  design: Design;
  readonly rows: NewRow[];
  readonly outcomes: Map<EditId, EditOutcome>;
}

const noRows: ReadonlyMap<string, JournalRow> = new Map();

/** What became of an edit now, or what the journal says became of it before. */
function outcomeOf({ editId }: SubmittedEditDto, made: Made, known: ReadonlyMap<string, JournalRow>): EditOutcome {
  const row = known.get(editId);
  if (row !== undefined) return { is: 'accepted', editId, version: row.version, title: row.title };
  return made.outcomes.get(editId) ?? { is: 'not-tried', editId };
}
