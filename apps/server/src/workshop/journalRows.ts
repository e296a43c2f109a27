import {
  EditSchema,
  hasShape,
  PutBackSchema,
  putBackOfToday,
  SCHEMA_VERSION,
  asId,
  type AircraftId,
  type Edit,
  type EditId,
  type PutBack,
} from '@wired-falcon/core';
import type { JournalEntry, SubmittedEditDto } from '@wired-falcon/contract';
import type { JournalRow } from '../database/tables.ts';
import type { NewRow } from './commitGroup.ts';

/** The row of an edit that was made. What takes it back is of the present shape of documents, whenever the edit was thought of. */
export function rowOf(id: AircraftId, version: number, submitted: SubmittedEditDto, title: string, inverse: PutBack): NewRow {
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

/**
 * A row as it is told to others.
 * @param undone for an undo: the row that it takes back
 * @returns undefined when this version of the product does not understand the row
 */
export function entryFrom(row: JournalRow, undone: JournalRow | undefined): JournalEntry | undefined {
  const edit = editFrom(row.edit);
  const undoes = undone === undefined ? undefined : putBackFrom(undone);
  if (edit === undefined || (undone !== undefined && undoes === undefined)) return undefined;
  return {
    version: row.version,
    editId: asId<EditId>(row.editId),
    at: row.at,
    by: row.author,
    title: row.title,
    edit,
    ...(undoes === undefined ? {} : { undoes }),
  };
}

/** What takes an edit back, for a document of the present shape; undefined when this version of the product does not understand it. */
export function putBackFrom({ inverse, schema }: Pick<JournalRow, 'inverse' | 'schema'>): PutBack | undefined {
  const read = putBackAsKept(inverse);
  return read === undefined ? undefined : putBackOfToday(read, schema);
}

/** The same as it was kept, for a document of the shape of its time. */
export function putBackAsKept(text: string): PutBack | undefined {
  const inverse: unknown = JSON.parse(text);
  return hasShape(PutBackSchema, inverse) ? inverse : undefined;
}

function editFrom(text: string): Edit | undefined {
  const edit: unknown = JSON.parse(text);
  return hasShape(EditSchema, edit) ? edit : undefined;
}
