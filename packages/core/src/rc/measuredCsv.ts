import Papa from 'papaparse';
import type { Edit, SimpleEdit } from '../edits/registry.ts';
import type { Design } from '../model/design.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import { MOST_CHANNELS, US_LEAST, US_MOST, type MeasuredChannel } from '../model/rcPlan.ts';
import { listed } from '../text/lists.ts';

/** What a table of measured channels holds. */
export interface MeasuredTable {
  readonly channels: Readonly<Record<string, MeasuredChannel>>;
  /** Lines that were not understood, each as a sentence with its number; no more than a few. */
  readonly problems: readonly string[];
}

/** The heads of columns that are understood, in small letters. */
const HEADS = {
  channel: ['channel', 'ch', 'no'],
  first: ['first', 'left', 'back', 'low', 'min', 'minimum'],
  centre: ['centre', 'center', 'middle', 'mid', 'trim'],
  last: ['last', 'right', 'forward', 'high', 'max', 'maximum'],
} as const;
type Column = keyof typeof HEADS;

/** Heads that do not say where the stick was. */
const SORTED_HEADS = /^(min|max|low|high)/;
const MOST_PROBLEMS = 5;
/** A longer file is no table of channels. */
const MOST_LINES = 200;

/**
 * Reads measured channels from CSV, with commas, semicolons or tabs between: a head with `channel`, `first`, `centre`, `last`, or these four without a
 * head. `first` is with the stick left or back, so that a channel that falls is one whose `last` is less. The centre may be empty.
 */
export function measuredFromCsv(text: string): MeasuredTable {
  const { data } = Papa.parse<readonly string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  if (data.length === 0) return { channels: {}, problems: ['The file is empty.'] };
  if (data.length > MOST_LINES)
    return {
      channels: {},
      problems: [`It has ${data.length} lines, and a controller reads at most ${MOST_CHANNELS} channels: is this the right file?`],
    };
  const head = data[0]?.map((cell) => cell.trim().toLowerCase()) ?? [];
  const hasHead = head.some((cell) => Number.isNaN(Number(cell)) && cell !== '');
  const columns = hasHead ? columnsOf(head) : { channel: 0, first: 1, centre: 2, last: 3 };
  const missing = (['channel', 'first', 'last'] as const).filter((column) => columns[column] === undefined);
  if (missing.length > 0)
    return { channels: {}, problems: [`Its first line has no column "${listed(missing)}". It begins with: channel, first, centre, last.`] };
  const channels: Record<string, MeasuredChannel> = {};
  const problems: string[] = [];
  data.slice(hasHead ? 1 : 0).forEach((cells, i) => {
    const read = lineOf(cells, columns, i + (hasHead ? 2 : 1));
    if (typeof read === 'string') problems.push(read);
    else if (Object.hasOwn(channels, read.no)) problems.push(`Line ${i + (hasHead ? 2 : 1)}: channel ${read.no} is listed twice.`);
    else channels[read.no] = read.measured;
  });
  if (hasHead && head.some((cell) => SORTED_HEADS.test(cell)))
    problems.unshift(
      'Its minimum and maximum are read as stick left and right: where the smaller value always comes first, a reversed channel is not detected.',
    );
  const shown = problems.slice(0, MOST_PROBLEMS);
  return { channels, problems: problems.length > shown.length ? [...shown, `and ${problems.length - shown.length} more lines`] : shown };
}

type Columns = Readonly<Partial<Record<Column, number>>>;

function columnsOf(head: readonly string[]): Columns {
  const at = (column: Column): number | undefined => {
    const names: readonly string[] = HEADS[column];
    const found = head.findIndex((cell) => names.includes(cell.replace(/[ _(,].*$/, '')));
    return found < 0 ? undefined : found;
  };
  const [channel, first, centre, last] = [at('channel'), at('first'), at('centre'), at('last')];
  return {
    ...(channel === undefined ? {} : { channel }),
    ...(first === undefined ? {} : { first }),
    ...(centre === undefined ? {} : { centre }),
    ...(last === undefined ? {} : { last }),
  };
}

function lineOf(
  cells: readonly string[],
  columns: Columns,
  line: number,
): { readonly no: string; readonly measured: MeasuredChannel } | string {
  const cell = (column: Column): string => cells[columns[column] ?? -1]?.trim() ?? '';
  const no = Number(cell('channel').replace(/^ch(annel)?\s*/i, ''));
  if (!Number.isInteger(no) || no < 1 || no > MOST_CHANNELS)
    return `Line ${line}: "${cell('channel').slice(0, 20)}" is not a channel from 1 to ${MOST_CHANNELS}.`;
  const width = (column: Column): number | undefined => {
    const text = cell(column);
    const value = Number(text.replace(',', '.'));
    return text !== '' && value >= US_LEAST && value <= US_MOST ? value : undefined;
  };
  const wrong = (['first', 'centre', 'last'] as const).find(
    (column) => (column !== 'centre' || cell(column) !== '') && width(column) === undefined,
  );
  const [firstUs, centreUs, lastUs] = [width('first'), width('centre'), width('last')];
  if (wrong !== undefined || firstUs === undefined || lastUs === undefined)
    return `Line ${line}: "${cell(wrong ?? 'first').slice(0, 20)}" is not a pulse width from ${US_LEAST} to ${US_MOST} us.`;
  return { no: String(no), measured: { firstUs, lastUs, ...(centreUs === undefined ? {} : { centreUs }) } };
}

/** What was read, as one edit; channels that are not planned are left out and named. */
export function measuredEdit(
  { aircraft }: Design,
  { channels }: MeasuredTable,
): { readonly edit: Edit | undefined; readonly leftOut: readonly string[] } {
  const numbers = Object.keys(channels).sort(naturalOrder);
  const leftOut = numbers.filter((no) => aircraft.rc.channels[no] === undefined);
  const edits = numbers.flatMap((no): SimpleEdit[] => {
    const [was, measured] = [aircraft.rc.channels[no], channels[no]];
    return was === undefined || measured === undefined ? [] : [{ kind: 'set-rc-channel', channel: no, value: { ...was, measured }, was }];
  });
  const title = `Measured: ${edits.length === 1 ? '1 channel' : `${edits.length} channels`}`;
  return { edit: edits.length === 0 ? undefined : { kind: 'batch', title, edits }, leftOut };
}
