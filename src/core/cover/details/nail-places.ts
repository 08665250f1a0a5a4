import { bareMargin, type ModelOf } from '../../padding';
import { CORNER_BEND, cornerAlong, offsetPolygon, pointAlong, polygonPerimeter } from '../../outline';
import type { Nails } from '../../piece';

/** Nails along one edge: how many, how far apart they come out. */
export type NailRun = { edge: string; length: number; count: number; pitch: number };
/** The nails of a piece: places in the plan, big and small heads in turn where they alternate. */
export type NailPlan = {
  runs: NailRun[];
  count: number;
  small: number;
  gap: number;
  places: { x: number; y: number; head: number }[];
  /** the bare margin they stand in, and what it must be at least */
  margin: number;
  least: number;
};

/**
 * Nails along the edge: the corners first, then each edge at an even pitch nearest the wanted one. Source:
 * docs/models.md, "Nails": n = round(L/p); where sizes alternate n is even, so that the corners carry the large heads
 * and every gap is alike.
 *
 * @param model the built piece
 * @param nails wanted pitch and heads
 */
export function nailPlan(model: ModelOf<unknown>, { pitch, head, small }: Nails): NailPlan {
  const bare = model.pads.length > 0 ? bareMargin(model) : model.rule('nailMargin');
  const line = offsetPolygon(model.board, -Math.max(head, (bare || model.rule('nailMargin')) / 2)) ?? model.board;
  const total = polygonPerimeter(line);
  const corners = model.places.filter((place) => Math.abs(place.turn) > CORNER_BEND);
  const found = (corners.length > 0 ? corners : [model.places[0]!]).map((place) => cornerAlong(line, place.point)).sort((a, b) => a - b);
  // Two corners that come together on the nails' line, as beside a notch, share one nail.
  const marks = found.filter((mark, k) => (found[k + 1] ?? found[0]! + total) - mark >= head || found.length === 1);
  const places: NailPlan['places'] = [];
  const runs = marks.map((from, k): NailRun => {
    const to = k + 1 < marks.length ? marks[k + 1]! : marks[0]! + total;
    const length = to - from;
    const wanted = small !== null ? 2 * Math.round(length / pitch / 2) : Math.round(length / pitch);
    const count = Math.max(small !== null ? 2 : 1, wanted);
    // In a leg so narrow that both its rows lie in one, the row that is there holds for both.
    const before = [...places];
    const isHeld = (x: number, y: number): boolean => before.some((nail) => Math.hypot(nail.x - x, nail.y - y) < head);
    for (let i = 0; i < count; i++) {
      const [x, y] = pointAlong(line, from + (length * i) / count);
      if (!isHeld(x, y)) places.push({ x, y, head: small !== null && i % 2 === 1 ? small : head });
    }
    const [mx, my] = pointAlong(line, from + length / 2);
    const edges = model.places.filter((place) => place.turn === 0);
    const edge = edges.reduce((best, place) =>
      Math.hypot(place.point[0] - mx, place.point[1] - my) < Math.hypot(best.point[0] - mx, best.point[1] - my) ? place : best,
    );
    return { edge: edge.edge, length, count: places.length - before.length, pitch: length / count };
  });
  const smalls = places.filter((nail) => nail.head !== head).length;
  const tightest = runs.reduce((least, run) => Math.min(least, run.pitch), Infinity);
  return {
    runs,
    count: places.length,
    small: smalls,
    gap: tightest - (small !== null ? (head + small) / 2 : head),
    places,
    margin: bare,
    least: head * 2,
  };
}
