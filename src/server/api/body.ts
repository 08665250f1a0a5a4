import Ajv2020, { type ErrorObject, type ValidateFunction } from 'ajv/dist/2020';
import { readObject, Refusal } from '../http';
import type { Json, Route } from './route';

const ajv = new Ajv2020({ strict: false, validateFormats: false });
const validators = new WeakMap<Json, ValidateFunction>();

/**
 * What is looked at of a body before its route sees it: which fields there are, of which type, within which limits. What a field holds
 * itself – a piece, a job, a ware – its route checks, in words of its own; a field that nobody knows is not read.
 */
function outlineOf({ properties = {}, required = [] }: Json): Json {
  const known = properties as Record<string, Json>;
  // A fixed word is asked for by the route itself: what is missing there is a caution that nobody has confirmed.
  const isFixed = (name: string): boolean => known[name]?.const !== undefined;
  const fields = Object.entries(known).map(([name, field]): [string, Json] => {
    if (field.$ref || isFixed(name)) return [name, {}];
    const inside = field.properties ?? field.items ?? field.oneOf;
    return [name, inside ? (field.type ? { type: field.type } : {}) : field];
  });
  return { type: 'object', properties: Object.fromEntries(fields), required: (required as string[]).filter((name) => !isFixed(name)) };
}

const TYPES: Record<string, string> = {
  string: 'text',
  integer: 'a whole number',
  number: 'a number',
  boolean: 'yes or no',
  object: 'a record',
  array: 'a list',
  null: 'nothing',
};

/** What is wrong with a field, in words. */
function inWords({ keyword, instancePath, params }: ErrorObject): string {
  const name = `“${instancePath.slice(1).replaceAll('/', '.')}”`;
  switch (keyword) {
    case 'required':
      return `“${String(params.missingProperty)}” is missing`;
    case 'type':
      return `${name} must be ${[params.type as string | string[]]
        .flat()
        .map((type) => TYPES[type] ?? type)
        .join(' or ')}`;
    case 'enum':
      return `${name} is one of ${(params.allowedValues as unknown[]).join(', ')}`;
    case 'maxLength':
      return `${name} has at most ${String(params.limit)} characters`;
    case 'minimum':
      return `${name} is at least ${String(params.limit)}`;
    case 'maximum':
      return `${name} is at most ${String(params.limit)}`;
    default:
      return `${name} is not as it should be`;
  }
}

/**
 * Holds a request's body against what its route takes.
 *
 * @param request the request
 * @param route its body's schema, and how large it may be
 * @throws Refusal 400 where it is no JSON, 413 where it is too large, 422 with what is wrong
 */
export async function checkBody(request: Request, { body, most }: Pick<Route, 'body' | 'most'>): Promise<void> {
  if (!body?.properties) return;
  const data = await readObject(request, most);
  const validate = validators.get(body) ?? ajv.compile(outlineOf(body));
  validators.set(body, validate);
  if (!validate(data)) throw new Refusal(422, `${inWords(validate.errors![0]!)}.`);
}
