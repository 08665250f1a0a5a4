import type { Role } from '../../core/house';

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

/** A request with the parts of its address, as they came. */
export type Call = { request: Request; params: Readonly<Record<string, string>> };

/** One route: what it is for, what it takes and answers, who may ask for it, and what does it. */
export type Route = {
  says: string;
  /** who may, at least, of those who came in over the network; whoever came in, where nothing is said of what only reads */
  may?: Role;
  /** open to who has not come in yet */
  door?: true;
  query?: Record<string, Json>;
  body?: Json;
  /** the largest body it takes, bytes; as large as a piece can be where nothing is said */
  most?: number;
  /** what comes back, by its media type where it is not JSON */
  gives: Json;
  media?: string;
  status?: number;
  /** statuses of refusals, beside those that every route may have */
  refuses?: readonly number[];
  handle: (call: Call) => Response | Promise<Response>;
};

export const METHODS = ['get', 'post', 'put', 'delete'] as const;
export type Method = (typeof METHODS)[number];

/** Routes by path and method. */
export type Routes = Record<string, Partial<Record<Method, Route>>>;
