import { describe, expect, it } from 'vitest';
import { planPiece } from '../../core/plan';
import { KINDS, newPiece, type Piece } from '../../core/piece';
import { benchPictures } from './pictures';
import { look } from './thread';
import { sharedPlanner } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

const planner = sharedPlanner;
const picturesOf = (piece: Piece) => benchPictures(planner.model(piece, {}));

/** Twice the area between a closed line's points, by the shoelace formula: no part of the program's own. */
const areaOf = (line: readonly (readonly [number, number])[]): number =>
  Math.abs(line.reduce((sum, [x, y], i) => sum + x * line[(i + 1) % line.length]![1] - line[(i + 1) % line.length]![0] * y, 0)) / 2;
const spanOf = (line: readonly (readonly [number, number])[], at: 0 | 1): number =>
  Math.max(...line.map((point) => point[at])) - Math.min(...line.map((point) => point[at]));

it.each(['chair-seat', 'round-seat', 'headboard-bordered', 'block-seat'] as const)(
  '%s: the bench says the figures that the sheet says and that are printed, to the letter',
  (id) => {
    const piece = newPiece(id);
    expect(look({ piece, house: {} }).steps).toEqual(planPiece(piece, {}, { planner, sits: false }).steps);
  },
);

describe('the little drawings of a run sheet', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s: foam and cloth as they are cut, the board as large as it is', (id) => {
    const piece = newPiece(id);
    const { foam, cloth, board, fastening } = picturesOf(piece);
    const plan = planPiece(piece, {}, { planner, sits: false });
    const cut = plan.foam.filter(({ kept }) => !kept);
    expect(foam).toHaveLength(cut.reduce((sum, { blocks }) => sum + blocks.length, 0));
    const areas = cut.flatMap(({ blocks }) => blocks.map(({ area }) => area));
    foam.forEach(({ outline, size }, k) => {
      // Thinned to what can be seen: within a hundredth.
      expect(Math.abs(areaOf(outline) / areas[k]! - 1), id).toBeLessThan(0.01);
      expect(Math.abs(spanOf(outline, 0) - size![0]), id).toBeLessThan(1);
      expect(Math.abs(spanOf(outline, 1) - size![1]), id).toBeLessThan(1);
    });
    expect(cloth.map(({ name }) => name)).toEqual(plan.cover.pieces.map(({ name }) => name));
    const points = plan.outline.points;
    for (const at of [0, 1] as const) expect(Math.abs(spanOf(board.outline, at) - spanOf(points, at)), id).toBeLessThan(1);
    expect(fastening === null ? 0 : fastening.places.length, id).toBe(plan.fixing.order.length);
  });

  it('webbing runs from rail to rail, as many as are cut, none beyond the frame', () => {
    const piece = newPiece('tight-seat');
    const { straps, outline } = picturesOf(piece).board;
    const { deck } = planPiece(piece, {}, { planner, sits: false }).base;
    expect(straps).toHaveLength(deck!.straps.length);
    straps.forEach(({ ends: [a, b] }, k) => {
      expect(Math.abs(Math.hypot(b[0] - a[0], b[1] - a[1]) - deck!.straps[k]!.span)).toBeLessThan(0.3);
      for (const [x, y] of [a, b]) {
        expect(Math.abs(x)).toBeLessThan(spanOf(outline, 0) / 2);
        expect(Math.abs(y)).toBeLessThan(spanOf(outline, 1) / 2);
      }
    });
  });

  it('corners alike are drawn once, each sort with its folds; the cloth is as wide as what is pulled over there', () => {
    const start = newPiece('headboard-nailed');
    const sorts = picturesOf(start).corners;
    const { corners, stations } = planPiece(start, {}, { planner, sits: false });
    expect(sorts).toHaveLength(new Set(corners.map(({ way, pleats }) => `${way} ${pleats}`)).size);
    expect(sorts.map(({ says }) => says)).toEqual([
      expect.stringMatching(/^Bottom right, bottom left, parcel fold$/),
      expect.stringMatching(/shoulder.*, 2 tucks$/),
    ]);
    for (const [k, { fold, held }] of sorts.entries()) {
      expect(held).toMatch(/nails|staples/i);
      const corner = corners.find(({ pleats }) => pleats === [1, 2][k])!;
      // A fold of cloth is a mountain and a valley, one of each for every one that is laid, both sides of the corner.
      expect(fold.folds.length).toBeGreaterThanOrEqual(2 * corner.pleats);
      const { wrap } = stations.find(({ id }) => id === corner.station)!;
      expect(spanOf(fold.cloth, 1)).toBeGreaterThan(wrap * 0.9);
    }
    expect(picturesOf(newPiece('round-seat')).corners).toEqual([]);
    const chair = newPiece('chair-seat');
    const tacked = picturesOf({ ...chair, covering: { ...chair.covering, held: 'tacks' } });
    expect(tacked.corners.map(({ says, held }) => [says, held])).toEqual([['All 4, 2 tucks', 'tacks']]);
  });

  it('holes for buttons where the buttons lie, none where they are tied to each other', () => {
    const start = newPiece('headboard');
    const buttons = { columns: 4, rows: 2, spacing: 150, depth: 15, size: 22 };
    const { board } = picturesOf({ ...start, covering: { way: 'buttoned', buttons } });
    const xs = [...new Set(board.buttons.map(({ x }) => x))].sort((a, b) => a - b);
    expect(board.buttons).toHaveLength(8);
    expect(xs).toEqual([-225, -75, 75, 225]);
    expect(picturesOf(start).board.buttons).toEqual([]);
    const block = newPiece('block-seat');
    expect(picturesOf({ ...block, covering: { ...block.covering, buttons } }).board.buttons).toEqual([]);
  });

  it('nails are there where there are any, cleats and a label behind what hangs', () => {
    const nailed = picturesOf(newPiece('headboard-nailed')).board.nails;
    const { fasteners } = planPiece(newPiece('headboard-nailed'), {}, { planner, sits: false }).fixing;
    expect(nailed).toHaveLength(fasteners.find(({ id }) => id === 'nails')!.count);
    expect(picturesOf(newPiece('chair-seat')).board.nails).toEqual([]);
    const behind = picturesOf(newPiece('headboard-panelled')).board.behind.map(({ name }) => name);
    for (const name of ['Cleat', 'Stand-off', 'Maker’s label']) expect(behind).toContain(name);
  });
});
