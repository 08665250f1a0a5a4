import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../../piece';
import { cornersStep, coverStep } from '../../plan/steps';
import { pulledTop } from '../pulled/pulled-top';
import { sideOf } from '../surface/ring';
import { pulledSides } from './pulled-sides';
import { sharedPlanner } from '../../../testing/quick';

function sidesOf(piece: Piece, way?: 'gathered') {
  const planner = sharedPlanner;
  const model = planner.model(piece, {});
  const sewn = coverStep(model);
  const top = pulledTop(sewn.making, sewn.give, model)!;
  const corners = cornersStep(model).map((corner) => (way ? { ...corner, way } : corner));
  return { ring: sewn.ring, top, corners, sides: pulledSides(sewn.ring, top.mesh, top.flat, corners) };
}

const seat = newPiece('chair-seat', {
  type: 'trapezoid',
  frontWidth: 468,
  backWidth: 402,
  depth: 427,
  cornerRadius: { front: 40, back: 15 },
});

describe('the sides of a pulled cover', () => {
  it('begin where the top ends, on the piece and on the cloth', () => {
    const { top, sides } = sidesOf(seat);
    const rim = new Map<string, [number, number]>();
    top.mesh.place.forEach((place, node) => {
      if (place >= 0)
        rim.set([0, 1, 2].map((k) => top.mesh.points[3 * node + k]!.toFixed(3)).join(), [top.flat[2 * node]!, top.flat[2 * node + 1]!]);
    });
    let met = 0;
    for (let i = 0; i < sides.points.length / 3; i++) {
      const item = rim.get([0, 1, 2].map((k) => sides.points[3 * i + k]!.toFixed(3)).join());
      if (!item) continue;
      met += 1;
      expect(Math.hypot(sides.flat[2 * i]! - item[0], sides.flat[2 * i + 1]! - item[1])).toBeLessThan(1e-6);
    }
    expect(met).toBeGreaterThan(40);
  });

  it('lie down the side exactly as far as the cover is long there, column by column', () => {
    const { ring, sides } = sidesOf(seat, 'gathered');
    // The first triangle joins the first column to the second: its last node tells how many rows there are.
    const rows = sides.triangles[2]! - 2;
    expect(rows).toBeGreaterThan(4);
    const columns = sides.flat.length / 2 / (rows + 1);
    expect(columns).toBe(ring.places.length + 1);
    const ratios: number[] = [];
    for (let k = 0; k < columns; k++) {
      const side = sideOf(ring.places[k % ring.places.length]!.profile);
      const [top, low] = [k * (rows + 1), k * (rows + 1) + rows];
      const flat = Math.hypot(sides.flat[2 * low]! - sides.flat[2 * top]!, sides.flat[2 * low + 1]! - sides.flat[2 * top + 1]!);
      expect(flat).toBeCloseTo(side, 6);
      // On the piece the same column is as long, but for what its chords cut off and for its slant at a bend.
      let on = 0;
      for (let n = top; n < low; n++) on += Math.hypot(...[0, 1, 2].map((c) => sides.points[3 * (n + 1) + c]! - sides.points[3 * n + c]!));
      ratios.push(on / side);
    }
    ratios.sort((a, b) => a - b);
    expect(ratios[0]).toBeGreaterThan(0.97);
    expect(ratios[Math.floor(ratios.length * 0.9)]).toBeLessThan(1.005);
    // Down a corner's own edge the way slants.
    expect(ratios.at(-1)).toBeLessThan(1.06);
  });

  it('are parted at a folded corner, and whole where the cloth is gathered', () => {
    const folded = sidesOf(seat);
    const gathered = sidesOf(seat, 'gathered');
    const doubled = ({ sides }: typeof folded): number => {
      const seen = new Map<string, string>();
      let count = 0;
      for (let i = 0; i < sides.points.length / 3; i++) {
        const key = [0, 1, 2].map((k) => sides.points[3 * i + k]!.toFixed(3)).join();
        const flat = `${sides.flat[2 * i]!.toFixed(1)} ${sides.flat[2 * i + 1]!.toFixed(1)}`;
        if (seen.has(key) && seen.get(key) !== flat) count += 1;
        seen.set(key, flat);
      }
      return count;
    };
    expect(doubled(gathered)).toBe(0);
    expect(doubled(folded)).toBeGreaterThan(folded.corners.filter(({ way }) => way === 'tucks').length * 3);
  });

  it('at a fold the cloth of one side ends on the line of that side: stripes run straight down to it', () => {
    const { sides, ring } = sidesOf(seat);
    // In the middle of the front, straight down: a column of the cloth keeps its place across the roll.
    const front = ring.places.reduce(
      (best, place) => (place.out[1] < -0.99 && Math.abs(place.point[0]) < Math.abs(best.point[0]) ? place : best),
      ring.places.find(({ out }) => out[1] < -0.99)!,
    );
    const xs: number[] = [];
    for (let i = 0; i < sides.points.length / 3; i++)
      if (Math.abs(sides.points[3 * i]! - front.point[0]) < 0.5 && sides.points[3 * i + 1]! < -100) xs.push(sides.flat[2 * i]!);
    expect(xs.length).toBeGreaterThan(4);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(1);
  });
});
