import { Type } from '@sinclair/typebox';
import { partProblems } from '../graph/partProblems.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import { PartSchema, type Part } from '../model/part.ts';
import { hiddenTextIn } from '../model/plainText.ts';
import { hasShape, shapeProblems } from '../model/shape.ts';

const FORMAT = 'wired-falcon-part';

/** The shape of a part file; written out as the published JSON Schema. */
export const PartFileSchema = Type.Object(
  { format: Type.Literal(FORMAT), part: PartSchema },
  { additionalProperties: false, title: 'Wired Falcon part', $id: 'wired-falcon-part-1' },
);

/** The file of one part. Equal parts give equal bytes. */
export function writePartFile(part: Part): string {
  return `${canonicalJson({ format: FORMAT, part }, 2)}\n`;
}

/** Reads the text of a part file. Gives the part, or one sentence that says what is wrong and where. Never throws. */
export function readPartFile(text: string): { readonly part: Part } | { readonly sentence: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { sentence: 'The file is not JSON. Export the part again, and import the file as it was written.' };
  }
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  if (format !== FORMAT) return { sentence: `The file is not a part: its "format" should be "${FORMAT}".` };
  if (!hasShape(PartFileSchema, value)) {
    const [problem] = shapeProblems(PartFileSchema, value, 1);
    return { sentence: `The file is not a valid part at ${problem?.path ?? '/'}: ${problem?.message ?? 'unknown'}.` };
  }
  const [first] = problemsOfPart(value.part);
  return first === undefined ? { part: value.part } : { sentence: `The part in the file is inconsistent: ${first}` };
}

/**
 * Everything that keeps a value from being a part of the workshop, as sentences: places that do not have their shape; when all
 * have, texts that are not plain and what does not hold together. Empty for a sound part.
 */
export function problemsOfPart(value: unknown): readonly string[] {
  if (!hasShape(PartSchema, value)) return shapeProblems(PartSchema, value, 8).map(({ path, message }) => `${path || '/'}: ${message}.`);
  const hidden = hiddenTextIn(value);
  return [...(hidden === undefined ? [] : [`The text at ${hidden.path} ${hidden.problem}.`]), ...partProblems(value)];
}
