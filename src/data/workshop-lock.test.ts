import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { makeBackup, restoreBackup } from './backup';
import { closeDatabase, database, DATABASE_FILE, openDatabase } from './database';
import { createPiece, listFloor } from './pieces';
import { troubleOf } from './trouble';
import { holderOf, holdWorkshop } from './workshop-lock';

let folder = '';
beforeEach(() => {
  folder = join(mkdtempSync(join(tmpdir(), 'fovea-lock-')), 'workshop');
  process.env.FOVEA_DATA = folder;
});
afterEach(() => {
  closeDatabase();
  rmSync(join(folder, '..'), { recursive: true, force: true });
});

const named = (name: string) => ({ ...newChairSeat(), name });
const names = () => listFloor(database()).pieces.map(({ piece }) => piece.name);
const trouble = (work: () => unknown): string | null => {
  try {
    work();
    return null;
  } catch (error) {
    return troubleOf(error)?.kind ?? String(error);
  }
};

describe('a workshop that a server has open', () => {
  it('is not restored over: the refusal names process and address, and nothing is changed', async () => {
    createPiece(database(), named('Before'));
    const archive = await makeBackup(database(), folder, join(folder, '..', 'kept.tar.gz'));
    createPiece(database(), named('After'));
    // Another process that lives as long as this test, and says that it serves the workshop.
    const other = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 30000)']);
    try {
      const lock = join(folder, 'open-by.json');
      writeFileSync(lock, JSON.stringify({ pid: other.pid, started: null, address: 'http://127.0.0.1:3000' }));
      await expect(restoreBackup(archive, folder)).rejects.toThrow(`process ${other.pid} serves it on http://127.0.0.1:3000`);
      expect(names().sort()).toEqual(['After', 'Before']);
      expect(holderOf(folder)?.pid).toBe(other.pid);
      // The number of a process that ended and was given to another one holds nothing.
      writeFileSync(lock, JSON.stringify({ pid: other.pid, started: '1', address: '' }));
      expect(holderOf(folder)).toBeNull();
    } finally {
      other.kill();
    }
    await new Promise((resolve) => other.once('exit', resolve));
    closeDatabase();
    await restoreBackup(archive, folder);
    expect(names()).toEqual(['Before']);
  });

  it('is held by the process that serves it, which may restore into it by itself', async () => {
    createPiece(database(), named('Kept'));
    holdWorkshop(folder, 'http://127.0.0.1:3000');
    expect(JSON.parse(readFileSync(join(folder, 'open-by.json'), 'utf8'))).toMatchObject({ pid: process.pid });
    expect(holderOf(folder)).toBeNull();
  });
});

describe('a database that is moved or replaced under the server', () => {
  it('takes no save: neither when the folder is moved, nor when another file stands in its place', () => {
    createPiece(database(), named('One'));
    renameSync(folder, `${folder}-moved`);
    expect(trouble(() => createPiece(database(), named('Lost')))).toBe('moved');
    // No empty workshop is made where the old one stood.
    expect(existsSync(folder)).toBe(false);
    // Put back, it goes on.
    renameSync(`${folder}-moved`, folder);
    createPiece(database(), named('Two'));
    expect(names().sort()).toEqual(['One', 'Two']);

    const file = join(folder, DATABASE_FILE);
    for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, `${file}.old${end}`);
    openDatabase(folder).close();
    expect(trouble(() => createPiece(database(), named('Lost')))).toBe('moved');
    expect(trouble(() => database())).toBe('moved');
    // Started again it serves what is there.
    closeDatabase();
    expect(names()).toEqual([]);
  });
});
