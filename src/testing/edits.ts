import { CARRIERS } from '../core/document/carriers';
import { RULES, type HouseRules } from '../core/house';
import { documentSchema } from '../core/document';
import type { Piece } from '../core/piece';
import type { PlainSchema } from '../core/piece/schema/field-at';

/** One change of a document, as somebody would make it in one place. */
export type Edit = { says: string; piece: Piece };

type Plain = Record<string, unknown>;

/** The form of a schema that holds for a value. */
function formOf(schema: PlainSchema, value: unknown): PlainSchema {
  if (!schema.oneOf) return schema;
  const tag = schema.discriminator!.propertyName;
  return schema.oneOf.find((form) => form.properties?.[tag]?.const === (value as Plain)?.[tag]) ?? schema.oneOf[0]!;
}

/** A value for every place of a document that some carrier fills, by the place's path without list numbers. */
const DONORS = (() => {
  const found = new Map<string, unknown>();
  const walk = (value: unknown, path: string): void => {
    if (value === null || value === undefined) return;
    if (!found.has(path)) found.set(path, value);
    if (Array.isArray(value)) return value.forEach((item) => walk(item, `${path}.*`));
    if (typeof value === 'object') for (const [key, inner] of Object.entries(value)) walk(inner, `${path}.${key}`);
  };
  for (const [, document] of CARRIERS) walk(document, '');
  return found;
})();

/** Other values of one field. */
function othersOf(schema: PlainSchema, value: unknown): unknown[] {
  if (schema.enum) return schema.enum.filter((other) => other !== value);
  if (schema.type === 'boolean') return [value !== true];
  if (typeof value === 'number' || schema.minimum !== undefined) {
    const [low, high] = [schema.minimum ?? 0, schema.maximum ?? 1e4];
    const now = typeof value === 'number' ? value : (low + high) / 2;
    const whole = [schema.type].flat().includes('integer');
    const near = whole ? now + 1 : Math.round(now * 1070) / 1000 + (now === 0 ? (high - low) / 50 : 0);
    const other = near <= high ? near : whole ? now - 1 : now * 0.93;
    return other >= low && other !== value ? [other] : [];
  }
  if (typeof value === 'string' && schema.type === 'string' && schema.const === undefined && schema.maxLength) return [`${value}x`];
  return [];
}

/**
 * Every single edit of a document: each field set to another value, each choice to every other one, what may be left out left out, and
 * what is not there put there as one of the carriers has it.
 */
export function editsOf(document: Piece): Edit[] {
  const edits: Edit[] = [];
  const put = (path: readonly string[], value: unknown): void => {
    const copy = structuredClone(document) as unknown as Plain;
    const node = path.slice(0, -1).reduce<Plain>((inner, key) => inner[key] as Plain, copy);
    if (value === undefined) delete node[path.at(-1)!];
    else node[path.at(-1)!] = structuredClone(value);
    const words = value === undefined ? 'left out' : JSON.stringify(value).slice(0, 40);
    edits.push({ says: `${path.join('.')}: ${words}`, piece: copy as unknown as Piece });
  };
  const walk = (value: unknown, schema: PlainSchema, path: string[], pattern: string): void => {
    const form = formOf(schema, value);
    if (Array.isArray(value)) {
      if (value.length > (form.minItems ?? 0)) put(path, value.slice(0, -1));
      value.forEach((item, i) => walk(item, form.items!, [...path, String(i)], `${pattern}.*`));
      return;
    }
    if (value === null || typeof value !== 'object') {
      for (const other of othersOf(form, value)) put(path, other);
      return;
    }
    for (const [key, inner] of Object.entries(form.properties ?? {})) {
      const now = (value as Plain)[key];
      const here = [...path, key];
      if (now !== undefined) {
        if (!form.required?.includes(key)) put(here, undefined);
        walk(now, inner, here, `${pattern}.${key}`);
      } else {
        const donor = DONORS.get(`${pattern}.${key}`);
        if (donor !== undefined) put(here, donor);
        else for (const other of othersOf(inner, undefined)) put(here, other);
      }
    }
  };
  walk(document, documentSchema() as unknown as PlainSchema, [], '');
  return edits;
}

/** Every house rule set a little higher, one at a time. */
export function houseEdits(): { says: string; house: HouseRules }[] {
  return RULES.map(({ key, value }) => ({ says: key, house: { [key]: Math.round(value * 1.1 * 100) / 100 + (value === 0 ? 1 : 0) } }));
}
