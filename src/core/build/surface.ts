import { bounds, isInside, type Point } from '../outline';
import { upperHull } from './hull';
import type { Model } from './model';
import { freeHeight } from './pad-height';
import { heightAt, sectionAlong } from './section';

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

/** Just inside a rim: there the pad still has its height. */
const RIM = 0.01;

/**
 * Height, crown and edge radius of the covered piece, read off the cut from front to back through the middle.
 *
 * @param model the built piece
 */
export function surfaceOf(model: Model): Surface {
  const section = sectionAlong(model, [0, 0], [0, 1])!;
  const middle = heightAt(section.cover, 0) ?? 0;
  const free = freeHeight(model, [0, 0]);
  const widest = section.pads.reduce<(typeof section.pads)[number] | null>((a, b) => (a && a.right - a.left >= b.right - b.left ? a : b), null);
  if (!widest) return { model: 'taut-line', height: middle, freeCrown: 0, crown: 0, edgeRadius: model.wadding };
  const rimFree = freeHeight(model, [0, -(Math.abs(widest.left) - RIM)]);
  const rimCovered = coveredRim(section.cover, section.top.left, model.wadding);
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

/** Height at which the top of a covered line starts, brought up to the wadding's own top where that rounds it. */
function coveredRim(cover: readonly Point[], topStart: number, wadding: number): number {
  let s = 0;
  for (let i = 1; i < cover.length; i++) {
    const [a, b] = [cover[i - 1]!, cover[i]!];
    if (s >= topStart - 1e-9) return a[1] + wadding * (1 - Math.SQRT1_2);
    s += Math.hypot(b[0] - a[0], b[1] - a[1]);
  }
  return 0;
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
 * The covered height over the whole plan for contour lines: the free height with every hollow bridged along rows,
 * columns and both diagonals, so that it agrees with the taut line of a cut along any of them.
 *
 * @param model the built piece
 * @param [size=72] cells along the longer side
 */
export function coveredGrid(model: Model, size = 72): HeightGrid {
  const outermost = model.pads.reduce((best, built) => (built.offset > best.offset ? built : best), model.pads[0]!);
  const polygon = outermost?.polygon ?? model.board;
  const box = bounds(polygon);
  const step = Math.max(box.width, box.height) / size;
  const columns = Math.floor(box.width / step) + 1;
  const rows = Math.floor(box.height / step) + 1;
  const x0 = (box.minX + box.maxX - (columns - 1) * step) / 2;
  const y0 = (box.minY + box.maxY - (rows - 1) * step) / 2;
  const free = new Float64Array(columns * rows).fill(NaN);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at: Point = [x0 + column * step, y0 + row * step];
      if (isInside(polygon, at)) free[row * columns + column] = freeHeight(model, at) + model.wadding;
    }
  }
  const heights = Float64Array.from(free);
  const bridge = (cells: number[]): void => {
    const points = cells.map((cell, i): [number, number] => [i, free[cell]!]).filter(([, z]) => !Number.isNaN(z));
    const hull = upperHull(points);
    let k = 0;
    for (const [i] of points) {
      while (k + 1 < hull.length - 1 && hull[k + 1]![0] < i) k += 1;
      const a = hull[k]!;
      const b = hull[Math.min(k + 1, hull.length - 1)]!;
      const z = b[0] === a[0] ? a[1] : a[1] + ((b[1] - a[1]) * (i - a[0])) / (b[0] - a[0]);
      const cell = cells[i]!;
      heights[cell] = Math.max(heights[cell]!, z);
    }
  };
  const lines: number[][] = [];
  for (let row = 0; row < rows; row++) lines.push(Array.from({ length: columns }, (_, c) => row * columns + c));
  for (let column = 0; column < columns; column++) lines.push(Array.from({ length: rows }, (_, r) => r * columns + column));
  for (let d = 0; d < rows + columns - 1; d++) {
    const falling: number[] = [];
    const rising: number[] = [];
    for (let row = 0; row < rows; row++) {
      const a = d - row;
      if (a >= 0 && a < columns) {
        falling.push(row * columns + a);
        rising.push(row * columns + (columns - 1 - a));
      }
    }
    lines.push(falling, rising);
  }
  lines.filter((line) => line.length > 2).forEach(bridge);
  return { x0, y0, step, columns, rows, heights };
}
