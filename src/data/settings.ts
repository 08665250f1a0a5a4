import type { HouseRules } from '../core/house';
import type { Dialect } from '../core/dialect';
import type { Unit } from '../core/length';
import { NO_CURRENCY } from '../core/money';
import type { Db } from './database';

/** What the whole application follows. */
export type Settings = {
  unit: Unit;
  theme: 'day' | 'evening';
  /** ISO 4217, or nothing */
  currency: string;
  /** of the trade: British or American */
  words: Dialect;
};

/** A value that is kept under a name, or what stands until one is. */
export function read<T>(db: Db, key: string, fallback: T): T {
  const row = db.prepare('SELECT value FROM setting WHERE key = ?').get(key) as { value: string } | undefined;
  return row ? (JSON.parse(row.value) as T) : fallback;
}

/** Keeps a value under a name. */
export function write(db: Db, key: string, value: unknown): void {
  db.prepare('INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value').run(
    key,
    JSON.stringify(value),
  );
}

/** Unit, theme, currency and words. */
export function getSettings(db: Db): Settings {
  return {
    unit: read<Unit>(db, 'unit', 'mm'),
    theme: read<Settings['theme']>(db, 'theme', 'day'),
    currency: read(db, 'currency', NO_CURRENCY),
    words: read<Dialect>(db, 'words', 'british'),
  };
}

/** Changes unit, theme, currency or words. */
export function setSettings(db: Db, change: Partial<Settings>): Settings {
  for (const [key, value] of Object.entries(change)) write(db, key, value);
  return getSettings(db);
}

/** The house rules the workshop has set otherwise than they ship. */
export function getHouse(db: Db): HouseRules {
  return read<HouseRules>(db, 'house', {});
}

/** Sets one house rule, or takes it back to its default with null. */
export function setHouseRule(db: Db, key: string, value: number | null): HouseRules {
  return db
    .transaction(() => {
      const house = getHouse(db);
      if (value === null) delete house[key];
      else house[key] = value;
      write(db, 'house', house);
      return house;
    })
    .immediate();
}

/** Whether the demo workshop has been laid out in this database before. */
export function wasSeeded(db: Db): boolean {
  return read(db, 'seeded', false);
}

/** Remembers that it has. */
export function markSeeded(db: Db): void {
  write(db, 'seeded', true);
}
