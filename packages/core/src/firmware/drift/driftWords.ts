import { factFamily, fieldOf } from '../../model/firmwareFacts.ts';
import { listed } from '../../text/lists.ts';
import type { FirmwareScope } from '../scope.ts';
import { decode } from '../text/coding.ts';
import { valueWords } from '../valueWords.ts';
import type { DriftLine } from './driftOf.ts';

/** A drift in terms of the aircraft: "FC1 S4: protocol is SBUS in the aircraft; the plan has GNSS binary." */
export function driftWords(scope: FirmwareScope, line: DriftLine): string {
  const { planned, read } = line;
  switch (line.is) {
    case 'same':
      return 'As planned.';
    case 'at-delivered':
      return 'Default value; not in the plan.';
    case 'unknown':
      return 'This line is not in the dialect. It is kept with the dump.';
    case 'lost':
      return `${subject(line)}: ${lostWords(line)}`;
    case 'missing':
      return planned === undefined
        ? `"${line.keptText ?? line.name}" is kept for this aircraft and is not in the dump.`
        : `${subject(line)}: the plan has ${plannedWords(line)}; the dump has no such line.`;
    case 'extra':
      return planned === undefined
        ? `${readSubject(scope, line)}: ${readWords(scope, line)} in the aircraft; not in the plan.`
        : `${subject(line)}: the plan leaves this line out; the aircraft has ${readWords(scope, line)}.`;
    case 'differs':
      return planned === undefined
        ? `The aircraft has "${read?.text.trim() ?? ''}"; "${line.keptText ?? ''}" is kept for it.`
        : `${subject(line)}: ${differences(scope, line)}`;
  }
}

function lostWords({ lostBy }: DriftLine): string {
  const giver = `"${lostBy?.giver ?? ''}"`;
  return lostBy?.isLoaded === true
    ? `lost because a pass was missed: the controller was not restarted between ${giver} and this line. Load the last pass again.`
    : `lost because ${giver} is not loaded. Load pass 1, restart, then the next pass.`;
}

function subject({ planned, name }: DriftLine): string {
  return planned === undefined ? name : planned.row.what;
}

/** What a line that is not planned is about. */
function readSubject(scope: FirmwareScope, { read, name }: DriftLine): string {
  if (read?.is !== 'value' || !('planned' in read.compiled.is)) return name;
  const { of } = read.compiled.is.planned;
  const family = factFamily(of);
  const keys = read.compiled.keys.map((field) => {
    const code = read.codes.get(field.name) ?? '';
    const spec = family.keys[field.name];
    const [value] = spec === undefined ? [] : decode(scope, spec.coding, field, code);
    return spec === undefined || value === undefined
      ? `${spec?.title ?? field.name} ${code}`
      : `${spec.title} ${valueWords(spec.coding, value)}`;
  });
  return [family.title, ...keys].join(', ');
}

function plannedWords({ planned }: DriftLine): string {
  if (planned === undefined) return '';
  if (planned.text !== planned.derived) return `"${planned.text}", kept as in the aircraft`;
  return listed(
    planned.values.flatMap(({ field, value, code }) => {
      const spec = fieldOf(planned.family, field);
      return [`${spec?.title ?? field} ${value === undefined || spec === undefined ? code : valueWords(spec.coding, value)}`];
    }),
  );
}

interface ReadValue {
  readonly field: string;
  readonly title: string;
  readonly code: string;
  readonly words: string;
  /** That the dialect has such a value. */
  readonly isKnown: boolean;
}

/** What the aircraft has in each field, in words. */
function readValues(scope: FirmwareScope, { read, planned, delivered }: DriftLine): readonly ReadValue[] {
  const compiled = planned?.compiled ?? (read?.is === 'value' ? read.compiled : undefined);
  if (compiled === undefined || !('planned' in compiled.is)) return [];
  const { of } = compiled.is.planned;
  const asDelivered = delivered?.split(' ') ?? [];
  return compiled.values.flatMap((field, i): ReadValue[] => {
    const code = read?.is === 'value' ? read.codes.get(field.name) : asDelivered[i];
    const spec = fieldOf(of, field.name);
    if (code === undefined || spec === undefined) return [];
    if (code === field.otherwise) return [{ field: field.name, title: spec.title, code, words: code, isKnown: true }];
    const values = decode(scope, spec.coding, field, code);
    const words = [...new Set(values.map((value) => valueWords(spec.coding, value)))];
    return [
      {
        field: field.name,
        title: spec.title,
        code,
        words: words.length === 0 ? `"${code}"` : listed(words, 'or'),
        isKnown: words.length > 0,
      },
    ];
  });
}

function readWords(scope: FirmwareScope, line: DriftLine): string {
  const values = readValues(scope, line);
  return values.length === 0 ? `"${line.read?.text.trim() ?? ''}"` : listed(values.map(({ title, words }) => `${title} ${words}`));
}

/** Field by field: what is otherwise, the aircraft first. */
function differences(scope: FirmwareScope, line: DriftLine): string {
  const { planned } = line;
  if (planned === undefined) return '';
  if (planned.text !== planned.derived) return `the aircraft has ${readWords(scope, line)}; the plan has ${plannedWords(line)}.`;
  const own = new Map(planned.values.map((value) => [value.field, value]));
  const where = line.delivered !== undefined ? 'in the aircraft, as default' : 'in the aircraft';
  return readValues(scope, line)
    .filter(({ field, code }) => own.get(field)?.code !== code)
    .map(({ field, title, words, isKnown }) => {
      const value = own.get(field);
      const spec = fieldOf(planned.family, field);
      const wanted =
        value === undefined || spec === undefined ? '' : value.value === undefined ? value.code : valueWords(spec.coding, value.value);
      const strange = isKnown ? '' : ', which is not in the dialect';
      return `${title} is ${words} ${where}${strange}; the plan has ${wanted}.`;
    })
    .join(' ');
}
