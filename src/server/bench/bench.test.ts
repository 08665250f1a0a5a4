import { describe, expect, it } from 'vitest';
import { dayAfter, newPerson, newShop, problemOf, scheduleDiary, type DiaryInput, type Pin } from '../../core/scheduling';
import { writeScope } from '../../core/job';
import { newPiece } from '../../core/piece';
import { checkSchedule, readTaskId, type Schedule } from '../../core/scheduling/solver';
import { asked, answered, servedWorkshop } from '../../testing/served';
import { seededRandom } from '../../testing/seeded-random';
import { closeDatabase, database } from '../../data/database';
import type { BenchNote, Timer } from '../../data/diary';
import { createPiece, removePiece } from '../../data/pieces';
import { beginPurchase, settlePurchase } from '../../data/purchases';
import { listWares } from '../../data/store';
import * as bench from './bench';
import * as diary from './diary';
import { answer } from '../http';
import { putTick } from '../pieces';
import { weekly } from '../../testing/weekly';

let chairs = '';
servedWorkshop((db) => {
  chairs = createPiece(db, { ...newPiece('chair-seat'), name: 'Eight chairs', count: 8, due: '2099-01-01' }).id;
});

describe('at the bench', () => {
  const NOTE = {
    id: 'note-0001',
    unit: 3,
    step: 'foam',
    took: 12.26,
    told: 10,
    reading: '71 mm',
    note: 'soft',
    person: 'Ilse',
    photo: null,
  };

  weekly(2)('a run sheet comes with its picture, its people, and what is done', async () => {
    const view = await answered<{ steps: { key: string }[]; fastening: { places: unknown[]; waves: { to: number }[] }; people: string[] }>(
      200,
      () => bench.readBench(chairs),
    );
    expect(view.steps.length).toBeGreaterThan(10);
    expect(view.fastening.waves.at(-1)!.to).toBe(view.fastening.places.length);
    expect(view.people).toEqual(newShop().people.map(({ name }) => name));
    await answered(404, () => bench.readBench('nobody'));
  });

  it('whatever a step is looked at in comes with it', async () => {
    type Seen = { steps: { key: string; sees?: { in: string } }[] } & Record<string, unknown>;
    const view = await answered<Seen>(200, () => bench.readBench(chairs));
    // What is drawn on the board, under it or behind it is drawn from the board.
    const drawnFrom = (sight: string): string => (['frame', 'back', 'nails'].includes(sight) ? 'board' : sight);
    const sights = [...new Set(view.steps.flatMap(({ sees }) => (sees ? [drawnFrom(sees.in)] : [])))];
    expect(sights).toEqual(expect.arrayContaining(['board', 'foam', 'section', 'cloth', 'fastening', 'corners']));
    for (const sight of sights) expect(view[sight], sight).toBeTruthy();
    for (const several of ['foam', 'cloth', 'corners']) expect((view[several] as unknown[]).length, several).toBeGreaterThan(0);
  });

  it('a note sent twice is one; what is nothing, or of nothing, is refused with words', async () => {
    for (let k = 0; k < 2; k++) {
      const { notes } = await answered<{ notes: BenchNote[] }>(201, () => bench.postNote(asked(NOTE), chairs));
      expect(notes).toHaveLength(1);
      expect(notes[0]).toMatchObject({ unit: 3, took: 12.3, told: 10, reading: '71 mm', note: 'soft', person: 'Ilse' });
    }
    const wrong: [Record<string, unknown>, number][] = [
      [{ id: 'x' }, 400],
      [{ unit: 9 }, 400],
      [{ step: '' }, 400],
      [{ photo: 'nowhere.png' }, 400],
      [{ took: null, reading: '', note: '' }, 422],
    ];
    for (const [change, status] of wrong)
      await answered(status, () => bench.postNote(asked({ ...NOTE, id: 'note-0002', ...change }), chairs));
    // A figure that nobody believes is no figure.
    const odd = await answered<{ notes: BenchNote[] }>(201, () => bench.postNote(asked({ ...NOTE, id: 'note-0003', took: -4 }), chairs));
    expect(odd.notes.find(({ id }) => id === 'note-0003')!.took).toBeNull();
  });

  it('a clock has the times of its step, runs over a restart, and is one for one step of one piece', async () => {
    const at = '2026-03-02T08:00:00.000Z';
    const start = (id: string, unit = 0, step = 'spray-main') => bench.postTimer(asked({ id, piece: chairs, unit, step, at }));
    const { timers } = await answered<{ timers: Timer[] }>(201, () => start('clock-001'));
    expect(timers).toEqual([
      expect.objectContaining({ step: 'spray-main', readyAt: '2026-03-02T08:05:00.000Z', untilAt: '2026-03-02T08:25:00.000Z' }),
    ]);
    await answered(201, () => start('clock-001'));
    expect((await answered<{ timers: Timer[] }>(201, () => start('clock-002', 2))).timers).toHaveLength(2);
    // Sprayed again: the first clock of the set is over.
    const again = await answered<{ timers: Timer[] }>(201, () => start('clock-003'));
    expect(again.timers.map(({ id }) => id).sort()).toEqual(['clock-002', 'clock-003']);
    await answered(400, () => start('clock-004', 0, 'foam'));
    await answered(400, () => start('clock-004', 9));
    closeDatabase();
    const { timers: after } = await answered<{ timers: Timer[] }>(200, () => bench.readTimers());
    expect(after).toHaveLength(2);
    for (const { id } of after) await answered(200, () => bench.deleteTimer(id));
    expect((await answered<{ timers: Timer[] }>(200, () => bench.readTimers())).timers).toEqual([]);
  });

  it('two tablets at once: every tick of both is kept', async () => {
    await Promise.all(
      [1, 2, 3, 4, 5, 6, 7, 8].map((unit) => answered(200, () => putTick(asked({ unit, step: 'board', done: true }), chairs))),
    );
    const { ticks } = await answered<{ ticks: unknown[] }>(200, () => bench.readBench(chairs));
    expect(ticks).toHaveLength(8);
  });
});

