import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { createPlanner, fingerprintOf, planPiece, type Fingerprint } from '../core/plan';
import { database } from '../data/database';
import { houseMark, keepLook, keptLook } from '../data/looks';
import type { PieceRecord } from '../data/pieces';
import { readBench } from './bench/bench';
import { readBuy } from './store/buying';
import { readCutterTemplates } from './devices/cutter';
import { readCut } from './store/cutting';
import { lastEvents } from './event-log';
import { answer } from './http';
import { lookAt, looksLater } from './looks';
import * as routes from './pieces';
import { planning } from './planning';
import { readPrice } from './store/price';
import { putSeen } from './seen';
import { weekly } from '../testing/weekly';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
let record: PieceRecord;
const plan = planPiece(newChairSeat(), {}, { planner: createPlanner(), sits: false });
const right = fingerprintOf(plan);
const width = Object.keys(right.cover!).find((name) => name.endsWith('width'))!;
/** A page whose cover is a tenth of a millimetre wider. */
const wrong: Fingerprint = { ...right, cover: { ...right.cover!, [width]: right.cover![width]! + 0.1 } };

beforeAll(async () => {
  process.env.FOVEA_DATA = folder;
  record = (await (await answer(() => routes.postPiece(asked({ piece: newChairSeat() })))).json()) as PieceRecord;
});
afterAll(async () => {
  looksLater().stop();
  await planning().close();
  database().close();
  rmSync(folder, { recursive: true });
});

const asked = (body: unknown): Request => new Request('http://127.0.0.1/', { method: 'POST', body: JSON.stringify(body) });
const get = (query = ''): Request => new Request(`http://127.0.0.1/?${query}`);
const see = async (fingerprint: unknown, house: unknown = {}): Promise<Response> =>
  answer(() => putSeen(asked({ piece: record.piece, house, fingerprint }), record.id));

/** Everything that leaves the program by which somebody cuts, buys or works. */
const DOORS: [string, () => Promise<Response>][] = [
  ['printed', () => answer(() => routes.printPiece(get('parts=job'), record.id))],
  ['looked at before it is printed', () => answer(() => routes.readPages(get('parts=job'), record.id))],
  ['exported as patterns', () => answer(() => routes.exportPatterns(get('format=svg'), record.id))],
  ['sent to the cutter', () => answer(() => readCutterTemplates(get(`piece=${record.id}`)))],
  ['laid', () => answer(() => readCut(get(), `p-${record.id}`))],
  ['bought', () => answer(() => readBuy(get(), `p-${record.id}`))],
  ['priced', () => answer(() => readPrice(get(), `p-${record.id}`))],
  ['followed at the bench', () => answer(() => readBench(record.id))],
  [
    'ticked',
    async () => {
      await lookAt(database(), record);
      const step = plan.steps[0]!.key;
      return answer(() => routes.putTick(asked({ unit: 1, step, done: true }), record.id));
    },
  ],
];

describe('what leaves the program is what was seen', () => {
  it.each(DOORS)('%s: only where the page shows the same figures', async (_name, door) => {
    expect(await (await see(right)).json()).toEqual({ current: true });
    expect((await door()).status).toBe(200);
    await see(wrong);
    const refused = await door();
    expect(refused.status).toBe(409);
    const { message } = (await refused.json()) as { message: string };
    expect(message).toContain('work out different figures for');
    expect(message).toContain(`${Math.round(wrong.cover![width]! * 100) / 100} on the page`);
    expect(lastEvents()[0]!.words).toContain('Page and server do not agree');
  });

  weekly(0)('what a page showed of an earlier piece, or under other rules, says nothing', async () => {
    await see(right);
    expect(await (await see(wrong, { grip: 44 })).json()).toEqual({ current: false });
    expect((await DOORS[1]![1]()).status).toBe(200);
    const stale = await answer(() =>
      putSeen(asked({ piece: { ...newChairSeat(), name: 'Of before' }, house: {}, fingerprint: wrong }), record.id),
    );
    expect(await stale.json()).toEqual({ current: false });
    expect((await DOORS[1]![1]()).status).toBe(200);
  });

  it('a look that an older Fovea kept is worked out anew, and no fault', async () => {
    await see(right);
    const [db, mark] = [database(), houseMark({})];
    const look = await lookAt(db, record);
    const older = { ...look, fingerprint: wrong };
    keepLook(db, { pieceId: record.id, revision: record.revision, house: mark, json: JSON.stringify(older), span: 400 });
    const before = JSON.parse(keptLook(db, record.id, record.revision, mark)!) as typeof look;
    expect(before.fingerprint).toEqual(wrong);
    expect((await answer(() => readBench(record.id))).status).toBe(200);
    const after = JSON.parse(keptLook(db, record.id, record.revision, mark)!) as typeof look;
    expect(after.fingerprint.cover![width]).toBeCloseTo(right.cover![width]!, 2);
  });

  it('another stage adds its parts; what is no figure is refused', async () => {
    await see({ cover: wrong.cover });
    await see({ fixing: right.fixing });
    expect((await DOORS[1]![1]()).status).toBe(409);
    for (const bad of [null, 3, { cover: { a: '7' } }, { cover: { a: null } }, { hats: { a: 1 } }, { cover: 1 }])
      expect((await see(bad)).status).toBe(400);
    expect((await answer(() => putSeen(asked({ piece: {}, house: {}, fingerprint: {} }), 'nobody'))).status).toBe(404);
  });
});
