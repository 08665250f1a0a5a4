import { describe, expect, it } from 'vitest';
import { planPiece } from '../plan';
import { newChairSeat, newPiece, KINDS, wallInStep } from '../piece';
import type { Polygon } from '../outline';
import { onRoll, roll, shapesOf, taperedSeat } from '../../testing/tapered';
import { createSearch, laidOutline, layFaults, layGroups, type LayTask } from '.';
import { QUICK } from '../../testing/quick';

const found = (task: LayTask, tries = 30) => {
  const search = createSearch(task);
  search.step(Infinity, tries);
  return search.best();
};
const faults = (task: LayTask, lay: ReturnType<typeof found>) => layFaults(task.shapes, lay.bins, lay.places, task);
const square = (width: number, height = width): Polygon => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

describe('a lay of real outlines', () => {
  it('has nothing over anything, by another library, and is never longer than a lay of the boxes', () => {
    for (const count of [3, 8, 17]) {
      const task = onRoll(shapesOf(count, (k) => taperedSeat(470 + ((k * 37) % 190), 380, 440 + ((k * 53) % 120))));
      const boxes = onRoll(
        task.shapes.map((shape) => ({
          ...shape,
          outline: square(Math.max(...shape.outline.map(([x]) => x)), Math.max(...shape.outline.map(([, y]) => y))),
        })),
      );
      const lay = found(task);
      expect(faults(task, lay)).toEqual([]);
      expect(lay.left).toEqual([]);
      expect(lay.used[0]!).toBeLessThanOrEqual(createSearch(boxes).best().used[0]! + 0.01);
    }
  });

  it('tapered seats are turned into each other: two abreast where their boxes are not', () => {
    // 720 in front and 560 behind: two boxes are 1440 and a gap, two seats one of them turned (720 + 560) / 2 · 2 and a gap.
    const task = onRoll(shapesOf(4, () => taperedSeat(720, 560, 500)));
    const lay = found(task, 60);
    expect(faults(task, lay)).toEqual([]);
    expect(lay.used[0]!).toBeLessThan(1300);
    expect(new Set(lay.places.map(({ turn }) => turn)).size).toBe(2);
    // With a nap none may be turned: then they only lie beside each other a little higher.
    const napped = onRoll(shapesOf(4, () => taperedSeat(720, 560, 500), [0]));
    const straight = found(napped, 60);
    expect(faults(napped, straight)).toEqual([]);
    expect(straight.places.every(({ turn }) => turn === 0)).toBe(true);
    expect(straight.used[0]!).toBeGreaterThan(lay.used[0]! + 50);
  });

  it('keeps off flaws, stays on offcuts that are no rectangles, and uses these up before anything is bought', () => {
    const part = { ...roll(), id: 'part', stock: 'part', length: 1200, flaws: [{ x: 300, y: 200, width: 80, height: 60 }] };
    const corner: Polygon = [
      [0, 0],
      [900, 0],
      [900, 400],
      [500, 700],
      [0, 700],
    ];
    const offcut = { ...roll(), id: 'offcut', stock: 'offcut', width: 900, length: 700, outline: corner };
    const task = onRoll(
      shapesOf(9, () => taperedSeat(460, 400, 430)),
      { stock: [offcut, part] },
    );
    const lay = found(task);
    expect(faults(task, lay)).toEqual([]);
    expect(lay.places.filter(({ bin }) => bin === 0).length).toBeGreaterThanOrEqual(1);
    expect(lay.places.filter(({ bin }) => bin === 1).length).toBeGreaterThanOrEqual(3);
    // The check bites: the same on a roll whose flaw lies under the first piece.
    const under = lay.places.find(({ bin }) => bin === 1)!;
    const spoilt = lay.bins.map((bin) =>
      bin.id === 'part' ? { ...bin, flaws: [{ x: under.x + 200, y: under.y + 200, width: 20, height: 20 }] } : bin,
    );
    expect(layFaults(task.shapes, spoilt, lay.places, task).map(({ kind }) => kind)).toContain('flaw');
  });

  it('a motif falls on the repeat within half a millimetre, across and along', () => {
    const task = onRoll(
      shapesOf(8, () => taperedSeat(470, 400, 430), [0], [235, 210]),
      { repeat: { across: 84, along: 120, between: true }, fresh: roll(1420) },
    );
    const lay = found(task);
    expect(faults(task, lay)).toEqual([]);
    for (const { x, y } of lay.places) {
      expect(Math.abs(((x + 235) % 84) - 42)).toBeLessThan(0.5);
      expect(Math.abs(((y + 210) % 120) - 60)).toBeLessThan(0.5);
    }
    const off = lay.places.map((place, k) => (k === 2 ? { ...place, y: place.y + 3 } : place));
    expect(layFaults(task.shapes, lay.bins, off, task).map(({ kind }) => kind)).toContain('repeat');
  });

  it('what is held by hand stays where it is, and the others go round it', () => {
    const shapes = shapesOf(6, () => taperedSeat(460, 400, 430));
    const locked = [{ key: 's3', bin: 0, x: 400, y: 700, turn: 180 as const, locked: true }];
    const task = onRoll(shapes, { locked });
    const lay = found(task);
    expect(lay.places.find(({ key }) => key === 's3')).toMatchObject(locked[0]!);
    expect(faults(task, lay)).toEqual([]);
  });

  it('what fits nowhere is named, and the rest is laid', () => {
    const task = onRoll([...shapesOf(2, () => taperedSeat(460, 400, 430)), { ...shapesOf(1, () => square(1500, 1450))[0]!, key: 'huge' }]);
    const lay = found(task);
    expect(lay.left).toEqual(['huge']);
    expect(lay.places).toHaveLength(2);
    expect(faults(task, lay)).toEqual([{ key: 'huge', kind: 'missing' }]);
  });

  it('the bound is never beaten, and looking on never makes it worse', () => {
    const task = onRoll(shapesOf(12, (k) => square(200 + ((k * 131) % 500), 150 + ((k * 211) % 600)), [0, 90]));
    const search = createSearch(task);
    let last = search.best().used[0]!;
    for (let k = 0; k < 8; k++) {
      search.step(Infinity, 40);
      const now = search.best().used[0]!;
      expect(now).toBeLessThanOrEqual(last + 1e-6);
      expect(now).toBeGreaterThanOrEqual(search.bound.length - 1e-6);
      last = now;
    }
    expect(createSearch(task).best()).toEqual(createSearch(task).best());
  });

  it('the check sees pieces over each other, too near, outside, turned, and missing', () => {
    const task = onRoll(shapesOf(2, () => square(300), [0]));
    const lay = found(task);
    const says = (places: typeof lay.places) => layFaults(task.shapes, lay.bins, places, task).map(({ kind }) => kind);
    const [a, b] = [lay.places[0]!, lay.places[1]!];
    expect(says([a, b])).toEqual([]);
    expect(says([a, { ...b, x: a.x, y: a.y + 200 }])).toEqual(['overlap']);
    expect(says([a, { ...b, x: a.x + 305, y: a.y }])).toEqual(['overlap']);
    expect(says([a, { ...b, x: 1200, y: 900 }])).toEqual(['outside']);
    expect(says([a, { ...b, turn: 90 }])).toEqual(['turned']);
    expect(says([a])).toEqual(['missing']);
    expect(laidOutline(task.shapes[0]!, { x: 5, y: 7, turn: 90 }).every(([x, y]) => x >= 5 && y >= 7)).toBe(true);
  });
});

