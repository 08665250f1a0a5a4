import type { ChildProcess } from 'node:child_process';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freshBin, stockBins } from '../../core/buying';
import { createSearch, toKeep, type KeptLay, type LayGroup } from '../../core/nesting';
import { newChairSeat } from '../../core/piece';
import type { KeptStock, KeptWare } from '../../core/store';
import { closeDatabase, database } from '../../data/database';
import type { JobRecord } from '../../data/jobs';
import type { LayRecord } from '../../data/lays';
import { createPiece, savePiece } from '../../data/pieces';
import { beginPurchase, listPurchases, settlePurchase, type PurchaseRecord } from '../../data/purchases';
import { furnishAsLodge, listStock, listWares } from '../../data/store';
import { standIn } from '../../testing/stand-in';
import { asked, answered, servedWorkshop } from '../../testing/served';
import * as buying from './buying';
import * as cutter from '../devices/cutter';
import * as cutting from './cutting';
import { answer } from '../http';
import * as jobs from '../jobs';
import * as store from './store';
import { createServer, type Socket } from 'node:net';

const PORTS = { FOVEA_SUPPLIER: '4791', FOVEA_CUTTER: '4792', FOVEA_CUTTER_PANEL: '4793' };
let processes: ChildProcess[] = [];

servedWorkshop(furnishAsLodge);
beforeAll(async () => {
  Object.assign(process.env, PORTS);
  processes = await Promise.all([
    standIn('supplier', { ...PORTS, FOVEA_SUPPLIER_SLOW: '400' }),
    standIn('cutter', { ...PORTS, FOVEA_CUTTER_HASTE: '4000', FOVEA_CUTTER_BLADE: '5000' }),
  ]);
}, 30_000);
afterAll(() => processes.forEach((process) => process.kill()));

const wares = (): KeptWare[] => listWares(database());
const named = (name: string): KeptWare => wares().find((ware) => ware.name === name)!;

describe('the store', () => {
  it('begins with a shelf, once; a thing that cannot be bought by is refused beside its cause', async () => {
    expect(wares().length).toBeGreaterThan(100);
    const wrong = await answered<{ problems: { path: string; message: string }[] }>(422, () =>
      store.putWare(asked({ ware: { kind: 'glue', name: 'Paste', of: '', sold: 'can', price: 3, supplier: '', lead: 1 } })),
    );
    expect(wrong.problems).toEqual([{ path: 'covers', message: expect.stringContaining('covers') as string }]);
    await answered(422, () =>
      store.putWare(asked({ ware: { kind: 'cord', name: 'x', of: '', sold: 'roll', length: 5, price: -1, supplier: '', lead: 1 } })),
    );
    const { id } = await answered<KeptWare>(201, () =>
      store.putWare(asked({ ware: { kind: 'glue', name: 'Paste', of: '', sold: 'can', covers: 4, price: 3, supplier: '', lead: 1 } })),
    );
    await answered(200, () => store.deleteWare(id));
    await answered(404, () => store.deleteWare(id));
  });

  it('goes out as a table and comes back as it was; another program reads it; a bad row keeps all of it out', async () => {
    const before = wares();
    const text = await store.exportStore(new Request('http://127.0.0.1/?table=wares')).text();
    const rows = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;
    expect(rows).toHaveLength(before.length);
    expect(rows.find((row) => row.name === 'Striped wool, dusk')).toMatchObject({
      kind: 'cloth',
      price: '46',
      'cloth.weave': 'twill',
      'cloth.repeatAcross': '84',
    });
    const into = (table: string) => new Request(`http://127.0.0.1/?table=wares`, { method: 'POST', body: table });
    await answered(201, () => store.importStore(into(text)));
    expect(wares()).toEqual(before);
    const dearer = 'id,kind,name,sold,price,covers\n,glue,First glue,can,"12,5",6\n,glue,Second glue,can,much,6\n';
    const refused = await answered<{ message: string }>(422, () => store.importStore(into(dearer)));
    expect(refused.message).toContain('Row 3, price');
    expect(named('First glue')).toBeUndefined();
    await answered(201, () => store.importStore(into(dearer.replace('much', '9'))));
    expect([named('First glue').price, named('Second glue').price]).toEqual([12.5, 9]);
    // What a spreadsheet would reckon with is a word.
    await answered(201, () => store.importStore(into('kind,name,sold,price,covers\nglue,"\'=1+1",can,1,1\n')));
    expect(named('=1+1')).toBeDefined();
    expect(await store.exportStore(new Request('http://127.0.0.1/?table=wares')).text()).toContain("'=1+1");
  });
});

