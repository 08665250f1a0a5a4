import { describe, expect, it } from 'vitest';
import { kindOf, KINDS, newPiece, type BaseShape, type Piece, type PieceKind } from '../piece';
import { planPiece, type Plan } from '.';
import { runs, thisWeek } from '../../testing/runs';
import { QUICK, sharedPlanner } from '../../testing/quick';

/** What an upholsterer of thirty years would say to a piece as it starts, and to others of its size. */

/** The kind's own shape, so much larger or smaller. */
function scaled(shape: BaseShape, by: number): BaseShape {
  if (shape.type === 'saddle') return { ...shape, rows: shape.rows.map((row) => ({ ...row, at: row.at * by, width: row.width * by })) };
  return Object.fromEntries(
    Object.entries(shape).map(([key, value]) => [
      key,
      typeof value === 'number' && !key.endsWith('Angle') ? Math.round(value * by) : value,
    ]),
  ) as BaseShape;
}

/** Twenty pieces of a kind, as a workshop would meet them: larger and smaller, thicker and thinner, other cloth. */
function variants(id: PieceKind): Piece[] {
  const { shape } = newPiece(id).base;
  return Array.from({ length: runs(4, 20) }, (_, i): Piece => {
    const by = 0.86 + 0.28 * ((i * 7) % 20) * 0.05;
    const start = newPiece(id, scaled(shape, by));
    const thickness = [0.8, 1, 1.1, 1.4][i % 4]!;
    return {
      ...start,
      count: 1 + (i % 3),
      panels: null,
      cloth: { ...start.cloth, thickness, pull: (['taut', 'firm', 'smooth'] as const)[i % 3]! },
    };
  });
}

/** Steps that may only come after others that are there. */
const AFTER: [step: RegExp, before: RegExp][] = [
  [/^spray-/, /^foam$/],
  [/^wadding$/, /^glue-/],
  [/^cloth$/, /^channels$/],
  [/^sew$/, /^cloth$/],
  [/^sew$/, /^welts$/],
  [/^tack$/, /^(cloth|sew)$/],
  [/^(staple|rivet)$/, /^tack$/],
  [/^(corners|relief)$/, /^staple$/],
  [/^trim$/, /^(staple|rivet|corners|relief)$/],
  [/^welt-lower$/, /^staple$/],
  [/^dust$/, /^trim$/],
  [/^stuff$/, /^(sew|zip)$/],
  [/^close$/, /^stuff$/],
  // It is labelled behind while somebody still gets there: only hanging comes after it.
  [/^measure$/, /^(?!hang$)/],
  [/^hang$/, /^measure$/],
];

/** What is out of order on a run sheet. */
function disorder({ steps }: Plan): string[] {
  const keys = steps.map(({ key }) => key);
  const laid = keys.filter((key) => key.startsWith('glue-'));
  const wet = laid.filter((key) => keys.indexOf(key) !== keys.indexOf(key.replace('glue', 'spray')) + 1);
  return [
    ...wet,
    ...AFTER.flatMap(([after, before]) => {
      const first = keys.findIndex((key) => after.test(key));
      const last = keys.findLastIndex((key) => before.test(key) && !after.test(key));
      return first >= 0 && last > first ? [`${keys[first]} before ${keys[last]}`] : [];
    }),
  ];
}

describe('a kind as it starts', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => [id] as const))('%s: nothing to warn of, cut as a master would, in a valid order', (id) => {
    const plan = planPiece(newPiece(id), {}, { planner: sharedPlanner });
    expect(plan.warnings.map(({ message }) => message)).toEqual([]);
    const { width, height, why } = kindOf(id).signed;
    const first = plan.cover.pieces[0]!;
    expect(first.width, why).toBeGreaterThanOrEqual(width[0]);
    expect(first.width, why).toBeLessThanOrEqual(width[1]);
    expect(first.height, why).toBeGreaterThanOrEqual(height[0]);
    expect(first.height, why).toBeLessThanOrEqual(height[1]);
    expect(disorder(plan)).toEqual([]);
    expect(plan.cut.cloth.tooLarge).toEqual([]);
  });

  it.each(thisWeek(KINDS, 3).map(({ id }) => [id] as const))(
    '%s: many like it have three tucks at a corner at the most and a valid order',
    (id) => {
      for (const piece of variants(id)) {
        const plan = planPiece(piece, {}, QUICK);
        for (const corner of plan.corners) expect(corner.pleats).toBeLessThanOrEqual(3);
        expect(plan.cover.relief?.cuts.length ?? 0).toBeLessThanOrEqual(12);
        expect(disorder(plan)).toEqual([]);
        // A loose cover is fastened to nothing; everything else is held.
        expect(plan.fixing.order.length > 0).toBe(!kindOf(id).traits.loose || piece.covering.way !== 'block');
        expect(plan.cut.cloth.tooLarge).toEqual([]);
      }
    },
  );

  it('four default seats lie two abreast', () => {
    const four = planPiece({ ...newPiece('chair-seat'), count: 4 }, {}, QUICK);
    const rows = new Set(four.cut.cloth.laid.map(({ y }) => Math.round(y)));
    expect(rows.size).toBe(2);
    expect(four.cut.cloth.length).toBeLessThan(1350);
  });

  it('an arm pad 90 to 120 deep is fastened, not refused', () => {
    for (const depth of [90, 100, 110, 120]) {
      const start = newPiece('arm-pad');
      const shape: BaseShape = { type: 'rectangle', width: 350, depth, cornerRadius: { front: 20, back: 20 } };
      const plan = planPiece({ ...start, base: { ...start.base, shape } }, {}, QUICK);
      expect(plan.fixing.order.length).toBeGreaterThan(20);
    }
  });
});
