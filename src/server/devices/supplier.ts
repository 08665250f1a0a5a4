import { Type, type Static, type TSchema } from '@sinclair/typebox';
import Ajv2020 from 'ajv/dist/2020';
import type { Purchase } from '../../core/buying';

/** Where the supplier's own service listens: FOVEA_SUPPLIER=port, 4730 by default. */
const port = (): number => Number(process.env.FOVEA_SUPPLIER ?? 4730);
/** So long it is waited for, ms: a slow one takes its time, a dead one must not hold anybody. */
const patience = (): number => Number(process.env.FOVEA_SUPPLIER_PATIENCE ?? 15_000);
/** More than this is no answer to an order, bytes. */
const LONGEST = 2_000_000;
/** A delivery is promised for a day from yesterday, for the clocks differ, to so many days from now. */
const FARTHEST = 730;
const DAY_MS = 86_400_000;

const PRICE = Type.Number({ minimum: 0, maximum: 1_000_000 });
const NAME = Type.String({ minLength: 1, maxLength: 200 });
const SAYS = Type.Optional(Type.String());

/** What a supplier has: name, price of one, how many are there. */
const OFFERED = Type.Object({ name: NAME, price: PRICE, available: Type.Number({ minimum: 0 }) });
export type Offered = Static<typeof OFFERED>;
const CATALOGUE = Type.Object({ items: Type.Array(OFFERED, { maxItems: 5000 }) });

const PRICED = Type.Object({ name: NAME, price: PRICE });
const TAKEN = Type.Object({
  reference: Type.String({ minLength: 1, maxLength: 60 }),
  expected: Type.Optional(Type.String({ pattern: '^(\\d{4}-\\d{2}-\\d{2})?$' })),
  says: SAYS,
  lines: Type.Optional(Type.Array(PRICED, { maxItems: 400 })),
});
const NOT_TAKEN = Type.Object({ says: SAYS, lines: Type.Optional(Type.Array(PRICED, { maxItems: 400 })) });

const ajv = new Ajv2020();
/** A body that has the form, or null. */
const reader = <T extends TSchema>(schema: T): ((body: unknown) => Static<T> | null) => {
  const fits = ajv.compile<Static<T>>(schema);
  return (body) => (fits(body) ? body : null);
};
const readCatalogue = reader(CATALOGUE);
const readTaken = reader(TAKEN);
const readNotTaken = reader(NOT_TAKEN);

/** The supplier's prices by the name of what they are for. */
type Prices = ReadonlyMap<string, number>;

/**
 * What came back: taken; refused, with the supplier's prices; nothing, and it surely never got there; or nothing that says
 * whether it was taken.
 */
export type SupplierAnswer =
  | { kind: 'taken'; reference: string; expected: string; says: string; prices: Prices }
  | { kind: 'refused'; says: string; prices: Prices }
  | { kind: 'unsent'; says: string }
  | { kind: 'unknown'; says: string };

const url = (path: string): string => `http://127.0.0.1:${port()}${path}`;

/** A day of the calendar on which something may still arrive; empty for any other. */
function arrival(day: string, now: number): string {
  const at = Date.parse(`${day}T00:00:00Z`);
  if (!Number.isFinite(at) || new Date(at).toISOString().slice(0, 10) !== day) return '';
  return at >= now - 2 * DAY_MS && at <= now + FARTHEST * DAY_MS ? day : '';
}

const pricesIn = (lines: readonly { name: string; price: number }[] = []): Prices => new Map(lines.map(({ name, price }) => [name, price]));

/** The body of an answer as JSON; null where it is none, or longer than any. */
async function bodyOf(response: Response): Promise<unknown> {
  let text = '';
  const decoder = new TextDecoder();
  for await (const chunk of response.body ?? []) {
    text += decoder.decode(chunk as Uint8Array, { stream: true });
    if (text.length > LONGEST) return null;
  }
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

const UNKNOWN = 'Ask the supplier whether they have this order, then mark it.';

/** Why nothing came back: refused at its door, nothing was sent; everything else may have arrived there. */
function silence(error: unknown): SupplierAnswer {
  const { name, cause } = error as { name?: string; cause?: { code?: string } };
  if (cause?.code === 'ECONNREFUSED')
    return { kind: 'unsent', says: 'The supplier cannot be reached. Ask again later: it is the same order, and is not made twice.' };
  return {
    kind: 'unknown',
    says: `${name === 'TimeoutError' ? 'The supplier has not answered.' : 'The connection to the supplier broke.'} ${UNKNOWN}`,
  };
}

/**
 * Asks a supplier to take an order. The answer is held against its form, its dates against the calendar; it is not followed
 * anywhere else.
 *
 * @param key of the order: sent twice under one key it is one order
 * @param supplier which
 * @param order what
 * @param accept takes the supplier's own prices where they are other than the store's
 */
export async function askSupplier(key: string, supplier: string, order: Purchase, accept: boolean): Promise<SupplierAnswer> {
  let response: Response;
  let data: unknown;
  try {
    response = await fetch(url('/orders'), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key, supplier, accept, lines: order.lines.map(({ name, units, price }) => ({ name, units, price })) }),
      redirect: 'manual',
      signal: AbortSignal.timeout(patience()),
    });
    data = await bodyOf(response);
  } catch (error) {
    return silence(error);
  }
  const { status } = response;
  if (status === 200 || status === 201) {
    const taken = readTaken(data);
    if (!taken) return { kind: 'unknown', says: `The supplier’s answer cannot be read. ${UNKNOWN}` };
    return {
      kind: 'taken',
      reference: taken.reference,
      expected: arrival(taken.expected ?? '', Date.now()),
      says: (taken.says ?? '').slice(0, 400),
      prices: pricesIn(taken.lines),
    };
  }
  // Only a plain no is a no: a fault of theirs, a redirection or a wait says nothing of what was done.
  if (status >= 500 || status < 400 || status === 408 || status === 425 || status === 429)
    return { kind: 'unknown', says: `The supplier’s service did not answer properly (${status}). ${UNKNOWN}` };
  const refused = readNotTaken(data);
  return {
    kind: 'refused',
    says: refused?.says?.slice(0, 400) || `The supplier’s service does not take this order (${status}).`,
    prices: pricesIn(refused?.lines),
  };
}

/** What the supplier has today; or why that is not known. */
export async function catalogue(): Promise<{ offered: Offered[]; says: string | null }> {
  try {
    const response = await fetch(url('/catalogue.json'), { redirect: 'manual', signal: AbortSignal.timeout(patience()) });
    const read = response.ok ? readCatalogue(await bodyOf(response)) : null;
    return read ? { offered: read.items, says: null } : { offered: [], says: 'The supplier’s catalogue cannot be read.' };
  } catch {
    return { offered: [], says: 'The supplier cannot be reached just now.' };
  }
}
