import { describe, expect, it } from 'vitest';
import { newPiece, type Piece, type Pinned } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { comparePinned, pinnedCorrections, pinnedOutline, pinnedSize, pinnedWords, type CoverPiece } from '..';
import { sharedPlanner } from '../../../testing/quick';

type Point = [number, number];
const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, planner: sharedPlanner });
const boxed = newPiece('round-seat');
const chair = newPiece('chair-seat');
const plans = { boxed: planned(boxed), chair: planned(chair) };
const topOf = (plan: Plan): CoverPiece => plan.cover!.pieces.find(({ role }) => role === 'top') ?? plan.cover!.pieces[0]!;
const rect = (w: number, d: number): Point[] => [
  [-w / 2, -d / 2],
  [w / 2, -d / 2],
  [w / 2, d / 2],
  [-w / 2, d / 2],
];
const photo = `${'a'.repeat(64)}.jpg`;

/** A camera that looks at the bench askew: places of the bench, mm, as dots. */
function camera(tilt: number, turn: number): (place: readonly [number, number]) => Point {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return ([x, y]) => {
    const [u, v] = [x * cos - y * sin, x * sin + y * cos];
    const w = 1 + tilt * v;
    return [1200 + (1.4 * u) / w, 1500 - (1.3 * v) / w];
  };
}

/** What a workshop would have of a cloth: its marked line on a photo beside a sheet of known size, the cloth askew. */
function photographed(line: readonly (readonly [number, number])[], askew: number): Pinned {
  const seen = camera(0.0003, 0.2);
  const [cos, sin] = [Math.cos(askew), Math.sin(askew)];
  return {
    id: 'q-1',
    piece: 'top',
    rows: [],
    trace: {
      photo,
      scale: { kind: 'four', width: 297, height: 210 },
      marks: rect(297, 210).map(([x, y]) => seen([x + 700, y])),
      points: line.map(([x, y]) => seen([x * cos - y * sin + 40, x * sin + y * cos - 25])),
    },
  };
}

describe('a cloth that was pinned on and marked', () => {
  it.each([0, 0.06, -0.11])('gives its own line back from a photo taken askew, and no difference where there is none (%s)', (askew) => {
    const piece = topOf(plans.boxed);
    const outline = pinnedOutline(photographed(piece.sewn, askew));
    expect(typeof outline).not.toBe('string');
    const found = comparePinned(outline as Point[], piece);
    expect(Math.abs(found.worst.by)).toBeLessThan(0.6);
    expect(pinnedWords(found)).toMatch(/match/);
  });

  it('is read by tape: so far left and right of the middle line, wherever that begins', () => {
    const rows = [
      { at: 400, left: 195, right: 195 },
      { at: 0, left: 225, right: 225 },
      { at: 200, left: 210, right: 210 },
    ];
    const outline = pinnedOutline({ rows, trace: null }) as Point[];
    expect(pinnedSize(outline)).toEqual({ width: 450, depth: 400 });
    expect(pinnedOutline({ rows: rows.slice(0, 1), trace: null })).toMatch(/two places/);
    expect(pinnedOutline({ rows: [rows[0]!, rows[0]!], trace: null })).toMatch(/one place/);
  });

  it.each([
    [460, 420, 10, 0],
    [450, 408, 0, -12],
    [442, 426, -8, 6],
  ])('%s × %s on a computed 450 × 420: so much wider, so much deeper', (w, d, wider, deeper) => {
    const found = comparePinned(rect(w, d), { sewn: rect(450, 420), outline: [] });
    expect(Math.abs(found.width - wider)).toBeLessThan(0.7);
    expect(Math.abs(found.depth - deeper)).toBeLessThan(0.7);
    expect(pinnedWords(found)).toContain(`${Math.abs(wider || deeper)} mm`);
  });

  it('is turned round where the photo was taken from another side of the bench', () => {
    for (const turn of [Math.PI / 2, Math.PI, -Math.PI / 2 + 0.05]) {
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      const found = comparePinned(
        rect(470, 200).map(([x, y]): Point => [x * cos - y * sin, x * sin + y * cos]),
        { sewn: rect(450, 190), outline: [] },
      );
      expect(Math.abs(found.width - 20)).toBeLessThan(1);
      expect(Math.abs(found.depth - 10)).toBeLessThan(1);
    }
  });

  it('says on which side: one that is longer to the right alone', () => {
    // 12 more on the right: laid middle on middle that shows as 6 on either side, and as 12 wider in all.
    const found = comparePinned(
      rect(450, 420).map(([x, y]): Point => [x > 0 ? x + 12 : x, y]),
      { sewn: rect(450, 420), outline: [] },
    );
    expect(found.sides.left + found.sides.right).toBeCloseTo(12, 0);
    expect(Math.abs(found.sides.near) + Math.abs(found.sides.far)).toBeLessThan(1);
  });

  it.each(['boxed', 'chair'] as const)('taken over, the computed piece is as large as the pinned one: %s', (which) => {
    const piece = which === 'boxed' ? boxed : chair;
    const computed = topOf(plans[which]);
    const larger = computed.sewn.map(([x, y]): Point => [x * (1 + 9 / computed.width), y * (1 - 6 / computed.height)]);
    const found = comparePinned(pinnedOutline(photographed(larger, 0.03)) as Point[], computed);
    const corrections = pinnedCorrections(computed.id, found, [], '2026-11-26');
    const corrected = topOf(planned({ ...piece, covering: { ...piece.covering, corrections } }));
    const after = comparePinned(pinnedOutline(photographed(larger, 0.03)) as Point[], corrected);
    expect(Math.abs(after.width)).toBeLessThan(1.6);
    expect(Math.abs(after.depth)).toBeLessThan(1.6);
    expect(Math.abs(found.width - 9)).toBeLessThan(2.5);
    // Taken over once more, nothing is corrected twice; and what was noted by hand is left.
    const again = pinnedCorrections(computed.id, after, [{ ...corrections[0]!, id: 'h', note: 'by hand' }, ...corrections], '2026-11-26');
    expect(again.filter(({ note }) => note === 'by hand')).toHaveLength(1);
    const sum = (all: typeof corrections): number =>
      all.filter(({ what, note }) => what === 'width' && note !== 'by hand').reduce((s, { by }) => s + by, 0);
    expect(Math.abs(sum(again) - sum(corrections))).toBeLessThanOrEqual(2);
  });

  it('says in words what it lacks', () => {
    const item = photographed(rect(400, 300), 0);
    expect(pinnedOutline({ ...item, trace: { ...item.trace!, marks: [] } })).toMatch(/four corners/);
    expect(pinnedOutline({ ...item, trace: { ...item.trace!, points: item.trace!.points.slice(0, 2) } })).toMatch(/round the line/);
    const crossed = [0, 2, 1, 3].map((i) => item.trace!.points[i]!);
    expect(pinnedOutline({ ...item, trace: { ...item.trace!, points: crossed } })).toMatch(/crosses itself/);
  });
});
