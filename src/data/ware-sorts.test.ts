import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { shelf, sortsOf } from '../core/store';
import { openDatabase } from './database';

const folder = mkdtempSync(join(tmpdir(), 'fovea-sorts-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('a store from before wares said what they are', () => {
  it('is told once, from the names that the shelf gave them; what a workshop named itself may be any', () => {
    // Then it called piping welt.
    const sorted = shelf()
      .filter(({ kind }) => sortsOf(kind).length > 0)
      .map((ware) => ({ ...ware, name: ware.name.replace('Piping', 'Welt') }));
    expect(sorted.length).toBeGreaterThan(25);
    const db = openDatabase(folder);
    const put = db.prepare("INSERT OR REPLACE INTO ware (id, json, updated_at) VALUES (?, ?, '2026-01-01')");
    for (const { id, ...ware } of sorted) put.run(id, JSON.stringify({ ...ware, of: '' }));
    put.run('assorted', JSON.stringify({ ...sorted[0]!, kind: 'fastener', name: 'Nails, tacks, rivets, screws', of: '' }));
    put.run('chosen', JSON.stringify({ ...sorted[0]!, kind: 'fastener', name: 'Rivets of ours', of: 'screw' }));
    db.pragma('user_version = 6');
    db.close();
    const again = openDatabase(folder);
    const ofNow = (id: string): string =>
      (again.prepare("SELECT json_extract(json, '$.of') AS sort FROM ware WHERE id = ?").get(id) as { sort: string }).sort;
    for (const { id, of } of sorted) expect(ofNow(id), id).toBe(of);
    expect(ofNow('chosen')).toBe('screw');
    expect(['', 'rivet', 'screw']).toContain(ofNow('assorted'));
    again.close();
  });
});
