import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sectionsStep } from '../padding';
import { newChairSeat, newPiece, STARTING_SHAPES, type Piece } from '../piece';
import { createPlanner, PLAN_PARTS, sheetView, sitView, type Planner, type PlanPart } from '.';
import { runs } from '../../testing/runs';

/** What is recomputed is proved by counting, not by the clock. */

const chair: Piece = { ...newChairSeat(), count: 4 };
/** Steps that solve something. */
const SOLVING = ['section', 'sections', 'covered surface', 'surface', 'sit', 'panel mesh', 'laid flat', 'pulled top'] as const;

function view(planner: Planner, piece: Piece, parts: readonly PlanPart[] = PLAN_PARTS, preview = false): unknown {
  const answer = sheetView({ piece, house: {}, parts, preview }, planner);
  if ('problems' in answer) throw new Error(answer.problems[0]!.message);
  return answer.view;
}

/** How often each step was worked for a change, once the piece before it was known. */
function stepCounts(before: Piece, after: Piece, parts: readonly PlanPart[] = PLAN_PARTS): (step: string) => number {
  const planner = createPlanner();
  view(planner, before, parts);
  planner.resetCounts();
  view(planner, after, parts);
  return (step) => planner.counts.get(step)?.worked ?? 0;
}

const with1 = (change: Partial<Piece>): Piece => ({ ...chair, ...change });
const pads = (change: Partial<Piece['pads'][number]>): Piece => with1({ pads: chair.pads.map((pad) => ({ ...pad, ...change })) });
const cloth = (change: Partial<Piece['cloth']>): Piece => with1({ cloth: { ...chair.cloth, ...change } });

describe('a change recomputes only what hangs on it', () => {
  it.each<[string, Piece]>([
    ['renaming', with1({ name: 'Another name' })],
    ['a note', with1({ notes: 'Mind the left post' })],
    ['the due day', with1({ due: '2027-01-31' })],
    ['the price', cloth({ price: 61 })],
    ['the grip', with1({ overrides: { grip: 41 } })],
    ['the return', with1({ overrides: { return: 24 } })],
    ['a sheet’s size', with1({ overrides: { sheetWidth: 1400 } })],
    ['the motif', with1({ covering: { ...chair.covering, motif: { x: 10, y: 20, on: 'stripe' } } })],
    ['the repeat', cloth({ repeatAcross: 120 })],
    ['how many alike', with1({ count: 6 })],
    ['how a pad is cut', pads({ trim: false })],
    ['a pad joined from blocks', pads({ blocks: 2 })],
    ['a pad from scraps', pads({ scrap: true })],
    ['how much larger a pad is rough-cut', with1({ overrides: { foamOversize: 15 } })],
  ])('%s solves no section and no surface', (_, after) => {
    const count = stepCounts(chair, after);
    for (const step of SOLVING) expect(count(step), step).toBe(0);
  });

  it('renaming and the due day work nothing at all but the words', () => {
    for (const after of [with1({ name: 'Another name' }), with1({ due: '2027-01-31' })]) {
      const count = stepCounts(chair, after);
      for (const step of ['wraps', 'corners', 'cover', 'linings', 'cut', 'fixing', 'foam pieces', 'board', 'ring'])
        expect(count(step), step).toBe(0);
    }
  });

  it('moving the chalk line solves at most the one cut', () => {
    const count = stepCounts(chair, with1({ chalk: { x: 31, y: -44, angle: 0.7 } }));
    expect(count('section')).toBeLessThanOrEqual(2);
    for (const step of ['sections', 'covered surface', 'surface', 'cover', 'cut']) expect(count(step), step).toBe(0);
  });

  it('one pad changed does not lay out a cover that is not shown', () => {
    const thicker = with1({ pads: chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: 60 } : pad)) });
    const count = stepCounts(chair, thicker, []);
    expect(count('section')).toBeGreaterThan(0);
    for (const step of ['cover', 'ring', 'panel mesh', 'laid flat', 'pulled top', 'cut', 'fixing', 'board', 'sit'])
      expect(count(step), step).toBe(0);
  });

  it('a sitter’s mass re-sits, and nothing else', () => {
    const planner = createPlanner();
    const sat = (mass: number): Piece => with1({ sit: { loader: 'seated', mass, share: null, x: 0, y: 0 } });
    view(planner, sat(80));
    sitView(sat(80), {}, planner);
    planner.resetCounts();
    view(planner, sat(95));
    sitView(sat(95), {}, planner);
    const count = (step: string): number => planner.counts.get(step)?.worked ?? 0;
    expect(count('sit')).toBe(1);
    for (const step of SOLVING.filter((id) => id !== 'sit')) expect(count(step), step).toBe(0);
    expect(count('cover')).toBe(0);
  });

  it('a set with pieces measured differently solves each outline once', () => {
    const shape = STARTING_SHAPES.rectangle;
    const variant = { id: 'v-1', name: 'By the door', count: 1, shape };
    const planner = createPlanner();
    view(planner, with1({ variants: [variant] }));
    const solved = planner.counts.get('section')!.worked;
    const alone = createPlanner();
    view(alone, chair);
    view(alone, with1({ base: { ...chair.base, shape }, count: 1 }));
    expect(solved).toBeLessThanOrEqual(alone.counts.get('section')!.worked);
    // The same piece twice more, and a third alike: no section is solved again.
    planner.resetCounts();
    view(planner, with1({ variants: [variant, { ...variant, id: 'v-2', name: 'At the stair' }] }));
    expect(planner.counts.get('section')?.worked ?? 0).toBe(0);
  });

  it('left and right of a mirrored board are solved once', () => {
    const planner = createPlanner();
    const model = planner.model({ ...newChairSeat(), chalk: { x: 0, y: 0, angle: 0 } }, {});
    const sections = sectionsStep(model);
    expect(planner.counts.get('section')!.worked).toBeLessThan(sections.length * 0.65);
  });

  it('asked again, nothing is worked', () => {
    const count = stepCounts(chair, structuredClone(chair));
    for (const step of SOLVING) expect(count(step), step).toBe(0);
    expect(count('cover')).toBe(0);
  });
});

