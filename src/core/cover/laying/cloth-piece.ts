import { FillRule, unionD } from 'clipper2-ts';
import type { StrainSummary } from '../../flattening';
import { bounds, crossesItself, polygonArea, withoutSpikes, type Point, type Polygon } from '../../outline';
import { greatestOf } from '../../ties';

/** A flat piece to cut: x to the right, y to the back; the grain runs along y. Lengths mm, areas mm². */
export type FlatPiece = { name: string; count: number; width: number; height: number; area: number; outline: Polygon };

/** A piece that is not a cover, with what it is cut from and the row behind the board that holds it; none where it is only laid in. */
export type LiningPiece = FlatPiece & {
  material: string;
  row: 'liner' | 'waterproof' | 'film' | 'over-all' | 'dust' | null;
  /** it goes right round a loose pad */ wraps?: true;
};

/** What happens along one edge of a piece. */
export type EdgeKind = 'seam' | 'join' | 'staple' | 'turn' | 'dart' | 'zip';

/** One edge of a piece: where it runs on the sewn line, how long it is cut and how long it must be once sewn. */
export type PieceEdge = {
  id: string;
  kind: EdgeKind;
  /** the seam it belongs to: its partners carry the same name */
  seam: string | null;
  /** number of its first point on the sewn line, and how many sides of it belong to the edge */
  from: number;
  sides: number;
  /** beyond the sewn line, mm */
  allowance: number;
  /** as it lies flat, and as it lies on the piece */
  flat: number;
  sewn: number;
};

/** A snip into the allowance that meets its partner's. */
export type Notch = { x: number; y: number; label: string; edge: string };

/** A line drawn on the cloth. */
export type PieceLine = {
  kind: 'staple' | 'trim' | 'stitch' | 'fold' | 'nail' | 'cut' | 'top-stitch' | 'pull';
  points: Point[];
  closed: boolean;
};

/** A mark on the cloth: a centre, a button, where the motif lies. */
export type PieceMark = { kind: 'centre' | 'button' | 'motif' | 'match'; x: number; y: number; label: string };

/** A cloth piece and everything drawn on it. */
export type CoverPiece = FlatPiece & {
  id: string;
  role: 'cover' | 'top' | 'band' | 'border' | 'side' | 'nose' | 'tail' | 'bottom' | 'zip' | 'fly' | 'pull' | 'loose';
  /** cut from the cover's own cloth, from the piece's second one, or from plain lining cloth */
  cloth: 'cover' | 'second' | 'lining';
  grain: 'depth';
  hand: 'left' | 'right' | null;
  /** ends of the two centre lines on the cloth's edge: front, right, back, left */
  centreMarks: Point[];
  /** where the cloth is trimmed once it is stapled */
  trimLine: Polygon;
  /** where the staples go, laid flat */
  stapleLine: Polygon;
  /** the finished line: where it is sewn, stapled or turned */
  sewn: Polygon;
  edges: PieceEdge[];
  notches: Notch[];
  lines: PieceLine[];
  marks: PieceMark[];
  strain: StrainSummary | null;
  /** cut so many times as long, as its cloth shrinks or its seams take some of it up; 1 where nothing does */
  longer: number;
  /** area inside the sewn line, flat; and of the surface that it covers */
  net: number;
  surface: number;
  /** where the motif's point lies on the piece, or null */
  motif: { x: number; y: number } | null;
  note: string;
  /** the part as it is cut once it is quilted, where it is cut rough first; null where it is cut once */
  template: CoverPiece | null;
};

/** An outline's figures. */
export function flatPiece(name: string, count: number, outline: Polygon): FlatPiece {
  const box = bounds(outline);
  return { name, count, width: box.width, height: box.height, area: Math.abs(polygonArea(outline)), outline };
}

/** Two neighbouring sides whose directions differ by less than this count as one line (cosine). */
const STRAIGHT = 0.97;
/** A mitre reaches no farther than this many allowances. */
const LONGEST_MITRE = 4;

