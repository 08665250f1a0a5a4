import { randomUUID } from 'node:crypto';
import type { Purchase, PurchaseState } from '../core/buying';
import type { Db } from './database';
import { addFull } from './store';

/** An order as it is kept. */
export type PurchaseRecord = { id: string; supplier: string; state: PurchaseState; orderedAt: string; order: Purchase };

type Row = { id: string; supplier: string; state: PurchaseState; json: string; ordered_at: string };
const SELECT = 'SELECT id, supplier, state, json, ordered_at FROM purchase';
const toRecord = ({ id, supplier, state, json, ordered_at: orderedAt }: Row): PurchaseRecord => ({
  id,
  supplier,
  state,
  orderedAt,
  order: JSON.parse(json) as Purchase,
});

/** The orders of a scope, oldest first. */
export function listPurchases(db: Db, scope: string): PurchaseRecord[] {
  return (db.prepare(`${SELECT} WHERE scope = ? ORDER BY ordered_at, rowid`).all(scope) as Row[]).map(toRecord);
}

/** Every order that is on its way, with the scope that it was made for. */
export function listComing(db: Db): (PurchaseRecord & { scope: string })[] {
  const rows = db
    .prepare(`${SELECT.replace('SELECT', 'SELECT scope,')} WHERE state = 'ordered' ORDER BY ordered_at, rowid`)
    .all() as (Row & {
    scope: string;
  })[];
  return rows.map((row) => ({ ...toRecord(row), scope: row.scope }));
}

/** One order, or null. */
export function getPurchase(db: Db, id: string): PurchaseRecord | null {
  const row = db.prepare(`${SELECT} WHERE id = ?`).get(id) as Row | undefined;
  return row ? toRecord(row) : null;
}

/** Writes an order down before it is sent: what was sent and not heard of again is known. */
export function beginPurchase(db: Db, scope: string, supplier: string, order: Purchase): PurchaseRecord {
  const id = randomUUID();
  const at = new Date().toISOString();
  db.prepare('INSERT INTO purchase (id, scope, supplier, state, json, ordered_at, updated_at) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
    id,
    scope,
    supplier,
    'sending',
    JSON.stringify(order),
    at,
    at,
  );
  return getPurchase(db, id)!;
}

/** What the supplier answered. */
export function settlePurchase(db: Db, id: string, state: PurchaseState, order: Purchase): PurchaseRecord {
  db.prepare('UPDATE purchase SET state = ?, json = ?, updated_at = ? WHERE id = ?').run(
    state,
    JSON.stringify(order),
    new Date().toISOString(),
    id,
  );
  return getPurchase(db, id)!;
}

/**
 * Writes down what came of an order: it goes into the store, once.
 *
 * @param db the database
 * @param id of the order
 * @param came how many of each line came now, by the line’s number
 * @returns null where nothing of it is still to come
 */
export function receivePurchase(db: Db, id: string, came: readonly number[]): PurchaseRecord | null {
  return db
    .transaction(() => {
      const purchase = getPurchase(db, id);
      if (!purchase || purchase.state !== 'ordered') return null;
      const lines = purchase.order.lines.map((line, k) => {
        const now = Math.max(0, came[k] ?? 0);
        if (now > 0)
          addFull(db, line.ware, now, `Came from ${purchase.supplier}${purchase.order.reference ? `, ${purchase.order.reference}` : ''}`);
        return { ...line, arrived: Math.round((line.arrived + now) * 1000) / 1000 };
      });
      const all = lines.every(({ units, arrived }) => arrived >= units - 1e-6);
      return settlePurchase(db, id, all ? 'arrived' : 'ordered', { ...purchase.order, lines });
    })
    .immediate();
}
