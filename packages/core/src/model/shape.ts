import { type Static, type TSchema, TypeGuard } from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';

/** Every property of a value, all the way down, made read-only. Tuples and branded strings stay what they are. */
export type DeepReadonly<T> = unknown extends T
  ? T
  : T extends string | number | boolean | null | undefined
    ? T
    : T extends readonly (infer E)[]
      ? number extends T['length']
        ? readonly DeepReadonly<E>[]
        : { readonly [K in keyof T]: DeepReadonly<T[K]> }
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

/** The same as a test to pass on. */
export function shapeTest<S extends TSchema>(schema: S): (value: unknown) => value is Shape<S> {
  return (value): value is Shape<S> => hasShape(schema, value);
}

/**
 * The first few places where `value` does not fit `schema`, in document order. Where one of several objects is wanted, told
 * apart by their member `is`, the places are those of the one that the value says it is.
 * @param most how many to give at the most
 */
export function shapeProblems(schema: TSchema, value: unknown, most = 5): ShapeProblem[] {
  const found: ShapeProblem[] = [];
  for (const error of Value.Errors(schema, value)) {
    if (found.length >= most) break;
    const meant = variantMeant(error.schema, error.value);
    const inner = meant === undefined ? [] : shapeProblems(meant, error.value, most - found.length);
    if (inner.length === 0) found.push({ path: error.path, message: error.message });
    for (const problem of inner) found.push({ path: `${error.path}${problem.path}`, message: problem.message });
  }
  return found;
}

/** Of the schemas of a union, the one whose `is` is that of the value. */
function variantMeant(schema: TSchema, value: unknown): TSchema | undefined {
  if (!TypeGuard.IsUnion(schema) || typeof value !== 'object' || value === null || !('is' in value)) return undefined;
  return schema.anyOf.find((variant) => TypeGuard.IsObject(variant) && variant.properties['is']?.['const'] === value.is);
}
