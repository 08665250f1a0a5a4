import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { KINDS, SHAPES } from '../piece';
import { begunPiece, begunShape, examplesOf, type Begun } from '.';
import { thisWeek } from '../../testing/runs';

const begun: Begun = { kind: 'chair-seat', shape: null, name: '', count: null, thickness: null, typed: {} };

describe('a piece that is being begun', () => {
  it('has nothing measured until it is typed: everything is an example', () => {
    expect([...examplesOf(begun)]).toEqual(['frontWidth', 'backWidth', 'depth', 'cornerRadius.front', 'cornerRadius.back']);
    expect([...examplesOf({ ...begun, typed: { frontWidth: 412, depth: 400 } })]).toEqual([
      'backWidth',
      'cornerRadius.front',
      'cornerRadius.back',
    ]);
  });

  it('a kind or shape that is changed keeps what was typed, also under another name', () => {
    const typed = { ...begun, name: 'Porch', count: 4, typed: { frontWidth: 412, depth: 400, 'cornerRadius.front': 12 } };
    expect(begunShape({ ...typed, shape: 'rectangle' })).toMatchObject({ width: 412, depth: 400, cornerRadius: { front: 12 } });
    expect(begunShape({ ...typed, shape: 'round' })).toMatchObject({ diameter: 412 });
    expect(begunShape({ ...typed, kind: 'headboard', shape: null })).toMatchObject({ type: 'arched', width: 412, height: 400 });
    expect(begunPiece({ ...typed, kind: 'bench' })).toMatchObject({ name: 'Porch', count: 4, kind: 'bench' });
  });

  it('how the cloth lies is decided by the sizes it has', () => {
    const bench = (width: number) => begunPiece({ ...begun, kind: 'bench', typed: { width, depth: 400 } }).cloth.direction;
    expect(bench(600)).toBe('along');
    expect(bench(1300)).toBe('across');
  });

  it('rows of a table are examples cell by cell', () => {
    const saddle: Begun = { ...begun, kind: 'saddle', typed: { 'rows.0.width': 155 } };
    expect(examplesOf(saddle).has('rows.0.width')).toBe(false);
    expect(examplesOf(saddle).has('rows.1.width')).toBe(true);
    expect(begunShape(saddle)).toMatchObject({ rows: [{ width: 155 }, {}, {}, {}, {}, {}, {}, {}] });
  });

  it('a row that is only an example makes way for one that was measured', () => {
    const places = (typed: Record<string, number>): number[] =>
      (begunShape({ ...begun, kind: 'saddle', typed }) as { rows: { at: number }[] }).rows.map(({ at }) => at);
    const start = places({});
    // Beyond the examples behind it: each of them goes on from there.
    const far = places({ 'rows.1.at': start.at(-1)! + 40 });
    far.slice(1).forEach((at, k) => expect(at).toBeGreaterThan(far[k]!));
    expect(far[1]).toBe(start.at(-1)! + 40);
    // Nearer than the examples before it: they share what lies between.
    const near = places({ 'rows.0.at': 0, 'rows.3.at': 60 });
    expect(near.slice(0, 4)).toEqual([0, 20, 40, 60]);
    expect(near[4]).toBe(start[4]);
  });

  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s can be begun as every shape', (kind) => {
    for (const { type } of SHAPES) expect(problemsOf(begunPiece({ ...begun, kind, shape: type }))).toEqual([]);
  });
});

describe('another shape of a kind', () => {
  const starts = (kind: Begun['kind'], shape: Begun['shape']) => begunShape({ ...begun, kind, shape });
  it('begins as large as the kind does: a rectangular headboard is no chair seat', () => {
    expect(starts('headboard', 'rectangle')).toEqual({ type: 'rectangle', width: 1500, depth: 650, cornerRadius: { front: 0, back: 0 } });
    expect(starts('headboard-nailed', 'rectangle')).toMatchObject({ width: 1400, depth: 700 });
    expect(starts('bench', 'quad')).toMatchObject({ front: 1200, back: 1200, left: 400, right: 400 });
    expect(starts('round-seat', 'oval')).toMatchObject({ width: 355, depth: 355 });
    // A tapered seat is narrower behind, as a hand draws it.
    expect(starts('tight-seat', 'trapezoid')).toMatchObject({ frontWidth: 560, backWidth: 485, depth: 510 });
  });
});
