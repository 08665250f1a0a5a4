import { bounds, type Point, type Polygon } from '../outline';
import { TIE } from '../ties';

/** PDF points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;

/** Paper sizes, mm. A roll is as long as what is on it. */
export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
  roll: { name: 'Roll, 610 mm', width: 610, height: Infinity },
} as const;
export type Paper = keyof typeof PAPERS;
/** Whether there is such a paper. */
export const isPaper = (paper: string): paper is Paper => paper in PAPERS;

/** Papers in the order in which they are offered. */
export const PAPER_IDS = Object.keys(PAPERS) as Paper[];

/** What words are printed on: off a roll, a sheet of A4 is cut. */
export const textPaper = (paper: Paper): { width: number; height: number } => (paper === 'roll' ? PAPERS.a4 : PAPERS[paper]);

/** Beyond this a roll is too long to be handled: the drawing goes on on another, mm. */
const LONGEST = 4000;

/** What a desk printer leaves bare, and how far neighbouring sheets lie over each other, mm. */
export const MARGIN = 12;
export const OVERLAP = 10;

/** One sheet of a template: its place in the grid and the corner of the drawing that it shows, mm. */
export type Tile = { column: number; row: number; x: number; y: number; width: number; height: number };

/** A line that must be on the sheets, mm. */
export type TiledLine = { outline: Polygon; closed: boolean };

/**
 * Covers a drawing with sheets of paper at full size, neighbours overlapping.
 *
 * @param lines everything that must be on the sheets
 * @param paper which paper
 * @param [marks] single places that must be
 * @returns the sheets row by row from the front left; sheets on which nothing lies are left out
 */
export function tiles(
  lines: readonly TiledLine[],
  paper: Paper,
  marks: readonly Point[] = [],
): { columns: number; rows: number; tiles: Tile[] } {
  const box = bounds([...lines.flatMap(({ outline }) => outline), ...marks]);
  const width = PAPERS[paper].width - 2 * MARGIN;
  const height = paper === 'roll' ? Math.min(LONGEST, Math.max(100, box.height)) : PAPERS[paper].height - 2 * MARGIN;
  const count = (size: number, sheet: number): number => Math.max(1, Math.ceil((size - OVERLAP) / (sheet - OVERLAP) - 1e-9));
  const columns = count(box.width, width);
  const rows = count(box.height, height);
  // What is over is shared out evenly, so that no sheet carries a sliver.
  const x0 = box.minX - (columns * (width - OVERLAP) + OVERLAP - box.width) / 2;
  const y0 = box.minY - (rows * (height - OVERLAP) + OVERLAP - box.height) / 2;
  const found: Tile[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const tile = { column, row, x: x0 + column * (width - OVERLAP), y: y0 + row * (height - OVERLAP), width, height };
      if (lines.some((line) => touches(line, tile)) || marks.some((mark) => clip(mark, mark, tile) !== null)) found.push(tile);
    }
  }
  return { columns, rows, tiles: found };
}

/** Whether any stretch of a line passes over a sheet. */
function touches({ outline, closed }: TiledLine, tile: Tile): boolean {
  const last = closed ? outline.length : outline.length - 1;
  return outline.slice(0, last).some((a, i) => clip(a, outline[(i + 1) % outline.length]!, tile) !== null);
}

/** How far inside a side of a sheet a place lies, mm: on the very edge it is on the sheet, whichever way its last bit was rounded. */
const onSheet = (inside: number): number => (Math.abs(inside) < TIE ? 0 : inside);

/**
 * The stretch of a straight line that lies on a sheet (Liang–Barsky), or null.
 *
 * @param a start, mm
 * @param b end, mm
 * @param tile the sheet
 */
export function clip(a: Point, b: Point, tile: Tile): [Point, Point] | null {
  const d = [b[0] - a[0], b[1] - a[1]] as const;
  let [t0, t1] = [0, 1];
  for (const [p, q] of [
    [-d[0], onSheet(a[0] - tile.x)],
    [d[0], onSheet(tile.x + tile.width - a[0])],
    [-d[1], onSheet(a[1] - tile.y)],
    [d[1], onSheet(tile.y + tile.height - a[1])],
  ] as const) {
    if (p === 0) {
      if (q < 0) return null;
      continue;
    }
    const t = q / p;
    if (p < 0) t0 = Math.max(t0, t);
    else t1 = Math.min(t1, t);
    if (t0 > t1) return null;
  }
  return [
    [a[0] + d[0] * t0, a[1] + d[1] * t0],
    [a[0] + d[0] * t1, a[1] + d[1] * t1],
  ];
}
