import { halvesOf, passageOf, type Half, type Model } from '../build';
import type { Place, Point } from '../outline';

/** The cover measured at one station, mm. `fromCentre` = top + wrap; wrap = side + return + grip. */
export type StationWrap = {
  id: string;
  edge: string;
  x: number;
  y: number;
  normalX: number;
  normalY: number;
  /** from the middle of the cut to where the side begins, along the cover */
  top: number;
  /** down to the board's lower edge */
  side: number;
  return: number;
  grip: number;
  wrap: number;
  /** from the middle of the cut to the edge of the cloth, along the cover */
  fromCentre: number;
  /** plan distance from the middle of the cut to the board's edge */
  planDistance: number;
  /** height of the covered top where the side begins, over the board's top face */
  edgeHeight: number;
  /** whether its section came to rest; figures of one that did not are not to be cut to */
  converged: boolean;
};

/** The middle must lie at least this share of the cut in from its far end. */
const LEAST_SHARE = 0.2;

/** A station with the half section through it, and its distances in plan. */
export type StationSection = { place: Place; point: Point; half: Half; toMiddle: number; start: number };

/**
 * Solves the half section at every station, in the cut square to the edge there: from the place in the cut that is
 * nearest the middle of the piece, over the top and down to the board's lower edge.
 *
 * @param model the built piece
 * @param [coarse=false] larger triangles, for a picture while something is dragged
 */
export function stationSections(model: Model, coarse = false): StationSection[] {
  return model.places.map((place) => {
    const inward = [-place.normal[0], -place.normal[1]] as const;
    const toMiddle = (model.middle[0] - place.point[0]) * inward[0] + (model.middle[1] - place.point[1]) * inward[1];
    const middle: Point = [place.point[0] + inward[0] * toMiddle, place.point[1] + inward[1] * toMiddle];
    const passage = passageOf(model, middle, place.normal, toMiddle - 1)!;
    const [left, right] = passage.run;
    // Where a strong taper puts the place nearest the middle off this cut, the cut's own middle is measured from.
    const margin = (right - left) * LEAST_SHARE;
    const start = left + margin <= 0 && right - margin >= 0 ? 0 : (left + right) / 2;
    return { place, point: place.point, half: halvesOf(model, passage, start, [1], coarse)[0]!, toMiddle, start };
  });
}

/**
 * Measures the cover at a station.
 *
 * @param model the built piece
 * @param station from `stationSections`
 */
export function wrapAt(model: Model, { place, half, toMiddle, start }: StationSection): StationWrap {
  const { top } = half;
  const side = half.length - top;
  const returnUnder = model.rule('return');
  const grip = model.rule('grip');
  const wrap = side + returnUnder + grip;
  return {
    id: place.id,
    edge: place.edge,
    x: place.point[0],
    y: place.point[1],
    normalX: place.normal[0],
    normalY: place.normal[1],
    top,
    side,
    return: returnUnder,
    grip,
    wrap,
    fromCentre: top + wrap,
    planDistance: toMiddle - start,
    edgeHeight: heightAtLength(half.cover, top) - half.stack.edge.top,
    converged: half.pulled.converged,
  };
}

/** Height of a line at a length along it. */
function heightAtLength(line: readonly Point[], length: number): number {
  let s = 0;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const step = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (s + step >= length - 1e-9 && step > 0) return a[1] + ((b[1] - a[1]) * (length - s)) / step;
    s += step;
  }
  return line.at(-1)![1];
}
