import { lineCrossings, type Point } from '../outline';
import type { ChalkLine } from '../piece';
import type { BuiltPad, Model } from './model';
import { thicknessWithin } from './pad-height';
import { pathLength, steepEnds, tautLine } from './taut-line';

/** One pad in a cut: where it lies, x along the cut, z over the board's top face. */
export type PadCut = { id: string; left: number; right: number; lower: Point[]; upper: Point[] };

/** A vertical cut through the piece along a line in the plan. */
export type Section = {
  origin: Point;
  direction: Point;
  board: { left: number; right: number; thickness: number };
  /** the board's top face, left to right */
  base: Point[];
  pads: PadCut[];
  /** covered line, left staple line to right staple line */
  cover: Point[];
  /** the line under the wadding, and the wadding's outer face */
  bare: Point[];
  wadding: Point[];
  /** lengths along the covered line at which the top begins and ends */
  top: { left: number; right: number };
  length: number;
};

/** Distance between two samples of a curved pad in a cut, mm; an arc's length is then true to 0.01 mm. */
const SAMPLE = 2.5;

/** How much the board's overhang under a slanting cut grows: the return is measured square to the edge. */
function alongCut(model: Model, at: Point, direction: Point, squareLength: number): number {
  let best = model.places[0]!;
  let nearest = Infinity;
  for (const place of model.places) {
    const d = (place.point[0] - at[0]) ** 2 + (place.point[1] - at[1]) ** 2;
    if (d < nearest) [nearest, best] = [d, place];
  }
  const square = Math.abs(best.normal[0] * direction[0] + best.normal[1] * direction[1]);
  // A cut nearly along an edge would need an endless return; three times the square one is drawn at most.
  return squareLength / Math.max(square, 1 / 3);
}

function samples(built: BuiltPad[], ends: [number, number][], from: number, to: number, sample: number): number[] {
  const xs = new Set<number>();
  ends.forEach(([left, right], i) => {
    xs.add(left);
    xs.add(right);
    const edge = built[i]!.pad.edge;
    if (edge.kind === 'feathered') {
      xs.add(Math.min(right, left + edge.width));
      xs.add(Math.max(left, right - edge.width));
    }
  });
  const steps = Math.max(2, 2 * Math.ceil((to - from) / sample / 2));
  for (let k = 0; k <= steps; k++) xs.add(from + ((to - from) * k) / steps);
  return [...xs].sort((a, b) => a - b);
}

/** The stretch of a cut that holds a place, or the nearest one. */
function runAt(crossings: readonly number[], near: number): [number, number] | null {
  let best: [number, number] | null = null;
  let nearest = Infinity;
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const run: [number, number] = [crossings[i]!, crossings[i + 1]!];
    const away = Math.max(run[0] - near, near - run[1], 0);
    if (away < nearest - 1e-9) [best, nearest] = [run, away];
  }
  return best;
}

/** The stretch of a pad that lies over a stretch of the board: the one they share most of. */
function overlapping(crossings: readonly number[], [left, right]: readonly [number, number]): [number, number] | null {
  let best: [number, number] | null = null;
  let most = 0;
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const shared = Math.min(right, crossings[i + 1]!) - Math.max(left, crossings[i]!);
    if (shared > most) [best, most] = [[crossings[i]!, crossings[i + 1]!], shared];
  }
  return best;
}

/**
 * Cuts the piece along a straight line in the plan and lays the taut cover over what the cut shows. Where the line
 * passes over the board more than once, one passage is cut.
 *
 * @param model the built piece
 * @param origin a plan point on the cut, x = 0 of the section
 * @param direction unit vector along the cut
 * @param [options.sample=2.5] distance between places looked at, mm
 * @param [options.near=0] the x that chooses the passage
 * @returns the section, or null when the line misses the board
 */
