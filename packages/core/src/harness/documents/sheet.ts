import Papa from 'papaparse';
import { inUnits, figureIn, unitIn } from '../../text/readersUnits.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import type { Unit, UnitSystem } from '../../text/units.ts';

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
  /** The unit that its numbers are in: written behind the title, once. */
  readonly unit?: Unit;
}

/** The head of a column: its title, with its unit as the reader has it. */
export function headOf({ title, unit }: Column, system: UnitSystem = 'metric'): string {
  return unit === undefined ? title : `${title} ${unitIn(unit, system)}`;
}

/** A number, and what may go on behind it: `620 left`. */
const FIGURE = /^-?\d+(?:\.\d+)?(?= |$)/;

/** A cell as the reader has it: the number of a column with a unit, and quantities in words, in the reader's units. */
export function cellIn(cell: string, unit: Unit | undefined, system: UnitSystem): string {
  if (system === 'metric' || unit === undefined) return inUnits(cell, system);
  return cell.replace(FIGURE, (figure) => figureIn(Number(figure), unit, system));
}

/**
 * A sheet as CSV, in metric units, after RFC 4180: UTF-8 with a byte order mark, CRLF, quoted where needed. A cell that a spreadsheet would
 * read as a formula (a leading `=`, `+`, `-`, `@`, tab or return) gets an apostrophe before it.
 */
export function sheetToCsv(sheet: Sheet): string {
  const fields = sheet.columns.map((column) => headOf(column));
  const body = Papa.unparse({ fields, data: sheet.rows.map((row) => row.map(withPlainSpaces)) }, { newline: '\r\n', escapeFormulae: true });
  return `\uFEFF${body}\r\n`;
}
