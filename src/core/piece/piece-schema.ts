import { RULES } from '../house';
import { LIMITS } from './limits';

const number = ([minimum, maximum]: readonly [number, number]) => ({ type: 'number', minimum, maximum });
const object = (properties: Record<string, unknown>, optional: string[] = []) => ({
  type: 'object',
  additionalProperties: false,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
  properties,
});
const cornerRadius = object({ front: number(LIMITS.radius), back: number(LIMITS.radius) });
const shortText = { type: 'string', maxLength: 120 };
const id = { type: 'string', pattern: '^[a-z0-9-]{1,60}$' };

/** The JSON Schema (draft 2020-12) of a piece; `npm run -s fovea -- schema` prints it. */
export const PIECE_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:fovea:piece:1',
  title: 'A piece: one padded rigid base, or a set of them alike. Lengths in mm, angles in radians.',
  ...object({
    schema: { const: 'fovea.piece/1' },
    kind: { enum: ['chair-seat'] },
    name: { type: 'string', minLength: 1, maxLength: 120, pattern: '\\S' },
    count: { type: 'integer', minimum: LIMITS.count[0], maximum: LIMITS.count[1] },
    due: { type: 'string', pattern: '^(\\d{4}-\\d{2}-\\d{2})?$' },
    notes: { type: 'string', maxLength: 20000 },
    base: object({
      shape: {
        type: 'object',
        required: ['type'],
        discriminator: { propertyName: 'type' },
        oneOf: [
          object({ type: { const: 'rectangle' }, width: number(LIMITS.seat), depth: number(LIMITS.seat), cornerRadius }),
          object({
            type: { const: 'trapezoid' },
            frontWidth: number(LIMITS.seat),
            backWidth: number(LIMITS.seat),
            depth: number(LIMITS.seat),
            cornerRadius,
          }),
          object({ type: { const: 'round' }, diameter: number(LIMITS.seat) }),
        ],
      },
      board: object({ material: id, thickness: number(LIMITS.board) }),
    }),
    pads: {
      type: 'array',
      maxItems: LIMITS.pads[1],
      items: object({
        id,
        role: { enum: ['crown', 'main'] },
        material: id,
        thickness: number(LIMITS.pad),
        offset: { type: ['number', 'null'], minimum: LIMITS.offset[0], maximum: LIMITS.offset[1] },
        edge: {
          type: 'object',
          required: ['kind'],
          discriminator: { propertyName: 'kind' },
          oneOf: [
            object({ kind: { const: 'square' } }),
            object({ kind: { const: 'domed' } }),
            object({ kind: { const: 'feathered' }, width: number(LIMITS.feather) }),
          ],
        },
      }),
    },
    wadding: { type: ['string', 'null'], maxLength: 60 },
    cloth: object({
      name: shortText,
      rollWidth: number(LIMITS.rollWidth),
      thickness: number(LIMITS.clothThickness),
      coated: { type: 'boolean' },
      direction: { enum: ['along', 'across', 'any'] },
      repeatAcross: number(LIMITS.repeat),
      repeatAlong: number(LIMITS.repeat),
      shrinkage: number(LIMITS.shrinkage),
      pull: { enum: ['taut', 'smooth'] },
    }),
    chalk: object({
      x: { type: 'number', minimum: -2000, maximum: 2000 },
      y: { type: 'number', minimum: -2000, maximum: 2000 },
      angle: { type: 'number', minimum: -7, maximum: 7 },
    }),
    overrides: {
      type: 'object',
      propertyNames: { enum: RULES.map((rule) => rule.key) },
      additionalProperties: { type: 'number' },
    },
  }),
} as const;
