import type { Point, Polygon } from '../../outline';
import { flatPiece, type CoverPiece } from '../laying/cloth-piece';

/** A straight strip to cut. Lengths mm, as cut. */
export type StripSpec = Pick<CoverPiece, 'id' | 'name' | 'role' | 'cloth' | 'count' | 'width' | 'height' | 'note'> & {
  /** the seam that its upper edge is sewn into, and what it is sewn beyond */
  seam: { id: string; allowance: number } | null;
  /** allowance at either end, where it is closed to a ring, mm */
  ends?: number;
};

/** A plain strip of cloth: a fly, a pull. */
export function stripPiece({ id, name, role, cloth, count, width, height, note, seam, ends = 0 }: StripSpec): CoverPiece {
  const outline: Polygon = [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ];
  return {
    ...flatPiece(name, count, outline),
    id,
    role,
    cloth,
    grain: 'depth',
    hand: null,
    centreMarks: [
      [0, -height / 2],
      [width / 2, 0],
      [0, height / 2],
      [-width / 2, 0],
    ],
    trimLine: outline,
    stapleLine: [],
    sewn: outline.map(([x, y]): Point => [x - Math.sign(x) * ends, y > 0 ? y - (seam?.allowance ?? 0) : y]),
    edges: seam
      ? [
          {
            id: 'upper',
            kind: 'seam',
            seam: seam.id,
            from: 2,
            sides: 1,
            allowance: seam.allowance,
            flat: width - 2 * ends,
            sewn: width - 2 * ends,
          },
        ]
      : [],
    notches: [],
    lines: [],
    marks: [],
    strain: null,
    net: 0,
    surface: 0,
    motif: null,
    note,
  };
}
