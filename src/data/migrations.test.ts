import Database from 'better-sqlite3';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { DATABASE_FILE, openDatabase } from './database';

const MIGRATIONS = 'src/data/migrations';

/** A workshop as it stood at an earlier form. */
function workshopOfForm(form: number, fill: (db: Database.Database) => void): string {
  const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  const db = new Database(join(folder, DATABASE_FILE));
  for (const name of readdirSync(MIGRATIONS).sort())
    if (Number(name.slice(0, 3)) <= form) db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
  db.pragma(`user_version = ${form}`);
  fill(db);
  db.close();
  return folder;
}

it('orders and their deliveries come through from form 8, and one may be not known from then on', () => {
  const folder = workshopOfForm(8, (db) => {
    const order = db.prepare("INSERT INTO purchase VALUES (?, 'job', 'Mill', ?, '{}', '2026-11-01', '2026-11-02')");
    order.run('o-1', 'ordered');
    order.run('o-2', 'arrived');
    db.prepare("INSERT INTO delivery VALUES ('d-1', 'o-2', '2026-11-03')").run();
  });
  const db = openDatabase(folder);
  expect(db.prepare('SELECT id, state FROM purchase ORDER BY rowid').all()).toEqual([
    { id: 'o-1', state: 'ordered' },
    { id: 'o-2', state: 'arrived' },
  ]);
  expect(db.prepare('SELECT * FROM delivery').all()).toEqual([{ id: 'd-1', purchase_id: 'o-2', at: '2026-11-03' }]);
  expect(db.pragma('foreign_key_check')).toEqual([]);
  db.prepare("UPDATE purchase SET state = 'unknown' WHERE id = 'o-1'").run();
  expect(() => db.prepare("UPDATE purchase SET state = 'lost'").run()).toThrow(/CHECK/);
  expect(() => db.prepare("INSERT INTO delivery VALUES ('d-2', 'nobody', '')").run()).toThrow(/FOREIGN KEY/);
  db.close();
  rmSync(folder, { recursive: true });
});
