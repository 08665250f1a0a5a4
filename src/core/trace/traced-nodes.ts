import { bounds, polygonArea, type OutlineNode, type Point } from '../outline';
import type { Trace } from '../piece';
import { photoScale } from './photo-scale';

/**
 * The outline that was clicked round on a photo, in the plan, about its middle.
 *
 * @param trace marks, what is known of them, and the points clicked
 * @param join straight from point to point, or as a flexible rule would lie
 * @returns its nodes counter-clockwise, or in words what is still missing
 */
export function tracedNodes(trace: Pick<Trace, 'marks' | 'scale' | 'points'>, join: 'line' | 'smooth' = 'line'): OutlineNode[] | string {
  const map = photoScale(trace);
  if (typeof map === 'string') return map;
  if (trace.points.length < 3) return 'Click round the edge: at least three points';
  const plan = trace.points.map(map);
  if (plan.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y)))
    return 'A point lies beyond the horizon of the squared-up photo; mark the corners again';
  const ring = polygonArea(plan) < 0 ? [...plan].reverse() : plan;
  const box = bounds(ring);
  const [dx, dy] = [-(box.minX + box.maxX) / 2, -(box.minY + box.maxY) / 2];
  return ring.map(([x, y]: Point) => ({ x: x + dx, y: y + dy, radius: 0, to: { kind: join } }));
}
