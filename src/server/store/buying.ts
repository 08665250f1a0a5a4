import { boughtBy, isUnanswered, type Buying, type BuyLine, type FlatOffer, type Need, type Purchase } from '../../core/buying';
import { knownPrice, type KeptWare } from '../../core/store';
import { database } from '../../data/database';
import { listLays } from '../../data/lays';
import { beginPurchase, getPurchase, listPurchases, receivePurchase, settlePurchase, type PurchaseRecord } from '../../data/purchases';
import { keepWare, storeView } from '../../data/store';
import { needsFor, together, type Together } from './cutting';
import { isStale } from './stale';
import { readObject, Refusal } from '../http';
import { planning } from '../planning';
import { askSupplier, catalogue } from '../devices/supplier';

/** What is on its way already counts as there. */
const toCome = (orders: readonly PurchaseRecord[]): Map<string, number> => {
  const coming = new Map<string, number>();
  for (const { state, order } of orders)
    if (state === 'ordered')
      for (const { ware, units, arrived } of order.lines) coming.set(ware, (coming.get(ware) ?? 0) + Math.max(0, units - arrived));
  return coming;
};

/** By when a thing must be ordered to be there in time; null where nothing is due. */
function orderBy(due: string, lead: number): string | null {
  if (!due) return null;
  const day = new Date(`${due}T00:00:00Z`);
  day.setUTCDate(day.getUTCDate() - lead);
  return day.toISOString().slice(0, 10);
}

/** What lies flat, by the lay that was chosen for it; where none was, by quick lays of everything that would do. */
async function flatOffers(
  together: Together,
  groups: Awaited<ReturnType<typeof needsFor>>['groups'],
  signal: AbortSignal,
): Promise<Record<string, FlatOffer[]>> {
  const { wares, stock } = storeView(database());
  const byId = new Map(wares.map((ware) => [ware.id, ware]));
  const lays = listLays(database(), together.scope).filter((record) => !isStale(record, together.pieces));
  const flat: Record<string, FlatOffer[]> = {};
  const open = groups.flatMap((group) => {
    const of = lays.filter(({ lay }) => lay.group === group.key);
    // What was cut is there; what has been added to the pieces since is not.
    const cut = new Set(of.flatMap(({ cutAt, lay }) => (cutAt === null ? [] : lay.places.map(({ key }) => key))));
    const rest = cut.size > 0 ? group.shapes.filter(({ key }) => !cut.has(key)) : [];
    if (rest.length > 0) return [{ ...group, shapes: rest, planned: null }];
    // A lay that leaves something out is no shopping list: what fits nowhere is said, not left out of the sum.
    const record = of.find(({ chosen, lay }) => chosen && lay.left.length === 0);
    if (cut.size === 0 && !record) return [group];
    const bought = record?.lay.bins.find(({ stock: from, ware }, k) => from === null && ware !== null && (record.lay.used[k] ?? 0) > 0);
    // Cut already, or all of it out of the store.
    if (cut.size > 0 || !record || !bought) flat[group.key] = [{ ware: '', amount: 0 }];
    else if (byId.has(bought.ware!)) {
      const ware = byId.get(bought.ware!)!;
      // What came since the lay was made lies in the store as it is sold: it need not be bought again.
      const laid = new Set(record.lay.bins.map((bin) => bin.stock));
      const there = stock
        .filter((saved) => saved.ware === ware.id && saved.form === 'full' && !laid.has(saved.id))
        .reduce((sum, { count }) => sum + count * (ware.sold === 'metre' ? 1000 : 1), 0);
      flat[group.key] = [{ ware: ware.id, amount: Math.max(0, boughtBy(record.lay, ware, group.more) - there) }];
    } else return [group];
    return [];
  });
  return { ...flat, ...(open.length > 0 ? await planning().offers({ groups: open, wares, stock }, signal) : {}) };
}

/** What to buy with all that is known of it. */
export type BuyView = {
  scope: string;
  name: string;
  due: string;
  needs: Need[];
  buying: Buying;
  /** what the priced lines come to, with carriage */
  total: number;
  lines: (Omit<BuyLine, 'cost'> & {
    cost: number | null;
    name: string;
    supplier: string;
    lead: number;
    /** null where the workshop has not said it */
    price: number | null;
    sold: KeptWare['sold'];
    coming: number;
    short: number;
    orderBy: string | null;
  })[];
  orders: PurchaseRecord[];
};

