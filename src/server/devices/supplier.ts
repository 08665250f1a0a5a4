import type { Purchase } from '../../core/buying';

/** Where the supplier's own service listens: FOVEA_SUPPLIER=port, 4730 by default. */
const port = (): number => Number(process.env.FOVEA_SUPPLIER ?? 4730);
/** So long it is waited for, ms: a slow one takes its time, a dead one must not hold anybody. */
const PATIENCE = Number(process.env.FOVEA_SUPPLIER_PATIENCE ?? 15_000);

/** What a supplier has: name, price of one, how many are there. */
export type Offered = { name: string; price: number; available: number };

/** What came back: taken, refused with its prices, or nothing that could be understood. */
export type SupplierAnswer =
  | { kind: 'taken'; reference: string; expected: string; says: string; prices: Record<string, number> }
  | { kind: 'refused'; says: string; prices: Record<string, number> }
  | { kind: 'unheard'; says: string };

const url = (path: string): string => `http://127.0.0.1:${port()}${path}`;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Prices by name, of what an answer says of them; anything else in it is left. */
function pricesIn(body: unknown): Record<string, number> {
  if (!Array.isArray(body)) return {};
  return Object.fromEntries(
    (body as { name?: unknown; price?: unknown }[]).flatMap((item) =>
      typeof item?.name === 'string' && typeof item.price === 'number' && Number.isFinite(item.price) && item.price >= 0
        ? [[item.name, item.price] as const]
        : [],
    ),
  );
}

const text = (body: unknown, most: number): string => (typeof body === 'string' ? body.slice(0, most) : '');

/**
 * Asks a supplier to take an order.
 *
 * @param key of the order: sent twice under one key it is one order
 * @param supplier which
 * @param order what
 * @param accept takes the supplier's own prices where they are other than the store's
 */
export async function askSupplier(key: string, supplier: string, order: Purchase, accept: boolean): Promise<SupplierAnswer> {
  let response: Response;
  let data: Record<string, unknown>;
  try {
    response = await fetch(url('/orders'), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key, supplier, accept, lines: order.lines.map(({ name, units, price }) => ({ name, units, price })) }),
      signal: AbortSignal.timeout(PATIENCE),
    });
    data = (await response.json()) as Record<string, unknown>;
  } catch (error) {
    const slow = (error as Error).name === 'TimeoutError';
    return {
      kind: 'unheard',
      says: slow
        ? 'The supplier has not answered yet. Ask again: it is the same order, and is not made twice.'
        : 'The supplier cannot be reached. Ask again later: it is the same order, and is not made twice.',
    };
  }
  const prices = pricesIn(data.lines);
  if (response.status === 201 || response.status === 200)
    return {
      kind: 'taken',
      reference: text(data.reference, 60),
      expected: DAY.test(text(data.expected, 10)) ? text(data.expected, 10) : '',
      says: text(data.says, 400),
      prices,
    };
  return { kind: 'refused', says: text(data.says, 400) || 'The supplier does not take this order.', prices };
}

/** What the supplier has today; or why it cannot be told. */
export async function catalogue(): Promise<{ offered: Offered[]; says: string | null }> {
  try {
    const response = await fetch(url('/catalogue.json'), { signal: AbortSignal.timeout(PATIENCE) });
    const data = (await response.json()) as { items?: unknown };
    const items = Array.isArray(data.items) ? (data.items as Offered[]) : [];
    return {
      offered: items
        .filter((item) => typeof item?.name === 'string' && typeof item.price === 'number' && typeof item.available === 'number')
        .slice(0, 5000),
      says: null,
    };
  } catch {
    return { offered: [], says: 'The supplier cannot be reached just now.' };
  }
}
