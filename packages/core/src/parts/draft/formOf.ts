import { type TSchema, TypeGuard } from '@sinclair/typebox';
import { CircuitNodeSchema } from '../../model/circuit.ts';
import { PinAddressSchema } from '../../model/endpoint.ts';
import type { Json } from '../../model/json.ts';
import { LIMITS } from '../../model/limits.ts';

/** What a person fills in at one place of a value: a description of a form, made from the schema of the value. */
export type FormField =
  | { readonly is: 'fixed'; readonly value: string | number | boolean }
  | { readonly is: 'choice'; readonly values: readonly (string | number)[] }
  | { readonly is: 'text'; readonly maxLength: number; readonly isLong: boolean }
  | { readonly is: 'number'; readonly isWhole: boolean }
  | { readonly is: 'yes-no' }
  /** A number, or one that a setting chooses. */
  | { readonly is: 'parameter'; readonly bySetting: FormField }
  /** A value of a setting: a number, yes or no, or a word. */
  | { readonly is: 'setting-value' }
  /** A pin of the part; a node may also be an inner one. */
  | { readonly is: 'pin' }
  | { readonly is: 'node' }
  /** Several plain entries. */
  | { readonly is: 'words'; readonly of: FormField }
  | { readonly is: 'list'; readonly of: FormField }
  | { readonly is: 'row'; readonly of: readonly FormField[] }
  | { readonly is: 'group'; readonly members: readonly FormMember[] }
  /** One of several groups, told apart by their member `is`. */
  | { readonly is: 'kinds'; readonly kinds: ReadonlyMap<string, FormField> };

export interface FormMember {
  readonly name: string;
  readonly isOptional: boolean;
  readonly field: FormField;
}

/**
 * The form of a schema of part data.
 * @throws Error for a schema that no form can be made of: a fault of the schema's author, found by the test over the part's schema
 */
export function formOf(schema: TSchema): FormField {
  if (TypeGuard.IsLiteral(schema)) return { is: 'fixed', value: schema.const };
  if (TypeGuard.IsBoolean(schema)) return { is: 'yes-no' };
  if (TypeGuard.IsNumber(schema)) return { is: 'number', isWhole: false };
  if (TypeGuard.IsInteger(schema)) return { is: 'number', isWhole: true };
  if (TypeGuard.IsUnion(schema)) return formOfUnion(schema.anyOf);
  if (TypeGuard.IsArray(schema)) return formOfList(formOf(schema.items));
  if (TypeGuard.IsTuple(schema)) return { is: 'row', of: schema.items.map(formOf) };
  if (TypeGuard.IsObject(schema)) {
    const required = new Set(schema.required ?? []);
    const members = Object.entries(schema.properties).map(([name, inner]) => ({
      name,
      isOptional: !required.has(name),
      field: formOf(inner),
    }));
    return { is: 'group', members };
  }
  if (schema.type === 'string') return formOfText(schema);
  throw new Error(`There is no form for a schema of the type "${String(schema.type)}".`);
}

function formOfText(schema: TSchema): FormField {
  const words: unknown = schema['enum'];
  const maxLength: unknown = schema['maxLength'];
  const pattern: unknown = schema['pattern'];
  if (Array.isArray(words)) return { is: 'choice', values: words.filter((word) => typeof word === 'string') };
  if (pattern === PinAddressSchema.pattern) return { is: 'pin' };
  if (pattern === CircuitNodeSchema.pattern) return { is: 'node' };
  const most = typeof maxLength === 'number' ? maxLength : LIMITS.nameChars;
  return { is: 'text', maxLength: most, isLong: most >= LIMITS.reasonChars };
}

function formOfList(of: FormField): FormField {
  const isPlain = of.is === 'text' || of.is === 'number' || of.is === 'setting-value' || of.is === 'pin' || of.is === 'node';
  return isPlain && !(of.is === 'text' && of.isLong) ? { is: 'words', of } : { is: 'list', of };
}

function formOfUnion(variants: readonly TSchema[]): FormField {
  const [first, second] = variants;
  const bySetting = TypeGuard.IsObject(second) && 'fromSetting' in second.properties ? second : undefined;
  if (TypeGuard.IsNumber(first) && bySetting !== undefined) return { is: 'parameter', bySetting: formOf(bySetting) };
  if (TypeGuard.IsString(first) && TypeGuard.IsNumber(second)) return { is: 'setting-value' };
  if (variants.every((variant) => TypeGuard.IsLiteral(variant))) {
    return { is: 'choice', values: variants.flatMap((variant) => literalOf(variant)) };
  }
  const kinds = new Map<string, FormField>();
  for (const variant of variants) {
    const is: unknown = TypeGuard.IsObject(variant) ? variant.properties['is']?.['const'] : undefined;
    if (typeof is === 'string') kinds.set(is, formOf(variant));
  }
  if (first === undefined || kinds.size !== variants.length) throw new Error('There is no form for a union of these.');
  return { is: 'kinds', kinds };
}

function literalOf(schema: TSchema): (string | number)[] {
  const value: unknown = schema['const'];
  return typeof value === 'string' || typeof value === 'number' ? [value] : [];
}

/** The least that can stand at a place before a person fills it in. It need not be valid: the checks say what is missing. */
export function blankOf(field: FormField): Json {
  switch (field.is) {
    case 'fixed':
      return field.value;
    case 'choice':
      return field.values[0] ?? '';
    case 'text':
    case 'pin':
    case 'node':
    case 'setting-value':
      return '';
    case 'number':
    case 'parameter':
      return 0;
    case 'yes-no':
      return false;
    case 'words':
    case 'list':
      return [];
    case 'row':
      return field.of.map(blankOf);
    case 'group':
      return Object.fromEntries(
        field.members.filter(({ isOptional }) => !isOptional).map((member) => [member.name, blankOf(member.field)]),
      );
    case 'kinds': {
      const [first] = field.kinds.values();
      return first === undefined ? {} : blankOf(first);
    }
  }
}
