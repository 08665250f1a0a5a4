import { describe, expect, it } from 'vitest';
import { cloth as shelf } from '../../testing/jobs/job';
import { newChairSeat, newPiece, type Piece } from '../piece';
import { createPlanner } from './planner';
import { planPiece } from './plan';
import { savings } from './savings';

const found = (piece: Piece) => savings({ piece, house: {}, planner: createPlanner() });
const plan = (piece: Piece) => planPiece(piece, {}, { sits: false });
/** A rectangular seat so wide that two just do not lie abreast on the roll. */
const wide = (width: number, count: number): Piece => ({
  ...newChairSeat({ type: 'rectangle', width, depth: 420, cornerRadius: { front: 30, back: 30 } }),
  count,
});

describe('ways to save', () => {
  it('two abreast by a little less to hold: half the cloth of four seats, and no more given up than it takes', () => {
    // Two covers and the gap between them must come to 1400.
    const piece = [490, 494, 498, 502, 506, 510]
      .map((width) => wide(width, 4))
      .find((own) => {
        const { width } = plan(own).cover.pieces[0]!;
        return width > 697 && width < 714;
      })!;
    const before = plan(piece);
    const grip = found(piece).find(({ id }) => id === 'grip')!;
    expect(grip.cloth / before.cut.cloth.length).toBeGreaterThan(0.4);
    const after = plan(grip.apply);
    expect(before.cut.cloth.length - after.cut.cloth.length).toBeCloseTo(grip.cloth, 0);
    // A grip of 25 is the least that a hand holds; a milder one was taken where it does.
    const given = grip.apply.overrides.grip!;
    expect(given).toBeGreaterThanOrEqual(25);
    const milder = plan({ ...piece, overrides: { grip: given + 2 } });
    expect(before.cut.cloth.length - milder.cut.cloth.length).toBeLessThan(0.9 * grip.cloth);
  });

  it('says what matching the stripe costs: two abreast where each may lie as it falls', () => {
    const piece: Piece = {
      ...newChairSeat({ type: 'rectangle', width: 440, depth: 420, cornerRadius: { front: 30, back: 30 } }),
      count: 8,
      cloth: { ...newChairSeat().cloth, ...shelf('dusk-stripe'), pull: 'smooth' },
      covering: { way: 'pull-over', motif: { x: 0, y: 0, on: 'stripe' } },
    };
    const before = plan(piece);
    // On the repeat of 84 one takes 756 of the 1420: the other half is waste.
    expect(before.cut.cloth.laid.every(({ x }) => x === 0)).toBe(true);
    const unmatched = found(piece).find(({ id }) => id === 'unmatched')!;
    expect(unmatched.cloth / before.cut.cloth.length).toBeGreaterThan(0.4);
    const after = plan(unmatched.apply);
    expect(before.cut.cloth.length - after.cut.cloth.length).toBeCloseTo(unmatched.cloth, 0);
    // Each then lies where it falls, and nobody is asked where a motif is that none need share.
    expect(after.cut.motifs).toEqual([]);
    expect(after.warnings.map(({ code }) => code)).not.toContain('motif-not-placed');
    expect(new Set(after.cut.cloth.laid.map(({ x }) => x % 84)).size).toBeGreaterThan(1);
  });

  it('a pad joined from two halves saves a sheet where the halves fit beside the others', () => {
    // Of 620 rough-cut one lies across a sheet of 1000 and leaves a strip that no other fits in; of its halves three lie abreast.
    const square = (count: number): Piece => ({
      ...newChairSeat({ type: 'rectangle', width: 590, depth: 590, cornerRadius: { front: 30, back: 30 } }),
      count,
    });
    let told = 0;
    for (let count = 3; count <= 9; count++) {
      const piece = square(count);
      const now = plan(piece).cut.foam.sheets;
      for (const { id, sheets, apply } of found(piece)) {
        if (!id.startsWith('joined')) continue;
        told += 1;
        expect(now - plan(apply).cut.foam.sheets).toBe(sheets);
        expect(sheets).toBeGreaterThan(0);
        // One pad is joined, and not over another's join.
        expect(apply.pads.filter(({ blocks }) => (blocks ?? 1) > 1)).toHaveLength(1);
      }
    }
    expect(told).toBeGreaterThan(0);
    const joined = { ...square(8), pads: square(8).pads.map((pad, k) => (k === 0 ? { ...pad, blocks: 2 } : pad)) };
    expect(found(joined).some(({ id }) => id.startsWith('joined'))).toBe(false);
  });

  it('on a wall the staple line stays 25 in: nobody staples a headboard at its edge', () => {
    let told = 0;
    for (let width = 496; width <= 536; width += 8) {
      const start = newPiece('headboard-panelled', { type: 'rectangle', width, depth: 900, cornerRadius: { front: 0, back: 0 } });
      for (const { id, apply } of found({ ...start, panels: { ...start.panels!, across: 4 * width + 3 * start.panels!.gap } })) {
        if (id !== 'return') continue;
        told += 1;
        expect(apply.overrides.return!).toBeGreaterThanOrEqual(25);
        expect(apply.overrides.return!).toBeLessThan(30);
      }
    }
    expect(told).toBeGreaterThan(0);
  });

  it.each(['chair-seat', 'headboard-panelled', 'arm-pad'] as const)(
    'of a %s: each saves what it says, brings no warning along, and nothing is better by brute force',
    (kind) => {
      const piece = { ...newPiece(kind), count: Math.max(2, newPiece(kind).count) };
      const before = plan(piece);
      const told = found(piece);
      for (const { cloth, sheets, apply } of told) {
        const after = plan(apply);
        expect(before.cut.cloth.length - after.cut.cloth.length).toBeGreaterThan(cloth - 1);
        expect(before.cut.foam.sheets - after.cut.foam.sheets).toBe(sheets);
        expect(after.warnings.length).toBeLessThanOrEqual(before.warnings.length);
        expect(sheets > 0 || cloth >= 0.03 * before.cut.cloth.length).toBe(true);
      }
      // Every grip from 35 down to 25: none saves more than what was told by more than a fiftieth of the cloth.
      const best = Math.max(0, ...told.map(({ cloth }) => cloth));
      for (let grip = 34; grip >= 25; grip -= 3) {
        const after = plan({ ...piece, overrides: { ...piece.overrides, grip } });
        expect(before.cut.cloth.length - after.cut.cloth.length).toBeLessThanOrEqual(best / 0.9 + 0.03 * before.cut.cloth.length);
      }
      expect(told.map(({ cloth, sheets }) => sheets * 1e6 + cloth)).toEqual(
        [...told.map(({ cloth, sheets }) => sheets * 1e6 + cloth)].sort((a, b) => b - a),
      );
    },
  );

  it('nap is never turned, and what cannot be planned saves nothing', () => {
    const velvet: Piece = { ...newChairSeat(), count: 4, cloth: { ...newChairSeat().cloth, nap: 'pile' } };
    expect(found(velvet).some(({ id }) => ['across', 'along', 'any'].includes(id))).toBe(false);
    const nothing = { ...newChairSeat(), pads: newChairSeat().pads.map((pad) => ({ ...pad, offset: -300 })) };
    expect(found(nothing)).toEqual([]);
  });

  it('tells how far it is, and stops when nobody wants to know', () => {
    let asked = 0;
    const some = savings({ piece: newChairSeat(), house: {}, planner: createPlanner(), tell: (done, of) => ++asked < 3 && done < of });
    expect(asked).toBe(3);
    expect(Array.isArray(some)).toBe(true);
  });
});
