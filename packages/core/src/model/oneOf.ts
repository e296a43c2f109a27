import { Type } from '@sinclair/typebox';

/** A schema of one of several words. `Type.Union` of literals would say the same and take longer to check. */
export function oneOf<T extends string>(values: readonly T[]) {
  return Type.Unsafe<T>(
    Type.String({ enum: [...values], pattern: `^(${values.map((value) => value.replaceAll('.', '\\.')).join('|')})$` }),
  );
}
