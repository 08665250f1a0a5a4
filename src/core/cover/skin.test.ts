import { describe, expect, it } from 'vitest';
import { bounds, distanceTo, type Point } from '../outline';
import { CHANNELS, defaultsOf, KINDS, newPiece, type Piece } from '../piece';
import { coverInput, coverStep } from '../plan/steps';
import { skinOf, type ClothPatch, type CoverPiece } from '.';
import { sharedPlanner } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

const REPEAT = 84;

function striped(kind: (typeof KINDS)[number]['id'], item: Partial<Piece> = {}): Piece {
  const piece = newPiece(kind);
  return {
    ...piece,
    ...item,
    cloth: { ...piece.cloth, repeatAcross: REPEAT, ...item.cloth },
    covering: { ...piece.covering, motif: { x: 0, y: 0, on: 'stripe' }, ...item.covering },
  };
}

function laidOut(piece: Piece) {
  const planner = sharedPlanner;
  const model = planner.model(piece, {});
  const sewn = coverStep(model);
  const skin = skinOf(coverInput(model, 'full'), sewn, 14, planner.keep)!;
  return { model, sewn, skin, pieces: sewn.cover.pieces };
}

const nodes = (patch: ClothPatch): { at: Point; place: [number, number, number] }[] =>
  Array.from({ length: patch.flat.length / 2 }, (_, i) => ({
    at: [patch.flat[2 * i]!, patch.flat[2 * i + 1]!],
    place: [patch.points[3 * i]!, patch.points[3 * i + 1]!, patch.points[3 * i + 2]!],
  }));

/** Where the pattern begins on a piece whose motif is on a stripe: at the motif itself. */
const onPattern = (piece: CoverPiece, { x, y }: { x: number; y: number }, turned: boolean): Point =>
  turned ? [y - piece.motif!.y, x - piece.motif!.x] : [x - piece.motif!.x, y - piece.motif!.y];

const crossed = (a: readonly number[], b: readonly number[], c: readonly number[]): number =>
  (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!);

describe.each(thisWeek(KINDS, 4).map(({ id }) => id))('%s in a striped cloth', (kind) => {
  const { skin, pieces, model } = laidOut(striped(kind));
  const turned = model.piece.cloth.direction === 'across';

  it('carries on its surface what lies on its flat pieces: 20 places of each, within 0.5 mm', () => {
    for (const patch of skin.patches.filter(({ cloth }) => cloth === 'cover')) {
      const piece = pieces.find(({ id }) => id === patch.piece)!;
      expect(piece, patch.piece).toBeDefined();
      if (patch.panel === 'cover' || patch.panel === 'sides' || !piece.motif) continue;
      const entries = nodes(patch);
      const steps = Math.max(1, Math.floor(piece.sewn.length / 20));
      piece.sewn.forEach(([x, y], i) => {
        if (i % steps !== 0) return;
        const want = onPattern(piece, { x, y }, turned);
        const off = Math.min(...entries.map(({ at }) => Math.hypot(at[0] - want[0], at[1] - want[1])));
        expect(off, `${kind} ${piece.name} at ${Math.round(x)}, ${Math.round(y)}`).toBeLessThan(0.5);
      });
    }
  });

  it('turns no cloth over and stretches none beyond what cloth can', () => {
    for (const { triangles, flat, points, panel } of skin.patches) {
      let [over, all] = [0, 0];
      for (let t = 0; t < triangles.length; t += 3) {
        const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
        const at = (n: number) => [flat[2 * n]!, flat[2 * n + 1]!];
        const area = (turned ? -1 : 1) * crossed(at(a), at(b), at(c));
        all += 1;
        // Gathered cloth at a round corner lies in folds: flat it may come out as nothing, never as much less.
        if (area < -2) over += 1;
      }
      expect(over / all, `${kind} ${panel}`).toBeLessThan(0.01);
      expect([...points, ...flat].every(Number.isFinite)).toBe(true);
    }
  });
});

