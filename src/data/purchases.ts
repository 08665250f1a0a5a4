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

/**
 * Writes an order down before it is sent: what was sent and not heard of again is known.
 *
 * @param id the page’s: an order of that id that is there already is the same one
 */
export function beginPurchase(db: Db, scope: string, supplier: string, order: Purchase, id: string = randomUUID()): PurchaseRecord {
  const at = new Date().toISOString();
  db.prepare('INSERT OR IGNORE INTO purchase (id, scope, supplier, state, json, ordered_at, updated_at) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
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

/** An order that the supplier has taken stays taken: what comes of an earlier attempt to send it changes nothing any more. */
const OPEN = ['sending', 'unknown', 'refused'] as const satisfies readonly PurchaseState[];

/**
 * Writes down what the supplier answered, where the order still waits for an answer.
 *
 * @returns the order as it stands then, whether this answer counted or came too late
 */
export function settlePurchase(db: Db, id: string, state: PurchaseState, order: Purchase): PurchaseRecord {
  moveOn(db, id, { from: OPEN, to: state, order });
  return getPurchase(db, id)!;
}

/** Moves an order from one of some states into another; where it is in none of them any more, it stays. */
function moveOn(db: Db, id: string, { from, to, order }: { from: readonly PurchaseState[]; to: PurchaseState; order: Purchase }): void {
  db.prepare(`UPDATE purchase SET state = ?, json = ?, updated_at = ? WHERE id = ? AND state IN (${from.map(() => '?').join(', ')})`).run(
    to,
    JSON.stringify(order),
    new Date().toISOString(),
    id,
    ...from,
  );
}

/**
 * Writes down what came of an order: it goes into the store, once.
 *
 * @param db the database
 * @param id of the order
 * @param came how many of each line came now, by the line’s number
 * @param delivery the page’s id of this delivery: sent again it is the same one, and counted once
 * @returns null where nothing of it is still to come
 */
export function receivePurchase(db: Db, id: string, came: readonly number[], delivery: string): PurchaseRecord | null {
  return db
    .transaction(() => {
      const purchase = getPurchase(db, id);
      if (!purchase) return null;
      if (db.prepare('SELECT 1 FROM delivery WHERE id = ?').get(delivery)) return purchase;
      if (purchase.state !== 'ordered') return null;
      db.prepare('INSERT INTO delivery (id, purchase_id, at) VALUES (?, ?, ?)').run(delivery, id, new Date().toISOString());
      const lines = purchase.order.lines.map((line, k) => {
        const now = Math.max(0, came[k] ?? 0);
        if (now > 0)
          addFull(db, line.ware, now, `Came from ${purchase.supplier}${purchase.order.reference ? `, ${purchase.order.reference}` : ''}`);
        return { ...line, arrived: Math.round((line.arrived + now) * 1000) / 1000 };
      });
      const all = lines.every(({ units, arrived }) => arrived >= units - 1e-6);
      moveOn(db, id, { from: ['ordered'], to: all ? 'arrived' : 'ordered', order: { ...purchase.order, lines } });
      return getPurchase(db, id)!;
    })
    .immediate();
}
