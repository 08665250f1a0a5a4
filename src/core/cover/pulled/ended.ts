import { differenceD, FillRule } from 'clipper2-ts';
import type { Model } from '../../build';
import {
  distanceAlong,
  edgeLength,
  pointAt,
  polygonArea,
  samePart,
  tangentAt,
  type EdgePart,
  type Point,
  type Polygon,
} from '../../outline';
import type { CoverEnd } from '../../piece';
import { endedEdges, shortAt, type Ended } from './ends-in-sight';
import { aroundEdge } from './grow';
import type { StationWrap } from './wrap';

/** Decimal places that outlines are cut in, and steps that a bent edge is followed in. */
const PLACES = 4;
const STEPS = 40;
/** What is cut off along an edge goes on past its ends and outwards so far, mm: beyond any cloth. */
const PAST = 1500;

/** How an edge lies on the blank: a place so far along it, so far beyond a line that lies `up` above the board's lower edge. */
function lineOf(
  model: Model,
  stations: readonly StationWrap[],
  edge: EdgePart,
  up: number,
): ((u: number, beyond: number, on: number) => Point)[] {
  const start = distanceAlong(model.board, model.places[0]!.point);
  const growAt = aroundEdge(
    model.places,
    model.perimeter,
    stations.map((s) => s.top - s.planDistance + s.side),
  );
  return model.outline.segments
    .filter((segment) => samePart(segment.edge, edge))
    .map((segment) => (u, beyond, on) => {
      const [x, y] = pointAt(segment, u);
      const [tx, ty] = tangentAt(segment, u);
      const at = (distanceAlong(model.board, [x, y]) - start + model.perimeter) % model.perimeter;
      const out = growAt(at) - up + beyond;
      return [x + tx * on + ty * out, y + ty * on - tx * out];
    });
}

/**
 * Cuts an outline of the blank back along every edge on which the cloth ends in sight.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param line an outline of the blank, before shrinkage
 * @param beyond how far beyond the fold it may go, mm
 */
export function endedAt(model: Model, stations: readonly StationWrap[], line: Polygon, beyond: (end: CoverEnd) => number): Polygon {
  return cutBack(
    model,
    stations,
    line,
    endedEdges(model).map(({ edge, end }) => ({ edge, up: end.up, by: beyond(end) })),
  );
}

/**
 * Cuts an outline of the blank back along every edge where its cloth is cut shorter than elsewhere.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param line an outline of the blank, before shrinkage
 * @param under how far the cloth goes on under the board elsewhere: to its staples, and beyond them; mm
 */
export function shortened(
  model: Model,
  stations: readonly StationWrap[],
  line: Polygon,
  { staple, grip }: { staple: number; grip: number },
): Polygon {
  const edges = (model.piece.base.edges ?? []).filter(({ edge }) => shortAt(model.piece, edge, grip) > 0);
  return cutBack(
    model,
    stations,
    line,
    edges.map(({ edge }) => ({ edge, up: 0, by: staple + grip - shortAt(model.piece, edge, grip) })),
  );
}

/** Cuts an outline back along some edges, straight on past both ends of each. */
function cutBack(
  model: Model,
  stations: readonly StationWrap[],
  line: Polygon,
  edges: readonly { edge: EdgePart; up: number; by: number }[],
): Polygon {
  const strips = edges.flatMap(({ edge, up, by }) =>
    lineOf(model, stations, edge, up).map((place) => {
      const along = Array.from({ length: STEPS + 1 }, (_, k) => k / STEPS);
      // Straight on past both corners: what the sides bring round them ends on the same line.
      const on = (u: number): number => (u === 0 ? -PAST : u === 1 ? PAST : 0);
      return [
        ...along.flatMap((u) =>
          u === 0 || u === 1
            ? u === 0
              ? [place(0, by, -PAST), place(0, by, 0)]
              : [place(1, by, 0), place(1, by, PAST)]
            : [place(u, by, 0)],
        ),
        ...[...along].reverse().map((u) => place(u, by + PAST, on(u))),
      ].map(([x, y]) => ({ x, y }));
    }),
  );
  if (strips.length === 0) return line;
  const left = differenceD([line.map(([x, y]) => ({ x, y }))], strips, FillRule.NonZero, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }) => [x, y] as const),
  );
  const largest = left.sort((a, b) => Math.abs(polygonArea(b)) - Math.abs(polygonArea(a)))[0];
  if (!largest) return line;
  return polygonArea(largest) < 0 ? [...largest].reverse() : largest;
}

/** The lines along which the cloth is turned under, from corner to corner of each such edge, before shrinkage. */
export function foldLines(model: Model, stations: readonly StationWrap[]): Point[][] {
  return endedEdges(model).flatMap((ended) =>
    lineOf(model, stations, ended.edge, ended.end.up).map((place) => Array.from({ length: STEPS + 1 }, (_, k) => place(k / STEPS, 0, 0))),
  );
}

/** Length of each edge on which the cloth ends in sight, mm. */
export function endedLengths(model: Model): (Ended & { length: number })[] {
  return endedEdges(model).map((ended) => ({ ...ended, length: edgeLength(model.outline, ended.edge) }));
}
