/** What the description of the interface is put together from. */

export type Json = Record<string, unknown>;

export const text = (description: string, more: Json = {}): Json => ({ type: 'string', description, ...more });
export const whole = (description: string, more: Json = {}): Json => ({ type: 'integer', description, ...more });
export const record = (properties: Record<string, Json>, required: readonly string[] = Object.keys(properties)): Json => ({
  type: 'object',
  properties,
  required: [...required],
  additionalProperties: false,
});
export const ref = (name: string): Json => ({ $ref: `#/components/schemas/${name}` });
export const list = (items: Json): Json => ({ type: 'array', items });
export const OK = record({ ok: { const: true } });

/** A schema as plain JSON. */
export const plain = (schema: object): Json => JSON.parse(JSON.stringify(schema)) as Json;

/** What a route takes and answers. */
export type Route = {
  says: string;
  query?: Record<string, Json>;
  body?: Json;
  /** what comes back, by its media type where it is not JSON */
  gives: Json;
  media?: string;
  status?: number;
  /** statuses of refusals, beside those that every route may have */
  refuses?: readonly number[];
};