export function sectionAlong(
  model: Model,
  origin: Point,
  direction: Point,
  options: { sample?: number; near?: number } = {},
): Section | null {
  const sample = options.sample ?? SAMPLE;
  const run = runAt(lineCrossings(model.board, origin, direction), options.near ?? 0);
  if (!run || run[1] - run[0] < 1e-6) return null;
  const at = (x: number): Point => [origin[0] + direction[0] * x, origin[1] + direction[1] * x];
  const board = { left: run[0], right: run[1], thickness: model.boardThickness };
  const cutPads = model.pads.flatMap((built) => {
    const ends = overlapping(lineCrossings(built.polygon, origin, direction), run);
    return ends && ends[1] - ends[0] > 1e-6 ? [{ built, ends }] : [];
  });
  const from = Math.min(board.left, ...cutPads.map((c) => c.ends[0]));
  const to = Math.max(board.right, ...cutPads.map((c) => c.ends[1]));
  const xs = samples(
    cutPads.map((c) => c.built),
    cutPads.map((c) => c.ends),
    from,
    to,
    sample,
  );
  const level = (x: number): number => model.baseHeight(...at(x));
  const height = new Map(xs.map((x) => [x, level(x)]));
  const base = [board.left, ...xs.filter((x) => x > board.left && x < board.right), board.right].map((x): Point => [x, level(x)]);
  const stack: Point[] = [...base];
  const pads = cutPads.map(({ built, ends: [left, right] }): PadCut => {
    const own = xs.filter((x) => x >= left && x <= right);
    const lower = own.map((x): Point => [x, height.get(x)!]);
    for (const x of own) {
      // The very rim of a square pad is still its full height.
      const inside = Math.min(Math.max(x, left + 1e-6), right - 1e-6);
      height.set(x, height.get(x)! + thicknessWithin(built, at(inside), model.middle));
    }
    const upper = own.map((x): Point => [x, height.get(x)!]);
    stack.push(lower[0]!, lower.at(-1)!, ...upper);
    return { id: built.pad.id, left, right, lower, upper };
  });
  const squareReturn = model.rule('return');
  const line = tautLine(
    stack,
    { ...board, leftZ: level(board.left), rightZ: level(board.right) },
    {
      left: Math.min(alongCut(model, at(board.left), direction, squareReturn), (board.right - board.left) * 0.49),
      right: Math.min(alongCut(model, at(board.right), direction, squareReturn), (board.right - board.left) * 0.49),
    },
    { thickness: model.wadding, reach: model.rule('waddingBeyond') },
  );
  return {
    origin,
    direction,
    board,
    base,
    pads,
    cover: line.points,
    bare: line.bare,
    wadding: line.wadding,
    top: steepEnds(line.points),
    length: pathLength(line.points),
  };
}

/**
 * The section under a chalk line.
 *
 * @param model the built piece
 * @param chalk a point and a bearing (radians)
 */
export function sectionAtChalk(model: Model, chalk: ChalkLine): Section | null {
  return sectionAlong(model, [chalk.x, chalk.y], [Math.cos(chalk.angle), Math.sin(chalk.angle)]);
}

/** Height of a line over its x, or null outside it; for a covered line only its top counts. */
export function heightAt(line: readonly Point[], x: number): number | null {
  let best: number | null = null;
  for (let i = 1; i < line.length; i++) {
    const [x0, z0] = line[i - 1]!;
    const [x1, z1] = line[i]!;
    if (x < Math.min(x0, x1) || x > Math.max(x0, x1)) continue;
    const z = x1 === x0 ? Math.max(z0, z1) : z0 + ((z1 - z0) * (x - x0)) / (x1 - x0);
    best = best === null ? z : Math.max(best, z);
  }
  return best;
}

/** Length along a line from its start to where its top passes over x, mm. */
export function lengthTo(line: readonly Point[], x: number): number {
  let s = 0;
  for (let i = 1; i < line.length; i++) {
    const [x0, z0] = line[i - 1]!;
    const [x1, z1] = line[i]!;
    const length = Math.hypot(x1 - x0, z1 - z0);
    if (x1 > x0 && x >= x0 && x <= x1 && Math.abs(z1 - z0) <= (x1 - x0) * (1 + 1e-9)) return s + (length * (x - x0)) / (x1 - x0);
    s += length;
  }
  return s / 2;
}