type View = {
  input: DiaryInput;
  deliveries: { order: string; day: string }[];
  saved: { schedule: Schedule } | null;
  changed: string[];
  without: string[];
  coming: number;
};
const view = () => answered<View>(200, () => diary.readDiary());

describe('the diary', () => {
  const plan = async (): Promise<{ input: DiaryInput; schedule: Schedule }> => {
    const { input } = await view();
    const { schedule, wrong } = scheduleDiary(input, { tries: 6, roll: seededRandom(1) });
    expect(wrong).toEqual([]);
    return { input, schedule };
  };

  it('begins with one person; who works here is kept, and refused where it cannot be', async () => {
    const shop = { ...newShop(), people: [newPerson({ id: 'p-1', name: 'Ilse' }), newPerson({ id: 'p-2', name: 'Tomas' })] };
    await answered(200, () => diary.putShop(asked({ shop })));
    expect((await view()).input.shop.people).toHaveLength(2);
    const late = { ...shop, people: [{ ...shop.people[0]!, to: 10 }] };
    const { problems } = await answered<{ problems: { path: string }[] }>(422, () => diary.putShop(asked({ shop: late })));
    expect(problems[0]!.path).toBe('people.0.to');
    await answered(422, () => diary.putShop(asked({ shop: { ...shop, benches: 0 } })));
    expect((await view()).input.shop.people).toHaveLength(2);
  });

  it('keeps a schedule that holds, and none that does not', async () => {
    const item = await plan();
    expect(item.input.pieces.map(({ name }) => name)).toEqual(['Eight chairs']);
    // The boards are done: they are not planned again.
    expect(item.schedule.done.some(({ id }) => readTaskId(id).step === 'board')).toBe(false);
    await answered(200, () => diary.putDiary(asked(item)));
    const { saved, changed } = await view();
    expect(saved!.schedule).toEqual(item.schedule);
    expect(changed).toEqual([]);
    const doubled = { ...item.schedule, done: item.schedule.done.map((task) => ({ ...task, spans: [[480, 490]] })) };
    const { message } = await answered<{ message: string }>(422, () => diary.putDiary(asked({ ...item, schedule: doubled })));
    expect(message).toContain('breaks a rule');
    await answered(400, () => diary.putDiary(asked({ input: {}, schedule: { done: [], left: [] } })));
    await answered(400, () => diary.putDiary(asked({})));
    expect((await view()).saved!.schedule).toEqual(item.schedule);
  });

  it('works out four run sheets while somebody waits; the others come when it is asked again', async () => {
    const db = database();
    const more = Array.from({ length: 6 }, (_, k) => createPiece(db, { ...newPiece('chair-seat'), name: `Chair ${k}` }).id);
    const first = await view();
    expect([first.input.pieces.length, first.coming, first.changed]).toEqual([1 + 4, 2, []]);
    const then = await view();
    expect([then.input.pieces.length, then.coming]).toEqual([1 + 6, 0]);
    for (const id of more) removePiece(db, id);
  });

  it('what is laid by hand holds the next schedule; a day that is none, and nobody, are refused', async () => {
    const { schedule } = await plan();
    const { id } = schedule.done.at(-1)!;
    const day = dayAfter((await view()).input.begins, 20);
    const put = (pin: Partial<Pin> | null) => () => diary.putPin(asked({ task: id, pin }));
    for (const wrong of [
      { day: '2026-13-01', minute: 5, who: null },
      { day, minute: 1440, who: null },
      { day, minute: 0, who: 'nobody' },
    ])
      await answered(400, put(wrong));
    await answered(200, put({ day, minute: 600, who: 'p-2' }));
    expect((await view()).changed).toEqual(['work moved by hand']);
    const next = await plan();
    const laid = next.schedule.done.find((done) => done.id === id)!;
    expect(laid.who).toBe('p-2');
    expect(laid.spans[0]![0]).toBeGreaterThanOrEqual(20 * 1440 + 600);
    expect(checkSchedule(problemOf(next.input), next.schedule)).toEqual([]);
    await answered(200, put(null));
    expect((await view()).changed).toEqual([]);
  });

  it('an order that is late moves what waits for it, and is said; it can be known better', async () => {
    const cloth = listWares(database()).find(({ kind }) => kind === 'cloth')!;
    const begins = (await view()).input.begins;
    const expected = dayAfter(begins, 5);
    const order = {
      lines: [{ ware: cloth.id, name: cloth.name, units: 4, price: 10, arrived: 0 }],
      carriage: 0,
      reference: '',
      expected,
      says: '',
    };
    const { id } = beginPurchase(database(), writeScope({ jobs: [], piece: chairs }), 'The mill', order);
    settlePurchase(database(), id, 'ordered', order);
    const before = await view();
    expect(before.deliveries).toEqual([expect.objectContaining({ order: id, day: expected, kinds: ['cloth'], piece: chairs })]);
    expect(before.changed).toEqual(['a delivery']);
    const late = dayAfter(begins, 12);
    await answered(200, () => diary.putDelivery(asked({ order: id, day: late })));
    const { schedule } = await plan();
    const cut = schedule.done.filter((done) => readTaskId(done.id).step === 'cloth');
    for (const done of cut) expect(done.spans[0]![0]).toBeGreaterThanOrEqual(12 * 1440 + 720);
    await answered(400, () => diary.putDelivery(asked({ order: id, day: 'soon' })));
    await answered(404, () => diary.putDelivery(asked({ order: 'none', day: late })));
    await answered(200, () => diary.putDelivery(asked({ order: id, day: null })));
    expect((await view()).deliveries[0]!.day).toBe(expected);
  });

  it('times that were taken move the estimates, once there are enough', async () => {
    const time = (k: number) => ({ id: `time-000${k}`, unit: 1, step: 'foam', took: 15, told: 10 });
    for (let k = 0; k < 3; k++) await answered(201, () => bench.postNote(asked(time(k)), chairs));
    // With the one of 12.3 against 10 above they are four.
    expect((await view()).input.pace).toEqual({});
    await answered(201, () => bench.postNote(asked(time(3)), chairs));
    expect((await view()).input.pace.foam).toMatchObject({ share: 1.5, times: 5 });
  });

  it('a calendar comes out as one, for all and for one; of a piece that went there is nothing left to do', async () => {
    const all = await answer(() => diary.readCalendar(new Request('http://127.0.0.1/api/diary/calendar')));
    expect(all.headers.get('content-type')).toContain('text/calendar');
    expect(await all.text()).toContain('Eight chairs');
    await answered(404, () => diary.readCalendar(new Request('http://127.0.0.1/api/diary/calendar?person=nobody')));
    removePiece(database(), chairs);
    const { input, changed } = await view();
    expect(input.pieces).toEqual([]);
    expect(changed).toContain('Eight chairs was removed');
  });
});
