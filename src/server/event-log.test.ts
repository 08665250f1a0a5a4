import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PieceProblems } from '../core/piece';
import { BrokenRecord } from '../data/pieces';
import { WorkshopTrouble } from '../data/trouble';

let folder: string;
const shared = globalThis as { foveaEvents?: unknown; foveaDatabase?: { close: () => void } | undefined };
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  vi.stubEnv('FOVEA_DATA', folder);
  delete shared.foveaEvents;
});
afterEach(() => {
  shared.foveaDatabase?.close();
  delete shared.foveaDatabase;
  delete shared.foveaEvents;
  vi.unstubAllEnvs();
  rmSync(folder, { recursive: true, force: true });
});
const log = async () => import('./event-log');

describe('the event log', () => {
  it('tells what happened, the newest first, in words and without a stack', async () => {
    const { eventLog, lastEvents } = await log();
    eventLog().info('A backup was made');
    eventLog().error({ err: Object.assign(new Error('database is locked'), { code: 'SQLITE_BUSY' }) }, 'The daily backup failed');
    expect(lastEvents()).toEqual([
      { time: expect.any(String), level: 'error', words: 'The daily backup failed: database is locked' },
      { time: expect.any(String), level: 'info', words: 'A backup was made' },
    ]);
    const text = readFileSync(join(folder, 'events.log'), 'utf8');
    expect(text).toContain('SQLITE_BUSY');
    expect(text).not.toMatch(/ {4}at |hostname|pid/);
    expect(lastEvents(1)).toHaveLength(1);
  });

  it('shows the end of a long one, passes over lines that were cut off, and begins anew when it is too long', async () => {
    const line = (n: number): string => `${JSON.stringify({ level: 30, time: '2026-01-01T00:00:00Z', msg: `event ${n}` })}\n`;
    writeFileSync(join(folder, 'events.log'), Array.from({ length: 40_000 }, (_, n) => line(n)).join('') + '{"level":30,"ti');
    const { eventLog, lastEvents } = await log();
    const shown = lastEvents();
    expect(shown).toHaveLength(60);
    expect(shown[0]!.words).toBe('event 39999');
    eventLog().info('fresh');
    expect(existsSync(join(folder, 'events.log.1'))).toBe(true);
    expect(lastEvents().map(({ words }) => words)).toEqual(['fresh']);
  });

  it('is empty where there is none, and a folder that cannot be written ends nothing', async () => {
    writeFileSync(join(folder, 'file'), '');
    vi.stubEnv('FOVEA_DATA', join(folder, 'file', 'below'));
    const { eventLog, lastEvents } = await log();
    expect(lastEvents()).toEqual([]);
    expect(() => eventLog().warn('still there')).not.toThrow();
  });
});

describe('an error', () => {
  it('is answered by its kind: with its place, its cure, or no inner words at all', async () => {
    const { answer, Refusal } = await import('./http');
    const of = async (error: unknown): Promise<[number, Record<string, unknown>]> => {
      const response = await answer(() => {
        throw error;
      });
      return [response.status, (await response.json()) as Record<string, unknown>];
    };
    expect(await of(new PieceProblems([{ path: 'count', message: 'How many?' }]))).toMatchObject([422, { problems: [{ path: 'count' }] }]);
    expect(await of(new Refusal(404, 'Gone from the floor'))).toEqual([404, { message: 'Gone from the floor' }]);
    expect(await of(new BrokenRecord())).toMatchObject([409, { message: expect.stringContaining('last whole version') }]);
    expect(await of(new WorkshopTrouble('read-only'))).toMatchObject([503, { trouble: 'read-only' }]);
    expect(await of(Object.assign(new Error('/secret/place'), { code: 'ENOSPC' }))).toMatchObject([507, { trouble: 'full' }]);
    const abort = Object.assign(new Error('aborted'), { name: 'AbortError' });
    expect(await of(abort)).toMatchObject([408, {}]);
    const [status, body] = await of(new TypeError('cannot read /secret/place of undefined'));
    expect(status).toBe(500);
    expect(JSON.stringify(body)).not.toContain('secret');
    // What was told to nobody is written down for the owner, the given-up request is not.
    const { lastEvents } = await log();
    const words = lastEvents().map((event) => event.words);
    expect(words.some((word) => word.includes('secret'))).toBe(true);
    expect(words.some((word) => word.includes('aborted'))).toBe(false);
  });
});

describe('the workshop’s health', () => {
  it('is told with its form and its room, and where it is ill with the cure', async () => {
    const { health } = await import('./health');
    expect(await health().json()).toMatchObject({ ok: true, lastBackup: null, room: expect.any(Number) });
    shared.foveaDatabase?.close();
    delete shared.foveaDatabase;
    writeFileSync(join(folder, 'fovea.sqlite'), '');
    const ill = health();
    expect(ill.status).toBe(503);
    expect(await ill.json()).toMatchObject({ ok: false, trouble: 'empty', message: expect.stringContaining('empty file') });
  });
});
