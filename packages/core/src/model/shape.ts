import { type Static, type TSchema } from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';

/** Every property of a value, all the way down, made read-only. Branded strings stay what they are. */
export type DeepReadonly<T> = unknown extends T
  ? T
  : T extends string | number | boolean | null | undefined
    ? T
    : T extends readonly (infer E)[]
      ? readonly DeepReadonly<E>[]
      : { readonly [K in keyof T]: DeepReadonly<T[K]> };

/** The read-only TypeScript type of a runtime schema. */
export type Shape<S extends TSchema> = DeepReadonly<Static<S>>;

/** One place where a value does not have the shape that it should have. */
export interface ShapeProblem {
  /** Path from the root in the form `/items/abc/ref`; empty for the root itself. */
  readonly path: string;
  readonly message: string;
}

/** True when `value` has the shape; narrows its type. NaN and infinities are refused as numbers. */
export function hasShape<S extends TSchema>(schema: S, value: unknown): value is Shape<S> {
  return Value.Check(schema, value);
}

/**
 * The first few places where `value` does not fit `schema`, in document order.
 * @param most how many to give at the most
 */
export function shapeProblems(schema: TSchema, value: unknown, most = 5): ShapeProblem[] {
  const found: ShapeProblem[] = [];
  for (const error of Value.Errors(schema, value)) {
    if (found.length >= most) break;
    found.push({ path: error.path, message: error.message });
  }
  return found;
}