/** What the lines with a price come to, with the carriage. */
function sumOf(lines: readonly { cost: number | null }[], { carriage }: Buying): number {
  const all = [...lines.map(({ cost }) => cost ?? 0), ...Object.values(carriage)];
  return Math.round(100 * all.reduce((sum, cost) => sum + cost, 0)) / 100;
}

async function view(together: Together, signal: AbortSignal): Promise<BuyView> {
  const { needs, groups } = await needsFor(together, signal);
  const flat = await flatOffers(together, groups, signal);
  const { wares, stock, carriage } = storeView(database());
  const buying = await planning().buy({ needs, flat, wares, stock, carriage }, signal);
  const orders = listPurchases(database(), together.scope);
  const coming = toCome(orders);
  const byId = new Map(wares.map((ware) => [ware.id, ware]));
  const lines = buying.lines.map((line) => {
    const ware = byId.get(line.ware)!;
    const { name, supplier, lead, sold } = ware;
    const price = knownPrice(ware);
    // Off the roll and whole ones alike: what lies flat and is there as sold was laid on first, what is on its way comes off.
    const due = coming.get(line.ware) ?? 0;
    const short = Math.max(0, Math.round((line.units - due) * 10) / 10);
    return {
      ...line,
      cost: price === null ? null : line.cost,
      name,
      supplier,
      lead,
      price,
      sold,
      coming: due,
      short,
      orderBy: orderBy(together.due, lead),
    };
  });
  return { scope: together.scope, name: together.name, due: together.due, needs, buying, total: sumOf(lines, buying), lines, orders };
}

/** GET /api/buy/SCOPE: everything that any step uses, what of it must be bought, where, and by when. */
export async function readBuy(request: Request, text: string): Promise<Response> {
  return Response.json(await view(together(text), request.signal));
}

/** Sends an order that is written down, and writes down what came back. It carries its own id: sent twice it is one order. */
async function sent(record: PurchaseRecord, accept: boolean): Promise<PurchaseRecord> {
  const answer = await askSupplier(record.id, record.supplier, record.order, accept);
  switch (answer.kind) {
    case 'taken': {
      const lines = record.order.lines.map((line) => ({ ...line, price: answer.prices.get(line.name) ?? line.price }));
      // A supplier that takes an order at prices nobody agreed to is not believed for the store.
      const dearer = accept ? [] : lines.filter(({ price }, k) => Math.abs(price - record.order.lines[k]!.price) > 0.005);
      const charged = dearer.length > 0 ? [`Charged at another price than ordered: ${dearer.map(({ name }) => name).join(', ')}.`] : [];
      const says = [answer.says, ...charged].filter(Boolean).join(' ').slice(0, 400);
      const order: Purchase = { ...record.order, lines, reference: answer.reference, expected: answer.expected, says };
      const db = database();
      const wares = new Map(storeView(db).wares.map((ware) => [ware.id, ware]));
      // What it costs now is what the store knows from now on.
      for (const { ware, price } of lines) {
        const item = wares.get(ware);
        if (item && knownPrice(item) !== price && !dearer.some((line) => line.ware === ware)) {
          const { id, guide: _ranked, ...rest } = item;
          void _ranked;
          keepWare(db, { ...rest, price }, id);
        }
      }
      return settlePurchase(db, record.id, 'ordered', order);
    }
    case 'refused':
      return settlePurchase(database(), record.id, 'refused', {
        ...record.order,
        lines: record.order.lines.map((line) => ({ ...line, price: answer.prices.get(line.name) ?? line.price })),
        says: answer.says,
      });
    case 'unknown':
      return settlePurchase(database(), record.id, 'unknown', { ...record.order, says: answer.says });
    case 'unsent': {
      // It stays as it is: an earlier attempt may have got there.
      const state = record.state === 'unknown' ? 'unknown' : 'sending';
      return settlePurchase(database(), record.id, state, { ...record.order, says: answer.says });
    }
  }
}

