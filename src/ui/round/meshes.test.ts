import { describe, expect, it } from 'vitest';
import { KINDS, newPiece } from '@/core/piece';
import { sheetView, type SheetView } from '@/core/plan';
import { roundMeshes, seamCords } from './meshes';
import { sharedPlanner } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

const viewOf = (kind: (typeof KINDS)[number]['id']): SheetView => {
  const found = sheetView({ piece: newPiece(kind), house: {}, parts: ['cover'], preview: true, round: true }, sharedPlanner);
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return found.view;
};

describe.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s in the round', (kind) => {
  const view = viewOf(kind);
  const { cover, board } = roundMeshes(view);

  it('is a whole surface: no figure that is none, no triangle turned over, every edge shared by two but the rim', () => {
    for (const geometry of [cover, board]) {
      const at = geometry.getAttribute('position');
      expect([...at.array].every(Number.isFinite)).toBe(true);
    }
    expect(view.skin).not.toBeNull();
    const edges = new Map<string, number>();
    let [below, all] = [0, 0];
    for (const { points, triangles } of view.skin!.patches)
      for (let t = 0; t < triangles.length; t += 3) {
        const [a, b, c] = [0, 1, 2].map((k) => points.subarray(3 * triangles[t + k]!, 3 * triangles[t + k]! + 3)) as [
          Float64Array,
          Float64Array,
          Float64Array,
        ];
        // Patches meet at places, not at nodes that they share.
        const corners = [a, b, c].map((place) => [...place].map((value) => Math.round(value * 100) + 0).join(','));
        corners.forEach((from, k) => {
          const to = corners[(k + 1) % 3]!;
          if (from === to) return;
          // Walked the same way twice, one of the two would be turned over.
          expect(edges.has(`${from} ${to}`), `${kind}: ${from} ${to}`).toBe(false);
          edges.set(`${from} ${to}`, 1);
        });
        const [u, v] = [b, c].map(
          (float64Array) => [float64Array[0]! - a[0]!, float64Array[1]! - a[1]!, float64Array[2]! - a[2]!] as const,
        ) as [readonly [number, number, number], readonly [number, number, number]];
        const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
        if (normal[2] < -0.5 * Math.hypot(...normal)) below += 1;
        all += 1;
      }
    const rim = [...edges.keys()].filter((key) => !edges.has(key.split(' ').reverse().join(' '))).length;
    expect(rim).toBeGreaterThan(8);
    expect(rim).toBeLessThan(edges.size / 6);
    // Only where the side is drawn in under the widest line, or a loose cover closes below, does it face down.
    expect(below).toBeLessThan(all / 4);
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
      const welt = plan!.welts.find((weltPlan) => weltPlan.seam === line.id || weltPlan.seam === line.name);
      // A welt is cut longer than its seam by what its join takes, and by what the cloth shrinks.
      if (welt) expect(length / welt.seamLength).toBeCloseTo(1, 2);
    }
  });
});

describe('a zip in the round', () => {
  it('lies once on the cover of a loose block, as long as the zip that is bought, and on nothing else', () => {
    const view = viewOf('block-seat');
    const { zip } = view.plan.cover!;
    expect(zip).not.toBeNull();
    expect(view.skin!.zips).toHaveLength(1);
    const [line] = view.skin!.zips;
    const length = line!.slice(1).reduce((sum, [x, y, z], k) => {
      const [a, b, c] = line![k]!;
      return sum + Math.hypot(x - a, y - b, z - c);
    }, 0);
    // A zip is bought to the next size up, and stops short of nothing that it opens.
    expect(length).toBeGreaterThan(zip!.length * 0.85);
    expect(length).toBeLessThan(zip!.length * 1.02);
    // Each of its places is a node of the surface.
    const nodes = view.skin!.patches.map(({ points }) => points);
    for (const [x, y, z] of line!)
      expect(
        nodes.some((points) =>
          points.some((value, i) => i % 3 === 0 && Math.hypot(value - x, points[i + 1]! - y, points[i + 2]! - z) < 1e-6),
        ),
      ).toBe(true);
    expect(viewOf('chair-seat').skin!.zips).toEqual([]);
  });
});
