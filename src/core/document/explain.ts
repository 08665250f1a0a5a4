import type { ErrorObject } from 'ajv';
import type { Problem } from '../piece';
import { describe, schemaAt, type PlainSchema } from '../piece/schema/field-at';
import { sayRange } from '../piece/schema/say';

/** More messages than this help nobody. */
const MOST_PROBLEMS = 12;

/** The place in the document that an error is about, with dots. */
function pathOf({ instancePath }: ErrorObject): string {
  return instancePath.slice(1).replaceAll('~1', '/').replaceAll('~0', '~').replaceAll('/', '.');
}

function valueAt(document: unknown, path: string): unknown {
  return path === ''
    ? document
    : path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], document);
}

const TYPE_WORDS: Record<string, string> = {
  number: 'a figure',
  integer: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  object: 'a record',
  array: 'a list',
  null: 'empty',
};

/** How an item of a list is spoken of: its list's name and its number. */
function calledAt(path: string, document: unknown, root?: PlainSchema): string {
  const schema = schemaAt(path, document, root);
  const text = schema ? describe(schema).label : '';
  if (text) return text;
  return path === '' ? (root ? 'It' : 'The piece') : `“${path.split('.').at(-1)!}”`;
}

function sayShort(value: unknown): string {
  return typeof value === 'string' ? `“${value.slice(0, 40)}”` : (JSON.stringify(value) ?? 'nothing').slice(0, 40);
}

function words(error: ErrorObject, path: string, document: unknown, root?: PlainSchema): string {
  const params = error.params as Record<string, unknown>;
  const label = calledAt(path, document, root);
  const value = valueAt(document, path);
  const schema: PlainSchema = schemaAt(path, document, root) ?? {};
  switch (error.keyword) {
    case 'minimum':
    case 'maximum':
      return sayRange(label, value, [schema.minimum ?? -Infinity, schema.maximum ?? Infinity], schema.unit) ?? `${label} is not right`;
    case 'required':
      return `${label}: “${String(params.missingProperty)}” is missing`;
    case 'additionalProperties':
      if (path === 'overrides') return `“${String(params.additionalProperty)}” is not a house rule`;
      return `“${String(params.additionalProperty)}” is not part of ${path === '' ? (root ? 'it' : 'a piece') : label === `“${path.split('.').at(-1)!}”` ? label : `“${label}”`}`;
    case 'type': {
      const wanted = [params.type as string | string[]].flat().map((type) => TYPE_WORDS[type] ?? type);
      return `${label} must be ${wanted.join(' or ')}`;
    }
    case 'enum':
      return `${label}: ${sayShort(value)} is not one of ${(params.allowedValues as unknown[]).map((one) => (one === null ? 'nothing' : String(one))).join(', ')}`;
    case 'const':
      return `${label}: ${sayShort(value)} is not “${String(params.allowedValue)}”`;
    case 'discriminator':
      return `${label}: ${sayShort((value as Record<string, unknown> | null)?.[String(params.tag)])} is not one of the known kinds`;
    case 'minItems':
      return `${label}: ${String(params.limit)} at least`;
    case 'maxItems':
      return `${label}: ${String(params.limit)} at most`;
    case 'minLength':
      return `${label} is missing`;
    case 'maxLength':
      return `${label} has at most ${String(params.limit)} characters`;
    case 'pattern':
      return typeof value === 'string' && value.trim() === '' ? `${label} is missing` : `${label}: ${sayShort(value)} cannot be`;
    default:
      return `${label} is not right`;
  }
}

/**
 * What a schema's errors say, in words for the person whose document it is, each beside its place.
 *
 * @param errors as Ajv gives them
 * @param document that was looked at
 * @param [root] the schema that was looked with, where it is no piece
 */
export function explain(errors: readonly ErrorObject[], document: unknown, root?: PlainSchema): Problem[] {
  const seen = new Set<string>();
  const problems: Problem[] = [];
  for (const error of errors) {
    const path = pathOf(error);
    const message = words(error, path, document, root);
    if (seen.has(path + message)) continue;
    seen.add(path + message);
    problems.push({ path, message });
  }
  return problems.slice(0, MOST_PROBLEMS);
}
