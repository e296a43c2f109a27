import type { TSchema } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import { hasShape, type Shape } from '../model/shape.ts';

/** Why an edit was not made: a code for programs, a sentence for people, and the ids it is about. */
export interface Refusal {
  readonly code: RefusalCode;
  readonly sentence: string;
  readonly about: readonly string[];
}

export const REFUSAL_CODES = [
  'bad-shape',
  'unknown-part',
  'unknown-item',
  'unknown-bay',
  'unknown-port',
  'unknown-dialect',
  'unknown-cable',
  'unknown-node',
  'unknown-leg',
  'unknown-conductor',
  'unknown-mate',
  'unknown-bond',
  'unknown-wish',
  'unknown-setting',
  'unknown-waiver',
  'unknown-edit',
  'id-taken',
  'ref-taken',
  'port-occupied',
  'contact-out-of-range',
  'does-not-mate',
  'cable-to-itself',
  'leg-in-use',
  'changed-since',
  'nothing-to-do',
  'not-yours',
  'already-undone',
] as const;
export type RefusalCode = (typeof REFUSAL_CODES)[number];

/** What one kind of edit makes of a design. */
export type Outcome = { readonly aircraft: Aircraft } | { readonly refused: Refusal };

/** An edit that was not made. */
export type Refused = Extract<Outcome, { refused: unknown }>;

export function refuse(code: RefusalCode, sentence: string, ...about: readonly string[]): Refused {
  return { refused: { code, sentence, about } };
}

/** One kind of edit: its shape, what it is called, and what it does. The only thing to write to add one. */
export interface EditKind<S extends TSchema = TSchema> {
  readonly kind: string;
  readonly schema: S;
  /** What the edit is called in the list of edits and beside undo: "Wire GNSS1 UART to FC1 S4". */
  readonly titleOf: (edit: unknown, design: Design) => string;
  /** Never throws, whatever the design holds. */
  readonly apply: (design: Design, edit: unknown) => Outcome;
}

interface EditKindSpec<S extends TSchema> {
  readonly kind: string;
  readonly schema: S;
  readonly title: (edit: Shape<S>, design: Design) => string;
  readonly apply: (design: Design, edit: Shape<S>) => Outcome;
}

/** Makes an edit kind whose functions check the shape of what they are given before they look at it. */
export function editKind<S extends TSchema>(spec: EditKindSpec<S>): EditKind<S> {
  return {
    kind: spec.kind,
    schema: spec.schema,
    titleOf: (edit, design) => (hasShape(spec.schema, edit) ? spec.title(edit, design) : spec.kind),
    apply: (design, edit) =>
      hasShape(spec.schema, edit)
        ? spec.apply(design, edit)
        : refuse('bad-shape', `The edit "${spec.kind}" does not have the shape that it should have.`),
  };
}
