import { polygonContains } from 'd3';
import { describe, expect, it } from 'vitest';
import { edgeNamed } from '../../outline';
import {
  checkPiece,
  COVER_END,
  defaultsOf,
  EDGE_FACT,
  newPiece,
  type BaseShape,
  type CoverEnd,
  type EdgeFact,
  type Piece,
} from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { WAYS } from '..';
import { QUICK } from '../../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const end = (change: Partial<CoverEnd> = {}): CoverEnd => ({ ...defaultsOf<CoverEnd>(COVER_END), ...change });
const ended = (piece: Piece, name: string, item: CoverEnd = end()): Piece => ({
  ...piece,
  base: { ...piece.base, edges: [...(piece.base.edges ?? []), { ...defaultsOf<EdgeFact>(EDGE_FACT), edge: edgeNamed(name), end: item }] },
});
const chair = newPiece('chair-seat');
const bench = newPiece('bench');
const plain = planned(chair);
const front = planned(ended(chair, 'front'));
const blank = (plan: Plan) => plan.cover!.pieces[0]!;
const low = (points: readonly (readonly [number, number])[]): number => Math.min(...points.map(([, y]) => y));

describe('a cloth that ends in sight', () => {
  it('is shorter there by return, hand and what the fold stands above the lower edge, and longer by what is turned under', () => {
    // At the middle of the front, on the centre line: 18 and 35 fall away, 4 too; 15 are turned under.
    const at = (plan: Plan): number =>
      Math.min(
        ...blank(plan)
          .outline.filter(([x]) => Math.abs(x) < 160)
          .map(([, y]) => y),
      );
    expect(at(front) - at(plain)).toBeCloseTo(18 + 35 + 4 - 15, 0);
    expect(low(blank(front).sewn) - low(blank(front).outline)).toBeCloseTo(15, 1);
    // The other three sides are as they were.
    const box = (plan: Plan) => blank(plan).outline.reduce((most, [x, y]) => [Math.max(most[0]!, x), Math.max(most[1]!, y)], [0, 0]);
    expect(box(front)).toEqual(box(plain).map((mm) => expect.closeTo(mm, 3)));
  });

  it('says so in sizes, with its own formula', () => {
    const line = sizesOf(front, ended(chair, 'front'), {}).find(({ key }) => key === 'wrap')!;
    const before = sizesOf(plain, chair, {}).find(({ key }) => key === 'wrap')!;
    expect(before.value - line.value).toBeCloseTo(42, 6);
    expect(line.formula).toBe('wrap = side + back up + turned under');
    expect(line.terms.map(({ symbol }) => symbol)).toEqual(['side', 'back up', 'turned']);
  });

  it('has its fold drawn on the cloth, nothing cut where no cloth is, and the blank still agrees with the tape', () => {
    const piece = blank(front);
    const folds = piece.lines.filter(({ kind, closed }) => kind === 'fold' && !closed);
    expect(folds).toHaveLength(1);
    const outline = piece.outline.map(([x, y]): [number, number] => [x, y]);
    for (const [x, y] of folds[0]!.points) expect(polygonContains(outline, [x, y])).toBe(true);
    for (const { kind, points } of piece.lines)
      if (kind === 'cut') expect(points.some(([x, y]) => polygonContains(outline, [x, y]))).toBe(true);
    expect(front.cover!.check.edgeError).toBeLessThan(1.5);
    expect(front.cover!.check.closes).toBe(true);
    expect(front.warnings.map(({ code }) => code)).toEqual(plain.warnings.map(({ code }) => code));
  });

  it('takes no staple under the board there; its fold is finished after the corners and before trimming', () => {
    const edges = (plan: Plan) => plan.fixing.order.filter(({ kind }) => kind !== 'corner').map(({ edge }) => edge);
    expect(edges(plain)).toContain('front');
    expect(edges(front)).not.toContain('front');
    expect(edges(front)).toContain('back');
    const keys = front.steps.map(({ key }) => key);
    const at = keys.indexOf('end-front');
    expect(at).toBeGreaterThan(keys.indexOf('staple'));
    expect(at).toBeLessThan(keys.indexOf('trim'));
    expect(front.steps[at]!.detail).toMatch(/4 mm above.*Turn 15 mm under.*gimp pins every 40 mm/);
    expect(front.steps[at]!.caution).toMatch(/local rules/);
  });

  it.each([
    ['gimp-pins', 'count', 10, 13],
    ['close-nails', 'count', 34, 42],
    ['slip-stitch', 'thread', 1200, 1400],
  ] as const)('is bought for: %s', (holdId, unit, least, most) => {
    // A front of 450 with corners of 40: some 370 to 450 of straight edge to hold.
    const piece = ended(chair, 'front', end({ held: holdId }));
    const line = sizesOf(planned(piece), piece, {}).find(({ key }) => key === 'end.front')!;
    expect(line.unit).toBe(unit);
    expect(line.value).toBeGreaterThanOrEqual(least * (unit === 'thread' ? 0.85 : 1));
    expect(line.value).toBeLessThanOrEqual(most);
  });

  it('of wadding there is less: it stops 5 short of the fold', () => {
    const shorter = low(front.wadding!.outline) - low(plain.wadding!.outline);
    expect(shorter).toBeCloseTo(4 + 5, 0);
  });

  it('can be on both ends of a bench, and is refused where its pins would find no wood', () => {
    const both = ended(ended(bench, 'left'), 'right');
    const plan = planned(both);
    expect(plan.cover!.ends.map(({ name }) => name)).toEqual(['left', 'right']);
    expect(plan.cover!.check.closes).toBe(true);
    const wide = (p: Plan): number => blank(p).width;
    expect(wide(planned(bench)) - wide(plan)).toBeCloseTo(2 * 42, 0);
    expect(checkPiece(ended(chair, 'front', end({ up: 20 })))).toEqual([expect.objectContaining({ path: 'base.edges.0.end.up' })]);
    expect(checkPiece(both)).toEqual([]);
  });

  it('is nothing where the base has no such edge any more: no pin bought, no step for it', () => {
    const round = newPiece('chair-seat', { type: 'round', diameter: 400 });
    const piece = ended(round, 'front');
    const plan = planned(piece);
    expect(plan.cover!.ends).toEqual([]);
    expect(plan.steps.map(({ key }) => key)).not.toContain('end-front');
    expect(sizesOf(plan, piece, {}).map(({ key }) => key)).not.toContain('end.front');
  });

  it.each(WAYS.filter(({ pulled }) => pulled).map(({ id }) => id))('has its step and what it is held by on every pulled way: %s', (way) => {
    const piece: Piece = ended({ ...chair, covering: { way } }, 'front');
    expect(checkPiece(piece)).toEqual([]);
    const plan = planned(piece);
    expect(plan.steps.map(({ key }) => key)).toContain('end-front');
    expect(sizesOf(plan, piece, {}).find(({ key }) => key === 'end.front')!.value).toBeGreaterThan(5);
    expect(plan.cover!.check.closes).toBe(true);
  });

  it('is not for a pan: it is riveted, and has no edge that takes a pin', () => {
    const saddle = newPiece('saddle');
    const name = planned({ ...saddle, covering: { way: 'pull-over' } }).stations.find(({ part }) => part.kind === 'edge')!.part.name;
    const piece = ended({ ...saddle, covering: { way: 'pull-over' } }, name, end({ up: 0 }));
    expect(planned(piece).cover!.ends).toEqual([]);
    expect(planned(piece).stations.every(({ ends }) => !ends)).toBe(true);
  });

  it('is a matter of pulled covers: a boxed one is not touched by it', () => {
    const boxed: Piece = { ...chair, covering: { way: 'boxed' } };
    const [before, after] = [planned(boxed), planned(ended(boxed, 'front'))];
    expect(after.cover!.pieces.map(({ width, height }) => [width, height])).toEqual(
      before.cover!.pieces.map(({ width, height }) => [width, height]),
    );
    expect(after.cover!.ends).toEqual([]);
  });
});