/** What somebody heard from the supplier of an order whose answer is not known. */
function marked(record: PurchaseRecord, mark: unknown): PurchaseRecord {
  if (mark !== 'ordered' && mark !== 'not ordered') throw new Refusal(400, 'Mark the order as ordered or as not ordered');
  if (!isUnanswered(record)) throw new Refusal(409, 'This order has been answered already.');
  return settlePurchase(database(), record.id, mark === 'ordered' ? 'ordered' : 'refused', {
    ...record.order,
    says: `Marked as ${mark} by hand.`,
  });
}

/** What a page calls a deed of its own, so that it counts once however often it is sent. */
const KEY = /^[0-9a-f-]{16,60}$/;
/** More than this many times what an order still waits for is a slip of the hand. */
const MOST_OVER = 2;

/** POST /api/buy/SCOPE/orders: orders what is short from one supplier. */
export async function postOrder(request: Request, text: string): Promise<Response> {
  const item = together(text);
  const { supplier, lines, id } = await readObject(request);
  if (typeof id !== 'string' || !KEY.test(id)) throw new Refusal(400, 'An order names its own id');
  // Sent again, because its answer was lost: it is the same order, as it stands by now.
  const known = getPurchase(database(), id);
  if (known) return Response.json(known, { status: 201 });
  if (typeof supplier !== 'string' || supplier === '') throw new Refusal(400, 'From which supplier?');
  // What may have been ordered already is not ordered a second time.
  if (listPurchases(database(), item.scope).some((record) => record.supplier === supplier && isUnanswered(record)))
    throw new Refusal(409, 'An order to this supplier is not confirmed yet. Ask again for it, or mark it, first.');
  const wares = new Map(storeView(database()).wares.map((ware) => [ware.id, ware]));
  if (!Array.isArray(lines) || lines.length === 0 || lines.length > 400) throw new Refusal(422, 'There is nothing to order');
  const order: Purchase = {
    lines: (lines as unknown[]).map((line) => {
      const { ware, units } = (line ?? {}) as { ware?: unknown; units?: unknown };
      const known = typeof ware === 'string' ? wares.get(ware) : undefined;
      if (!known || known.supplier !== supplier) throw new Refusal(422, 'That is not sold by this supplier');
      if (typeof units !== 'number' || !(units > 0) || units > 1_000_000) throw new Refusal(422, `How many of ${known.name}?`);
      return { ware: known.id, name: known.name, units, price: knownPrice(known) ?? 0, arrived: 0 };
    }),
    carriage: storeView(database()).carriage[supplier] ?? 0,
    reference: '',
    expected: '',
    says: '',
  };
  return Response.json(await sent(beginPurchase(database(), item.scope, supplier, order, id), false), { status: 201 });
}

/**
 * PUT /api/orders/ID: asked again, at the supplier's own prices where those are accepted; marked with what the supplier said by
 * word of mouth; or so many of each line came.
 */
export async function putOrder(request: Request, id: string): Promise<Response> {
  const { again, accept, came, delivery, mark } = await readObject(request);
  const record = getPurchase(database(), id);
  if (!record) throw new Refusal(404, 'There is no such order.');
  if (mark !== undefined) return Response.json(marked(record, mark));
  if (again === true) {
    if (!isUnanswered(record) && record.state !== 'refused') throw new Refusal(409, 'This order has been taken already.');
    return Response.json(await sent(record, accept === true));
  }
  if (!Array.isArray(came) || !came.every((units): units is number => typeof units === 'number' && units >= 0 && units <= 1_000_000))
    throw new Refusal(400, 'How many of each came?');
  if (typeof delivery !== 'string' || !KEY.test(delivery)) throw new Refusal(400, 'A delivery names its own id');
  // Nothing booked in would still use up the id of the delivery.
  if (came.every((units) => units === 0)) throw new Refusal(422, 'Enter how many of each line came');
  record.order.lines.forEach(({ name, units, arrived }, k) => {
    const open = units - arrived;
    if ((came[k] ?? 0) > Math.max(MOST_OVER * open, open + 1))
      throw new Refusal(422, `${came[k]} of ${name}? The order still waits for ${Math.round(open * 1000) / 1000}. Enter what came`);
  });
  const received = receivePurchase(database(), id, came, delivery);
  if (!received) throw new Refusal(409, 'Nothing of this order is still to come.');
  return Response.json(received);
}

/** GET /api/supplier: what the supplier has today, or why it cannot be asked. */
export async function readSupplier(): Promise<Response> {
  return Response.json(await catalogue());
}
