import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseOutline, bounds, flatten, polygonArea } from '../outline';
import { COURSES, defaultsOf, newPiece, STARTING_SHAPES, type Courses, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { coursesOf } from '.';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const arched = newPiece('headboard');
const made = (change: Partial<Courses> = {}, piece = arched): Piece => ({
  ...piece,
  base: { ...piece.base, courses: { ...defaultsOf(COURSES), ...change } },
});

describe('a board made of pieces', () => {
  it('is the whole outline and nothing else, in pieces no higher than a plank and none a sliver', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(STARTING_SHAPES)),
        fc.integer({ min: 60, max: 400 }),
        fc.integer({ min: 1, max: 4 }),
        (shape, height, layers) => {
          const board = flatten(baseOutline(shape));
          const all = coursesOf(board, { board: { material: 'plywood', thickness: 18 }, courses: { height, layers, glued: true } });
          const depth = bounds(board).height;
          for (let layer = 1; layer <= layers; layer++) {
            const matching = all.filter((course) => course.layer === layer);
            // Independent: Gauss's area of the whole against the sum of its pieces.
            expect(matching.reduce((sum, { area }) => sum + area, 0) / Math.abs(polygonArea(board))).toBeCloseTo(1, 6);
            // In a staggered layer the last may have taken a sliver with it.
            for (const course of matching) expect(course.height).toBeLessThanOrEqual(height + 40);
            if (depth > 160) for (const course of matching) expect(course.height).toBeGreaterThan(Math.min(29, 0.4 * height));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('has the joints of one layer half a course from those of the next', () => {
    const board = flatten(baseOutline({ type: 'rectangle', width: 900, depth: 800, cornerRadius: { front: 0, back: 0 } }));
    const all = coursesOf(board, { board: { material: 'plywood', thickness: 24 }, courses: { height: 200, layers: 2, glued: true } });
    const joints = (layer: number): number[] =>
      all.filter((course) => course.layer === layer).map(({ outline }) => Math.round(bounds(outline).maxY));
    expect(joints(1)).toEqual([-200, 0, 200, 400]);
    expect(joints(2)).toEqual([-300, -100, 100, 300, 400]);
    expect(all.every(({ thickness }) => thickness === 12)).toBe(true);
    // Never over each other, but for the top edge.
    for (const a of joints(1).slice(0, -1)) for (const b of joints(2).slice(0, -1)) expect(Math.abs(a - b)).toBeGreaterThanOrEqual(100);
  });

  it('is in sizes, shopping list and run sheet before anything is done to the board, its curved top traced', () => {
    const piece = made({ height: 250 });
    const plan = planned(piece);
    const sizes = sizesOf(plan, piece, {});
    expect(sizes.filter(({ key }) => key.startsWith('course.'))).toHaveLength(plan.base.courses.length);
    expect(sizes.find(({ key }) => key === 'course.1.1')).toMatchObject({ value: 1500, by: 250 });
    const top = plan.base.courses.at(-1)!;
    expect(top.shaped).toBe(true);
    expect(sizes.find(({ key }) => key === `course.1.${top.course}`)!.note).toContain('traced from the one below');
    expect(sizes.find(({ key }) => key === 'courses.length')!.value).toBeCloseTo(
      plan.base.courses.reduce((sum, { width }) => sum + width, 0),
      3,
    );
    const keys = plan.steps.map(({ key }) => key);
    expect(keys.indexOf('courses')).toBe(keys.indexOf('board') + 1);
    const step = plan.steps.find(({ key }) => key === 'courses')!;
    expect(step.detail).toContain('fair the curve over all of them');
    expect(step.caution).toMatch(/^Saws.*glue/s);
    expect(plan.warnings).toEqual(planned(arched).warnings);
  });

  it('that is not glued wants battens: it says so, and its mend mends it', () => {
    const [warning] = planned(made({ glued: false })).warnings.filter(({ code }) => code === 'courses-loose');
    expect(warning!.mend!.path).toBe('base.frame');
    const piece = made({ glued: false });
    const mended: Piece = { ...piece, base: { ...piece.base, frame: warning!.mend!.value as NonNullable<Piece['base']['frame']> } };
    expect(planned(mended).warnings.filter(({ code }) => code === 'courses-loose')).toEqual([]);
    expect(planned(made({ glued: false, layers: 2 })).warnings.filter(({ code }) => code === 'courses-loose')).toEqual([]);
  });

  it('is nothing on webbing: there is no board', () => {
    const deck = newPiece('tight-seat');
    expect(planned(made({}, deck)).base.courses).toEqual([]);
    expect(planned(made({}, deck)).steps.some(({ key }) => key === 'courses')).toBe(false);
  });
});
