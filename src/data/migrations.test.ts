import { rmSync } from 'node:fs';
import { expect, it } from 'vitest';
import { workshopOfForm } from '../testing/workshop';
import { openDatabase } from './database';

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
