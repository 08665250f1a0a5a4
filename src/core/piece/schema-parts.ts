/** Small parts that the JSON Schema of a piece is put together from. */
import { LIMITS } from './limits';

export const number = ([minimum, maximum]: readonly [number, number]) => ({ type: 'number', minimum, maximum });
export const object = (properties: Record<string, unknown>, optional: string[] = []) => ({
  type: 'object',
  additionalProperties: false,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
  properties,
});
export const list = (items: unknown, maxItems: number, minItems = 0) => ({ type: 'array', minItems, maxItems, items });
export const shortText = { type: 'string', maxLength: 120 };
export const id = { type: 'string', pattern: '^[a-z0-9-]{1,60}$' };
export const yesOrNo = { type: 'boolean' };
export const place = { type: 'array', minItems: 2, maxItems: 2, items: number(LIMITS.plan) };
export const oneOf = (tag: string, options: unknown[]) => ({
  type: 'object',
  required: [tag],
  discriminator: { propertyName: tag },
  oneOf: options,
});
