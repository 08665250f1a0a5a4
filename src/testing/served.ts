import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect } from 'vitest';
import { closeDatabase, database, type Db } from '../data/database';
import { answer } from '../server/http';
import { looksLater } from '../server/looks';
import { planning } from '../server/planning';

/**
 * Gives a file of server tests one workshop in a new folder, and takes it away again with its threads.
 *
 * @param begin puts into it what the tests begin with
 * @returns its folder
 */
export function servedWorkshop(begin: (db: Db) => void): string {
  const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
  beforeAll(() => {
    process.env.FOVEA_DATA = folder;
    begin(database());
  });
  afterAll(async () => {
    looksLater().stop();
    await planning().close();
    closeDatabase();
    rmSync(folder, { recursive: true });
  });
  return folder;
}

/** A request with a body: text as it is, anything else as JSON. */
export const asked = (body: unknown): Request =>
  new Request('http://127.0.0.1/', { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) });

/** What a handler answers, once its status is the one that is expected; its message is shown where it is not. */
export async function answered<T>(status: number, work: () => Promise<Response> | Response): Promise<T> {
  const response = await answer(work);
  const data = (await response.json()) as T & { message?: string };
  expect(response.status, data.message).toBe(status);
  return data;
}
