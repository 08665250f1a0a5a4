import { differenceD, FillRule } from 'clipper2-ts';
import { pointAt, polygonArea, samePart, tangentAt, type Outline, type Point, type Polygon } from '../../outline';
import type { EdgeFact } from '../../piece';

const PLACES = 4;
/** An edge is followed in this many steps. */
const STEPS = 40;

/**
 * Takes a pad's overhang off along the edges that butt against a frame or wall: there the foam stays flush.
 *
 * @param pad the pad's outline, beyond the board all round
 * @param outline of the board
 * @param edges what is known of them
 * @param overhang how far the pad stands beyond the board, mm
 */
export function flushAgainst(pad: Polygon, outline: Outline, edges: readonly EdgeFact[], overhang: number): Polygon {
  const against = edges.filter((fact) => fact.against).map((fact) => fact.edge);
  if (against.length === 0) return pad;
  const { segments } = outline;
  const n = segments.length;
  const strips = segments
    .map((segment, i) => ({ segment, i }))
    .filter(({ segment }) => against.some((edge) => samePart(edge, segment.edge)))
    .map(({ segment, i }) => {
      // A rounded corner next to the edge overhangs it too, as far along as its radius reaches.
      const corners = [segments[(i + n - 1) % n]!, segments[(i + 1) % n]!].map((next) =>
        next.kind === 'arc' && next.edge.kind === 'corner' ? next.radius : 0,
      );
      const far = overhang * 2 + 1 + Math.max(...corners);
      const steps = segment.kind === 'line' ? 1 : STEPS;
      const along = Array.from({ length: steps + 1 }, (_, k) => k / steps);
      const place = (u: number, out: number): Point => {
        const [x, y] = pointAt(segment, u);
        const [tx, ty] = tangentAt(segment, u);
        // Carried on past both ends, so that nothing of the overhang is left at a corner.
        const on = u === 0 ? -far : u === 1 ? far : 0;
        return [x + tx * on + ty * out, y + ty * on - tx * out];
      };
      return [...along.map((u) => place(u, 0)), ...[...along].reverse().map((u) => place(u, far))].map(([x, y]) => ({ x, y }));
    });
  const left = differenceD([pad.map(([x, y]) => ({ x, y }))], strips, FillRule.NonZero, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }) => [x, y] as const),
  );
  const largest = left.sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest) return pad;
  return polygonArea(largest) < 0 ? largest.reverse() : largest;
}
