import type { StationSection } from '../../padding';
import type { WrapModel } from '../reads';
import { samePart, type EdgePart, type Point } from '../../outline';
import type { CoverEnd } from '../../piece';
import { choicesOf } from '../choices';
import { endedEdges, shortAt } from './ends-in-sight';

/** The cover measured at one station, mm. `fromCentre` = top + wrap; wrap = side + return + grip. */
export type StationWrap = {
  id: string;
  /** which part of the edge it lies on, and what that is called */
  part: EdgePart;
  edge: string;
  x: number;
  y: number;
  /** the bend of the edge here if this is a corner, radians; 0 elsewhere */
  turn: number;
  normalX: number;
  normalY: number;
  /** from the middle of the cut to where the side begins, along the cover */
  top: number;
  /** down to the board's lower edge */
  side: number;
  /** it ends in sight here: `return` is back up to its fold, `grip` what is turned under */
  ends: boolean;
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

/**
 * Measures the cover at a station.
 *
 * @param model the built piece
 * @param station from `stationSections`
 */
export function wrapAt(model: WrapModel, { place, half, toMiddle, start }: StationSection): StationWrap {
  const { top } = half;
  const side = half.length - top + backingRound(model);
  // Where it ends in sight it does not go under the board: back up to its fold, and what is turned under.
  const end = endOf(model, place.part);
  const returnUnder = end ? -end.up : model.rule('return');
  const grip = end ? end.turn : gripAt(model, place.part);
  const wrap = side + returnUnder + grip;
  return {
    id: place.id,
    part: place.part,
    edge: place.edge,
    x: place.point[0],
    y: place.point[1],
    turn: place.turn,
    ends: end !== null,
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

/** How much cloth there is to hold beyond the staples on a part of the edge: less where it is cut short. */
function gripAt({ piece, rule }: WrapModel, part: EdgePart): number {
  return rule('grip') - shortAt(piece, part, rule('grip'));
}

/** How the cover ends in sight on a part of the edge, where it does. */
function endOf(model: WrapModel, part: EdgePart): CoverEnd | null {
  return endedEdges(model).find(({ edge }) => samePart(edge, part))?.end ?? null;
}

/** A cover quilted on backed foam lies by its thickness farther out: round the edge that is a quarter turn of it, mm. */
function backingRound({ piece }: WrapModel): number {
  const { way, channels } = choicesOf(piece.covering);
  return way.pulled && channels ? (Math.PI / 2) * channels.backing : 0;
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
