import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { choicesOf } from '../cover';
import { modelOf } from '../padding';
import { KINDS, newPiece, STARTING_SHAPES, type Piece } from '../piece';
import { planPiece } from '../plan';
import { ROWS_APART, rowsOf } from '.';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const rows = (piece: Piece) => rowsOf(modelOf(piece, {}), choicesOf(piece.covering));

/** The nearest that two closed lines come to each other, by brute force along both. */
function nearest(a: readonly (readonly [number, number])[], b: readonly (readonly [number, number])[]): number {
  let least = Infinity;
  for (const [x, y] of a)
    b.forEach(([bx, by], k) => {
      const [cx, cy] = b[(k + 1) % b.length]!;
      const [dx, dy] = [cx - bx, cy - by];
      const t = Math.min(1, Math.max(0, ((x - bx) * dx + (y - by) * dy) / (dx * dx + dy * dy || 1)));
      least = Math.min(least, Math.hypot(x - bx - t * dx, y - by - t * dy));
    });
  return least;
}

describe('rows behind the board', () => {
  it('of every kind stand 5 mm apart at least, the cover’s where its cloth is cut for', () => {
    for (const { id } of KINDS) {
      const piece = newPiece(id);
      const entries = rows(piece);
      const { fixing } = planPiece(piece, {}, QUICK);
      expect(
        fixing.rows.map((row) => row.id),
        id,
      ).toEqual(entries.map((row) => row.id));
      if (entries.length === 0) continue;
      entries.forEach(({ inset }, k) => k > 0 && expect(inset - entries[k - 1]!.inset, id).toBeGreaterThanOrEqual(ROWS_APART - 1e-9));
      expect(entries.find((row) => row.id === 'cover')!.inset, id).toBe(modelOf(piece, {}).rule('return'));
      for (const { inset } of entries) expect(inset, id).toBeGreaterThanOrEqual(6);
      // A dust cover's staples go through its fold.
      const dust = entries.find((row) => row.id === 'dust');
      if (dust) expect(dust.inset, id).toBeGreaterThan(modelOf(piece, {}).rule('dustInset'));
    }
  });

  weekly(3)('whatever layers and allowances there are: apart, off the edge, each layer once', () => {
    const seat = newPiece('chair-seat');
    fc.assert(
      fc.property(
        fc.record({
          line: fc.integer({ min: 12, max: 40 }),
          inset: fc.integer({ min: 0, max: 20 }),
          liner: fc.boolean(),
          waterproof: fc.boolean(),
          wall: fc.boolean(),
        }),
        ({ line, inset, liner, waterproof, wall }) => {
          const start = wall ? newPiece('headboard') : seat;
          const entries = rows({
            ...start,
            covering: { ...start.covering, liner, waterproof },
            overrides: { return: line, dustInset: inset },
          });
          entries.forEach((row, k) => k > 0 && expect(row.inset - entries[k - 1]!.inset).toBeGreaterThanOrEqual(ROWS_APART - 1e-9));
          expect(Math.min(...entries.map((row) => row.inset))).toBeGreaterThanOrEqual(6 - 1e-9);
          expect(entries.find(({ id }) => id === 'cover')!.inset).toBe(line);
          expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
          expect(entries.some(({ id }) => id === 'liner')).toBe(liner);
          expect(entries.some(({ id }) => id === 'waterproof')).toBe(waterproof);
        },
      ),
      { numRuns: 200 },
    );
  });

  it.each(['kidney', 'arched', 'oval', 'stepped'] as const)('on a %s the lines themselves keep their distance', (type) => {
    const start = newPiece('bench', STARTING_SHAPES[type]);
    const piece = { ...start, covering: { ...start.covering, liner: true, waterproof: true } };
    const { rows: drawn } = planPiece(piece, {}, QUICK).fixing;
    expect(drawn.length).toBeGreaterThan(3);
    for (let a = 0; a < drawn.length; a++)
      for (let b = a + 1; b < drawn.length; b++) {
        // Chords of a curve cut a little inside it.
        expect(nearest(drawn[a]!.line, drawn[b]!.line)).toBeGreaterThan(ROWS_APART - 0.3);
        expect(nearest(drawn[b]!.line, drawn[a]!.line)).toBeGreaterThan(ROWS_APART - 0.3);
      }
  });

  it('are said where each is stapled: wadding and dust cover of a headboard, a liner, a neighbour’s cloth in the same rebate', () => {
    const board = newPiece('headboard');
    const plan = planPiece(board, {}, QUICK);
    const inset = (id: string) => plan.fixing.rows.find((row) => row.id === id)!.inset;
    // 30 in on a wall: the dust cover through its fold, which lies 10 in; wadding would stand half-way and moves off it.
    expect([inset('dust'), inset('over-all'), inset('cover')]).toEqual([14, 19, 30]);
    const step = (key: string) => plan.steps.find((candidate) => candidate.key === key)!.detail;
    expect(step('wadding')).toContain('Its staples 19 mm in');
    expect(step('dust')).toContain('its staples 14 mm in, a row of their own');
    const lined = planPiece({ ...board, covering: { ...board.covering, liner: true } }, {}, QUICK);
    const row = lined.fixing.rows.find(({ id }) => id === 'liner')!;
    expect(lined.steps.find(({ key }) => key === 'lay-liner')!.detail).toContain(`Its staples ${row.inset} mm in`);
  });
});