describe('what was asked before', () => {
  const edits: fc.Arbitrary<(piece: Piece) => Piece> = fc.oneof(
    fc.integer({ min: 25, max: 90 }).map((thickness) => (piece: Piece) => ({
      ...piece,
      pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness } : pad)),
    })),
    fc.integer({ min: 5, max: 35 }).map((thickness) => (piece: Piece) => ({
      ...piece,
      pads: piece.pads.map((pad) => (pad.role === 'crown' ? { ...pad, thickness } : pad)),
    })),
    fc.constantFrom('taut', 'firm', 'smooth').map((pull) => (piece: Piece) => ({
      ...piece,
      cloth: { ...piece.cloth, pull: pull as Piece['cloth']['pull'] },
    })),
    fc.integer({ min: 12, max: 60 }).map((grip) => (piece: Piece) => ({ ...piece, overrides: { ...piece.overrides, grip } })),
    fc.constantFrom('boxed', 'pull-over', 'lipped').map((way) => (piece: Piece) => ({ ...piece, covering: { ...piece.covering, way } })),
    fc.double({ min: -2, max: 2, noNaN: true }).map((angle) => (piece: Piece) => ({ ...piece, chalk: { ...piece.chalk, angle } })),
    fc.integer({ min: 380, max: 520 }).map((frontWidth) => (piece: Piece) => ({
      ...piece,
      base: { ...piece.base, shape: { ...STARTING_SHAPES.trapezoid, frontWidth } as Piece['base']['shape'] },
    })),
  );

  it('changes no answer: cold and warm agree to the last digit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('chair-seat' as const, 'arm-pad' as const),
        fc.array(edits, { minLength: 2, maxLength: 5 }),
        (kind, list) => {
          const warm = createPlanner();
          let piece = newPiece(kind);
          const parts: PlanPart[] = ['cover', 'cut', 'fixing', 'run'];
          let answer: unknown = null;
          for (const edit of list) {
            const next = edit(piece);
            if (warm.check(next, {}).length > 0) continue;
            piece = next;
            answer = view(warm, piece, parts, true);
          }
          if (answer) expect(answer).toEqual(view(createPlanner(), piece, parts, true));
        },
      ),
      { numRuns: runs(3, 8) },
    );
  });
});
