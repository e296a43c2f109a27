import { type TSchema, Type } from '@sinclair/typebox';
import { EditIdSchema } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { hiddenTextIn } from '../model/plainText.ts';
import { hasShape, shapeProblems, type Shape } from '../model/shape.ts';
import { aircraftEdits } from './aircraftEdits.ts';
import { bondEdits } from './bondEdits.ts';
import { briefEdits } from './briefEdits.ts';
import { cableEdits } from './cableEdits.ts';
import { ChangeSchema } from './changes.ts';
import { conductorEdits } from './conductorEdits.ts';
import { endEdits } from './endEdits.ts';
import type { EditKind } from './family.ts';
import { firmwareEdits } from './firmwareEdits.ts';
import { frameEdits } from './frameEdits.ts';
import { itemEdits } from './itemEdits.ts';
import { legEdits } from './legEdits.ts';
import { linkEdits } from './linkEdits.ts';
import { mateEdits } from './mateEdits.ts';
import { linkageEdits } from './linkageEdits.ts';
import { outputEdits } from './outputEdits.ts';
import { partEdits } from './partEdits.ts';
import { placeEdits } from './placeEdits.ts';
import { powerEdits } from './powerEdits.ts';
import { rcEdits } from './rcEdits.ts';
import { socketEdits } from './socketEdits.ts';
import { waiverEdits } from './waiverEdits.ts';

const closed = { additionalProperties: false } as const;

/** Every kind of edit that changes a document by itself. A new family is named here once. */
const families = [
  ...aircraftEdits,
  ...briefEdits,
  ...frameEdits,
  ...itemEdits,
  ...cableEdits,
  ...endEdits,
  ...legEdits,
  ...conductorEdits,
  ...mateEdits,
  ...bondEdits,
  ...socketEdits,
  ...linkEdits,
  ...outputEdits,
  ...linkageEdits,
  ...firmwareEdits,
  ...partEdits,
  ...placeEdits,
  ...powerEdits,
  ...rcEdits,
  ...waiverEdits,
] as const;

/** An edit of one family, not a batch and not an undo. */
export type SimpleEdit = Shape<(typeof families)[number]['schema']>;
const simpleSchemas = families.map((family) => family.schema);
export const SimpleEditSchema = Type.Unsafe<SimpleEdit>(Type.Union(simpleSchemas));

export const editKinds: ReadonlyMap<string, EditKind> = new Map<string, EditKind>(families.map((family) => [family.kind, family]));

const BatchSchema = Type.Object(
  {
    kind: Type.Literal('batch'),
    title: Type.String({ minLength: 1, maxLength: LIMITS.noteChars }),
    edits: Type.Array(SimpleEditSchema, { minItems: 1, maxItems: LIMITS.editsPerBatch }),
  },
  closed,
);
/** Several edits that are made together or not at all, under one name. */
export type BatchEdit = Shape<typeof BatchSchema>;

const PutBackSchema = Type.Object(
  {
    kind: Type.Literal('put-back'),
    title: Type.String({ minLength: 1, maxLength: LIMITS.noteChars }),
    changes: Type.Array(ChangeSchema),
  },
  closed,
);
/** What an inverse is: the places that an edit changed, and what stood there. Made by `applyEdit`, never by a person. */
export type PutBack = Shape<typeof PutBackSchema>;
export { PutBackSchema };

const UndoSchema = Type.Object({ kind: Type.Literal('undo'), of: EditIdSchema }, closed);
/** Takes an earlier edit back, or an earlier undo, by the id it was sent with. */
export type UndoEdit = Shape<typeof UndoSchema>;

/** Everything that may be asked for as a change of an aircraft. */
export type Edit = SimpleEdit | BatchEdit | UndoEdit;
export const EditSchema = Type.Unsafe<Edit>(Type.Union([...simpleSchemas, BatchSchema, UndoSchema]));

/** What is wrong with the shape of something that should be an edit, in words; empty when nothing is. */
export function editProblems(value: unknown): readonly string[] {
  const kind = typeof value === 'object' && value !== null && 'kind' in value ? value.kind : undefined;
  if (typeof kind !== 'string') return ['The edit has no "kind".'];
  const own = schemaOf(kind);
  if (own === undefined) return [`There is no edit of the kind "${kind.slice(0, 40)}".`];
  if (!hasShape(own, value)) return shapeProblems(own, value).map((problem) => `${kind}${problem.path}: ${problem.message}`);
  const hidden = hiddenTextIn(value);
  return hidden === undefined ? [] : [`The text at ${hidden.path} ${hidden.problem}.`];
}

/** The schema of one kind: looking at that one alone is much faster than trying all of them. */
function schemaOf(kind: string): TSchema | undefined {
  if (kind === 'batch') return BatchSchema;
  return kind === 'undo' ? UndoSchema : editKinds.get(kind)?.schema;
}
