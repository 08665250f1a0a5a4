import type { Range, FieldUnit } from '../../fields';
import { DESCRIBED, type BaseShape, type ShapeType } from '../../outline/schema/shapes';

/** One measurement of a shape: its place in it (keys with a dot lead inwards), what it is called, and what is taken. */
export type ShapeField = { key: string; label: string; unit: FieldUnit; range: Range; hint?: string };

/** A shape as it is measured: fields in the order a tape goes round, then a table if it has one. */
export type ShapeKind = {
  type: ShapeType;
  name: string;
  how: string;
  fields: ShapeField[];
  rows?: { label: string; least: number; most: number; columns: ShapeField[] };
  start: BaseShape;
};

type Plain = { type?: string; title?: string; unit?: FieldUnit; minimum?: number; maximum?: number; hint?: string } & {
  properties?: Record<string, Plain>;
  items?: Plain;
  minItems?: number;
  maxItems?: number;
};

function fieldsOf(properties: Record<string, Plain>, before = ''): ShapeField[] {
  return Object.entries(properties).flatMap(([key, field]): ShapeField[] => {
    if (field.properties) return fieldsOf(field.properties, `${before}${key}.`);
    if (field.type !== 'number') return [];
    return [
      {
        key: before + key,
        label: field.title!,
        unit: field.unit!,
        range: [field.minimum!, field.maximum!],
        ...(field.hint ? { hint: field.hint } : {}),
      },
    ];
  });
}

/** Every way a base can be measured, in the order they are offered. */
export const SHAPES: readonly ShapeKind[] = DESCRIBED.map(({ type, name, how, schema, start }) => {
  const properties = schema.properties as unknown as Record<string, Plain>;
  const rows = properties.rows;
  return {
    type,
    name,
    how,
    fields: fieldsOf(properties),
    ...(rows ? { rows: { label: rows.title!, least: rows.minItems!, most: rows.maxItems!, columns: fieldsOf(rows.items!.properties!) } } : {}),
    start: start as BaseShape,
  };
});

const BY_TYPE = new Map(SHAPES.map((kind) => [kind.type, kind]));

/** How a shape of that type is measured. */
export function shapeKind(type: ShapeType): ShapeKind {
  return BY_TYPE.get(type)!;
}

/** What every shape starts from when nothing has been measured yet. */
export const STARTING_SHAPES = Object.fromEntries(SHAPES.map(({ type, start }) => [type, start])) as {
  [T in ShapeType]: Extract<BaseShape, { type: T }>;
};

/** A measurement of a shape, by its key; keys with a dot lead inwards. */
export function readField(of: BaseShape, key: string): number {
  return key.split('.').reduce<unknown>((value, part) => (value as Record<string, unknown>)[part], of) as number;
}

/**
 * What a measurement is called: what stands at a wall has a height, a top and a bottom, no depth, back and front.
 *
 * @param label the shape's own
 * @param wall whether the piece stands or hangs at a wall
 */
export const measurementLabel = (label: string, wall: boolean): string =>
  wall ? label.replace('Depth', 'Height').replace('Front', 'Bottom').replace('Back', 'Top').replace('front', 'bottom').replace('back', 'top') : label;

/** The shape with one measurement changed. */
export function withField<T extends BaseShape>(of: T, key: string, value: number): T {
  const [first, second] = key.split('.') as [string, string?];
  if (!second) return { ...of, [first]: value };
  return { ...of, [first]: { ...(of as unknown as Record<string, object>)[first], [second]: value } };
}
