import { bounds, lineCrossings, type Point } from '../outline';
import type { Model } from './model';
import { freeHeight } from './pad-height';
import { heightAt, sectionAlong, type Section } from './section';

/** What is said of the whole covered surface. Heights are over the board's top face, mm. */
export type Surface = {
  model: 'taut-line';
  /** the middle of the finished cover */
  height: number;
  /** rise of the middle over the pad's rim before covering */
  freeCrown: number;
  /** the same, covered */
  crown: number;
  /** (shortest distance from the covered line to the pad's square corner) ÷ (√2 − 1) */
  edgeRadius: number;
};

/** Heights on a square grid, row by row from the front left; NaN off the piece. */
export type HeightGrid = { x0: number; y0: number; step: number; columns: number; rows: number; heights: Float64Array };

/** Contour lines need no finer look along a cut than this, mm. */
const COARSE = 12;

/** Just inside a rim: there the pad still has its height. */
const RIM = 0.01;

/**
 * Height, crown and edge radius of the covered piece, read off the cut from front to back through the middle.
 *
 * @param model the built piece
 */
export function surfaceOf(model: Model): Surface {
  const { middle: origin } = model;
  const section = sectionAlong(model, origin, [0, 1])!;
  const level = (y: number): number => model.baseHeight(origin[0], origin[1] + y);
  const middle = (heightAt(section.cover, 0) ?? 0) - level(0);
  const free = freeHeight(model, origin);
  const widest = section.pads.reduce<(typeof section.pads)[number] | null>(
    (a, b) => (a && a.right - a.left >= b.right - b.left ? a : b),
    null,
  );
  if (!widest) return { model: 'taut-line', height: middle, freeCrown: 0, crown: 0, edgeRadius: model.wadding };
  const rimFree = freeHeight(model, [origin[0], origin[1] - (Math.abs(widest.left) - RIM)]);
  // Straight over the foam's rim: there a rounded wadding still stands at its full thickness.
  const rimHeight = heightAt(section.cover, widest.left + RIM);
  const rimCovered = rimHeight === null ? middle : rimHeight - level(widest.left);
  const corner: Point = [widest.left, widest.upper[0]![1]];
  // A wadding lies outside the foam: its own corner is the one the cover would square up to.
  const square: Point = [corner[0] - model.wadding, corner[1] + model.wadding];
  return {
    model: 'taut-line',
    height: middle,
    freeCrown: free - rimFree,
    crown: middle - rimCovered,
    edgeRadius: distanceToLine(section.cover, square) / (Math.SQRT2 - 1),
  };
}

function distanceToLine(line: readonly Point[], [x, z]: Point): number {
  let best = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [ax, az] = line[i - 1]!;
    const [bx, bz] = line[i]!;
    const dx = bx - ax;
    const dz = bz - az;
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (z - az) * dz) / (dx * dx + dz * dz || 1)));
    best = Math.min(best, Math.hypot(ax + t * dx - x, az + t * dz - z));
  }
  return best;
}

/**
 * The covered height over the whole plan for contour lines: at each place the higher of the taut lines of the cut
 * from side to side and the cut from front to back, so that it agrees with the section along either.
 *
 * @param model the built piece
 * @param [size=56] cells along the longer side
 */
export function coveredGrid(model: Model, size = 56): HeightGrid {
  const outermost = model.pads.reduce((best, built) => (built.offset > best.offset ? built : best), model.pads[0]!);
  const polygon = outermost?.polygon ?? model.board;
  const box = bounds(polygon);
  const step = Math.max(box.width, box.height) / size;
  const columns = Math.floor(box.width / step) + 1;
  const rows = Math.floor(box.height / step) + 1;
  const x0 = (box.minX + box.maxX - (columns - 1) * step) / 2;
  const y0 = (box.minY + box.maxY - (rows - 1) * step) / 2;
  const heights = new Float64Array(columns * rows).fill(NaN);
  const raise = (cell: number, z: number | null): void => {
    if (z !== null && !(heights[cell]! >= z)) heights[cell] = z;
  };
  // Every passage of a line over the board is cut: a piece that bends round a corner is crossed twice.
  const passages = (origin: Point, direction: Point): Section[] => {
    const crossings = lineCrossings(model.board, origin, direction);
    return crossings.flatMap((from, i) => {
      const found =
        i % 2 === 0 && i + 1 < crossings.length
          ? sectionAlong(model, origin, direction, { sample: COARSE, near: (from + crossings[i + 1]!) / 2 })
          : null;
      return found ? [found] : [];
    });
  };
  for (let row = 0; row < rows; row++) {
    for (const section of passages([0, y0 + row * step], [1, 0]))
      heightsAlong(section, x0, step, columns).forEach((z, column) => raise(row * columns + column, z));
  }
  for (let column = 0; column < columns; column++) {
    for (const section of passages([x0 + column * step, 0], [0, 1]))
      heightsAlong(section, y0, step, rows).forEach((z, row) => raise(row * columns + column, z));
  }
  return { x0, y0, step, columns, rows, heights };
}

/** Heights of a covered line at even places, in one walk along it; null where it does not pass over. */
function heightsAlong({ cover: line, board, base }: Section, from: number, step: number, count: number): (number | null)[] {
  // Whatever runs below the board's own edge is side or return, not top.
  const floor = Math.min(base[0]![1], base.at(-1)![1]) - board.thickness * 0.5;
  const found: (number | null)[] = Array.from({ length: count }, () => null);
  for (let i = 1; i < line.length; i++) {
    const [xa, za] = line[i - 1]!;
    const [xb, zb] = line[i]!;
    if (xb <= xa || za < floor || zb < floor) continue;
    for (let k = Math.max(0, Math.ceil((xa - from) / step)); k < count && from + k * step <= xb; k++) {
      found[k] = za + ((zb - za) * (from + k * step - xa)) / (xb - xa);
    }
  }
  return found;
}

/**
 * The board's own top face on a square grid over its whole surrounding rectangle.
 *
 * @param model the built piece
 * @param [size=24] cells along the longer side
 */
export function baseGrid(model: Model, size = 24): HeightGrid {
  const box = bounds(model.board);
  const step = Math.max(box.width, box.height) / size;
  const columns = Math.ceil(box.width / step) + 1;
  const rows = Math.ceil(box.height / step) + 1;
  const heights = Float64Array.from({ length: columns * rows }, (_, i) =>
    model.baseHeight(box.minX + (i % columns) * step, box.minY + Math.floor(i / columns) * step),
  );
  return { x0: box.minX, y0: box.minY, step, columns, rows, heights };
}