describe('what is cut for a job', () => {
  it('of every kind is what its own plan lays out: as much foam, as much cloth', () => {
    for (const { id } of KINDS) {
      const start = newPiece(id);
      const piece = wallInStep(start, { ...start, count: 2 });
      const plan = planPiece(piece, {}, QUICK);
      const groups = layGroups([{ id: 'p', piece, plan }], {});
      const count = (kind: string): number =>
        groups.filter((group) => group.kind === kind).reduce((all, { shapes }) => all + shapes.length, 0);
      expect(count('cloth'), id).toBe(plan.cut.cloth.laid.length);
      expect(count('foam'), id).toBe(plan.cut.foam.layouts.reduce((all, { sheets }) => all + sheets.flat().length, 0));
      if (plan.cut.wadding) expect(count('wadding'), id).toBe(plan.cut.wadding.laid.length);
      if (plan.cut.dustCover) expect(count('dust'), id).toBe(plan.cut.dustCover.laid.length);
    }
  });

  it('on a stripe on one piece and between two on the next: both lie right on one roll, laid up it or sideways', () => {
    for (const direction of ['along', 'across'] as const) {
      const cloth = { ...newChairSeat().cloth, name: 'Stripe', rollWidth: 1420, repeatAcross: 84, repeatAlong: 60, direction };
      const planned = (['stripe', 'between'] as const).map((on) => {
        const piece = { ...newChairSeat(), cloth, count: 1, covering: { way: 'pull-over', motif: { x: 10, y: -20, on } } };
        return { id: on, piece, plan: planPiece(piece, {}, QUICK) };
      });
      const group = layGroups(planned, {}).find(({ kind }) => kind === 'cloth')!;
      const task = onRoll(group.shapes, { gap: group.gap, repeat: group.repeat, fresh: roll(1420) });
      const lay = found(task);
      expect(faults(task, lay)).toEqual([]);
      for (const { id, plan } of planned) {
        // Where the motif came to lie on the roll, reckoned here from the plan's own piece.
        const place = lay.places.find(({ key }) => key.startsWith(id))!;
        const { outline, motif } = plan.cover.pieces[0]!;
        const shape = { outline: [...outline.map(([x, y]): [number, number] => [x, y]), [motif!.x, motif!.y] as [number, number]] };
        const at = laidOutline(shape, place).at(-1)!;
        const off = (value: number, every: number) =>
          Math.abs(((((value - (id === 'between' ? every / 2 : 0)) % every) + 1.5 * every) % every) - every / 2);
        expect(off(at[0], 84), `${id} ${direction}`).toBeLessThan(0.5);
        expect(off(at[1], 60), `${id} ${direction}`).toBeLessThan(0.5);
      }
    }
  });

  it('of two pieces of one cloth is one lay, and shorter than both by themselves', () => {
    const narrow = { ...newChairSeat({ type: 'rectangle', width: 420, depth: 420, cornerRadius: { front: 30, back: 30 } }), count: 1 };
    const cloth = { ...narrow.cloth, name: 'One roll' };
    const planned = ['a', 'b'].map((id) => ({
      id,
      piece: { ...narrow, cloth },
      plan: planPiece({ ...narrow, cloth }, {}, QUICK),
    }));
    const cloths = layGroups(planned, {}).filter(({ kind }) => kind === 'cloth');
    expect(cloths).toHaveLength(1);
    const [group] = cloths;
    const task = onRoll(group!.shapes, { gap: group!.gap });
    const both = found(task).used[0]!;
    const one = planned[0]!.plan.cut.cloth.length;
    expect(both).toBeLessThan(1.2 * one);
  });
});
