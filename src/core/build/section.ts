import { lineCrossings, type Point } from '../outline';
import type { ChalkLine } from '../piece';
import { lineLength, linePressure, overWadding, pullSection, type PulledSection, type StackCut } from '../pull';
import { freeLine } from './free-line';
import { halfCut } from './half-cut';
import type { Model } from './model';
import { pullStart } from './pull-start';
import { steepEnd } from './steep-end';

/** One pad in a cut before covering: where it lies, x along the cut, z over the reference plane. */
export type PadCut = { id: string; left: number; right: number; lower: Point[]; upper: Point[] };

/** One half of a cut under its pulled cover, from the middle outwards; x grows outwards. */
export type Half = {
  stack: StackCut;
  /** which pads of the piece its layers are */
  pads: number[];
  pulled: PulledSection;
  /** the cover's own line, from the middle to the board's lower edge */
  cover: Point[];
  wadding: Point[];
  /** length along the cover at which the top ends and the side begins */
  top: number;
  length: number;
  /** from the board's edge to the staple line, along this cut */
  under: number;
};

/** A vertical cut through the piece along a line in the plan, with the foam as the cover leaves it. */
export type Section = {
  origin: Point;
  direction: Point;
  board: { left: number; right: number; thickness: number };
  /** the board's top face, left to right */
  base: Point[];
  /** the pads before covering */
  pads: PadCut[];
  /** the pads as they lie under the cover: closed outlines */
  covered: { id: string; outline: Point[] }[];
  /** top of the stack before covering, left rim to right rim */
  free: Point[];
  /** covered line, left staple line to right staple line */
  cover: Point[];
  /** the line pulled over the foam, under any wadding; and the pressure on it, N/mm² */
  bare: Point[];
  pressure: number[];
  wadding: Point[];
  /** lengths along the covered line at which the top begins and ends */
  top: { left: number; right: number };
  length: number;
  /** mm of padding between the cover and the board's upper corner, left and right */
  buried: { left: number; right: number };
  converged: boolean;
};

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
  let most = 1e-6;
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const shared = Math.min(right, crossings[i + 1]!) - Math.max(left, crossings[i]!);
    if (shared > most) [best, most] = [[crossings[i]!, crossings[i + 1]!], shared];
  }
  return best;
}

/** A cut that hits the board: its passage over it, and where the pads lie on it. */
export type Passage = { origin: Point; direction: Point; run: [number, number]; pads: ([number, number] | null)[] };

/**
 * Finds where a line in the plan passes over the board and its pads. Where it passes more than once, one is taken.
 *
 * @param model the built piece
 * @param origin a plan point on the cut, x = 0
 * @param direction unit vector along the cut
 * @param [near=0] the x that chooses the passage
 * @returns null when the line misses the board
 */
export function passageOf(model: Model, origin: Point, direction: Point, near = 0): Passage | null {
  const run = runAt(lineCrossings(model.board, origin, direction), near);
  if (!run || run[1] - run[0] < 1e-6) return null;
  return { origin, direction, run, pads: model.pads.map((built) => overlapping(lineCrossings(built.polygon, origin, direction), run)) };
}

/**
 * Solves one or both halves of a cut.
 *
 * @param model the built piece
 * @param passage where the line passes
 * @param middle x at which the halves meet
 * @param sides which halves
 * @param [coarse=false] larger triangles
 */
export function halvesOf(model: Model, passage: Passage, middle: number, sides: readonly (1 | -1)[], coarse = false): Half[] {
  const { origin, direction, run, pads } = passage;
  const cut = (sign: 1 | -1): ReturnType<typeof halfCut> =>
    halfCut(model, { origin, direction }, middle, sign, sign > 0 ? run[1] : run[0], pads, coarse);
  const [right, left] = [cut(1), cut(-1)];
  const pull = model.pull;
  return sides.map((sign): Half => {
    const { stack, pads: which, element } = sign > 0 ? right : left;
    const start = pullStart(stack, (sign > 0 ? left : right).stack);
    const pulled = pullSection(stack, pull, start, element, coarse);
    const end = sign > 0 ? run[1] : run[0];
    const at: Point = [origin[0] + direction[0] * end, origin[1] + direction[1] * end];
    const under = Math.min(alongCut(model, at, direction, model.rule('return')), (run[1] - run[0]) * 0.49);
    let cover = pulled.line;
    let wadding: Point[] = [];
    if (model.wadding > 0) {
      const laid = overWadding(pulled.line, model.wadding, steepEnd(pulled.line) + model.rule('waddingBeyond'), pull);
      [cover, wadding] = [laid.cover, laid.face];
    }
    return { stack, pads: which, pulled, cover, wadding, top: steepEnd(cover), length: lineLength(cover), under };
  });
}