describe('the sides of a pulled cover', () => {
  it('end on the blank where its fold line is drawn', () => {
    const { skin, pieces } = laidOut(striped('chair-seat'));
    const sides = skin.patches.find(({ panel }) => panel === 'sides')!;
    const fold = pieces[0]!.lines.find(({ kind }) => kind === 'fold')!.points.map(([x, y]) => onPattern(pieces[0]!, { x, y }, false));
    const low = nodes(sides).filter(({ at }) => distanceTo(fold, at) < 12);
    // The board's lower edge on the blank was found another way: each edge of the board moved out by its own section.
    const box = bounds(fold);
    const straight = low.filter(
      ({ at: [x, y] }) =>
        Math.abs(x - (box.minX + box.maxX) / 2) < box.width * 0.3 || Math.abs(y - (box.minY + box.maxY) / 2) < box.height * 0.3,
    );
    expect(straight.length).toBeGreaterThan(20);
    const lowest = Math.min(...nodes(sides).map(({ place }) => place[2]));
    const rim = straight.filter(({ place }) => place[2] < lowest + 1);
    expect(rim.length).toBeGreaterThan(12);
    const off = rim.map(({ at }) => distanceTo(fold, at));
    // The cloth gives 2 %, 4 mm from the middle to the edge of such a seat: the blank is cut by its sections, not by its threads.
    expect(Math.max(...off)).toBeLessThan(2.5);
  });

  it('keep the cloth’s own lengths down the side and along it', () => {
    const { skin } = laidOut(striped('chair-seat'));
    const { triangles, flat, points } = skin.patches.find(({ panel }) => panel === 'sides')!;
    const stretch: number[] = [];
    for (let t = 0; t < triangles.length; t += 3)
      for (const [a, b] of [
        [triangles[t]!, triangles[t + 1]!],
        [triangles[t + 1]!, triangles[t + 2]!],
      ] as const) {
        const on = Math.hypot(
          points[3 * b]! - points[3 * a]!,
          points[3 * b + 1]! - points[3 * a + 1]!,
          points[3 * b + 2]! - points[3 * a + 2]!,
        );
        const flatLength = Math.hypot(flat[2 * b]! - flat[2 * a]!, flat[2 * b + 1]! - flat[2 * a + 1]!);
        if (on > 2) stretch.push(flatLength / on);
      }
    stretch.sort((a, b) => a - b);
    // A twentieth either way may lie in the tucks themselves.
    expect(stretch[Math.floor(stretch.length * 0.05)]).toBeGreaterThan(0.9);
    expect(stretch[Math.floor(stretch.length * 0.95)]).toBeLessThan(1.1);
  });
});

describe('stripes over a seam', () => {
  it('run from the top into the band at the front: the same stripe at the same place', () => {
    const { skin, sewn } = laidOut(striped('round-seat'));
    const stripeAt = (patch: ClothPatch): [number, number, number] => {
      // Where the patch's own stripe 0 crosses the seam in front: on the seam both patches have the ring's own places.
      const seam = sewn.cover.lines.find(({ id }) => id === 'top')!;
      const entries = nodes(patch);
      const along = seam.points
        .map(([x, y], i) => ({ x, y, z: seam.heights[i]! }))
        .filter(({ y }) => y < 0)
        .map(({ x, y, z }) => entries.find(({ place }) => Math.hypot(place[0] - x, place[1] - y, place[2] - z) < 0.05))
        .filter((node) => node !== undefined)
        .sort((a, b) => a.place[0] - b.place[0]);
      const k = along.findIndex(({ at }, i) => i > 0 && along[i - 1]!.at[0] <= 0 && at[0] > 0);
      expect(k).toBeGreaterThan(0);
      const [a, b] = [along[k - 1]!, along[k]!];
      const t = -a.at[0] / (b.at[0] - a.at[0]);
      return a.place.map((value, c) => value + (b.place[c]! - value) * t) as [number, number, number];
    };
    const [top, band] = ['top', 'band'].map((panel) => stripeAt(skin.patches.find((patch) => patch.panel === panel)!));
    expect(Math.hypot(...top!.map((value, c) => value - band![c]!))).toBeLessThan(0.5);
  });

  it('lie between two stripes where that is wanted', () => {
    const piece = striped('round-seat');
    const between = laidOut({ ...piece, covering: { ...piece.covering, motif: { x: 0, y: 0, on: 'between' } } }).skin.patches[0]!;
    const on = laidOut(piece).skin.patches[0]!;
    expect(between.flat[0]! - on.flat[0]!).toBeCloseTo(REPEAT / 2, 6);
  });
});

describe('cloth that is opened before it is sewn', () => {
  it('has its stitched lines where the cut piece has them', () => {
    const block = newPiece('block-seat');
    const bench = laidOut({ ...block, covering: { ...block.covering, way: 'channelled', channels: defaultsOf(CHANNELS) } });
    const patch = bench.skin.patches.find(({ stitches }) => stitches.length > 0)!;
    expect(patch.stitches).toHaveLength(bench.sewn.cover.channels!.lines);
    const gaps = patch.stitches.slice(1).map((line, k) => line[0]![0] - patch.stitches[k]![0]![0]);
    for (const gap of gaps) expect(gap).toBeCloseTo(bench.sewn.cover.channels!.pitch, 3);
  });
});
