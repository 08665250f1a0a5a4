import { describe, expect, it } from 'vitest';
import { KINDS, newPiece } from '@/core/piece';
import { createPlanner, sheetView, type SheetView } from '@/core/plan';
import { roundMeshes, seamCords } from './meshes';

const viewOf = (kind: (typeof KINDS)[number]['id']): SheetView => {
  const found = sheetView({ piece: newPiece(kind), house: {}, parts: ['cover'], preview: true }, createPlanner());
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return found.view;
};

describe.each(KINDS.map(({ id }) => id))('%s in the round', (kind) => {
  const view = viewOf(kind);
  const { cover, board } = roundMeshes(view);

  it('is a whole surface: no figure that is none, no triangle turned over, every edge shared by two but the rim', () => {
    for (const geometry of [cover, board]) {
      const at = geometry.getAttribute('position');
      expect([...at.array].every(Number.isFinite)).toBe(true);
    }
    expect(view.skin).not.toBeNull();
    const { points, triangles } = view.skin!;
    const edges = new Map<string, number>();
    let below = 0;
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      corners.forEach((a, k) => {
        const b = corners[(k + 1) % 3]!;
        // Walked the same way twice, one of the two would be turned over.
        expect(edges.has(`${a} ${b}`), `${kind}: ${a} ${b}`).toBe(false);
        edges.set(`${a} ${b}`, 1);
      });
      const [a, b, c] = corners.map((n) => points.subarray(3 * n, 3 * n + 3)) as [Float64Array, Float64Array, Float64Array];
      const up = (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!);
      if (up < -1e-6) below += 1;
    }
    const rim = [...edges.keys()].filter((key) => !edges.has(key.split(' ').reverse().join(' '))).length;
    expect(rim).toBeGreaterThan(8);
    expect(rim).toBeLessThan(edges.size / 6);
    // Only where the side is drawn in under the widest line does it face down.
    expect(below).toBeLessThan(triangles.length / 6);
  });

  it('has its seams on the surface, each as long as the seam that is sewn', () => {
    const { cover: plan } = view.plan;
    expect(seamCords(view)).toHaveLength(plan!.lines.length);
    for (const line of plan!.lines) {
      const { points, heights } = line;
      expect(heights).toHaveLength(points.length);
      const length = points.reduce((sum, [x, y], i) => {
        const j = (i + 1) % points.length;
        return sum + Math.hypot(points[j]![0] - x, points[j]![1] - y, heights[j]! - heights[i]!);
      }, 0);
      const welt = plan!.welts.find((own) => own.seam === line.id || own.seam === line.name);
      // A welt is cut longer than its seam by what its join takes, and by what the cloth shrinks.
      if (welt) expect(length / welt.seamLength).toBeCloseTo(1, 2);
    }
  });
});
