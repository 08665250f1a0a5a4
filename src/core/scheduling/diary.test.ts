import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import type { Step } from '../run-sheet';
import { beginOf, checkSchedule, endOf, readTaskId, type Schedule } from './solver';
import { seededRandom } from '../../testing/seeded-random';
import {
  ASKED_FOR,
  changedSince,
  costOfTaking,
  DAY,
  dayAfter,
  daysBetween,
  endsOf,
  newPerson,
  newShop,
  paceOf,
  problemOf,
  rangesOf,
  scheduleDiary,
  stepToDo,
  withAskedFor,
  type AskedFor,
  type DiaryInput,
  type PieceEnd,
  type PieceToDo,
} from '.';
import { QUICK } from '../../testing/quick';

const stepsOf = (piece: Piece) => planPiece(piece, {}, QUICK).steps;
const toDo = (id: string, piece: Piece, more: Partial<PieceToDo> = {}): PieceToDo => ({
  id,
  name: id,
  job: null,
  due: '',
  count: piece.count,
  steps: stepsOf(piece),
  done: {},
  ...more,
});
const MONDAY = '2026-03-02';
const shop = { ...newShop(), people: [newPerson({ id: 'a', name: 'Ilse' }), newPerson({ id: 'b', name: 'Tomas' })] };
let chairs: PieceToDo;
let stool: PieceToDo;
beforeAll(() => {
  chairs = toDo('chairs', { ...newPiece('chair-seat'), count: 8 });
  stool = toDo('stool', { ...newPiece('round-seat'), count: 4 });
});
const inputOf = (more: Partial<DiaryInput> = {}): DiaryInput => ({
  shop,
  pieces: [chairs, stool],
  deliveries: [],
  pins: [],
  pace: {},
  begins: MONDAY,
  now: 0,
  ...more,
});
const planned = (input: DiaryInput, tries = 20): Schedule => {
  const { schedule, wrong } = scheduleDiary(input, { tries, roll: seededRandom(1) });
  expect(wrong).toEqual([]);
  return schedule;
};
const of = ({ done }: Schedule, step: string) => done.filter(({ id }) => readTaskId(id).step === step);

describe('a job that nobody has taken', () => {
  const asked = (more: Partial<AskedFor> = {}): AskedFor => ({
    name: 'Stools',
    count: 4,
    steps: stool.steps.map((step) => stepToDo(step as Step)),
    due: '',
    clothOn: '',
    ...more,
  });

  it('is laid beside everything there is, and leaves no trace of it', () => {
    const input = inputOf({ pieces: [{ ...chairs, due: '2026-03-13' }] });
    const before = JSON.stringify(input);
    const more = withAskedFor(input, asked({ due: '2026-03-20' }));
    expect(JSON.stringify(input)).toBe(before);
    const ends = endsOf(more, planned(more));
    expect(ends.map(({ piece }) => piece)).toEqual(['chairs', ASKED_FOR]);
    expect(ends[1]).toMatchObject({ late: 0 });
  });

  it('a promise for the same afternoon is not an honest one; for when it is done it is', () => {
    const input = inputOf({ pieces: [chairs] });
    const soon = withAskedFor(input, asked({ due: MONDAY, count: 30 }));
    const found = planned(soon);
    const end = endsOf(soon, found).find(({ piece }) => piece === ASKED_FOR)!;
    expect(end.late).toBeGreaterThan(0);
    const range = (by: string) => rangesOf(soon, found, seededRandom(3), { [ASKED_FOR]: by }).find(({ piece }) => piece === ASKED_FOR)!;
    expect(range(MONDAY).inTime).toBeLessThan(0.05);
    expect(range(range(MONDAY).late.day).inTime).toBeGreaterThanOrEqual(0.95);
  });

  it('waits for its cloth, and its foam is cut meanwhile', () => {
    const input = withAskedFor(inputOf({ pieces: [] }), asked({ clothOn: '2026-03-16' }));
    const found = planned(input);
    for (const { spans } of of(found, 'cloth')) expect(spans[0]![0]).toBeGreaterThanOrEqual(14 * DAY + DAY / 2);
    expect(of(found, 'foam')[0]!.spans[0]![0]).toBeLessThan(DAY);
  });

  it('tells whose promise it breaks, and nobody’s whose it does not', () => {
    const at = (piece: string, late: number, ends: PieceEnd['ends'] = { day: MONDAY, minute: 600 }): PieceEnd => ({ piece, ends, late });
    const before = [at('a', 0), at('b', 2), at('c', 0), at('d', 0, null)];
    const after = [at('a', 3), at('b', 2), at('c', 0, null), at('d', 0, null), at(ASKED_FOR, 5)];
    expect(costOfTaking(before, after)).toEqual([
      { piece: 'a', was: 0, late: 3 },
      { piece: 'c', was: 0, late: null },
    ]);
    expect(costOfTaking([], after)).toEqual([]);
  });

  it('a full day’s work more pushes what is due at the end of a full week', () => {
    // A week and a half of stools for one person, due as soon as they can be; as many again asked for, due sooner.
    const one = { ...shop, people: [shop.people[0]!] };
    const many = { ...stool, count: 30 };
    const alone = inputOf({ shop: one, pieces: [many] });
    const day = endsOf(alone, planned(alone))[0]!.ends!.day;
    const due = inputOf({ shop: one, pieces: [{ ...many, due: day }] });
    const more = withAskedFor(due, asked({ count: 30, due: MONDAY }));
    const costs = costOfTaking(endsOf(due, planned(due)), endsOf(more, planned(more)));
    const found = endsOf(more, planned(more)).find(({ piece }) => piece === ASKED_FOR)!;
    // Either it breaks the other's promise, or it waits for it: both cannot be in time.
    expect(costs.length > 0 || found.late > 0).toBe(true);
  });
});

