import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { domeHalfArc } from '../pad-rims';
import { defaultHouse } from '../house';
import { newChairSeat, newPiece, type BaseShape, type Pad, type Piece } from '../piece';
import { planPiece } from '.';
import { runs } from '../../testing/runs';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

const house = defaultHouse();
const main = (thickness: number, offset: number | null = 0): Pad => ({
  id: 'main',
  role: 'main',
  material: 'closed-thin',
  thickness,
  offset,
  edge: { kind: 'square' },
});
const crown = (thickness: number, offset: number | null, edge: Pad['edge'] = { kind: 'domed' }): Pad => ({
  id: 'crown',
  role: 'crown',
  material: 'closed-thin',
  thickness,
  offset,
  edge,
});

function seat(shape: BaseShape, pads: Pad[], more: Partial<Piece> = {}): Piece {
  const chair = newChairSeat(shape);
  return { ...chair, pads, wadding: null, cloth: { ...chair.cloth, force: 0.5 }, ...more };
}

/** Hard foam under the lightest pull gives so little that the square arithmetic holds to this, mm. */
const NEARLY = 0.6;

const round = (diameter: number): BaseShape => ({ type: 'round', diameter });

describe('a round seat with one square pad', () => {
  it.each([
    [190, 50, 12],
    [150, 25, 9],
    [260, 75, 18],
  ])('R %d, pad %d, board %d: wrap is the plain sum and the blank follows', (radius, thickness, board) => {
    const piece = seat(round(2 * radius), [main(thickness)]);
    piece.base.board.thickness = board;
    const plan = planPiece(piece, house, QUICK);
    const wrap = thickness + board + 18 + 35;
    expect(plan.stations.length).toBeGreaterThanOrEqual(8);
    for (const station of plan.stations) {
      // What is rounded off the corner is missing from the side and from the top alike.
      expect(Math.abs(station.fromCentre - radius - wrap)).toBeLessThan(NEARLY);
    }
    const [cover] = plan.cover.pieces;
    expect(Math.abs(cover!.width - 2 * (radius + wrap))).toBeLessThan(2 * NEARLY + 0.5);
    expect(Math.abs(cover!.height - 2 * (radius + wrap))).toBeLessThan(2 * NEARLY + 0.5);
    expect(plan.surface).toMatchObject({ model: 'foam-and-cover', freeCrown: 0, converged: true });
    expect(Math.abs(plan.surface.crown)).toBeLessThan(0.1);
    expect(Math.abs(plan.surface.height - thickness)).toBeLessThan(0.1);
    expect(plan.surface.edgeRadius).toBeLessThan(4);
  });

  it.each([
    [10, 0],
    [40, 0],
    [20, -60],
  ])('crowned by a dome of %d mm, inset %d: every fromCentre is the closed form', (rise, offset) => {
    const radius = 200;
    const flat = planPiece(seat(round(2 * radius), [main(50)]), house, QUICK);
    const plan = planPiece(seat(round(2 * radius), [crown(rise, offset), main(50)]), house, QUICK);
    // Over a full dome the taut line lies on the arc; over a smaller one it runs straight from the rim and
    // touches the arc where that straight is a tangent.
    const half = radius + offset;
    let over = domeHalfArc(half, rise);
    if (offset < 0) {
      const ball = (half * half + rise * rise) / (2 * rise);
      const down = ball - rise;
      const away = Math.hypot(radius, down);
      const tangent = Math.sqrt(away * away - ball * ball);
      const touch = Math.atan2(radius, down) - Math.acos(ball / away);
      over = tangent + ball * touch;
    }
    for (const [i, station] of plan.stations.entries()) {
      expect(Math.abs(station.fromCentre - flat.stations[i]!.fromCentre - (over - radius))).toBeLessThan(NEARLY);
    }
    expect(Math.abs(plan.surface.crown - rise)).toBeLessThan(NEARLY);
  });

  it('crowned by a square step: the main pad bridges it, so the way is between the straight slope and the step', () => {
    const plan = planPiece(seat(round(400), [crown(25, -30, { kind: 'square' }), main(50)]), house, QUICK);
    for (const station of plan.stations) {
      expect(station.top).toBeGreaterThan(190);
      expect(station.top).toBeLessThan(170 + 30 + 25);
    }
    const inner = planPiece(seat(round(400), [crown(25, -110, { kind: 'square' }), main(25)]), house, QUICK);
    expect(inner.surface.showThrough).toMatchObject({ pad: 'crown', reads: true });
    expect(inner.warnings.map((w) => w.code)).toContain('shows-through');
  });
});

describe('the square arithmetic of models.md 4', () => {
  it('gives 269 mm for half a cover: 400 × 12 board, 50 pad, 6 overhang, held at the board’s lower edge', () => {
    const shape: BaseShape = { type: 'rectangle', width: 400, depth: 400, cornerRadius: { front: 0, back: 0 } };
    const plan = planPiece(seat(shape, [main(50, 6)]), house, QUICK);
    const front = plan.stations[0]!;
    expect(Math.abs(front.top + front.side - (206 + 50 + Math.hypot(6, 12)))).toBeLessThan(1);
  });
});

