import { Type, type Static, type TObject, type TProperties, type TSchema, type TUnsafe } from '@sinclair/typebox';

/**
 * Parts that the document is described with. Every field is said once: its type, its range and unit, what it is called,
 * what it starts from and why. The TypeScript type, the JSON Schema, the forms and the messages are all read from here.
 */

/** The least and the most that is taken. */
export type Range = readonly [least: number, most: number];

/** What a figure counts; lengths are millimetres, angles radians. */
export type FieldUnit = 'mm' | 'rad' | 'kg' | '%' | 'N' | 'N/10 cm' | 'kg/m³' | 'g/m²' | 's' | 'px' | 'money' | 'count' | 'ratio';

/** What else is known of a field: a hint for who types it, what it starts from and why, what it is called while empty. */
export type Facts<T = unknown> = { hint?: string; default?: T; reason?: string; empty?: string };

/** A choice as it is offered. */
export type Option<Id extends string = string> = { readonly id: Id; readonly name: string };

type IdOf<T extends readonly (string | Option)[]> = T[number] extends infer O ? (O extends Option<infer Id> ? Id : O) : never;

/** A figure. */
export const figure = (title: string, unit: FieldUnit, [minimum, maximum]: Range, facts: Facts<number> = {}) =>
  Type.Number({ title, unit, minimum, maximum, ...facts });

/** A length, mm. */
export const length = (title: string, range: Range, facts: Facts<number> = {}) => figure(title, 'mm', range, facts);

/** An angle, radians. */
export const angle = (title: string, range: Range, facts: Facts<number> = {}) => figure(title, 'rad', range, facts);

/** A whole number of things. */
export const whole = (title: string, [minimum, maximum]: Range, facts: Facts<number> = {}) =>
  Type.Integer({ title, unit: 'count', minimum, maximum, ...facts });

/** One of a few. */
export const choice = <const T extends readonly (string | Option)[]>(title: string, options: T, facts: Facts<IdOf<T>> = {}) =>
  Type.Unsafe<IdOf<T>>({
    type: 'string',
    title,
    enum: options.map((option) => (typeof option === 'string' ? option : option.id)),
    options: options.map((option) => (typeof option === 'string' ? { id: option, name: option } : option)),
    ...facts,
  });

/** A choice that is made or not. */
export const tick = (title: string, facts: Facts<boolean> = {}) => Type.Boolean({ title, ...facts });

/** A line of words. */
export const words = (title: string, maxLength = 120, facts: Facts<string> = {}) => Type.String({ title, maxLength, ...facts });

/** A name by which one thing of a list is told from another. */
export const id = (title = 'Id', facts: Facts<string> = {}) => Type.String({ title, pattern: '^[a-z0-9-]{1,60}$', ...facts });

/** A day, YYYY-MM-DD, or empty. */
export const day = (title: string) => Type.String({ title, pattern: '^(\\d{4}-\\d{2}-\\d{2})?$' });

/** Several of one kind. */
export const list = <T extends TSchema>(title: string, items: T, [minItems, maxItems]: Range) =>
  Type.Array(items, { title, minItems, maxItems });

/** Fields that belong together; no others are taken. */
export const record = <T extends TProperties>(properties: T, facts: Facts = {}) =>
  Type.Object(properties, { additionalProperties: false, ...facts });

/** A field that may be left out. */
export const optional = Type.Optional;

/** A fixed word that tells one form of a record from another. */
export const tag = <const T extends string>(value: T) => Type.Literal(value);

/** One of several records, told apart by one of their fields. */
export const oneOf = <T extends TObject[]>(key: string, options: [...T], facts: Facts = {}) =>
  Type.Unsafe<Static<T[number]>>({ type: 'object', required: [key], discriminator: { propertyName: key }, oneOf: options, ...facts });

/** The same, or nothing. */
export const orNull = <T extends TSchema>(schema: T): TUnsafe<Static<T> | null> => {
  const plain = { ...schema } as unknown as Record<string, unknown>;
  return Type.Unsafe<Static<T> | null>({
    ...plain,
    type: [plain.type as string, 'null'],
    ...(plain.enum ? { enum: [...(plain.enum as unknown[]), null] } : {}),
  });
};

/** Two figures of one kind. */
export function pair(of: TSchema): TUnsafe<[number, number]> {
  return Type.Unsafe<[number, number]>({ type: 'array', minItems: 2, maxItems: 2, items: of });
}

/** A place in the plan. */
export const PLAN: Range = [-3000, 3000];
export const place = pair(length('Place in the plan', PLAN));
/** The same as two fields. */
export const spot = {
  x: length('Right of the middle', PLAN),
  y: length('Behind the middle', PLAN),
};
