import type { FieldUnit, Option, Range } from '../../fields';
import { PIECE } from './piece';

/** What is known of one field of the document, for who draws or explains it. */
export type DocumentField = {
  label: string;
  type: 'number' | 'integer' | 'string' | 'boolean' | 'object' | 'array';
  unit?: FieldUnit;
  /** the least and the most, of figures */
  range?: Range;
  /** the longest text */
  longest?: number;
  options?: readonly Option[];
  hint?: string;
  default?: unknown;
  /** whether it may be left empty, and what that is called */
  mayBeNull: boolean;
  empty?: string;
};

/** A schema as plain JSON. */
export type PlainSchema = {
  type?: string | readonly string[];
  title?: string;
  unit?: FieldUnit;
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  minItems?: number;
  maxItems?: number;
  options?: readonly Option[];
  enum?: readonly unknown[];
  const?: unknown;
  hint?: string;
  empty?: string;
  default?: unknown;
  properties?: Record<string, PlainSchema>;
  required?: readonly string[];
  items?: PlainSchema;
  oneOf?: readonly PlainSchema[];
  discriminator?: { propertyName: string };
};

/** The part of a schema that holds for a value: of several forms, the one that the value says it is. */
function formFor(schema: PlainSchema, key: string, value: unknown): PlainSchema {
  if (!schema.oneOf) return schema;
  const tag = schema.discriminator!.propertyName;
  const reported = (value as Record<string, unknown> | null | undefined)?.[tag];
  const found = schema.oneOf.find((form) => form.properties?.[tag]?.const === reported);
  return found ?? schema.oneOf.find((form) => form.properties?.[key]) ?? schema.oneOf[0]!;
}

/**
 * The schema of a place in the document.
 *
 * @param path names and numbers with dots between: `pads.0.thickness`; numbers may be left out
 * @param [document] tells which form holds where there are several
 * @param [root] a schema to begin from
 */
export function schemaAt(path: string, document?: unknown, root: PlainSchema = PIECE as unknown as PlainSchema): PlainSchema | null {
  let schema: PlainSchema | undefined = root;
  let value = document;
  for (const key of path === '' ? [] : path.split('.')) {
    if (!schema) return null;
    if (schema.items && /^\d+$/.test(key)) schema = schema.items;
    else schema = formFor(schema.items ?? schema, key, value).properties?.[key];
    value = (value as Record<string, unknown> | null | undefined)?.[key];
  }
  return schema ?? null;
}

/** What a schema says of its field. */
export function describe(schema: PlainSchema): DocumentField {
  const types = [schema.type ?? 'object'].flat() as string[];
  return {
    label: schema.title ?? '',
    type: types[0] as DocumentField['type'],
    mayBeNull: types.includes('null'),
    ...(schema.unit ? { unit: schema.unit } : {}),
    ...(schema.minimum !== undefined ? { range: [schema.minimum, schema.maximum!] as const } : {}),
    ...(schema.maxLength !== undefined ? { longest: schema.maxLength } : {}),
    ...(schema.options ? { options: schema.options } : {}),
    ...(schema.hint ? { hint: schema.hint } : {}),
    ...(schema.empty ? { empty: schema.empty } : {}),
    ...(schema.default !== undefined ? { default: schema.default } : {}),
  };
}

/**
 * What is known of a field of the document.
 *
 * @param path as for `schemaAt`
 * @param [document] tells which form holds where there are several
 * @throws Error where the document has no such field: a mistake of who asks
 */
export function fieldAt(path: string, document?: unknown): DocumentField {
  const schema = schemaAt(path, document);
  if (!schema) throw new Error(`The document has no field “${path}”`);
  return describe(schema);
}

/**
 * The same for a field of one record, where it is not yet part of a document.
 *
 * @param record of the schema
 * @param key of the field
 */
export function fieldIn(record: { properties: object }, key: string): DocumentField {
  return describe((record.properties as Record<string, PlainSchema>)[key]!);
}

/** Every figure of the document with its path, `*` standing for any item of a list and any form of several. */
export function figures(root: PlainSchema = PIECE as unknown as PlainSchema): { path: string; field: DocumentField }[] {
  const found: { path: string; field: DocumentField }[] = [];
  const walk = (schema: PlainSchema, path: string): void => {
    const types = [schema.type].flat();
    if (types.includes('number') || types.includes('integer')) found.push({ path, field: describe(schema) });
    const at = (key: string): string => (path ? `${path}.${key}` : key);
    for (const [key, inner] of Object.entries(schema.properties ?? {})) walk(inner, at(key));
    if (schema.items) walk(schema.items, at('*'));
    for (const form of schema.oneOf ?? []) {
      const tag = schema.discriminator!.propertyName;
      walk(form, `${path}<${String(form.properties![tag]!.const)}>`);
    }
  };
  walk(root, '');
  return found;
}
