import Ajv2020 from 'ajv/dist/2020';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newChairSeat } from '../../core/piece';
import { database } from '../../data/database';
import { postBackup, readBackups } from '../backups';
import { readFloor } from '../floor';
import { health } from '../health';
import { answer } from '../http';
import { looksLater } from '../looks';
import { openapi } from './openapi';
import { ROUTES } from './routes';
import * as routes from '../pieces';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
beforeAll(() => {
  process.env.FOVEA_DATA = folder;
});
afterAll(() => {
  looksLater().stop();
  database().close();
  rmSync(folder, { recursive: true });
});

describe('the interface for others', () => {
  it('answers what it says it does', async () => {
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    ajv.addSchema(openapi(ROUTES), 'api');
    const fits = async (path: string, method: string, status: number, work: () => Promise<Response> | Response): Promise<unknown> => {
      const response = await answer(work);
      expect(response.status, `${method} ${path}`).toBe(status);
      const place = `api#/paths/${path.replaceAll('/', '~1').replaceAll('{', '%7B').replaceAll('}', '%7D')}/${method}/responses/${status}/content/application~1json/schema`;
      const data = (await response.json()) as unknown;
      const valid = ajv.validate({ $ref: place }, data);
      expect(ajv.errors?.slice(0, 2) ?? [], `${method} ${path}`).toEqual([]);
      expect(valid).toBe(true);
      return data;
    };
    const request = (body: unknown, url = 'http://127.0.0.1/'): Request => new Request(url, { method: 'POST', body: JSON.stringify(body) });
    const { id } = (await fits('/api/pieces', 'post', 201, () => routes.postPiece(request({ piece: newChairSeat() })))) as { id: string };
    await fits('/api/floor', 'get', 200, () => readFloor(new Request('http://127.0.0.1/api/floor')));
    await fits('/api/pieces', 'get', 200, () => routes.readPieces());
    await fits('/api/pieces/{id}', 'get', 200, () => routes.readPiece(id));
    await fits('/api/pieces/{id}', 'get', 404, () => routes.readPiece('nobody'));
    await fits('/api/pieces/{id}', 'put', 200, () => routes.putPiece(request({ base: 1, piece: { ...newChairSeat(), name: 'B' } }), id));
    await fits('/api/pieces/{id}', 'put', 422, () => routes.putPiece(request({ base: 2, piece: { ...newChairSeat(), count: 0 } }), id));
    await fits('/api/pieces/{id}/step', 'post', 200, () => routes.postStep(request({ direction: 'undo', base: 2 }), id));
    await fits('/api/pieces/{id}/ticks', 'put', 200, () => routes.putTick(request({ unit: 1, step: 'foam', done: true }), id));
    await fits('/api/pieces/{id}/ticks', 'get', 200, () => routes.readTicks(id));
    await fits('/api/pieces/{id}/ticks', 'get', 404, () => routes.readTicks('nobody'));
    await fits('/api/pieces/{id}/finish', 'post', 201, () => routes.postFinish(request({ serial: '1', note: '' }), id));
    await fits('/api/log', 'get', 200, () => routes.readLog(new Request('http://127.0.0.1/api/log?search=chair')));
    await fits('/api/log', 'get', 400, () => routes.readLog(new Request('http://127.0.0.1/api/log?from=1e308')));
    await fits('/api/house', 'put', 200, () => routes.putHouse(request({ key: 'grip', value: 40 })));
    await fits('/api/settings', 'put', 200, () => routes.putSettings(request({ unit: 'cm' })));
    await fits('/api/backups', 'post', 201, () => postBackup());
    await fits('/api/backups', 'get', 200, () => readBackups());
    await fits('/health', 'get', 200, () => health());
    await fits('/api/pieces/{id}', 'delete', 200, () => routes.deletePiece(id));
  });
});