/**
 * Cuts the piece along a straight line in the plan and pulls the cover over what the cut shows.
 *
 * @param model the built piece
 * @param origin a plan point on the cut, x = 0 of the section
 * @param direction unit vector along the cut
 * @param [options.near=0] the x that chooses the passage where there are several
 * @param [options.coarse=false] larger triangles, for a picture while something is dragged
 * @returns the section, or null when the line misses the board
 */
export function sectionAlong(
  model: Model,
  origin: Point,
  direction: Point,
  options: { near?: number; coarse?: boolean } = {},
): Section | null {
  const passage = passageOf(model, origin, direction, options.near ?? 0);
  if (!passage) return null;
  const { run } = passage;
  const middle = (run[0] + run[1]) / 2;
  const [right, left] = halvesOf(model, passage, middle, [1, -1], options.coarse) as [Half, Half];
  // Both halves in the cut's own x: the left one is laid over from the other side.
  const place =
    (sign: 1 | -1) =>
    ([u, z]: Point): Point => [middle + sign * u, z];
  const join = (of: (half: Half) => readonly Point[]): Point[] => {
    const [l, r] = [of(left).map(place(-1)).reverse(), of(right).map(place(1))];
    const [a, b] = [l.at(-1), r[0]];
    if (!a || !b || Math.abs(a[0] - b[0]) > 1e-6) return [...l, ...r];
    // The halves were solved apart: where they meet the middle lies between them.
    return [...l.slice(0, -1), [a[0], (a[1] + b[1]) / 2], ...r.slice(1)];
  };
  const under = (half: Half, sign: 1 | -1): Point => place(sign)([half.stack.edge.x - half.under, half.stack.edge.bottom]);
  const cover = [under(left, -1), ...join((half) => half.cover), under(right, 1)];
  const profile = (half: Half): Point[] =>
    [...half.stack.x].map((u, i): Point => [u, half.stack.base[i]!]).filter(([u]) => u <= half.stack.edge.x + 1e-6);
  const bare = join((half) => half.pulled.line);
  const length = lineLength(cover);
  return {
    origin,
    direction,
    board: { left: run[0], right: run[1], thickness: model.boardThickness },
    base: join(profile),
    pads: model.pads.flatMap((built, k) => {
      const line = (side: 'lower' | 'upper') => (half: Half) => layerLine(half, k, side);
      const lower = join(line('lower'));
      return lower.length > 1 ? [{ id: built.pad.id, left: lower[0]![0], right: lower.at(-1)![0], lower, upper: join(line('upper')) }] : [];
    }),
    covered: model.pads.flatMap((built, k) => {
      const of = (part: 'lower' | 'upper' | 'rim') => (half: Half) => half.pulled.layers[half.pads.indexOf(k)]?.[part] ?? [];
      const upper = join(of('upper'));
      if (upper.length < 2) return [];
      const rims = [left, right].map(of('rim'));
      const outline = [...upper, ...rims[1]!.map(place(1)).reverse(), ...join(of('lower')).reverse(), ...rims[0]!.map(place(-1))];
      return [{ id: built.pad.id, outline }];
    }),
    free: join((half) => freeLine(half.stack)),
    cover,
    bare,
    pressure: linePressure(bare, model.pull),
    wadding: join((half) => half.wadding),
    top: { left: left.under + left.length - left.top, right: length - right.under - right.length + right.top },
    length,
    buried: { left: cornerGap(left), right: cornerGap(right) },
    converged: left.pulled.converged && right.pulled.converged,
  };
}

function layerLine(half: Half, pad: number, side: 'lower' | 'upper'): Point[] {
  const layer = half.stack.layers[half.pads.indexOf(pad)];
  if (!layer) return [];
  return Array.from({ length: layer.to - layer.from + 1 }, (_, i): Point => [half.stack.x[layer.from + i]!, layer[side][layer.from + i]!]);
}

/** Distance from the board's upper corner to the cover, mm. */
function cornerGap({ cover, stack }: Half): number {
  return distanceToLine(cover, [stack.edge.x, stack.edge.top]);
}

/** Shortest distance from a place to a line, mm. */
export function distanceToLine(line: readonly Point[], [x, z]: Point): number {
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
 * The section under a chalk line.
 *
 * @param model the built piece
 * @param chalk a point and a bearing (radians)
 * @param [coarse=false] larger triangles
 */
export function sectionAtChalk(model: Model, chalk: ChalkLine, coarse = false): Section | null {
  return sectionAlong(model, [chalk.x, chalk.y], [Math.cos(chalk.angle), Math.sin(chalk.angle)], { coarse });
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
