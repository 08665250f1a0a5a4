import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newPiece, type Panels } from '../piece';
import { planPiece } from '../plan';
import { hangingOf, panelLayout } from '.';

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
        ({ height, ...own }) => {
          const { centres, width, hanging } = panelLayout(wall(own), 3, { height, depth: 12 });
          for (const { panel, x, down } of hanging.cleats) {
            expect(down).toBe(hanging.line);
            // On its own panel, clear of the edge; joined ones are on the batten across, over a joint or not.
            expect(Math.abs(x)).toBeLessThanOrEqual(
              own.mounting === 'hung' ? Math.max(0, width / 2 - 45) + 1e-9 : width / 2 + own.gap / 2 + 1e-9,
            );
            expect(centres[panel]).toBeDefined();
          }
          expect(hanging.line).toBeGreaterThan(0);
          // Above the middle: what hangs below its middle tips off.
          expect(hanging.line).toBeLessThanOrEqual(Math.max(50, height / 2));
          expect(hanging.cleats).toHaveLength(own.mounting === 'hung' ? own.cleats * own.count : own.cleats);
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
    const plan = planPiece(piece, {}, { sits: false, coarse: true });
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
    expect(hang.detail).toContain(`${Math.ceil(panels!.needed)} kg of rating`);
    expect(planPiece(newPiece('headboard'), {}, { sits: false, coarse: true }).steps.some(({ key }) => key === 'hang')).toBe(false);
  });
});
