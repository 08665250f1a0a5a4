import { randomUUID } from 'node:crypto';
import { shelf, type KeptStock, type KeptWare, type Stock, type Ware } from '../core/store';
import type { Db } from './database';
import { read, write } from './settings';

/** What a workshop can buy, and what it has. */
export type StoreView = { wares: KeptWare[]; stock: KeptStock[]; carriage: Record<string, number> };

type Row = { id: string; json: string };
const withId = <T>({ id, json }: Row): T & { id: string } => ({ ...(JSON.parse(json) as T), id });

const now = (): string => new Date().toISOString();

/** An empty store begins with the shelf that ships: once, and never again. */
function furnish(db: Db): void {
  if (read(db, 'shelved', false)) return;
  db.transaction(() => {
    if (read(db, 'shelved', false)) return;
    const put = db.prepare('INSERT OR IGNORE INTO ware (id, json, updated_at) VALUES (?, ?, ?)');
    // What ships has no supplier and no price of this workshop: the one that it carries only ranks.
    for (const { id, ...ware } of shelf()) put.run(id, JSON.stringify({ ...ware, supplier: '', guide: true }), now());
    write(db, 'shelved', true);
  }).immediate();
}

/** Gives everything that ships the suppliers and prices of the lodge. */
export function furnishAsLodge(db: Db): void {
  furnish(db);
  for (const { id, ...ware } of shelf()) keepWare(db, ware, id);
}

/** Every thing that can be bought, by kind and name. */
export function listWares(db: Db): KeptWare[] {
  furnish(db);
  return (db.prepare('SELECT id, json FROM ware WHERE removed_at IS NULL ORDER BY rowid').all() as Row[]).map((row) => withId<Ware>(row));
}

/** Everything that is there. */
export function listStock(db: Db): KeptStock[] {
  return (db.prepare('SELECT id, json FROM stock WHERE removed_at IS NULL ORDER BY rowid').all() as Row[]).map((row) => withId<Stock>(row));
}

/** The whole store, with what each supplier takes for carriage. */
export function storeView(db: Db): StoreView {
  return { wares: listWares(db), stock: listStock(db), carriage: read<Record<string, number>>(db, 'carriage', {}) };
}

/** What a supplier takes for bringing an order. */
export function setCarriage(db: Db, supplier: string, fee: number): Record<string, number> {
  return db
    .transaction(() => {
      const all = { ...read<Record<string, number>>(db, 'carriage', {}), [supplier]: fee };
      if (fee === 0) delete all[supplier];
      write(db, 'carriage', all);
      return all;
    })
    .immediate();
}

/** Keeps a thing: a new one, or one that is known by its id. */
export function keepWare(db: Db, ware: Ware, id: string = randomUUID()): KeptWare {
  furnish(db);
  // Another price than the one that ships is the workshop's own, also where it comes in by a table.
  const before = db.prepare("SELECT json_extract(json, '$.price') AS price FROM ware WHERE id = ?").get(id) as
    { price: number } | undefined;
  const { guide, ...plain } = ware;
  const saved: Ware = guide && (!before || before.price === ware.price) ? ware : plain;
  db.prepare(
    'INSERT INTO ware (id, json, updated_at) VALUES (?, ?, ?) ON CONFLICT (id) DO UPDATE SET json = excluded.json, updated_at = excluded.updated_at, removed_at = NULL',
  ).run(id, JSON.stringify(saved), now());
  return { ...saved, id };
}

/** Takes a thing out of the store; what is in stock of it goes too. */
export function removeWare(db: Db, id: string): boolean {
  return db
    .transaction(() => {
      const gone = db.prepare('UPDATE ware SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(now(), id).changes > 0;
      if (gone) db.prepare('UPDATE stock SET removed_at = ? WHERE ware_id = ? AND removed_at IS NULL').run(now(), id);
      return gone;
    })
    .immediate();
}

/** Whether a thing is in the store. */
export function hasWare(db: Db, id: string): boolean {
  furnish(db);
  return db.prepare('SELECT 1 FROM ware WHERE id = ? AND removed_at IS NULL').get(id) !== undefined;
}

function recordMove(db: Db, id: string, why: string): void {
  db.prepare('INSERT INTO stock_move (stock_id, at, why) VALUES (?, ?, ?)').run(id, now(), why);
}

/** Puts something into the store, or changes what is there; why is kept. */
export function keepStock(db: Db, stock: Stock, why: string, id: string = randomUUID()): KeptStock {
  return db
    .transaction(() => {
      db.prepare(
        'INSERT INTO stock (id, ware_id, json, updated_at) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO UPDATE SET ware_id = excluded.ware_id, json = excluded.json, updated_at = excluded.updated_at, removed_at = NULL',
      ).run(id, stock.ware, JSON.stringify(stock), now());
      recordMove(db, id, why);
      return { ...stock, id };
    })
    .immediate();
}

/** Takes something out of the store. */
export function removeStock(db: Db, id: string, why: string): boolean {
  return db
    .transaction(() => {
      const gone = db.prepare('UPDATE stock SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(now(), id).changes > 0;
      if (gone) recordMove(db, id, why);
      return gone;
    })
    .immediate();
}

/** More of what is there as it is sold: added to the full ones, or begun. */
export function addFull(db: Db, ware: string, count: number, why: string): void {
  const found = listStock(db).find((saved) => saved.ware === ware && saved.form === 'full');
  if (found) keepStock(db, { ...strip(found), count: Math.round((found.count + count) * 1000) / 1000 }, why, found.id);
  else keepStock(db, { ware, form: 'full', count, place: '' }, why);
}

/** Fewer of it: nothing where there are not so many. */
export function takeFull(db: Db, ware: string, count: number, why: string): void {
  const found = listStock(db).find((saved) => saved.ware === ware && saved.form === 'full');
  if (!found) return;
  const rest = Math.round((found.count - count) * 1000) / 1000;
  if (rest <= 0) removeStock(db, found.id, why);
  else keepStock(db, { ...strip(found), count: rest }, why, found.id);
}

function strip({ id: _, ...stock }: KeptStock): Stock {
  void _;
  return stock;
}

/** The last of what came in and went out, newest first. */
export function stockMoves(db: Db, most = 50): { at: string; why: string }[] {
  return db.prepare('SELECT at, why FROM stock_move ORDER BY id DESC LIMIT ?').all(most) as { at: string; why: string }[];
}
