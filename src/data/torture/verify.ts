import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkBackup } from '../backup';
import { damageOf, openDatabase } from '../database';
import type { Acknowledged } from './hammer';

/**
 * What a workshop was told to be on the disk and is not there, or is not whole.
 *
 * @param folder the workshop's, after a kill or a cut
 * @param entries everything that was told before
 * @param [options.backups] false leaves the archives unopened
 * @returns what is missing, in words; nothing when all is there
 */
export async function missingAfter(folder: string, entries: readonly Acknowledged[], { backups = true } = {}): Promise<string[]> {
  const missing: string[] = [];
  const db = openDatabase(folder);
  try {
    const damage = damageOf(db);
    if (damage) missing.push(`the database: ${damage}`);
    const revision = db.prepare('SELECT json FROM revision WHERE piece_id = ? AND revision = ?');
    const tick = db.prepare('SELECT 1 FROM tick WHERE piece_id = ? AND unit = ? AND step = ?');
    const entry = db.prepare('SELECT 1 FROM log_entry WHERE serial = ?');
    for (const item of entries) {
      if (item.did === 'save') {
        const row = revision.get(item.id, item.revision) as { json: string } | undefined;
        if (!row || (JSON.parse(row.json) as { name: string }).name !== item.name) missing.push(`save ${item.name}`);
      } else if (item.did === 'tick' && !tick.get(item.id, item.unit, item.step)) missing.push(`tick ${item.step}`);
      else if (item.did === 'log' && !entry.get(item.serial)) missing.push(`log ${item.serial}`);
      else if (item.did === 'photo' && !existsSync(join(folder, 'photos', item.name))) missing.push(`photo ${item.name}`);
    }
  } finally {
    db.close();
  }
  // Every photo under its own name is whole, told of or not.
  const photos = existsSync(join(folder, 'photos')) ? readdirSync(join(folder, 'photos')).filter((name) => name.endsWith('.jpg')) : [];
  for (const name of photos) {
    const is = createHash('sha256')
      .update(readFileSync(join(folder, 'photos', name)))
      .digest('hex');
    if (name !== `${is}.jpg`) missing.push(`torn photo ${name}`);
  }
  for (const item of backups ? entries : [])
    if (item.did === 'backup')
      await checkBackup(join(folder, 'backups', item.name)).catch((error: unknown) =>
        missing.push(`backup ${item.name}: ${String(error)}`),
      );
  return missing;
}

/** What was told of in a file of lines; a last line that was cut off was not told. */
export function acknowledgedIn(text: string): Acknowledged[] {
  return text.split('\n').flatMap((line) => {
    try {
      return [JSON.parse(line) as Acknowledged];
    } catch {
      return [];
    }
  });
}
