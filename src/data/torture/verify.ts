import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkBackup } from '../backup';
import { damageOf, openDatabase } from '../database';
import type { Told } from './hammer';

/**
 * What a workshop was told to be on the disk and is not there, or is not whole.
 *
 * @param folder the workshop's, after a kill or a cut
 * @param told everything that was told before
 * @param [options.backups] false leaves the archives unopened
 * @returns what is missing, in words; nothing when all is there
 */
export async function lost(folder: string, told: readonly Told[], { backups = true } = {}): Promise<string[]> {
  const missing: string[] = [];
  const db = openDatabase(folder);
  try {
    const damage = damageOf(db);
    if (damage) missing.push(`the database: ${damage}`);
    const revision = db.prepare('SELECT json FROM revision WHERE piece_id = ? AND revision = ?');
    const tick = db.prepare('SELECT 1 FROM tick WHERE piece_id = ? AND unit = ? AND step = ?');
    const entry = db.prepare('SELECT 1 FROM log_entry WHERE serial = ?');
    for (const own of told) {
      if (own.did === 'save') {
        const row = revision.get(own.id, own.revision) as { json: string } | undefined;
        if (!row || (JSON.parse(row.json) as { name: string }).name !== own.name) missing.push(`save ${own.name}`);
      } else if (own.did === 'tick' && !tick.get(own.id, own.unit, own.step)) missing.push(`tick ${own.step}`);
      else if (own.did === 'log' && !entry.get(own.serial)) missing.push(`log ${own.serial}`);
      else if (own.did === 'photo' && !existsSync(join(folder, 'photos', own.name))) missing.push(`photo ${own.name}`);
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
  for (const own of backups ? told : [])
    if (own.did === 'backup')
      await checkBackup(join(folder, 'backups', own.name)).catch((error: unknown) => missing.push(`backup ${own.name}: ${String(error)}`));
  return missing;
}

/** What was told of in a file of lines; a last line that was cut off was not told. */
export function toldIn(text: string): Told[] {
  return text.split('\n').flatMap((line) => {
    try {
      return [JSON.parse(line) as Told];
    } catch {
      return [];
    }
  });
}
