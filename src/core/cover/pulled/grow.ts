import { FillRule, unionD } from 'clipper2-ts';
import type { Stack } from '../../padding';
import { crossesItself, distanceAlong, polygonArea, type Point, type Polygon } from '../../outline';
import { greatestOf } from '../../ties';
import type { StationWrap } from './wrap';

/**
 * A figure of the stations anywhere round the edge: even from one station to the next.
 *
 * @param places the stations, in order
 * @param total length all the way round, mm
 * @param values one for each station
 * @returns the figure at a distance from the first station
 */
export function aroundEdge(places: readonly { at: number }[], total: number, values: readonly number[]): (at: number) => number {
  return (at) => {
    let low = places.length - 1;
    for (let i = 0; i < places.length; i++) if (places[i]!.at <= at + 1e-9) low = i;
    const next = (low + 1) % places.length;
    const span = (places[next]!.at - places[low]!.at + total) % total || total;
    return values[low]! + (values[next]! - values[low]!) * Math.min(1, ((at - places[low]!.at + total) % total) / span);
  };
}

/**
 * Moves every place of the board's outline outwards by an amount that changes round the edge, with mitred corners:
 * at a vertex between edges with normals a and b the new point is P + g·(a + b)/(1 + a·b). It never crosses itself.
 *
 * @param model the built piece
 * @param stations the measured stations, in order
 * @param grow how far beyond the board at a station, mm
 */
export function growOutline(model: Stack, stations: readonly StationWrap[], grow: (station: StationWrap) => number): Polygon {
  const total = model.perimeter;
  const growAt = aroundEdge(model.places, total, stations.map(grow));
  const edge = withEdgePlaces(model, total);
  const grown = edge.map(({ point, at, before, after }): Point => {
    const g = growAt(at);
    const share = 1 + before[0] * after[0] + before[1] * after[1];
    return [point[0] + (g * (before[0] + after[0])) / share, point[1] + (g * (before[1] + after[1])) / share];
  });
  return turnsBack(edge, grown) || crossesItself(grown) ? unionOfBands(model.board, edge, grown, growAt) : grown;
}

/** Whether a side of the edge, once moved, runs the other way: it was shorter than what its neighbours at an inside corner take of it. */
function turnsBack(edge: readonly EdgePoint[], grown: readonly Point[]): boolean {
  return edge.some(({ point: [x, y] }, i) => {
    const k = (i + 1) % edge.length;
    const [nextX, nextY] = edge[k]!.point;
    return (grown[k]![0] - grown[i]![0]) * (nextX - x) + (grown[k]![1] - grown[i]![1]) * (nextY - y) < 0;
  });
}

/** Decimal places that bands are joined in. */
const PLACES = 4;

/**
 * The same where cloth of one edge lies over that of another, beside an inside corner or a notch: the board, the band beyond each side
 * of its edge, and the corners between them, taken together. Moved outline points would cross there, and leave slits behind.
 */
function unionOfBands(board: Polygon, edge: readonly EdgePoint[], grown: readonly Point[], growAt: (at: number) => number): Polygon {
  const offsetPoint = ([x, y]: Point, [nx, ny]: Point, by: number): Point => [x + nx * by, y + ny * by];
  const parts = edge.flatMap((here, i): Polygon[] => {
    const next = edge[(i + 1) % edge.length]!;
    const [nearBy, farBy] = [growAt(here.at), growAt(next.at)];
    const band = [here.point, offsetPoint(here.point, here.after, nearBy), offsetPoint(next.point, here.after, farBy), next.point];
    const outside = here.before[0] * here.after[1] - here.before[1] * here.after[0] > 0;
    const corner = [here.point, offsetPoint(here.point, here.before, nearBy), grown[i]!, offsetPoint(here.point, here.after, nearBy)];
    return outside ? [band, corner] : [band];
  });
  const region = (points: Polygon): { x: number; y: number }[] => {
    const ring = points.map(([x, y]) => ({ x, y }));
    return polygonArea(points) < 0 ? ring.reverse() : ring;
  };
  const rings = unionD([board, ...parts].map(region), [], FillRule.NonZero, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }): Point => [x, y]),
  );
  return rings[greatestOf(rings.length, (i) => polygonArea(rings[i]!))] ?? [...grown];
}

/**
 * Where a place of the board's edge comes to lie once the edge is grown.
 *
 * @param model the built piece
 * @param stations the measured stations, in order
 * @param at the place on the edge
 * @param grow how far beyond the board at a station, mm
 */
export function grownPlace(model: Stack, stations: readonly StationWrap[], at: Point, grow: (station: StationWrap) => number): Point {
  const total = model.perimeter;
  const along = (distanceAlong(model.board, at) - distanceAlong(model.board, model.places[0]!.point) + total) % total;
  const g = aroundEdge(model.places, total, stations.map(grow))(along);
  const points = withEdgePlaces(model, total);
  const next = points.findIndex((point) => point.at > along + 1e-9);
  const [nx, ny] = points[(next < 0 ? 0 : next) % points.length]!.before;
  return [at[0] + g * nx, at[1] + g * ny];
}

type EdgePoint = { point: Point; at: number; before: Point; after: Point };

/** The board's polyline with the stations on its straight edges put in, so that a grown edge can bow. */
function withEdgePlaces(model: Stack, total: number): EdgePoint[] {
  const board = model.board;
  const start = distanceAlong(board, model.places[0]!.point);
  const ring: { point: Point; at: number }[] = [];
  let s = 0;
  board.forEach((point, i) => {
    ring.push({ point, at: (s - start + total) % total });
    const next = board[(i + 1) % board.length]!;
    s += Math.hypot(next[0] - point[0], next[1] - point[1]);
  });
  for (const place of model.places) {
    if (ring.every(({ point }) => Math.hypot(point[0] - place.point[0], point[1] - place.point[1]) > 0.5)) {
      ring.push({ point: place.point, at: place.at });
    }
  }
  ring.sort((a, b) => a.at - b.at);
  return ring.map(({ point, at }, i) => {
    const previous = ring[(i + ring.length - 1) % ring.length]!.point;
    const next = ring[(i + 1) % ring.length]!.point;
    return { point, at, before: outward(previous, point), after: outward(point, next) };
  });
}

function outward(a: Point, b: Point): Point {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  return [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
}
