import { Type } from '@sinclair/typebox';
import { shipped, usedRevisions, withRevisions } from '../edits/library.ts';
import { integrityOf } from '../edits/integrity.ts';
import { partProblems } from '../graph/partProblems.ts';
import { AircraftSchema, SCHEMA_VERSION } from '../model/aircraft.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import { dialectProblems } from '../dialects/dialectProblems.ts';
import { DialectSchema } from '../model/dialect.ts';
import type { Design } from '../model/design.ts';
import { migrate } from './migrations.ts';
import { hiddenTextIn } from '../model/plainText.ts';
import { PartSchema } from '../model/part.ts';
import { hasShape, shapeProblems } from '../model/shape.ts';

const FORMAT = 'wired-falcon-aircraft';

/** The shape of an aircraft file; written out as the published JSON Schema. */
export const AircraftFileSchema = Type.Object(
  {
    format: Type.Literal(FORMAT),
    aircraft: AircraftSchema,
    parts: Type.Array(PartSchema),
    /** The dialect that the aircraft uses. Files of schema 9 and before have none. */
    dialects: Type.Array(DialectSchema),
  },
  { additionalProperties: false, title: 'Wired Falcon aircraft', $id: `wired-falcon-aircraft-${SCHEMA_VERSION}` },
);

/** The file of an aircraft: itself, and the parts and the dialect that it uses. Equal designs give equal bytes. */
export function writeAircraftFile(design: Design): string {
  return `${canonicalJson({ format: FORMAT, aircraft: design.aircraft, ...usedRevisions(design) }, 2)}\n`;
}

export type ReadResult = { readonly design: Design; readonly migrated: readonly string[] } | { readonly sentence: string };

/** Reads the text of an aircraft file. Gives the design, or one sentence that says what is wrong and where. Never throws. */
export function readAircraftFile(text: string): ReadResult {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { sentence: 'The file is not JSON. Export the aircraft again, and import the file as it was written.' };
  }
  return readAircraftValue(value);
}

/** The same for a value that has been parsed already. */
export function readAircraftValue(value: unknown): ReadResult {
  if (!isRecord(value) || value['format'] !== FORMAT) {
    return { sentence: `The file is not an aircraft: its "format" should be "${FORMAT}".` };
  }
  const document = value['aircraft'];
  if (!isRecord(document)) return { sentence: 'The file holds no aircraft: "aircraft" should be an object.' };
  const migrated = migrate(document);
  if (migrated.is !== 'migrated') return { sentence: migrated.sentence };
  const candidate: unknown = { dialects: [], ...value, aircraft: migrated.document };
  if (!hasShape(AircraftFileSchema, candidate)) {
    const [problem] = shapeProblems(AircraftFileSchema, candidate, 1);
    return { sentence: `The file is not a valid aircraft at ${problem?.path ?? '/'}: ${problem?.message ?? 'unknown'}.` };
  }
  const hidden = hiddenTextIn(candidate);
  if (hidden !== undefined)
    return { sentence: `The text at ${hidden.path} ${hidden.problem}. Remove it from the file, and import it again.` };
  const design: Design = { ...withRevisions({ parts: new Map(), dialects: shipped.dialects }, candidate), aircraft: candidate.aircraft };
  for (const part of candidate.parts) {
    const [problem] = partProblems(part);
    if (problem !== undefined) return { sentence: `The part "${part.name}" in the file is inconsistent: ${problem}` };
  }
  for (const dialect of candidate.dialects) {
    const [problem] = dialectProblems(dialect);
    if (problem !== undefined) return { sentence: `The dialect "${dialect.name}" in the file is inconsistent: ${problem}` };
  }
  const [broken] = integrityOf(design);
  if (broken !== undefined) return { sentence: `The aircraft in the file is inconsistent: ${broken.sentence}` };
  return { design, migrated: migrated.steps };
}

function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