it('of a step only what is scheduled and read on its day goes with it: a floor of 300 pieces is sent in one go', () => {
  const sheet = planPiece(newPiece('headboard-bordered'), {}, QUICK).steps.map(stepToDo);
  for (const stepToDo of sheet) expect(Object.keys(stepToDo)).not.toEqual(expect.arrayContaining(['caution']));
  expect(JSON.stringify(sheet).length * 300).toBeLessThan(16_000_000);
});

describe('a floor that is scheduled', () => {
  it('holds before the checker: every step of every piece once, the first one through before the rest are cut', () => {
    const found = planned(inputOf());
    expect(found.left).toEqual([]);
    const minutes = (piece: PieceToDo, local: (key: string) => boolean): number =>
      found.done
        .filter(({ id }) => readTaskId(id).piece === piece.id && local(readTaskId(id).step))
        .reduce((sum, { spans }) => sum + spans.reduce((all, [a, b]) => all + b - a, 0), 0);
    for (const piece of [chairs, stool]) {
      const wanted = piece.steps.reduce((sum, step) => sum + step.minutes * (step.key === 'prove' ? 1 : piece.count), 0);
      expect(
        minutes(piece, () => true),
        piece.id,
      ).toBe(wanted);
    }
    const first = found.done.filter(({ id }) => id.startsWith('chairs/first/'));
    const rest = found.done.find(({ id }) => id === 'chairs/rest/cloth')!;
    expect(Math.max(...first.map(endOf))).toBeLessThanOrEqual(beginOf(rest));
  });

  it('a day that a person could live: ten minutes for a change of piece, and at most five changes a day', () => {
    const found = planned(inputOf(), 200);
    expect(found.done.length).toBeGreaterThan(40);
    const days = new Map<string, { piece: string; ends: number }>();
    const changes = new Map<string, number>();
    for (const task of [...found.done].sort((a, b) => beginOf(a) - beginOf(b))) {
      const { piece } = readTaskId(task.id);
      const day = `${task.who} ${Math.floor(beginOf(task) / DAY)}`;
      const last = days.get(day);
      if (last && last.piece !== piece) {
        changes.set(day, (changes.get(day) ?? 0) + 1);
        expect(beginOf(task) - last.ends, task.id).toBeGreaterThanOrEqual(10);
      }
      days.set(day, { piece, ends: endOf(task) });
    }
    expect(Math.max(0, ...changes.values())).toBeLessThanOrEqual(5);
  });

  it('glue is laid between tacky and dry, batch for batch', () => {
    const found = planned(inputOf());
    const spray = of(found, 'spray-main').filter(({ id }) => id.startsWith('chairs/rest'));
    const lay = of(found, 'glue-main').filter(({ id }) => id.startsWith('chairs/rest'));
    expect(lay).toHaveLength(spray.length);
    const step = chairs.steps.find(({ key }) => key === 'spray-main')!;
    spray.forEach((done, k) => {
      const other = lay.find(({ id }) => readTaskId(id).batch === k)!;
      // Of the last of a batch: tacky after its wait, dry after its open time, counted from its own coat.
      expect(beginOf(other) - endOf(done)).toBeLessThanOrEqual(step.open!);
      expect(beginOf(other)).toBeGreaterThanOrEqual(beginOf(done) + step.minutes + step.wait - 1e-6);
    });
  });

  it('a late delivery holds what is made of it, and nothing else', () => {
    const late = dayAfter(MONDAY, 9);
    const found = planned(inputOf({ deliveries: [{ id: 'd', piece: 'chairs', kinds: ['cloth'], day: late }] }));
    const at = (piece: string, step: string): number =>
      Math.min(
        ...of(found, step)
          .filter(({ id }) => id.startsWith(piece))
          .map(beginOf),
      );
    expect(at('chairs', 'cloth')).toBeGreaterThanOrEqual(9 * DAY + DAY / 2);
    expect(at('chairs', 'foam')).toBeLessThan(2 * DAY);
    expect(at('stool', 'cloth')).toBeLessThan(5 * DAY);
  });

  it('glue for an edge holds back the step that spreads it, and what comes before goes on', () => {
    const start = newPiece('chair-seat');
    const glued = toDo('glued', { ...start, covering: { ...start.covering, held: 'glue' } });
    const late = dayAfter(MONDAY, 9);
    const found = planned(inputOf({ pieces: [glued], deliveries: [{ id: 'd', piece: 'glued', kinds: ['glue'], day: late }] }));
    const at = (step: string): number => Math.min(...of(found, step).map(beginOf));
    expect(at('glue')).toBeGreaterThanOrEqual(9 * DAY + DAY / 2);
    expect(at('foam')).toBeLessThan(2 * DAY);
  });

  it('what is laid by hand is not done before, and by whom it was given to; what is done is not done again', () => {
    const pin = { task: 'stool/rest/sew', day: dayAfter(MONDAY, 7), minute: 600, who: 'b' };
    const found = planned(inputOf({ pins: [pin] }));
    const match = found.done.find(({ id }) => id === pin.task)!;
    expect(match.who).toBe('b');
    expect(beginOf(match)).toBeGreaterThanOrEqual(7 * DAY + 600);
    const board = { ...chairs, done: { board: [1, 2, 3, 4, 5, 6, 7, 8], foam: [1, 2] } };
    const rest = problemOf(inputOf({ pieces: [board] })).tasks;
    expect(rest.some(({ id }) => readTaskId(id).step === 'board')).toBe(false);
    const foam = rest.filter(({ id }) => readTaskId(id).step === 'foam').reduce((sum, { minutes }) => sum + minutes, 0);
    expect(foam).toBe(6 * chairs.steps.find(({ key }) => key === 'foam')!.minutes);
  });

  it('everything half done at any place still makes a schedule that holds', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 1, maxLength: 30 }), (counts) => {
        const done = Object.fromEntries(
          chairs.steps.map(({ key }, k) => [key, Array.from({ length: counts[k % counts.length]! }, (_, i) => i + 1)]),
        );
        const input = inputOf({ pieces: [{ ...chairs, done }] });
        const { schedule, wrong } = scheduleDiary(input, { tries: 2, roll: seededRandom(3) });
        expect(wrong).toEqual([]);
        expect(schedule.left).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('says when each is done and by how much it is late, and how sure that is', () => {
    const input = inputOf({
      pieces: [
        { ...chairs, due: dayAfter(MONDAY, -2) },
        { ...stool, due: dayAfter(MONDAY, 60) },
      ],
    });
    const found = planned(input);
    const [late, fine] = endsOf(input, found);
    expect(late!.late).toBeGreaterThan(0);
    expect(late!.late).toBe(2 + daysBetween(MONDAY, late!.ends!.day));
    expect(fine!.late).toBe(0);
    const [never, sure] = rangesOf(input, found, seededRandom(5));
    expect(never!.inTime).toBe(0);
    expect(sure!.inTime).toBe(1);
    const minute = ({ day, minute: value }: { day: string; minute: number }): number => daysBetween(MONDAY, day) * DAY + value;
    expect(minute(sure!.early)).toBeLessThan(minute(sure!.late));
    // Steps that always take as long as was told leave nothing open.
    const exact = Object.fromEntries([...chairs.steps, ...stool.steps].map(({ key }) => [key, { share: 1, spread: 0, times: 9 }]));
    for (const { early, late: last } of rangesOf({ ...input, pace: exact }, found, seededRandom(5))) expect(early).toEqual(last);
    // Asked for another day, the answer is for that.
    expect(rangesOf(input, found, seededRandom(5), { chairs: dayAfter(MONDAY, 60) })[0]!.inTime).toBe(1);
  });

  it('says what changed since: people, a piece, a delivery, what has been worked on', () => {
    const before = inputOf();
    expect(changedSince(before, inputOf({ now: 500 }))).toEqual([]);
    expect(changedSince(before, inputOf({ shop: { ...shop, benches: 3 } }))).toEqual(['people, hours or places']);
    expect(changedSince(before, inputOf({ pieces: [{ ...chairs, done: { board: [1] } }] }))).toEqual([
      'chairs has been worked on',
      'stool was removed',
    ]);
    expect(changedSince(inputOf({ pieces: [] }), inputOf({ pieces: [{ ...chairs, due: MONDAY }] }))).toEqual(['chairs is new']);
    expect(changedSince(before, inputOf({ pieces: [{ ...chairs, due: MONDAY }, stool] }))).toEqual(['chairs was changed']);
    expect(changedSince(before, inputOf({ deliveries: [{ id: 'd', piece: 'stool', kinds: ['foam'], day: MONDAY }] }))).toEqual([
      'a delivery',
    ]);
  });

  it('a schedule that was tampered with is found', () => {
    const input = inputOf();
    const found = planned(input);
    const wrong = {
      ...found,
      done: found.done.map((done, k) => (k === 3 ? { ...done, spans: done.spans.map(([a, b]) => [a - 400, b - 400] as const) } : done)),
    };
    expect(checkSchedule(problemOf(input), wrong).length).toBeGreaterThan(0);
  });
});

