import Papa from 'papaparse';

/** A document as a table: the same for the page, for print and for CSV. */
export interface Sheet {
  readonly title: string;
  readonly subtitle: string;
  /** How the page shows it: as a table unless it says otherwise. */
  readonly form?: 'labels';
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly string[])[];
  /** Sentences that stand below the table. */
  readonly notes: readonly string[];
  /** Cautions that belong to this document, once. */
  readonly cautions: readonly string[];
}

export interface Column {
  readonly title: string;
  /** Values and pin labels are set in the monospace; words are not. */
  readonly kind: 'words' | 'value' | 'number' | 'colour';
}

/**
 * A sheet as CSV after RFC 4180: UTF-8 with a byte order mark, CRLF, quoted where needed. A cell that a spreadsheet would
 * read as a formula (a leading `=`, `+`, `-`, `@`, tab or return) gets an apostrophe before it.
 */
export function sheetToCsv(sheet: Sheet): string {
  const fields = sheet.columns.map((column) => column.title);
  const body = Papa.unparse({ fields, data: sheet.rows.map((row) => [...row]) }, { newline: '\r\n', escapeFormulae: true });
  return `\uFEFF${body}\r\n`;
}