/**
 * Adds to every side of a sewn line its own allowance. Sides of unlike allowance meet where their cut lines cross.
 *
 * @param sewn closed, counter-clockwise
 * @param allowance mm for each side, from its point to the next
 */
export function withAllowances(sewn: Polygon, allowance: readonly number[]): Polygon {
  const n = sewn.length;
  const normals = sewn.map((a, i): Point => {
    const b = sewn[(i + 1) % n]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    return [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
  });
  const corners = sewn.map((p, i): Point[] => {
    const before = (i + n - 1) % n;
    const [na, nb] = [normals[before]!, normals[i]!];
    const [a, b] = [allowance[before]!, allowance[i]!];
    const dot = na[0] * nb[0] + na[1] * nb[1];
    const offsetEnds: Point[] = [
      [p[0] + na[0] * a, p[1] + na[1] * a],
      [p[0] + nb[0] * b, p[1] + nb[1] * b],
    ];
    if (dot > STRAIGHT && Math.abs(a - b) > 1e-9) return offsetEnds;
    const cross = na[0] * nb[1] - na[1] * nb[0];
    const meet: Point =
      Math.abs(cross) < 1e-6 ? offsetEnds[0]! : [p[0] + (a * nb[1] - b * na[1]) / cross, p[1] + (b * na[0] - a * nb[0]) / cross];
    const far = Math.hypot(meet[0] - p[0], meet[1] - p[1]);
    return far > LONGEST_MITRE * Math.max(a, b, 1) ? offsetEnds : [meet];
  });
  const grown = corners.flat();
  // A side that is shorter than what the corners at its ends take of it comes out backwards.
  const turnsBack = normals.some(([nx, ny], i) => {
    const [from, to] = [corners[i]!.at(-1)!, corners[(i + 1) % n]![0]!];
    return (to[0] - from[0]) * -ny + (to[1] - from[1]) * nx < -1e-6;
  });
  return turnsBack || crossesItself(grown) ? unionOfSides(sewn, normals, allowance, corners) : grown;
}

/** Decimal places that sides are joined in. */
const PLACES = 4;

/** The same where moved sides would cross: the piece, what lies beyond each of its sides, and its corners, taken together. */
function unionOfSides(
  sewn: Polygon,
  normals: readonly Point[],
  allowance: readonly number[],
  corners: readonly (readonly Point[])[],
): Polygon {
  const n = sewn.length;
  const beyond = ([x, y]: Point, side: number): Point => [
    x + normals[side]![0] * allowance[side]!,
    y + normals[side]![1] * allowance[side]!,
  ];
  const standsOut = sewn.map((_, i) => {
    const before = (i + n - 1) % n;
    return normals[before]![0] * normals[i]![1] - normals[before]![1] * normals[i]![0] > 0;
  });
  const parts = sewn.flatMap((p, i): Polygon[] => {
    const k = (i + 1) % n;
    // Where a corner stands out, what lies beyond either side ends in it; in a hollow it runs on and lies on the other's.
    const from = standsOut[i] ? corners[i]!.at(-1)! : beyond(p, i);
    const to = standsOut[k] ? corners[k]![0]! : beyond(sewn[k]!, i);
    const side: Polygon = [p, from, to, sewn[k]!];
    return standsOut[i] && corners[i]!.length > 1 ? [side, [p, ...corners[i]!]] : [side];
  });
  const region = (points: Polygon): { x: number; y: number }[] => {
    const ring = points.map(([x, y]) => ({ x, y }));
    return polygonArea(points) < 0 ? ring.reverse() : ring;
  };
  const rings = unionD([sewn, ...parts].map(region), [], FillRule.NonZero, PLACES).map((ring): Polygon =>
    ring.map(({ x, y }): Point => [x, y]),
  );
  return withoutSpikes(rings[greatestOf(rings.length, (i) => polygonArea(rings[i]!))] ?? corners.flat());
}
