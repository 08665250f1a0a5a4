import { preShrink } from '../../cloth';
import { endedEdges } from '../pulled/ends-in-sight';
import { aroundEdge } from '../pulled/grow';
import type { StationWrap } from '../pulled/wrap';
import type { Beyond, ReachPart, SeamSpec, Way, Working } from '../ways';

/** How much wider than the board to cut, at a place of its edge: each part in mm, in the order of `parts`. */
export type ReachPlace = { at: number; x: number; y: number; nx: number; ny: number; edge: string; values: number[]; total: number };

/** The answer to “how much wider than the board must I cut here, and why?”, all round. */
export type Reach = { parts: ReachPart[]; places: ReachPlace[] };

/**
 * Says, at every place round the edge, what the cloth needs beyond the board, part by part.
 *
 * @param way of covering
 * @param working the covered surface and what was chosen
 * @param stations the measured stations
 * @param seams the cover's seams
 * @param beyond how far a pulled cover runs on under the board
 */
export function reachOf(way: Way, working: Working, stations: readonly StationWrap[], seams: readonly SeamSpec[], beyond: Beyond): Reach {
  const { model, ring } = working;
  const shrink = working.longer - 1;
  const growth = aroundEdge(
    model.places,
    ring.total,
    stations.map((station) => station.top - station.planDistance),
  );
  const reach = way.reach(working, seams, beyond);
  const ended = endedEdges(model);
  const [sideRow, ...underRows] = reach.parts;
  // On one edge under the board, on another back up to a fold: said of both.
  const rows =
    ended.length > 0
      ? [sideRow!, { label: 'To the staples, or back up to its fold', rule: null }, { label: 'For the hand, or turned under', rule: null }]
      : [sideRow!, ...underRows];
  const parts: ReachPart[] = [{ label: 'Longer over the top than in plan', rule: null }, ...rows];
  const taken = model.piece.covering.seamSwatch && working.longer !== preShrink(model.piece.cloth);
  if (shrink !== 0) parts.push({ label: taken ? 'For shrinkage and what seams take up' : 'For shrinkage', rule: null });
  return {
    parts,
    places: ring.places.map(({ at, point, out, edge }, i) => {
      const size = Math.hypot(...out) || 1;
      const end = ended.find(({ name }) => name === edge)?.end;
      const [side, ...under] = reach.at(i);
      const values = [growth(at), side!, ...(end ? [-end.up, end.turn] : under)];
      if (shrink !== 0) {
        // Shrinkage takes its share of everything from the middle outwards.
        const half = Math.hypot(point[0] - model.middle[0], point[1] - model.middle[1]);
        values.push((half + values.reduce((sum, value) => sum + value, 0)) * shrink);
      }
      return {
        at,
        x: point[0],
        y: point[1],
        nx: out[0] / size,
        ny: out[1] / size,
        edge,
        values,
        total: values.reduce((sum, value) => sum + value, 0),
      };
    }),
  };
}

/** The place of the edge nearest a point of the plan, by its number. */
export function nearestReach(places: readonly ReachPlace[], x: number, y: number): number {
  let best = 0;
  let nearest = Infinity;
  places.forEach((place, i) => {
    const away = Math.hypot(place.x - x, place.y - y);
    if (away < nearest) [nearest, best] = [away, i];
  });
  return best;
}
