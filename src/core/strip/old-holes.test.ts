import { polygonContains } from 'd3';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { baseOutline, flatten, offsetPolygon, polygonPerimeter } from '../outline';
import { newPiece, type Hole, type Piece, type StripItem } from '../piece';
import { planPiece, type Plan } from '../plan';
import { leavesHoles, NO_STRIP, oldHoles } from '.';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const saddle = newPiece('saddle');
const thin: Piece = { ...saddle, base: { ...saddle.base, board: { material: 'moulded-plastic', thickness: 4 } } };
const rivets = (piece: Piece) => planned(piece).fixing.fasteners.find(({ id }) => id === 'rivets')!;
const withHoles = (holes: Hole[]): Piece => ({ ...thin, base: { ...thin.base, holes } });
const hole = (n: number, x: number, y: number): Hole => ({ id: `h-${n}`, kind: 'round', x, y, diameter: 4.5, held: true });
const item = (change: Partial<StripItem> = {}): StripItem => ({
  id: 's-1',
  what: 'fastener',
  name: 'Rivets',
  where: '',
  count: 14,
  crown: 0,
  leg: 0,
  thickness: 0,
  again: 'replace',
  photos: [],
  ...change,
});

describe('holes that an old cover leaves', () => {
  it('are carried to the base as many as came out, on the staple line, evenly, each its own', () => {
    const board = flatten(baseOutline(saddle.base.shape));
    const found = oldHoles(item(), board, 18, []);
    expect(found).toHaveLength(14);
    expect(new Set(found.map(({ id }) => id)).size).toBe(14);
    expect(problemsOf(withHoles(found))).toEqual([]);
    const line = offsetPolygon(board, -18)!;
    const pitch = polygonPerimeter(line) / 14;
    // Inside the board, and none nearer to the next than three quarters of an even share as the crow flies.
    found.forEach((entry, k) => {
      expect(
        polygonContains(
          board.map(([x, y]): [number, number] => [x, y]),
          [entry.x, entry.y],
        ),
      ).toBe(true);
      const next = found[(k + 1) % 14]!;
      expect(Math.hypot(next.x - entry.x, next.y - entry.y)).toBeGreaterThan(0.55 * pitch);
      expect(Math.hypot(next.x - entry.x, next.y - entry.y)).toBeLessThan(1.05 * pitch);
    });
    // The first is the middle of the front.
    expect(found[0]!.x).toBeCloseTo(0, 0);
  });

  it('are added to those that are there, and never more than a base may have', () => {
    const board = flatten(baseOutline(saddle.base.shape));
    const before = [hole(1, 0, 0)];
    const found = oldHoles(item({ count: 400 }), board, 18, before);
    expect(found[0]).toEqual(before[0]);
    expect(found).toHaveLength(60);
    expect(problemsOf(withHoles(found))).toEqual([]);
    // A wide head does not say how wide its hole is; a measured thin one does.
    expect(oldHoles(item({ crown: 12 }), board, 18, [])[0]).toMatchObject({ diameter: 4.5 });
    expect(oldHoles(item({ crown: 3 }), board, 18, [])[0]).toMatchObject({ diameter: 3 });
  });

  it('are left by what was driven in and came out', () => {
    const left = (['fastener', 'screw', 'hardware', 'strap', 'cover', 'film', 'wadding', 'pad'] as const).filter((what) =>
      leavesHoles({ what, again: 'replace' }),
    );
    expect(left).toEqual(['fastener', 'screw', 'hardware', 'strap']);
    expect(leavesHoles({ what: 'fastener', again: 'stays' })).toBe(false);
  });
});

describe('rivets and the old holes', () => {
  const plain = rivets(thin).places;

  it('go through an old hole that lies near to where one is wanted, in the same number', () => {
    const [a, b] = [plain[4]!, plain[9]!];
    const places = rivets(withHoles([hole(1, a.x + 3, a.y + 2), hole(2, b.x - 2, b.y + 4)])).places;
    expect(places).toHaveLength(plain.length);
    for (const [x, y] of [
      [a.x + 3, a.y + 2],
      [b.x - 2, b.y + 4],
    ])
      expect(places.filter((place) => Math.hypot(place.x - x!, place.y - y!) < 0.01)).toHaveLength(1);
    expect(places.map(({ n }) => n)).toEqual(plain.map(({ n }) => n));
  });

  it('one old hole takes one rivet, whichever is nearest; a hole far from all is one more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: -90, max: 90, noNaN: true })), {
          minLength: 1,
          maxLength: 8,
        }),
        (spots) => {
          const holes = spots.map(([x, y], k) => hole(k + 1, Math.round(x), Math.round(y)));
          const places = rivets(withHoles(holes)).places;
          expect(places.length).toBeGreaterThanOrEqual(plain.length);
          expect(places.length).toBeLessThanOrEqual(plain.length + holes.length);
          for (const { x, y } of holes) expect(places.some((place) => Math.hypot(place.x - x, place.y - y) < 0.01)).toBe(true);
          expect(places.map(({ n }) => n)).toEqual(places.map((_, i) => i + 1));
        },
      ),
      { numRuns: 8, seed: 2 },
    );
  });

  it('is said in the step, with the awl that finds them', () => {
    const step = (piece: Piece) => planned(piece).steps.find(({ key }) => key === 'rivet')!.detail;
    expect(step(withHoles([hole(1, plain[4]!.x, plain[4]!.y)]))).toMatch(
      /1 of them through the old holes: find each with an awl .*; punch the cloth at each hole/,
    );
    expect(step(thin)).not.toContain('old holes');
    // A hole for air is none that held anything.
    expect(step(withHoles([{ id: 'h-1', kind: 'round', x: 0, y: 0, diameter: 20 }]))).not.toContain('old holes');
  });

  it('a stapled board keeps its staples though it is full of old holes', () => {
    const chair = newPiece('chair-seat');
    const board = flatten(baseOutline(chair.base.shape));
    const before = planned(chair).fixing.count;
    const full: Piece = { ...chair, base: { ...chair.base, holes: oldHoles(item({ count: 40 }), board, 18, []) } };
    expect(planned(full).fixing.count).toBeGreaterThan(0.95 * before);
    for (const place of planned(full).fixing.fasteners.find(({ id }) => id === 'staples')!.places)
      for (const { x, y } of full.base.holes!) expect(Math.hypot(place.x - x, place.y - y)).toBeGreaterThan(4.2);
  });
});

describe('what stays in', () => {
  const piece: Piece = {
    ...saddle,
    strip: {
      ...NO_STRIP,
      items: [
        item({ name: 'Edge staples', where: 'under the tail', again: 'stays' }),
        item({ id: 's-2', name: 'Strap', what: 'strap', again: 'refit' }),
      ],
    },
  };

  it('is said where the rest comes off, and does not go back on', () => {
    const { steps } = planned(piece);
    const strip = steps.find(({ key }) => key === 'strip')!;
    expect(strip.detail).toBe(
      'Strap; mark where each sat before it comes off. Leave in: Edge staples (under the tail); hammer down anything proud.',
    );
    const keys = steps.map(({ key }) => key);
    expect(keys).toContain('refit-s-2');
    expect(keys).not.toContain('refit-s-1');
  });
});
