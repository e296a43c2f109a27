import { Type } from '@sinclair/typebox';
import { dialectProblems } from '../dialects/dialectProblems.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import { DialectSchema, type Dialect } from '../model/dialect.ts';
import { LIMITS } from '../model/limits.ts';
import { hiddenTextIn } from '../model/plainText.ts';
import { hasShape, shapeProblems } from '../model/shape.ts';

const FORMAT = 'wired-falcon-dialect';

/** The shape of a dialect file; written out as the published JSON Schema. */
export const DialectFileSchema = Type.Object(
  { format: Type.Literal(FORMAT), dialect: DialectSchema },
  { additionalProperties: false, title: 'Wired Falcon dialect', $id: 'wired-falcon-dialect-1' },
);

/** The file of one dialect. Equal dialects give equal bytes. */
export function writeDialectFile(dialect: Dialect): string {
  return `${canonicalJson({ format: FORMAT, dialect }, 2)}\n`;
}

/** Reads the text of a dialect file. Gives the dialect, or one sentence that says what is wrong and where. Never throws. */
export function readDialectFile(text: string): { readonly dialect: Dialect } | { readonly sentence: string } {
  if (text.length > LIMITS.dialectFileChars)
    return { sentence: `The file is too large for a dialect: ${text.length} characters; the limit is ${LIMITS.dialectFileChars}.` };
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { sentence: 'The file is not JSON. Export the dialect again, and import the file as it was written.' };
  }
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  if (format !== FORMAT) return { sentence: `The file is not a dialect: its "format" should be "${FORMAT}".` };
  if (!hasShape(DialectFileSchema, value)) {
    const [problem] = shapeProblems(DialectFileSchema, value, 1);
    return { sentence: `The file is not a valid dialect at ${problem?.path ?? '/'}: ${problem?.message ?? 'unknown'}.` };
  }
  const [first] = problemsOfDialect(value.dialect);
  return first === undefined ? { dialect: value.dialect } : { sentence: `The dialect in the file is inconsistent: ${first}` };
}

/** Everything that keeps a value from being a dialect of the workshop, as sentences. Empty for a sound dialect. */
export function problemsOfDialect(value: unknown): readonly string[] {
  if (!hasShape(DialectSchema, value))
    return shapeProblems(DialectSchema, value, 8).map(({ path, message }) => `${path || '/'}: ${message}.`);
  const hidden = hiddenTextIn(value);
  return [...(hidden === undefined ? [] : [`The text at ${hidden.path} ${hidden.problem}.`]), ...dialectProblems(value)];
}
