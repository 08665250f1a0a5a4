import { rmSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { shelf, sortsOf } from '../core/store';
import { workshopOfForm } from '../testing/workshop';
import { openDatabase } from './database';

describe('a store from before wares said what they are', () => {
  it('is told once, from the names that the shelf gave them; what a workshop named itself may be any', () => {
    // Then it called piping welt, and had no hardware.
    const sorted = shelf()
      .filter(({ kind }) => sortsOf(kind).length > 0 && kind !== 'hardware')
      .map((ware) => ({ ...ware, name: ware.name.replace('Piping', 'Welt') }));
    expect(sorted.length).toBeGreaterThan(25);
    const folder = workshopOfForm(6, (db) => {
      const put = db.prepare("INSERT OR REPLACE INTO ware (id, json, updated_at) VALUES (?, ?, '2026-01-01')");
      for (const { id, ...ware } of sorted) put.run(id, JSON.stringify({ ...ware, of: '' }));
      put.run('assorted', JSON.stringify({ ...sorted[0]!, kind: 'fastener', name: 'Nails, tacks, rivets, screws', of: '' }));
      put.run('chosen', JSON.stringify({ ...sorted[0]!, kind: 'fastener', name: 'Rivets of ours', of: 'screw' }));
    });
    const again = openDatabase(folder);
    const ofNow = (id: string): string =>
      (again.prepare("SELECT json_extract(json, '$.of') AS sort FROM ware WHERE id = ?").get(id) as { sort: string }).sort;
    for (const { id, of } of sorted) expect(ofNow(id), id).toBe(of);
    expect(ofNow('chosen')).toBe('screw');
    expect(['', 'rivet', 'screw']).toContain(ofNow('assorted'));
    again.close();
    rmSync(folder, { recursive: true });
  });
});