describe('a job', () => {
  const cloth = () => named('Striped wool, dusk');
  const seat = () => ({ ...newChairSeat(), name: 'Seat', count: 4, cloth: { ...cloth().cloth!, direction: 'along' as const } });
  let job: JobRecord;
  let piece: string;

  it('takes pieces of the floor, is changed from a revision, and a piece is in one job at most', async () => {
    piece = createPiece(database(), seat()).id;
    job = await answered<JobRecord>(201, () =>
      jobs.postJob(asked({ job: { name: 'Dome room', customer: '', due: '2027-01-15', notes: '', photos: [] }, pieces: [piece] })),
    );
    expect(job.pieces).toEqual([piece]);
    await answered(422, () => jobs.postJob(asked({ job: { ...job.job, name: ' ' } })));
    await answered(200, () => jobs.putJob(asked({ base: 1, job: { ...job.job, notes: 'stripe to the front' } }), job.id));
    await answered(409, () => jobs.putJob(asked({ base: 1, job: job.job }), job.id));
    const other = await answered<JobRecord>(201, () => jobs.postJob(asked({ job: { ...job.job, name: 'Other' }, pieces: [piece] })));
    expect((await answered<JobRecord>(200, () => jobs.readJob(job.id))).pieces).toEqual([]);
    await answered(200, () => jobs.deleteJob(other.id));
    job = await answered<JobRecord>(200, () => jobs.putJobPiece(asked({ piece, belongs: true }), job.id));
    expect(job.pieces).toEqual([piece]);
  });

  type CutView = { scope: string; groups: LayGroup[]; lays: (LayRecord & { stale: boolean })[] };
  const read = () => answered<CutView>(200, () => cutting.readCut(new Request('http://127.0.0.1/'), job.id));
  const layOf = (group: LayGroup, ware: KeptWare, name: string): KeptLay => {
    const search = createSearch({
      shapes: group.shapes,
      stock: stockBins(group, wares(), listStock(database())),
      fresh: freshBin(ware),
      gap: group.gap,
      repeat: group.repeat,
      locked: [],
    });
    search.step(Infinity, 10);
    return toKeep(search.best(), { name, group: group.key, tool: 'house', cost: 0 });
  };
  let partRoll: KeptStock;

  it('is laid on a flawed part roll of the store, kept, gone out of date with the piece, and laid anew', async () => {
    const ware = cloth();
    partRoll = await answered<KeptStock>(201, () =>
      store.putStock(
        asked({
          stock: {
            ware: ware.id,
            form: 'part',
            count: 1,
            width: 1420,
            length: 1500,
            place: 'top shelf',
            flaws: [{ x: 100, y: 100, width: 40, height: 40 }],
          },
        }),
      ),
    );
    const { groups } = await read();
    const group = groups.find(({ kind }) => kind === 'cloth')!;
    const lay = layOf(group, ware, 'First');
    expect(lay.places.some(({ bin }) => lay.bins[bin]!.stock === partRoll.id)).toBe(true);
    // What lies over another is refused, whoever says it is a lay.
    const over = { ...lay, places: lay.places.map((place) => ({ ...place, x: lay.places[0]!.x, y: lay.places[0]!.y, bin: 0 })) };
    const refused = await answered<{ message: string }>(422, () => cutting.postLay(asked({ lay: over }), job.id));
    expect(refused.message).toContain('cannot be cut');
    // Nor is a piece laid twice, or a roll wider than the store's; and how much is taken is reckoned from the pieces.
    await answered(422, () =>
      cutting.postLay(asked({ lay: { ...lay, places: [...lay.places, { ...lay.places[0]!, y: 9000, bin: 1 }] } }), job.id),
    );
    await answered(409, () =>
      cutting.postLay(asked({ lay: { ...lay, bins: lay.bins.map((bin) => ({ ...bin, width: bin.width + 200 })) } }), job.id),
    );
    const saved = await answered<LayRecord>(201, () => cutting.postLay(asked({ lay: { ...lay, used: lay.used.map(() => 1) } }), job.id));
    saved.lay.used.forEach((used, k) => expect(used).toBeCloseTo(lay.used[k]!, 2));
    expect([saved.chosen, saved.lay.revisions]).toEqual([true, { [piece]: 1 }]);
    savePiece(database(), piece, { base: 1, piece: { ...seat(), count: 5 } });
    expect((await read()).lays.map(({ stale }) => stale)).toEqual([true]);
    await answered(409, () => cutting.postLay(asked({ lay }), job.id));
    savePiece(database(), piece, { base: 2, piece: seat() });
    const again = layOf(
      (await read()).groups.find(({ kind }) => kind === 'cloth')!,
      ware,
      'Second',
    );
    const second = await answered<LayRecord>(201, () => cutting.postLay(asked({ lay: again }), job.id));
    await answered(200, () => cutting.putLay(asked({ chosen: true }), job.id, second.id));
    expect((await read()).lays.map(({ chosen, stale }) => [chosen, stale])).toEqual([
      [false, true],
      [true, false],
    ]);
  });

  const need = () => answered<buying.BuyView>(200, () => buying.readBuy(new Request('http://127.0.0.1/'), job.id));

  it('buys what its lay leaves to be bought, and everything else that any step uses', async () => {
    const view = await need();
    expect(view.buying.nowhere).toEqual([]);
    const striped = view.lines.find(({ name }) => name === 'Striped wool, dusk')!;
    expect(striped.units).toBeGreaterThan(0.4);
    // The part roll holds some of it: less is bought than four seats take by themselves.
    expect(striped.units).toBeLessThan(2.9);
    for (const kind of ['foam', 'wadding', 'staple', 'glue', 'dust'])
      expect(
        view.needs.some((candidate) => candidate.kind === kind),
        kind,
      ).toBe(true);
    expect(striped.orderBy).toBe('2027-01-08');
  });

  const mood = (name: string) => fetch(`http://127.0.0.1:${PORTS.FOVEA_SUPPLIER}/moods/${name}`, { method: 'POST' });

  it('orders while the supplier is slow, then dearer, then down; nothing is ordered twice; what came is in the store once', async () => {
    const line = (await need()).lines.find(({ name }) => name === 'Striped wool, dusk')!;
    const order = () =>
      buying.postOrder(
        asked({ id: 'bbbbbbbb-0000-0001', supplier: line.supplier, lines: [{ ware: line.ware, units: line.units }] }),
        job.id,
      );
    await mood('slow');
    await mood('dearer');
    const refused = await answered<PurchaseRecord>(201, order);
    expect(refused.state).toBe('refused');
    expect(refused.order.lines[0]!.price).toBeCloseTo(46 * 1.12, 2);
    // Sent again because its answer was lost, it is the same order.
    expect((await answered<PurchaseRecord>(201, order)).id).toBe(refused.id);
    expect(listPurchases(database(), job.id).filter(({ supplier }) => supplier === line.supplier)).toHaveLength(1);
    const taken = await answered<PurchaseRecord>(200, () => buying.putOrder(asked({ again: true, accept: true }), refused.id));
    expect([taken.state, taken.order.reference]).toEqual(['ordered', 'S-0001']);
    expect(cloth().price).toBeCloseTo(51.52, 2);
    await mood('slow');
    await mood('dearer');
    // It is on its way: nothing of it is short any more.
    const after = (await need()).lines.find(({ ware }) => ware === line.ware)!;
    expect([after.coming, after.short]).toEqual([line.units, 0]);
    await mood('down');
    const wadding = (await need()).lines.find(({ supplier }) => supplier !== line.supplier)!;
    const unheard = await answered<PurchaseRecord>(201, () =>
      buying.postOrder(
        asked({ id: 'bbbbbbbb-1000-0001', supplier: wadding.supplier, lines: [{ ware: wadding.ware, units: wadding.units }] }),
        job.id,
      ),
    );
    expect(unheard.state).toBe('unknown');
    // What may have been ordered is not ordered a second time under another id.
    await answered(409, () =>
      buying.postOrder(
        asked({ id: 'bbbbbbbb-1000-0002', supplier: wadding.supplier, lines: [{ ware: wadding.ware, units: wadding.units }] }),
        job.id,
      ),
    );
    await mood('down');
    // The server may have stopped meanwhile: the order is written down, and asked for again it is the same one.
    closeDatabase();
    for (const again of [1, 2]) {
      const sent = await answered<PurchaseRecord | { message: string }>(again === 1 ? 200 : 409, () =>
        buying.putOrder(asked({ again: true }), unheard.id),
      );
      if (again === 1) expect(sent).toMatchObject({ state: 'ordered', order: { reference: 'S-0002' } });
    }
    await answered(422, () => buying.putOrder(asked({ came: [0], delivery: 'aaaaaaaa-0000-0001' }), taken.id));
    const slip = asked({ came: [1_000_000], delivery: 'aaaaaaaa-0000-0000' });
    expect(await answered<{ message: string }>(422, () => buying.putOrder(slip, taken.id))).toMatchObject({
      message: expect.stringContaining(`still waits for ${line.units}`) as string,
    });
    const short = await answered<PurchaseRecord>(200, () =>
      buying.putOrder(asked({ came: [0.3], delivery: 'aaaaaaaa-0000-0001' }), taken.id),
    );
    expect(short.state).toBe('ordered');
    const rest = await answered<PurchaseRecord>(200, () =>
      buying.putOrder(asked({ came: [line.units - 0.3], delivery: 'aaaaaaaa-0000-0002' }), taken.id),
    );
    expect(rest.state).toBe('arrived');
    await answered(409, () => buying.putOrder(asked({ came: [1], delivery: 'aaaaaaaa-0000-0003' }), taken.id));
    const full = listStock(database()).filter(({ ware, form }) => ware === line.ware && form === 'full');
    expect(full.map(({ count }) => count)).toEqual([line.units]);
    // What came need not be bought again.
    expect((await need()).lines.find(({ ware }) => ware === line.ware)).toBeUndefined();
  });

  it('an order whose answer is not known is marked by whoever asked the supplier; what comes too late changes nothing', async () => {
    const ware = cloth();
    const begin = (id: string) => {
      const order = {
        lines: [{ ware: ware.id, name: ware.name, units: 2, price: 46, arrived: 0 }],
        carriage: 0,
        reference: '',
        expected: '',
        says: '',
      };
      const record = beginPurchase(database(), 'elsewhere', ware.supplier, order, id);
      return settlePurchase(database(), record.id, 'unknown', record.order);
    };
    const [taken, not] = [begin('cccccccc-0000-0001'), begin('cccccccc-0000-0002')];
    const mark = (id: string, as: string, status: number) =>
      answered<PurchaseRecord>(status, () => buying.putOrder(asked({ mark: as }), id));
    await mark(taken.id, 'perhaps', 400);
    expect((await mark(taken.id, 'ordered', 200)).state).toBe('ordered');
    await mark(taken.id, 'not ordered', 409);
    expect((await mark(not.id, 'not ordered', 200)).state).toBe('refused');
    // The first attempt's time-out, after somebody has marked it.
    expect(settlePurchase(database(), taken.id, 'unknown', taken.order).state).toBe('ordered');
  });

  it('is cut: what it took leaves the store, what is left of it stays, and nothing is taken twice', async () => {
    const { lays } = await read();
    const { id } = lays.find(({ chosen }) => chosen)!;
    await answered(200, () => cutting.putLay(asked({ cut: true }), job.id, id));
    await answered(409, () => cutting.putLay(asked({ cut: true }), job.id, id));
    const left = listStock(database()).filter(({ ware }) => ware === cloth().id);
    expect(left.some((stock) => stock.id === partRoll.id)).toBe(false);
    expect(left.filter(({ form }) => form === 'full')).toEqual([]);
    // The lays on that roll are out of date; nothing of what was cut is bought again, but what is added to the set is.
    expect((await read()).lays.map(({ stale }) => stale)).toEqual([true, false]);
    expect((await need()).lines.find(({ name }) => name === 'Striped wool, dusk')).toBeUndefined();
    savePiece(database(), piece, { base: 3, piece: { ...seat(), count: 5 } });
    const more = (await need()).lines.find(({ name }) => name === 'Striped wool, dusk')!;
    expect(more.units).toBeGreaterThan(0.5);
    expect(more.units).toBeLessThan(0.9);
  });

  it('goes to the cutter: the program is one the cutter takes, a blunt blade is asked for, and the picture is the plan', async () => {
    const { templates } = await answered<{ templates: { id: string; title: string }[] }>(200, () =>
      cutter.readCutterTemplates(new Request(`http://127.0.0.1/?piece=${piece}`)),
    );
    const body = { piece, template: templates[0]!.id, feed: 12_000 };
    await answered(422, () => cutter.postCutter(asked(body)));
    await answered(201, () => cutter.postCutter(asked({ ...body, clear: true })));
    await answered(409, () => cutter.postCutter(asked({ ...body, clear: true })));
    const state = async () => (await answered<{ cutter: cutter.CutterState }>(200, () => cutter.readCutter())).cutter;
    const until = async (wanted: string) => {
      for (let k = 0; k < 200; k++) {
        const now = await state();
        if (now.state === wanted) return now;
        if (now.state === 'blade' && wanted !== 'blade') await answered(200, () => cutter.putCutter(asked({ what: 'blade' })));
        await new Promise((resolve) => setTimeout(resolve, 40));
      }
      throw new Error(`It is ${JSON.stringify({ ...(await state()), planned: 0, picture: 0 })}, not ${wanted}`);
    };
    const done = await until('done');
    expect(done.compared).toMatchObject({ matches: true });
    expect(done.compared!.cut / done.compared!.planned).toBeCloseTo(1, 3);
    expect(done.done).toBe(done.of);
    // A head that cuts crooked is seen.
    const panel = (what: string) => fetch(`http://127.0.0.1:${PORTS.FOVEA_CUTTER_PANEL}/${what}`, { method: 'POST' });
    await panel('crooked');
    await answered(201, () => cutter.postCutter(asked({ ...body, clear: true })));
    expect((await until('done')).compared).toMatchObject({ matches: false });
    await panel('crooked');
    await panel('jam');
    await answered(201, () => cutter.postCutter(asked({ ...body, clear: true })));
    expect((await until('failed')).says).toContain('caught');
    await panel('jam');
    await answered(201, () => cutter.postCutter(asked({ ...body, feed: 200, clear: true })));
    await until('cutting');
    await answered(200, () => cutter.putCutter(asked({ what: 'pause' })));
    await until('paused');
    await answered(200, () => cutter.putCutter(asked({ what: 'stop' })));
    expect((await state()).state).toBe('stopped');
  }, 60_000);

  it('takes one run at a time, though two are pressed at once, and STOP stops whatever has a connection', async () => {
    // A cutter of the test's: it counts who is connected, and answers every line but the picture.
    const heard: string[] = [];
    const open = new Set<Socket>();
    let connections = 0;
    const bed = createServer((socket) => {
      connections += 1;
      open.add(socket);
      socket.on('close', () => open.delete(socket));
      socket.on('error', () => undefined);
      socket.setEncoding('utf8');
      socket.on('data', (chunk: string) => {
        for (const line of chunk.split('\n').filter(Boolean)) {
          heard.push(line);
          if (line === 'STOP') socket.end('stopped\n');
          else setTimeout(() => socket.writable && socket.write('ok\n'), 30);
        }
      });
      socket.write('H FOVEA-CUTTER 1 2500 1800 0.8 30000\n');
    });
    await new Promise<void>((resolve) => bed.listen(4794, '127.0.0.1', resolve));
    process.env.FOVEA_CUTTER = '4794';
    try {
      const { templates } = await answered<{ templates: { id: string }[] }>(200, () =>
        cutter.readCutterTemplates(new Request(`http://127.0.0.1/?piece=${piece}`)),
      );
      const body = { piece, template: templates[0]!.id, feed: 12_000, clear: true };
      const pressed = await Promise.all([1, 2, 3].map(() => answer(() => cutter.postCutter(asked(body)))));
      expect(pressed.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
      while (heard.length < 6) await new Promise((resolve) => setTimeout(resolve, 10));
      expect(connections).toBe(1);
      await answered(200, () => cutter.putCutter(asked({ what: 'stop' })));
      while (open.size > 0) await new Promise((resolve) => setTimeout(resolve, 10));
      const sent = heard.length;
      expect(heard.at(-1)).toBe('STOP');
      await new Promise((resolve) => setTimeout(resolve, 150));
      expect(heard.length).toBe(sent);
      // Stopped while it was still being made ready, nothing is sent at all.
      const late = answer(() => cutter.postCutter(asked(body)));
      await new Promise((resolve) => setTimeout(resolve, 0));
      await answered(200, () => cutter.putCutter(asked({ what: 'stop' })));
      expect((await late).status).toBe(409);
      expect(connections).toBe(1);
    } finally {
      process.env.FOVEA_CUTTER = PORTS.FOVEA_CUTTER;
      open.forEach((socket) => socket.destroy());
      await new Promise((resolve) => bed.close(resolve));
    }
  }, 30_000);
});