describe('beside a rounded inside corner', () => {
  const board = newPiece('headboard-nailed');
  const square = Math.PI / 2;
  const shape: BaseShape = {
    type: 'corner',
    leftWall: 1290,
    angle: square,
    rightWall: 1505,
    leftDepth: 494,
    rightDepth: 494,
    leftEnd: square,
    rightEnd: square,
    insideRadius: 64,
  };
  const seat: Piece = {
    ...board,
    base: { ...board.base, shape },
    covering: { ...board.covering, way: 'tight-deck' },
    pads: board.pads.map((pad) => ({ ...pad, thickness: 40 })),
  };

  it('an edge that ends in sight leaves no sliver of cloth sticking out', () => {
    const { pieces } = planPiece(ended(seat, 'right front', end({ up: 5 })), {}, { ...QUICK, coarse: false }).cover!;
    const turns = pieces.flatMap(({ outline }) =>
      outline.map((b, i) => {
        const [a, c] = [outline[(i + outline.length - 1) % outline.length]!, outline[(i + 1) % outline.length]!];
        const [u, v] = [[b[0] - a[0], b[1] - a[1]] as const, [c[0] - b[0], c[1] - b[1]] as const];
        return Math.abs(Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]));
      }),
    );
    expect(Math.max(...turns)).toBeLessThan((165 / 180) * Math.PI);
  });
});

it('an edge that two notches take away altogether has nothing to be cut short', () => {
  const arm = newPiece('arm-pad');
  const notches = ['back left', 'front left'].map((name, i) => ({
    id: `n-${i}`,
    at: { kind: 'corner' as const, name },
    width: 61,
    depth: 61,
  }));
  const shape = { type: 'rectangle' as const, width: 310, depth: 106, cornerRadius: { front: 18, back: 18 } };
  const edges = [{ ...defaultsOf<EdgeFact>(EDGE_FACT), edge: edgeNamed('left'), short: 8 }];
  const piece = {
    ...arm,
    base: { ...arm.base, shape, notches: notches as Piece['base']['notches'], edges },
    covering: { way: 'pull-over' },
  } as Piece;
  expect(planPiece(piece, {}, QUICK).cover.pieces[0]!.width).toBeGreaterThan(310 - 61);
});
