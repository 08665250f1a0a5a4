import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPiece, newPiece, wallInStep, type Panels } from '../piece';
import { planPiece } from '../plan';
import { begunPiece, hangingOf, panelLayout } from '.';
import { QUICK } from '../../testing/quick';

const wall = (change: Partial<Panels> = {}): Panels => ({
  across: 1530,
  gap: 0,
  count: 10,
  mounting: 'hung',
  cleats: 2,
  rating: 20,
  ...change,
});
const board = { height: 900, depth: 12 };

describe('hanging', () => {
  it('ten panels over 1530 from the middle of the wall: 153 each, 76.5 from the middle on either side, edges meeting', () => {
    const { width, centres, edges, hanging } = panelLayout(wall(), 2, board);
    expect(width).toBe(153);
    expect(centres[4]).toBeCloseTo(-76.5, 9);
    expect(centres[5]).toBeCloseTo(76.5, 9);
    expect(edges[0]![0]).toBeCloseTo(-765, 9);
    expect(edges.at(-1)![1]).toBeCloseTo(765, 9);
    edges.forEach(([from], k) => k > 0 && expect(from).toBeCloseTo(edges[k - 1]![1], 9));
    // Two on each: 31.5 off its middle, 45 clear of its edges.
    expect(hanging.cleats).toHaveLength(20);
    expect(hanging.cleats.slice(0, 2).map(({ x }) => x)).toEqual([-31.5, 31.5]);
    expect(hanging.wall).toEqual([...hanging.wall].sort((a, b) => a - b));
    expect(hanging.wall[0]! + hanging.wall.at(-1)!).toBeCloseTo(0, 9);
  });

  it('lies on one level line, symmetrical about the middle, on its own panel and clear of its edges, whatever the wall', () => {
    fc.assert(
      fc.property(
        fc.record({
          across: fc.integer({ min: 900, max: 4000 }),
          gap: fc.integer({ min: 0, max: 60 }),
          count: fc.integer({ min: 2, max: 8 }),
          cleats: fc.integer({ min: 1, max: 6 }),
          mounting: fc.constantFrom('hung' as const, 'joined' as const),
          height: fc.integer({ min: 120, max: 1500 }),
        }),
        ({ height, ...item }) => {
          const { centres, width, hanging, cleats } = panelLayout(wall(item), 3, { height, depth: 12 });
          for (const { panel, x, down } of hanging.cleats) {
            expect(down).toBe(hanging.line);
            // On its own panel, clear of the edge; joined ones are on the batten across, over a joint or not.
            expect(Math.abs(x)).toBeLessThanOrEqual(
              item.mounting === 'hung' ? Math.max(0, width / 2 - 45) + 1e-9 : width / 2 + item.gap / 2 + 1e-9,
            );
            expect(centres[panel]).toBeDefined();
          }
          expect(hanging.line).toBeGreaterThan(0);
          // Above the middle: what hangs below its middle tips off.
          expect(hanging.line).toBeLessThanOrEqual(Math.max(50, height / 2));
          expect(cleats).toBeGreaterThanOrEqual(item.cleats);
          expect(hanging.cleats).toHaveLength(item.mounting === 'hung' ? cleats * item.count : cleats);
          hanging.wall.forEach((x, k) => expect(x + hanging.wall.at(-1 - k)!).toBeCloseTo(0, 6));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('the screw never comes through: the longest on sale that stops short of the face', () => {
    const screw = (depth: number) => hangingOf(wall(), { centres: [0], width: 400 }, 900, depth).screw;
    expect(screw(12)).toBe(10);
    expect(screw(9)).toBeNull();
    expect(screw(18)).toBe(16);
    expect(screw(32)).toBe(30);
    for (let depth = 4; depth < 50; depth++) expect(screw(depth) ?? 0).toBeLessThan(depth);
  });

  it('mass times four against the rating, in its step with its caution, and in the sizes', () => {
    const piece = newPiece('headboard-panelled');
    const plan = planPiece(piece, {}, QUICK);
    const { panels, steps } = plan;
    expect(panels!.needed).toBeCloseTo(4 * panels!.mass, 1);
    const keys = steps.map(({ key }) => key);
    expect(keys.indexOf('dust')).toBeLessThan(keys.indexOf('cleats'));
    expect(keys.indexOf('cleats')).toBeLessThan(keys.indexOf('hang'));
    // It is labelled behind while somebody still gets there.
    expect(keys.slice(-2)).toEqual(['measure', 'hang']);
    const hang = steps.find(({ key }) => key === 'hang')!;
    expect(hang.caution).toContain('proof-load before use');
    for (const x of panels!.hanging.wall) expect(hang.detail).toContain(String(Math.abs(Math.round(x))));
    expect(hang.detail).toContain(`4 × its weight is ${Math.ceil(panels!.needed)} kg`);
    expect(planPiece(newPiece('headboard'), {}, QUICK).steps.some(({ key }) => key === 'hang')).toBe(false);
  });

  it.each([1.5, 5, 12, 40])('has cleats enough for panels of %d kg, and never says to test them beyond what they carry', (mass) => {
    for (const mounting of ['hung', 'joined'] as const)
      for (const rating of [4, 20]) {
        const layout = panelLayout(wall({ across: 2000, count: 4, mounting, rating }), mass, board);
        // Four times what hangs there, by the trade's rule for what hangs over a bed.
        const needed = 4 * mass * (mounting === 'joined' ? 4 : 1);
        expect(layout.needed).toBeCloseTo(needed, 9);
        expect(layout.rated).toBe(layout.cleats * rating);
        expect(layout.hanging.cleats).toHaveLength(layout.cleats * (mounting === 'joined' ? 1 : 4));
        if (layout.holds) expect(layout.rated).toBeGreaterThanOrEqual(needed);
        // One fewer would not do, unless more were asked for.
        if (layout.cleats > 2 && layout.holds) expect((layout.cleats - 1) * rating).toBeLessThan(needed);
      }
  });

  it('says in its step what the cleats are tested with: never more than they are rated for', () => {
    const piece = newPiece('headboard-panelled');
    for (const rating of [0.5, 2, 4, 20]) {
      const plan = planPiece({ ...piece, panels: { ...piece.panels!, rating } }, {}, QUICK);
      const { detail } = plan.steps.find(({ key }) => key === 'hang')!;
      const tested = /Test them with (\d+) kg/.exec(detail)?.[1];
      if (plan.panels!.holds) expect(Number(tested)).toBeLessThanOrEqual(plan.panels!.rated);
      else {
        expect(tested).toBeUndefined();
        expect(detail).toContain('Do not hang it yet');
        expect(plan.warnings.map(({ code }) => code)).toContain('panels-too-heavy');
      }
    }
  });
});

describe('a wall of panels', () => {
  const begun = (count: number, width: number, depth: number) =>
    begunPiece({ kind: 'headboard-panelled', shape: 'rectangle', name: 'Wall', count, thickness: null, typed: { width, depth } });

  it('is as wide as its panels: four of 600 × 450 fill about 2.45 m, and their cleats lie on them', () => {
    const piece = begun(4, 600, 450);
    const plan = planPiece(piece, {}, QUICK);
    expect(plan.warnings).toEqual([]);
    const layout = plan.panels!;
    // Covered, a panel is its board and a few millimetres of cloth and wadding.
    expect(layout.width).toBeGreaterThan(600);
    expect(layout.width).toBeLessThan(620);
    expect(layout.edges.at(-1)![1] - layout.edges[0]![0]).toBeGreaterThan(2409);
    expect(layout.edges.at(-1)![1] - layout.edges[0]![0]).toBeLessThan(2490);
    expect(layout.hanging.wall[0]).toBeLessThan(-900);
  });

  it('that contradicts its boards or its set is asked about, and not planned', () => {
    const piece = newPiece('headboard-panelled');
    const wide = { ...piece, base: { ...piece.base, shape: { ...piece.base.shape, width: 600 } as typeof piece.base.shape } };
    expect(checkPiece(wide).map(({ path }) => path)).toEqual(['panels.across']);
    expect(() => planPiece(wide, {}, QUICK)).toThrow(/Which is right/);
    expect(checkPiece({ ...piece, count: 6 }).map(({ path }) => path)).toEqual(['count']);
    // Two walls of four are a set of eight.
    expect(checkPiece({ ...piece, count: 8 })).toEqual([]);
    // Changed on the sheet, board or number takes the wall with it.
    expect(checkPiece(wallInStep(piece, wide))).toEqual([]);
    expect(wallInStep(piece, wide).panels!.across).toBeGreaterThan(2400);
    const six = wallInStep(piece, { ...piece, count: 6 });
    expect(checkPiece(six)).toEqual([]);
    expect(six.panels!.count).toBe(6);
  });
});