describe('how long steps take here', () => {
  const times = (step: string, shares: readonly number[]) => shares.map((share) => ({ step, told: 10, took: 10 * share }));
  it('nothing is said of fewer than five; one long day does not count', () => {
    expect(paceOf(times('sew', [1.2, 1.3, 1.25, 1.2]))).toEqual({});
    const { sew } = paceOf(times('sew', [1.2, 1.3, 1.25, 1.2, 4.5]));
    expect(sew!.share).toBe(1.25);
    expect(sew!.spread).toBeLessThan(0.1);
    expect(sew!.times).toBe(5);
  });
  it('whoever is quicker at it is known by it, once there is enough, and gets it where that is sooner', () => {
    const by = (person: string, share: number, count: number) =>
      times(
        'sew',
        Array.from({ length: count }, () => share),
      ).map((item) => ({ ...item, person }));
    const pace = paceOf([...by('Ilse', 0.5, 6), ...by('Tomas', 1.5, 6), ...by('Guest', 3, 2)]);
    expect(Object.keys(pace.sew!.people!)).toEqual(['Ilse', 'Tomas']);
    expect(pace.sew!.people!.Ilse!.share).toBe(0.5);
    const { tasks } = problemOf(inputOf({ pace }));
    const sew = tasks.filter(({ id }) => readTaskId(id).step === 'sew');
    expect(sew.length).toBeGreaterThan(0);
    for (const { by: item } of sew) expect(item!.b! / item!.a!).toBeGreaterThan(2);
    // The checker holds everybody to their own time, and of two who are free the quicker one has it.
    const found = planned(inputOf({ pace, pieces: [stool] }));
    for (const done of of(found, 'sew')) expect(done.who).toBe('a');
  });
  it('what nobody believes is left out', () => {
    expect(paceOf(times('sew', [1, 1, 1, 1, 60]))).toEqual({});
    expect(paceOf([...times('sew', [1, 1, 1, 1, 1]), { step: 'sew', told: 10, took: 0.1 }]).sew).toMatchObject({
      share: 1,
      spread: 0,
      times: 5,
    });
  });
  it('the spread of random times comes out as it was drawn', () => {
    const roll = seededRandom(8);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());
    const { sew } = paceOf(
      times(
        'sew',
        Array.from({ length: 400 }, () => 1.5 * (1 + 0.1 * normal())),
      ),
    );
    expect(sew!.share).toBeGreaterThan(1.46);
    expect(sew!.share).toBeLessThan(1.54);
    expect(sew!.spread).toBeGreaterThan(0.08);
    expect(sew!.spread).toBeLessThan(0.12);
  });
});
