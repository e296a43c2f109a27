import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { afterRow, asId, emptyStacks, type AircraftId, type EditId } from '@wired-falcon/core';
import type { ArrivedResponse, HistoryEntry, JournalEntry } from '@wired-falcon/contract';
import { JournalTable, type JournalRow } from '../database/tables.ts';
import { entryFrom, putBackFrom } from './journalRows.ts';

const HISTORY_LENGTH = 500;

/** Answers what was done before. */
@Injectable()
export class JournalReader {
  constructor(private readonly em: EntityManager) {}

  /** The edits after a version, oldest first; undefined when one of them is not understood by this version of the product. */
  async since(id: AircraftId, version: number): Promise<JournalEntry[] | undefined> {
    const rows = await this.em.fork().find(JournalTable, { aircraft: id, version: { $gt: version } }, { orderBy: { version: 'asc' } });
    const undone = await this.rowsOf(
      id,
      rows.map((row) => row.undoOf).filter((of) => of !== null && of !== undefined),
    );
    const entries = rows.map((row) => entryFrom(row, undone.get(row.undoOf ?? '')));
    const understood = entries.filter((entry) => entry !== undefined);
    return understood.length === entries.length ? understood : undefined;
  }

  /** What an author can undo and redo, newest last. */
  async historyOf(id: AircraftId, author: string): Promise<{ undo: HistoryEntry[]; redo: HistoryEntry[] }> {
    const em = this.em.fork();
    const rows = await em.find(JournalTable, { aircraft: id, author }, { orderBy: { version: 'desc' }, limit: HISTORY_LENGTH });
    rows.reverse();
    const byId = new Map(rows.map((row) => [row.editId, row]));
    const stacks = rows.reduce(
      (before, { editId, undoOf }) =>
        afterRow(before, { editId: asId<EditId>(editId), ...(undoOf == null ? {} : { undoOf: asId<EditId>(undoOf) }) }),
      emptyStacks,
    );
    const entries = (ids: readonly EditId[]): HistoryEntry[] =>
      ids.flatMap((editId) => {
        const row = byId.get(editId);
        const inverse = row === undefined ? undefined : putBackFrom(row);
        return row === undefined || inverse === undefined ? [] : [{ editId, title: row.title, inverse }];
      });
    return { undo: entries(stacks.undo), redo: entries(stacks.redo) };
  }

  /** Which of some edits are in the journal. For a window that cannot know whether what it sent has arrived. */
  async arrived(id: AircraftId, editIds: readonly EditId[]): Promise<ArrivedResponse> {
    const rows = await this.rowsOf(id, editIds);
    return { arrived: [...rows.values()].map(({ editId, version }) => ({ editId: asId<EditId>(editId), version })) };
  }

  /** The rows of some edits, by edit. */
  async rowsOf(id: AircraftId, editIds: readonly string[]): Promise<Map<string, JournalRow>> {
    if (editIds.length === 0) return new Map();
    const rows = await this.em.fork().find(JournalTable, { aircraft: id, editId: { $in: [...editIds] } });
    return new Map(rows.map((row) => [row.editId, row]));
  }
}
