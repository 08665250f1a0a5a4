import { clothOut, clothUnder } from './cloth-out';
import { differenceD, FillRule } from 'clipper2-ts';
import type { WrapModel } from '../reads';
import {
  distanceAlong,
  edgeLength,
  pointAt,
  polygonArea,
  samePart,
  tangentAt,
  withoutSpikes,
  type EdgePart,
  type Point,
  type Polygon,
  type Segment,
} from '../../outline';
import type { CoverEnd } from '../../piece';
import { endedEdges, shortAt, type Ended } from './ends-in-sight';
import { greatestOf } from '../../ties';
import { aroundEdge } from './grow';
import type { StationWrap } from './wrap';

/** Decimal places that outlines are cut in, and steps that a bent edge is followed in. */
const PLACES = 4;
const STEPS = 40;
/** What is cut off reaches so far beyond the cloth that may lie there, mm. */
const CLEAR = 20;

/** A place beside a stretch of the board's edge on the flat blank: so far along it, so far beyond the board's lower edge, so far past its end. */
type PlaceBeside = (u: number, beyond: number, past?: number) => Point;

/** One stretch of the board's edge as it lies on the blank. */
type Stretch = { segment: Segment; place: PlaceBeside };

/** Every stretch of the board's edge, in order. */
function stretchesOf(model: WrapModel, stations: readonly StationWrap[]): Stretch[] {
  const start = distanceAlong(model.board, model.places[0]!.point);
  const growAt = aroundEdge(
    model.places,
    model.perimeter,
    stations.map((s) => s.top - s.planDistance + s.side),
  );
  return model.outline.segments.map((segment) => ({
    segment,
    place: (u, beyond, past = 0) => {
      const [x, y] = pointAt(segment, u);
      const [tx, ty] = tangentAt(segment, u);
      const at = (distanceAlong(model.board, [x, y]) - start + model.perimeter) % model.perimeter;
      const out = growAt(at) + beyond;
      return [x + tx * past + ty * out, y + ty * past - tx * out];
    },
  }));
}

/** How an edge lies on the blank, stretch by stretch. */
function stretchesAlong(model: WrapModel, stations: readonly StationWrap[], edge: EdgePart): PlaceBeside[] {
  return stretchesOf(model, stations)
    .filter(({ segment }) => samePart(segment.edge, edge))
    .map(({ place }) => place);
}

/**
 * Cuts an outline of the blank back along every edge on which the cloth ends in sight.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param line an outline of the blank, before shrinkage
 * @param beyond how far beyond the fold it may go, mm
 */
export function endedAt(model: WrapModel, stations: readonly StationWrap[], line: Polygon, beyond: (end: CoverEnd) => number): Polygon {
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
  model: WrapModel,
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

type Region = { x: number; y: number }[];

const region = (points: readonly Point[]): Region => points.map(([x, y]) => ({ x, y }));
const EVENLY = Array.from({ length: STEPS + 1 }, (_, k) => k / STEPS);

/** What lies beside a stretch between two distances from the board's lower edge; past its ends by so much at either. */
function beside(place: PlaceBeside, [near, far]: readonly [number, number], [before, after]: readonly [number, number]): Region {
  const line = (beyond: number): Point[] => [
    ...(before > 0 ? [place(0, beyond, -before)] : []),
    ...EVENLY.map((u) => place(u, beyond)),
    ...(after > 0 ? [place(1, beyond, after)] : []),
  ];
  return region([...line(near), ...line(far).reverse()]);
}

/** How the edge bends from one stretch to the next, radians: + at a corner that stands out. */
function bend(before: Segment, after: Segment): number {
  const [a, b] = [tangentAt(before, 1), tangentAt(after, 0)];
  return Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
}

/** A bend smaller than this is no corner that cloth is brought round, radians: the next edge keeps its own. */
const LEAST_BEND = 0.5;

/**
 * The stretches round the corner at one end of a stretch, where that corner stands out: the rounding, and the edge beyond it.
 *
 * @returns null at an inside corner, and where an edge goes all the way round
 */
function roundTheCorner(stretches: readonly Stretch[], stretch: Stretch, step: 1 | -1): Stretch[] | null {
  const n = stretches.length;
  const at = (k: number): Stretch => stretches[(stretches.indexOf(stretch) + k * step + 2 * n) % n]!;
  const next = at(1);
  if (next === stretch) return null;
  if (next.segment.kind === 'arc' && next.segment.edge.kind === 'corner') return next.segment.sweep > LEAST_BEND ? [next, at(2)] : null;
  const turn = step > 0 ? bend(stretch.segment, next.segment) : bend(next.segment, stretch.segment);
  return turn > LEAST_BEND ? [next] : null;
}

/**
 * Cuts an outline back along some edges: straight on past a corner that stands out, as what the sides bring round it ends on the same
 * line; never into the cloth of another edge.
 */
function cutBack(
  model: WrapModel,
  stations: readonly StationWrap[],
  line: Polygon,
  edges: readonly { edge: EdgePart; up: number; by: number }[],
): Polygon {
  if (edges.length === 0) return line;
  const stretches = stretchesOf(model, stations);
  const under = Math.max(...stations.map((s) => clothOut(model, s) - s.side), clothUnder(model));
  const past = Math.max(...stations.map((s) => s.top - s.planDistance + s.side + clothUnder(model)), 0) + CLEAR;
  const strips = edges.flatMap(({ edge, up, by }) => {
    const along = stretches.filter(({ segment }) => samePart(segment.edge, edge));
    // A notch that takes all of an edge leaves nothing of it to be cut back.
    if (along.length === 0) return [];
    const [before, after] = [roundTheCorner(stretches, along[0]!, -1), roundTheCorner(stretches, along.at(-1)!, 1)];
    const cut = along.map(({ place }, k) =>
      beside(place, [by - up, under + CLEAR], [before && k === 0 ? past : 0, after && k === along.length - 1 ? past : 0]),
    );
    const cutFree = new Set([...along, ...(before ?? []), ...(after ?? [])]);
    const others = stretches.filter((other) => !cutFree.has(other)).map(({ place }) => beside(place, [-CLEAR, under + CLEAR / 2], [0, 0]));
    return others.length === 0 ? cut : differenceD(cut, others, FillRule.NonZero, PLACES);
  });
  const left = differenceD([region(line)], strips, FillRule.NonZero, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }) => [x, y] as const),
  );
  const largest = left[greatestOf(left.length, (i) => Math.abs(polygonArea(left[i]!)))];
  if (!largest) return line;
  // Beside a rounded inside corner the cloth of two edges hardly crosses, and leaves a sliver.
  return withoutSpikes(polygonArea(largest) < 0 ? [...largest].reverse() : largest);
}

/** The lines along which the cloth is turned under, from corner to corner of each such edge, before shrinkage. */
export function foldLines(model: WrapModel, stations: readonly StationWrap[]): Point[][] {
  return endedEdges(model).flatMap((ended) =>
    stretchesAlong(model, stations, ended.edge).map((place) => EVENLY.map((u) => place(u, -ended.end.up))),
  );
}

/** Length of each edge on which the cloth ends in sight, mm. */
export function endedLengths(model: WrapModel): (Ended & { length: number })[] {
  return endedEdges(model).map((ended) => ({ ...ended, length: edgeLength(model.outline, ended.edge) }));
}
