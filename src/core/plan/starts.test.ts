import { describe, expect, it } from 'vitest';
import { kindOf, KINDS, newPiece, type BaseShape, type Piece, type PieceKind } from '../piece';
import { planPiece, type Plan } from '.';
import { runs } from '../../testing/runs';
import { QUICK, sharedPlanner } from '../../testing/quick';

/** What an upholsterer of thirty years would say to a piece as it starts, and to others of its size. */

/** Cut sizes of the first cloth piece, mm, and why a master would sign them. */
const SIGNED: Record<PieceKind, { width: [number, number]; height: [number, number]; why: string }> = {
  'chair-seat': { width: [640, 690], height: [610, 660], why: '450 × 420, 70 of foam: 50 to 55 down the side, 18 under, 35 to hold' },
  'round-seat': { width: [374, 384], height: [374, 384], why: 'top as large as the board, and two allowances of 12' },
  bench: { width: [1455, 1500], height: [655, 700], why: '1200 × 400, 75 of foam: about 140 more on each side' },
  'corner-seat': { width: [1240, 1290], height: [715, 770], why: '1000 × 480, 75 of foam, overhang only where no wall is' },
  headboard: { width: [1680, 1740], height: [830, 890], why: '1500 × 650, 50 of foam, 30 under at the back' },
  'headboard-bordered': {
    width: [1356, 1381],
    height: [856, 881],
    why: '1500 × 1000 less the border of 100 all round, and a hand’s 35 to pull on where it is stapled to the lip',
  },
  'headboard-panelled': { width: [560, 600], height: [1080, 1130], why: '375 × 900, 40 of foam, 30 under' },
  'headboard-nailed': { width: [1560, 1620], height: [860, 920], why: '1400 × 700, foam held back by 50' },
  saddle: { width: [260, 310], height: [620, 670], why: 'a pan of 260 × 615: the top comes to its shoulders' },
  'arm-pad': { width: [368, 382], height: [138, 152], why: '350 × 120 and two allowances' },
  'block-seat': { width: [818, 832], height: [688, 702], why: '800 × 670 and two allowances' },
  'tight-seat': { width: [790, 870], height: [740, 820], why: '560 × 510, 25 of foam, 110 through the frame' },
};

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
  it.each(KINDS.map(({ id }) => [id] as const))('%s: nothing to warn of, cut as a master would, in a valid order', (id) => {
    const plan = planPiece(newPiece(id), {}, { planner: sharedPlanner });
    expect(plan.warnings.map(({ message }) => message)).toEqual([]);
    const { width, height, why } = SIGNED[id];
    const first = plan.cover.pieces[0]!;
    expect(first.width, why).toBeGreaterThanOrEqual(width[0]);
    expect(first.width, why).toBeLessThanOrEqual(width[1]);
    expect(first.height, why).toBeGreaterThanOrEqual(height[0]);
    expect(first.height, why).toBeLessThanOrEqual(height[1]);
    expect(disorder(plan)).toEqual([]);
    expect(plan.cut.cloth.tooLarge).toEqual([]);
  });

  it.each(KINDS.map(({ id }) => [id] as const))('%s: many like it have three tucks at a corner at the most and a valid order', (id) => {
    for (const piece of variants(id)) {
      const plan = planPiece(piece, {}, QUICK);
      for (const corner of plan.corners) expect(corner.pleats).toBeLessThanOrEqual(3);
      expect(plan.cover.relief?.cuts.length ?? 0).toBeLessThanOrEqual(12);
      expect(disorder(plan)).toEqual([]);
      // A loose cover is fastened to nothing; everything else is held.
      expect(plan.fixing.order.length > 0).toBe(!kindOf(id).traits.loose || piece.covering.way !== 'block');
      expect(plan.cut.cloth.tooLarge).toEqual([]);
    }
  });

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