describe('wadding', () => {
  it('raises the top by what it settles to and lengthens the cover', () => {
    const bare = planPiece(seat(round(400), [main(50)], { overrides: { waddingUnderCover: 40 } }), house, QUICK);
    const soft = planPiece(seat(round(400), [main(50)], { wadding: 'wadding-200', overrides: { waddingUnderCover: 40 } }), house, QUICK);
    expect(soft.wadding!.thickness).toBe(6);
    expect(soft.surface.height).toBeGreaterThan(55.5);
    expect(soft.surface.height).toBeLessThanOrEqual(56);
    const longer = soft.stations[0]!.fromCentre - bare.stations[0]!.fromCentre;
    // A quarter turn at the rim where it is whole; pressed thin round the edge it is less.
    expect(longer).toBeGreaterThan(0);
    expect(longer).toBeLessThan((6 * Math.PI) / 2 + 6);
  });

  it('wraps a loose cushion on both faces: two pieces that meet half-way down its sides', () => {
    const cushion: Piece = {
      ...newPiece('seat-cushion', { type: 'rectangle', width: 500, depth: 480, cornerRadius: { front: 15, back: 15 } }),
      count: 3,
    };
    const plan = planPiece(cushion, house, QUICK);
    const { wadding } = plan;
    const thick = cushion.pads.reduce((sum, pad) => sum + pad.thickness, 0);
    expect(wadding!.count).toBe(6);
    // A master lays each 500 + half a side either way, and up to two fingers more for the crown: never short, for a gap is felt.
    for (const [size, across] of [
      [wadding!.width, 500],
      [wadding!.height, 480],
    ] as const) {
      expect(size).toBeGreaterThanOrEqual(across + thick);
      expect(size).toBeLessThanOrEqual(across + thick + 40);
    }
    const step = plan.steps.find(({ key }) => key === 'wadding')!;
    expect(step.detail).toMatch(/^2 of \d+ × \d+ mm\. One over each face/);
  });
});

describe('any seat', () => {
  const shapes = fc.oneof(
    fc.record({ type: fc.constant('round' as const), diameter: fc.integer({ min: 200, max: 900 }) }),
    fc.record({
      type: fc.constant('trapezoid' as const),
      frontWidth: fc.integer({ min: 250, max: 900 }),
      backWidth: fc.integer({ min: 250, max: 900 }),
      depth: fc.integer({ min: 250, max: 900 }),
      cornerRadius: fc.record({ front: fc.integer({ min: 0, max: 50 }), back: fc.integer({ min: 0, max: 50 }) }),
    }),
  );
  const pads = fc.record({
    thickness: fc.integer({ min: 5, max: 120 }),
    offset: fc.integer({ min: -10, max: 12 }),
    rise: fc.integer({ min: 0, max: 60 }),
    inset: fc.integer({ min: -60, max: 0 }),
  });
  const build = (shape: BaseShape, p: { thickness: number; offset: number; rise: number; inset: number }, soft: boolean): Piece =>
    seat(shape, [...(p.rise > 0 ? [crown(p.rise, p.inset)] : []), main(p.thickness, p.offset)], {
      wadding: soft ? 'wadding-200' : null,
      count: 2,
    });

  it('is planned with finite, ordered figures and nothing laid outside or on top of another', () => {
    fc.assert(
      fc.property(shapes, pads, fc.boolean(), (shape, p, soft) => {
        const plan = planPiece(build(shape, p, soft), house, QUICK);
        expect(JSON.stringify(plan)).not.toContain('null,null');
        for (const s of plan.stations) {
          expect(Number.isFinite(s.fromCentre)).toBe(true);
          expect(s.side).toBeGreaterThan(0);
          expect(s.wrap).toBeCloseTo(s.side + s.return + s.grip, 2);
          expect(s.fromCentre).toBeCloseTo(s.top + s.wrap, 2);
        }
        expect(plan.surface.crown).toBeGreaterThan(-3);
        expect(plan.fixing.order.map((o) => o.n)).toEqual(plan.fixing.order.map((_, i) => i + 1));
        const laid = plan.cut.cloth.laid;
        for (const [i, a] of laid.entries()) {
          expect(a.x + a.width).toBeLessThanOrEqual(plan.cut.cloth.width + 0.01);
          for (const b of laid.slice(i + 1)) {
            expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(true);
          }
        }
      }),
      { numRuns: runs(8, 60) },
    );
  });

  it('comes out mirrored: stations left and right agree', () => {
    fc.assert(
      fc.property(shapes, pads, (shape, p) => {
        const { stations } = planPiece(build(shape, p, true), house, QUICK);
        for (const s of stations) {
          const other = stations.find((o) => Math.abs(o.x + s.x) < 0.01 && Math.abs(o.y - s.y) < 0.01);
          expect(other).toBeDefined();
          expect(Math.abs(other!.fromCentre - s.fromCentre)).toBeLessThan(0.02);
        }
      }),
      { numRuns: runs(6, 40) },
    );
  });
});

describe('house rules and overrides', () => {
  it('an override beats the house, the house beats the default', () => {
    const piece = seat(round(400), [main(50)]);
    expect(planPiece(piece, { ...house, return: 60 }, QUICK).stations[0]!.return).toBe(60);
    expect(planPiece({ ...piece, overrides: { return: 45 } }, { ...house, return: 60 }, QUICK).stations[0]!.return).toBe(45);
  });

  it('warns when the grip is under 25 mm', () => {
    const plan = planPiece(seat(round(400), [main(50)], { overrides: { grip: 20 } }), house, QUICK);
    expect(plan.warnings.map((w) => w.code)).toContain('grip-short');
  });
});
