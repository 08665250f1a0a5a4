import { describe, expect, it } from 'vitest';
import { WAYS, wayOf } from '../cover';
import { bounds } from '../outline';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { printFigure, sizesOf, type SizeLine, type SumPart } from '.';
import { JOBS } from '../../testing/jobs';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

/** Every kind covered every way, and the jobs of the lodge. */
const PIECES = [
  ...KINDS.flatMap(({ id }) =>
    WAYS.map((way): readonly [string, Piece] => {
      const start = newPiece(id);
      return [`${id}, ${way.id}`, { ...start, covering: { ...start.covering, way: way.id } }];
    }),
  ),
  ...JOBS.map(({ id, piece }) => [id, piece] as const),
];

/** Its plan, or nothing where that way of covering is refused on that outline. */
function planned(piece: Piece): Plan | null {
  try {
    return planPiece(piece, {}, QUICK);
  } catch (error) {
    if ((error as Error).name !== 'PieceProblems') throw error;
    return null;
  }
}

/** The total as somebody adds it up who reads the printed entries. */
const readUp = (parts: readonly SumPart[]): number =>
  parts.reduce((sum, { value }) => sum + Math.sign(value) * Number.parseFloat(printFigure(Math.abs(value), 'length', 'mm', true)), 0);

/** What is drawn under a size: the part’s outline. */
function drawnUnder({ key }: SizeLine, { cover, foam, wadding, dustCover }: Plan) {
  if (key === 'cover') return cover.pieces[0];
  if (key === 'wadding') return wadding;
  if (key === 'dust') return dustCover;
  if (key.startsWith('piece.')) return cover.pieces.find(({ id }) => `piece.${id}` === key);
  return foam.find(({ pad }) => `foam.${pad}` === key);
}

describe('a cut size adds up', () => {
  it.each(thisWeek(PIECES, 4))('%s', (_name, piece) => {
    const plan = planned(piece);
    if (!plan) return;
    const summed = sizesOf(plan, piece, {}).filter(({ sums }) => sums);
    expect(summed.length).toBeGreaterThan(1);
    for (const line of summed) {
      const { width, height } = line.sums!;
      for (const [parts, value] of [[width, line.value], ...(line.by === undefined ? [] : [[height, line.by] as const])] as const) {
        // Each entry is rounded to a tenth, and so is the total.
        expect(Math.abs(readUp(parts) - value), `${line.label}: ${JSON.stringify(parts)}`).toBeLessThan(0.05 * (parts.length + 1) + 1e-6);
      }
      const drawn = drawnUnder(line, plan);
      if (!drawn) continue;
      const box = bounds(drawn.outline);
      expect([line.value, line.by], line.label).toEqual([expect.closeTo(box.width, 2), expect.closeTo(box.height, 2)]);
    }
  });

  it.each(thisWeek(PIECES, 4))('%s: the run sheet says the same sizes', (_name, piece) => {
    const plan = planned(piece);
    if (!plan) return;
    const sizes = sizesOf(plan, piece, {}).map(({ value, by }) => `${Math.round(value)} × ${Math.round(by ?? 0)} mm`);
    for (const { key, detail } of plan.steps.filter((step) => ['cloth', 'welts', 'wadding', 'dust'].includes(step.key)))
      for (const [size] of detail.matchAll(/\d+ × \d+ mm/g)) expect(sizes, key).toContain(size);
  });

  it('at the values of the house: an allowance goes on at both edges, no more and no less', () => {
    const piece = { ...newPiece('headboard'), wadding: null };
    const plan = planPiece(piece, {}, QUICK);
    const { sums } = sizesOf(plan, piece, {}).find(({ key }) => key === 'cover')!;
    const of = (parts: readonly SumPart[], label: string): number => parts.find((part) => part.label.startsWith(label))!.value;
    for (const parts of [sums!.width, sums!.height]) {
      expect(of(parts, 'Turned under')).toBeCloseTo(2 * plan.rules.return!, 1);
      expect(of(parts, 'Pull allowance')).toBeCloseTo(2 * plan.rules.grip!, 1);
      // 50 of foam on a board: over its edge and down, and hardly more.
      expect(of(parts, 'Over the pads')).toBeGreaterThan(2 * 30);
      expect(of(parts, 'Over the pads')).toBeLessThan(2 * 75);
    }
    expect(wayOf(piece.covering.way).pulled).toBe(true);
  });
});
