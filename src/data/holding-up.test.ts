import Database from 'better-sqlite3';
import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { list } from 'tar';
import { describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { BadBackup, checkBackup, listBackups, makeBackup, restoreBackup, thinBackups } from './backup';
import { addLogEntry, finishedAs, listLog, serialOf, setTick } from './bench';
import { DATABASE_FILE, formIn, newestForm, openDatabase } from './database';
import { keepPhoto } from './photos';
import {
  BrokenRecord,
  countFloor,
  createPiece,
  getPiece,
  listFloor,
  listStaleSaves,
  mendPiece,
  renewStaleSave,
  savePiece,
  stepPiece,
} from './pieces';
import { measured } from '../testing/measured';
import { eachInItsOwn } from '../testing/workshop';
import { troubleOf, WorkshopTrouble } from './trouble';

const at = eachInItsOwn();

const named = (name: string) => ({ ...newChairSeat(), name });
const nameOf = (id: string) => getPiece(at.db, id)!.piece.name;
const troubleIn = (work: () => unknown): WorkshopTrouble => {
  try {
    work();
  } catch (error) {
    if (error instanceof WorkshopTrouble) return error;
    throw error;
  }
  throw new Error('no trouble');
};

describe('a save whose answer was lost', () => {
  it('and that is sent again is answered again, not taken for another’s', () => {
    const { id } = createPiece(at.db, named('A'));
    const save = { base: 1, piece: named('B'), saveId: 'save-b' };
    const first = savePiece(at.db, id, save);
    expect(savePiece(at.db, id, save)).toEqual(first);
    expect(getPiece(at.db, id)!.revision).toBe(2);
    expect(listStaleSaves(at.db, id)).toEqual([]);
  });

  it('goes on from where it was, not from what others have saved since', () => {
    const { id } = createPiece(at.db, named('A'));
    const save = { base: 1, piece: named('Mine'), saveId: 'mine' };
    savePiece(at.db, id, save);
    savePiece(at.db, id, { base: 2, piece: named('Theirs'), saveId: 'theirs' });
    expect(savePiece(at.db, id, save)).toMatchObject({ ok: true, record: { revision: 2, piece: { name: 'Mine' } } });
    // The next save from there is a true conflict, and overwrites nothing.
    expect(savePiece(at.db, id, { base: 2, piece: named('Mine, later'), saveId: 'later' })!.ok).toBe(false);
    expect(nameOf(id)).toBe('Theirs');
  });

  it('a later save of the same page that names it is no conflict', () => {
    const { id } = createPiece(at.db, named('A'));
    savePiece(at.db, id, { base: 1, piece: named('B'), saveId: 'first' });
    expect(savePiece(at.db, id, { base: 1, piece: named('C'), saveId: 'second', after: 'first' })!.ok).toBe(true);
    expect([nameOf(id), getPiece(at.db, id)!.revision]).toEqual(['C', 3]);
    // Where somebody saved in between it is one.
    savePiece(at.db, id, { base: 3, piece: named('Theirs') });
    expect(savePiece(at.db, id, { base: 1, piece: named('D'), saveId: 'third', after: 'second' })!.ok).toBe(false);
  });

  it('a conflict that is sent again is the same one, and grows with its page', () => {
    const { id } = createPiece(at.db, named('A'));
    savePiece(at.db, id, { base: 1, piece: named('Theirs') });
    const late = { base: 1, piece: named('Mine'), saveId: 'mine' };
    const one = savePiece(at.db, id, late)!;
    expect(savePiece(at.db, id, late)).toEqual(one);
    const [stale] = listStaleSaves(at.db, id);
    expect(listStaleSaves(at.db, id)).toHaveLength(1);
    expect(renewStaleSave(at.db, id, stale!.id, named('Mine, newest'))).toBe(true);
    expect(listStaleSaves(at.db, id)[0]!.piece.name).toBe('Mine, newest');
    expect(renewStaleSave(at.db, 'other', stale!.id, named('x'))).toBe(false);
  });

  it('a new piece asked for twice is one, and a job finished twice is in the log once', () => {
    const one = createPiece(at.db, named('A'), 'make-a');
    expect(createPiece(at.db, named('A'), 'make-a')).toEqual(one);
    expect(listFloor(at.db).pieces).toHaveLength(1);
    addLogEntry(at.db, { pieceId: one.id, revision: 1, serial: '2026-001', note: '' });
    const job = { pieceId: one.id, revision: 1, serial: '2026-001', note: '' };
    expect(finishedAs(at.db, job)).toBe(true);
    expect(finishedAs(at.db, { ...job, revision: 2 })).toBe(false);
    expect(finishedAs(at.db, { ...job, note: 'Second time' })).toBe(false);
  });

  it('a step is taken only from what its page shows', () => {
    const { id } = createPiece(at.db, named('A'));
    savePiece(at.db, id, { base: 1, piece: named('B') });
    expect(stepPiece(at.db, id, 'undo', 1)).toMatchObject({ current: { revision: 2 } });
    expect(nameOf(id)).toBe('B');
    expect(stepPiece(at.db, 'nobody', 'undo', 1)).toBeNull();
  });

  it('ten thousand saves by two writers: every one is in the history or put aside', () => {
    const { id } = createPiece(at.db, named('0'));
    const other = openDatabase(at.folder);
    const base = [1, 1];
    let [accepted, aside] = [0, 0];
    const many = process.env.FOVEA_LONG ? 10_000 : 400;
    for (let k = 1; k <= many; k++) {
      const who = (k * 7919) % 3 === 0 ? 1 : 0;
      const result = savePiece([at.db, other][who]!, id, { base: base[who]!, piece: named(String(k)), saveId: `save ${k}` })!;
      if (result.ok) accepted += 1;
      else aside += 1;
      base[who] = result.ok ? result.record.revision : result.current.revision;
    }
    other.close();
    expect(accepted + aside).toBe(many);
    expect(at.db.prepare('SELECT count(*) AS n FROM revision').get()).toMatchObject({ n: accepted + 1 });
    expect(listStaleSaves(at.db, id)).toHaveLength(aside);
    expect(aside).toBeGreaterThan(0);
    measured('writers', { saves: many, accepted, aside, overwritten: many - accepted - aside });
  });
});

describe('a damaged record', () => {
  it('leaves the others on the floor and goes back to its last whole version', () => {
    const { id } = createPiece(at.db, named('A'));
    const { id: whole } = createPiece(at.db, named('Whole'));
    savePiece(at.db, id, { base: 1, piece: named('B') });
    at.db.prepare('UPDATE revision SET json = substr(json, 1, 200) WHERE piece_id = ? AND revision = 2').run(id);
    const { pieces, broken } = listFloor(at.db);
    expect(pieces.map((piece) => piece.id)).toEqual([whole]);
    expect(broken.map((piece) => piece.id)).toEqual([id]);
    expect(() => getPiece(at.db, id)).toThrow(BrokenRecord);
    expect(listFloor(at.db, { from: 1, most: 1 }).pieces.map((piece) => piece.id)).toEqual([whole]);
    expect(countFloor(at.db)).toBe(2);
    expect(mendPiece(at.db, id)).toMatchObject({ revision: 3, piece: { name: 'A' } });
    expect(listFloor(at.db).broken).toEqual([]);
    at.db.prepare("UPDATE revision SET json = '{}' WHERE piece_id = ?").run(id);
    expect(mendPiece(at.db, id)).toBeNull();
  });

  it('does not end a search of the log', () => {
    const ids = ['Comet chair', 'Dome bench', 'Comet bench'].map((name) => createPiece(at.db, named(name)).id);
    ids.forEach((pieceId, i) =>
      addLogEntry(at.db, { pieceId, revision: 1, serial: `2026-00${i}`, note: 'firm', finishedAt: `2026-01-0${i + 1}` }),
    );
    at.db.prepare("UPDATE revision SET json = 'no' WHERE piece_id = ?").run(ids[1]);
    expect(listLog(at.db).entries.map((entry) => entry.serial)).toEqual(['2026-002', '2026-000']);
    expect(listLog(at.db, { search: 'comet CHAIR firm' }).entries.map((entry) => entry.serial)).toEqual(['2026-000']);
    expect(listLog(at.db, { search: 'nothing' })).toEqual({ entries: [], next: null });
    expect(listLog(at.db, { from: 2, most: 1 }).entries.map((entry) => entry.serial)).toEqual(['2026-000']);
    // A stretch with a damaged record in it is not the end of the log.
    expect(listLog(at.db, { from: 1, most: 1 })).toEqual({ entries: [], next: 2 });
    expect(listLog(at.db, { most: 3 }).next).toBeNull();
    expect(serialOf(at.db, ids[2]!)).toBe('2026-002');
  });
});

describe('the workshop’s database', () => {
  const file = () => join(at.folder, DATABASE_FILE);

  it('of a newer form is left untouched, to the byte', () => {
    at.db.pragma(`user_version = ${newestForm() + 1}`);
    at.db.close();
    const before = readFileSync(file());
    const trouble = troubleIn(() => openDatabase(at.folder));
    expect(trouble.kind).toBe('newer');
    expect(trouble.message).toContain('newer Fovea');
    expect(readFileSync(file()).equals(before)).toBe(true);
    expect(readdirSync(at.folder)).toEqual([DATABASE_FILE]);
  });

  it('that is empty or no database is said to be, and not taken for a new workshop', () => {
    at.db.close();
    truncateSync(file(), 0);
    expect(troubleIn(() => openDatabase(at.folder)).kind).toBe('empty');
    writeFileSync(file(), 'these are my notes'.repeat(20));
    expect(troubleIn(() => openDatabase(at.folder)).kind).toBe('damaged');
    expect(readFileSync(file(), 'utf8')).toContain('these are my notes');
  });

  it('with a bad page is found out when it is opened', () => {
    for (let k = 0; k < 60; k++) createPiece(at.db, named(`Piece ${k}`));
    at.db.close();
    const bytes = readFileSync(file());
    // Every page but the first two, which hold the header and the list of tables.
    bytes.fill(0x5a, 2 * 4096);
    writeFileSync(file(), bytes);
    const trouble = troubleIn(() => openDatabase(at.folder));
    expect(trouble.kind).toBe('damaged');
    expect(trouble.message).toContain('backup');
  });

  it('alone is the whole workshop once it was closed', () => {
    for (let k = 0; k < 200; k++) createPiece(at.db, named(`Piece ${k}`));
    at.db.close();
    const alone = mkdtempSync(join(tmpdir(), 'fovea-'));
    copyFileSync(file(), join(alone, DATABASE_FILE));
    at.db = openDatabase(alone);
    expect(listFloor(at.db).pieces).toHaveLength(200);
    rmSync(alone, { recursive: true });
  });

  it('of the first form is brought up to date, with the old one kept beside it', () => {
    const old = mkdtempSync(join(tmpdir(), 'fovea-'));
    copyFileSync('src/data/fixtures/workshop-form-1.sqlite', join(old, DATABASE_FILE));
    const opened = openDatabase(old);
    expect(formIn(opened)).toBe(newestForm());
    expect(listFloor(opened).pieces.map(({ piece }) => piece.name)).toEqual(['Dome-room chairs']);
    expect(listLog(opened).entries).toHaveLength(1);
    opened.close();
    const saved = new Database(join(old, `${DATABASE_FILE}.form-1`), { readonly: true });
    expect(saved.pragma('user_version', { simple: true })).toBe(1);
    saved.close();
    rmSync(old, { recursive: true });
  });

  it('that may not grow refuses a save in words, keeps what it has, and takes it once there is room', () => {
    const { id } = createPiece(at.db, named('A'));
    const pages = (at.db.prepare('PRAGMA page_count').get() as { page_count: number }).page_count;
    at.db.pragma(`max_page_count = ${pages}`);
    let saved = 0;
    const fill = (): void => {
      for (let k = 1; k < 200; k++) {
        savePiece(at.db, id, { base: k, piece: { ...named(`A${k}`), notes: 'x'.repeat(3000) } });
        saved = k;
      }
    };
    const trouble = troubleOf(
      (() => {
        try {
          fill();
        } catch (error) {
          return error;
        }
        return null;
      })(),
    );
    expect(trouble?.kind).toBe('full');
    expect(getPiece(at.db, id)).toMatchObject({ revision: saved + 1 });
    at.db.pragma('max_page_count = 1000000');
    expect(savePiece(at.db, id, { base: saved + 1, piece: named('Room again') })!.ok).toBe(true);
  });

  it('a at.folder that cannot be made, a full disk and a lock are told apart in words', () => {
    writeFileSync(join(at.folder, 'a file'), '');
    expect(() => openDatabase(join(at.folder, 'a file'))).toThrow();
    for (const [code, kind] of [
      ['ENOSPC', 'full'],
      ['SQLITE_FULL', 'full'],
      ['EROFS', 'read-only'],
      ['SQLITE_READONLY_DIRECTORY', 'read-only'],
      ['SQLITE_CORRUPT_INDEX', 'damaged'],
      ['SQLITE_BUSY', 'busy'],
    ]) {
      const trouble = troubleOf(Object.assign(new Error('/secret/path'), { code }))!;
      expect([code, trouble.kind]).toEqual([code, kind]);
      expect(trouble.message).not.toContain('/');
    }
    expect(troubleOf(new Error('other'))).toBeNull();
    expect(troubleOf(null)).toBeNull();
  });
});

describe('backups', () => {
  const whole = (at: string): string[] => {
    const other = openDatabase(at);
    const tables = ['piece', 'revision', 'stale_save', 'tick', 'log_entry', 'setting'];
    const rows = tables.map((table) => JSON.stringify(other.prepare(`SELECT * FROM ${table} ORDER BY 1, 2`).all()));
    other.close();
    return rows;
  };
  const busy = (): void => {
    process.env.FOVEA_DATA = at.folder;
    const { id } = createPiece(at.db, named('A'));
    for (let k = 1; k < 30; k++) savePiece(at.db, id, { base: k, piece: named(`A${k}`) });
    setTick(at.db, id, { unit: 1, step: 'foam' }, true);
    addLogEntry(at.db, { pieceId: id, revision: 3, serial: '2026-001', note: 'firm' });
    for (let k = 0; k < 3; k++) keepPhoto(Buffer.alloc(5000, k + 1), 'jpg');
  };

  it('made while the workshop is in use come back byte for byte in another folder', async () => {
    busy();
    const archive = await makeBackup(at.db, at.folder);
    expect(await checkBackup(archive)).toMatchObject({ pieces: 1, log: 1, photos: 3 });
    const elsewhere = join(at.folder, 'elsewhere');
    const { aside, ...found } = await restoreBackup(archive, elsewhere);
    expect(found).toMatchObject({ pieces: 1, photos: 3 });
    expect(aside).toBeNull();
    expect(whole(elsewhere)).toEqual(whole(at.folder));
    for (const name of readdirSync(join(at.folder, 'photos')))
      expect(readFileSync(join(elsewhere, 'photos', name)).equals(readFileSync(join(at.folder, 'photos', name)))).toBe(true);
    // Another reader of the archive finds the very same members.
    const members: string[] = [];
    await list({ file: archive, onReadEntry: (entry) => void members.push(entry.path) });
    expect(members.sort()).toEqual(
      ['fovea.sqlite', 'manifest.json', ...readdirSync(join(at.folder, 'photos')).map((name) => `photos/${name}`)].sort(),
    );
  });

  it('put back over a workshop put what was there aside', async () => {
    busy();
    const archive = await makeBackup(at.db, at.folder, join(at.folder, 'mine.tar.gz'));
    createPiece(at.db, named('Since then'));
    at.db.close();
    const { aside } = await restoreBackup(archive, at.folder);
    expect(existsSync(join(aside!, DATABASE_FILE))).toBe(true);
    at.db = openDatabase(at.folder);
    expect(listFloor(at.db).pieces).toHaveLength(1);
    const before = openDatabase(aside!);
    expect(listFloor(before).pieces).toHaveLength(2);
    before.close();
  });

  it('that are damaged anywhere are recognised, and change nothing', async () => {
    busy();
    const archive = await makeBackup(at.db, at.folder);
    at.db.close();
    const before = whole(at.folder);
    const bad = join(at.folder, 'bad.tar.gz');
    const size = statSync(archive).size;
    const unpacked = (bytes: Buffer): Buffer | null => {
      try {
        return gunzipSync(bytes);
      } catch {
        return null;
      }
    };
    const sound = unpacked(readFileSync(archive))!;
    for (let k = 0; k < 12; k++) {
      const bytes = readFileSync(archive);
      if (k % 3 === 0) writeFileSync(bad, bytes.subarray(0, Math.floor((size * (k + 1)) / 14)));
      else {
        // A few bits of a packed file mean nothing: with one of them turned it unpacks to the same, and is not damaged.
        let place = Math.floor((size * (k + 1)) / 14);
        do bytes[place++]! ^= 0x40;
        while (unpacked(bytes)?.equals(sound));
        writeFileSync(bad, bytes);
      }
      await expect(restoreBackup(bad, at.folder), `damaged at ${k}`).rejects.toThrow(BadBackup);
    }
    for (const text of ['', 'not an archive', '{"form":"fovea.backup/1"}']) {
      writeFileSync(bad, text);
      await expect(checkBackup(bad)).rejects.toThrow(BadBackup);
    }
    await expect(checkBackup(join(at.folder, 'nowhere.tar.gz'))).rejects.toThrow('There is no nowhere.tar.gz');
    expect(whole(at.folder)).toEqual(before);
    expect(readdirSync(at.folder).filter((name) => name.startsWith('before-restore') || name.startsWith('.restoring'))).toEqual([]);
  });

  it('are thinned to the newest, of which one always stays', async () => {
    await makeBackup(at.db, at.folder);
    const { name } = listBackups(at.folder)[0]!;
    for (const day of ['2025-01-01', '2025-01-02', '2025-01-03'])
      cpSync(join(at.folder, 'backups', name), join(at.folder, 'backups', `fovea-${day}T10-00-00Z.tar.gz`));
    thinBackups(at.folder, 2);
    expect(listBackups(at.folder).map((backup) => backup.name)).toEqual([name, 'fovea-2025-01-03T10-00-00Z.tar.gz']);
    thinBackups(at.folder, 0);
    expect(listBackups(at.folder)).toHaveLength(1);
  });

  it('the one made just now stays, whatever the clock has done to the others’ names', async () => {
    const made = await makeBackup(at.db, at.folder);
    for (const day of ['2099-01-01', '2099-01-02']) cpSync(made, join(at.folder, 'backups', `fovea-${day}T10-00-00Z.tar.gz`));
    thinBackups(at.folder, 2, made);
    expect(listBackups(at.folder)).toHaveLength(3);
    thinBackups(at.folder, 2);
    expect(listBackups(at.folder)).toHaveLength(2);
  });
});
