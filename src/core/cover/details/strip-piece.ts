import type { Point, Polygon } from '../../outline';
import { flatPiece, type CoverPiece } from '../laying/cloth-piece';

/** A straight strip to cut. Lengths mm, as cut. */
export type StripSpec = Pick<CoverPiece, 'id' | 'name' | 'role' | 'cloth' | 'count' | 'width' | 'height' | 'note'> & {
  /** the seam that its upper edge is sewn into, and what it is sewn beyond */
  seam: { id: string; allowance: number } | null;
  /** allowance at either end, where it is closed to a ring, mm */
  ends?: number;
};

/** What a plain piece is called and cut from. */
type PlainSpec = Pick<CoverPiece, 'id' | 'name' | 'role' | 'cloth' | 'count' | 'note'> & {
  outline: Polygon;
  sewn: Polygon;
  edges?: CoverPiece['edges'];
};

/** A piece that lies on no surface: nothing is notched or marked on it but its middles, and nothing is stapled. */
export function plainPiece({ id, name, role, cloth, count, note, outline, sewn, edges = [] }: PlainSpec): CoverPiece {
  const flat = flatPiece(name, count, outline);
  const [w, h] = [flat.width / 2, flat.height / 2];
  return {
    ...flat,
    id,
    role,
    cloth,
    grain: 'depth',
    hand: null,
    centreMarks: [
      [0, -h],
      [w, 0],
      [0, h],
      [-w, 0],
    ],
    trimLine: outline,
    stapleLine: [],
    sewn,
    edges,
    notches: [],
    lines: [],
    marks: [],
    strain: null,
    template: null,
    longer: 1,
    net: 0,
    surface: 0,
    motif: null,
    note,
  };
}

/** A plain strip of cloth: a fly, a pull. */
export function stripPiece({ width, height, seam, ends = 0, ...item }: StripSpec): CoverPiece {
  const outline: Polygon = [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ];
  const length = width - 2 * ends;
  return plainPiece({
    ...item,
    outline,
    sewn: outline.map(([x, y]): Point => [x - Math.sign(x) * ends, y > 0 ? y - (seam?.allowance ?? 0) : y]),
    edges: seam
      ? [{ id: 'upper', kind: 'seam', seam: seam.id, from: 2, sides: 1, allowance: seam.allowance, flat: length, sewn: length }]
      : [],
  });
}
