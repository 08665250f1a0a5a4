import { lineCrossings, type Point } from '../../outline';
import type { ChalkLine } from '../../piece';
import {
  lineLength,
  linePressure,
  middleSlope,
  overWadding,
  pullSection,
  type PulledSection,
  type StackCut,
  type Start,
} from '../../mechanics/section';
import { freeLine } from './free-line';
import { bandX, TAKEN_IN, halfCut } from './half-cut';
import type { Stack } from '../model';
import { keepNothing, type Keep } from '../../keep';
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
  /** where it ends on the board's edge */
  end: Point;
};

/** A vertical cut through the piece along a line in the plan, with the foam as the cover leaves it. */
export type Section = {
  origin: Point;
  direction: Point;
  board: { left: number; right: number; thickness: number; edge: number };
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
function alongCut(stack: Stack, at: Point, direction: Point, squareLength: number): number {
  let best = stack.places[0]!;
  let nearest = Infinity;
  for (const place of stack.places) {
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
 * @param stack the built stack
 * @param origin a plan point on the cut, x = 0
 * @param direction unit vector along the cut
 * @param [near=0] the x that chooses the passage
 * @returns null when the line misses the board
 */
export function passageOf(stack: Stack, origin: Point, direction: Point, near = 0): Passage | null {
  const run = runAt(lineCrossings(stack.board, origin, direction), near);
  if (!run || run[1] - run[0] < 1e-6) return null;
  return { origin, direction, run, pads: stack.pads.map((built) => overlapping(lineCrossings(built.polygon, origin, direction), run)) };
}

/** How halves are solved: where they meet, which of them are wanted, how finely. */
export type HalvesOptions = {
  /** x at which the halves meet */
  middle: number;
  sides: readonly (1 | -1)[];
  /** larger triangles, for a picture while something is dragged */
  coarse?: boolean;
  keep?: Keep;
};

/** A half before it is solved: plain data, so that it may be solved anywhere. */
export type HalfTask = { stack: StackCut; pull: number; start: Start; element: number };

/** The same with what is drawn of it afterwards. */
export type CutHalf = HalfTask & { pads: number[]; end: Point };

/**
 * Cuts one or both halves of a passage, ready to be solved.
 *
 * @param stack the built stack
 * @param passage where the line passes
 * @param options where the halves meet, which are wanted, how finely
 */
export function cutHalves(stack: Stack, passage: Passage, { middle, sides, coarse = false }: HalvesOptions): CutHalf[] {
  const { origin, direction, run, pads } = passage;
  const endOf = (sign: 1 | -1): number => (sign > 0 ? run[1] : run[0]);
  const cut = (sign: 1 | -1): ReturnType<typeof halfCut> =>
    halfCut(stack, { line: { origin, direction }, from: middle, sign, boardEnd: endOf(sign), runs: pads }, coarse);
  const [right, left] = [cut(1), cut(-1)];
  return sides.map((sign): CutHalf => {
    const item = sign > 0 ? right : left;
    const start = pullStart(item.stack, (sign > 0 ? left : right).stack);
    const end: Point = [origin[0] + direction[0] * endOf(sign), origin[1] + direction[1] * endOf(sign)];
    return { ...item, stack: stack.boxed ? sewn(item.stack, stack.boardThickness === 0) : item.stack, pull: stack.pull, start, end };
  });
}

/**
 * A half whose edge is held by a band: the seam lies over the board's edge, or farther out where all the foam stands farther out, as
 * high as the padding stands there; it presses the wadding to nothing. What ends well inside, a crown pad, has no part in the seam.
 */
function sewn(stackCut: StackCut, isLoose: boolean): StackCut {
  const { edge, layers, x } = stackCut;
  const top = layers.findLast(({ from, to }) => x[to]! >= edge.x - TAKEN_IN && x[from]! <= edge.x);
  if (!top) return stackCut;
  const at = bandX(
    layers.map(({ to }) => x[to]!),
    edge.x,
  );
  const heightOf = (heights: Float64Array): number => {
    let k = top.from;
    while (k + 1 < top.to && x[k + 1]! < at) k++;
    const share = Math.min(1, (at - x[k]!) / (x[k + 1]! - x[k]! || 1));
    return heights[k]! + (heights[k + 1]! - heights[k]!) * share;
  };
  // Under foam that stands out the band goes back to the board; where there is none it ends below the foam.
  const under: Point[] =
    at === edge.x || isLoose
      ? []
      : [
          [at, edge.top],
          [edge.x, edge.top],
        ];
  const down: Point[] = [...under, [isLoose ? at : edge.x, edge.bottom]];
  return { ...stackCut, edge: { ...edge, seam: { x: at, z: heightOf(top.upper), down } } };
}

/** What a half's solving depends on. */
export const halfReads = ({ stack, pull, start, element }: HalfTask): HalfTask => ({ stack, pull, start, element });

/** Solves a half that was cut. */
export function solveHalf(task: HalfTask, keep: Keep = keepNothing): PulledSection {
  return keep('section', halfReads(task), pullHalf);
}

function pullHalf({ stack, pull, start, element }: HalfTask): PulledSection {
  return pullSection(stack, pull, start, element);
}

/** A solved half with the cover over it. */
export function coverHalf(stack: Stack, { stack: stackCut, pads, end, pull, start }: CutHalf, pulled: PulledSection): Half {
  let cover = pulled.line;
  let wadding: Point[] = [];
  if (stack.wadding > 0) {
    // Halves that are alike meet level.
    const slope = start.slope === 0 ? 0 : middleSlope(pulled.line);
    const laid = overWadding(pulled.line, { thickness: stack.wadding, curve: stack.waddingAnswer.curve }, pull, slope);
    [cover, wadding] = [laid.cover, laid.face];
  }
  return { stack: stackCut, pads, pulled, cover, wadding, top: steepEnd(cover), length: lineLength(cover), end };
}

/** Solves one or both halves of a cut. */
export function halvesOf(stack: Stack, passage: Passage, options: HalvesOptions): Half[] {
  return cutHalves(stack, passage, options).map((cut) => coverHalf(stack, cut, solveHalf(cut, options.keep)));
}

/** What a section is cut with. */
export type SectionOptions = {
  /** the x that chooses the passage where there are several */
  near?: number;
  coarse?: boolean;
  keep?: Keep;
  /** how far under the board the cover goes on, square to its edge, mm */
  under?: number;
};

/** Both halves in the cut's own x: the left one is laid over from the other side. */
type Pair = { middle: number; left: Half; right: Half };

const placed =
  (middle: number, sign: 1 | -1) =>
  ([u, z]: Point): Point => [middle + sign * u, z];

function joined({ middle, left, right }: Pair, of: (half: Half) => readonly Point[]): Point[] {
  const [l, r] = [of(left).map(placed(middle, -1)).reverse(), of(right).map(placed(middle, 1))];
  const [a, b] = [l.at(-1), r[0]];
  if (!a || !b || Math.abs(a[0] - b[0]) > 1e-6) return [...l, ...r];
  // The halves were solved apart: where they meet the middle lies between them.
  return [...l.slice(0, -1), [a[0], (a[1] + b[1]) / 2], ...r.slice(1)];
}

/** The pads under the cover as closed outlines. */
function coveredPads(stack: Stack, pair: Pair): Section['covered'] {
  const { middle, left, right } = pair;
  return stack.pads.flatMap((built, k) => {
    const of = (part: 'lower' | 'upper' | 'rim') => (half: Half) => half.pulled.layers[half.pads.indexOf(k)]?.[part] ?? [];
    const upper = joined(pair, of('upper'));
    if (upper.length < 2) return [];
    const [leftRim, rightRim] = [of('rim')(left), of('rim')(right)];
    const outline = [
      ...upper,
      ...rightRim.map(placed(middle, 1)).reverse(),
      ...joined(pair, of('lower')).reverse(),
      ...leftRim.map(placed(middle, -1)),
    ];
    return [{ id: built.pad.id, outline }];
  });
}

/**
 * Cuts the piece along a straight line in the plan and pulls the cover over what the cut shows.
 *
 * @param stack the built stack
 * @param origin a plan point on the cut, x = 0 of the section
 * @param direction unit vector along the cut
 * @param [options] which passage, how finely
 * @returns the section, or null when the line misses the board
 */
export function sectionAlong(stack: Stack, origin: Point, direction: Point, options: SectionOptions = {}): Section | null {
  const passage = passageOf(stack, origin, direction, options.near ?? 0);
  if (!passage) return null;
  const { run } = passage;
  const middle = (run[0] + run[1]) / 2;
  const { coarse = false, keep = keepNothing } = options;
  const [right, left] = halvesOf(stack, passage, { middle, sides: [1, -1], coarse, keep }) as [Half, Half];
  const pair: Pair = { middle, left, right };
  const join = (of: (half: Half) => readonly Point[]): Point[] => joined(pair, of);
  const beyond = (half: Half): number => Math.min(alongCut(stack, half.end, direction, options.under ?? 0), (run[1] - run[0]) * 0.49);
  const [underLeft, underRight] = [beyond(left), beyond(right)];
  const under = (half: Half, sign: 1 | -1, by: number): Point => placed(middle, sign)([half.stack.edge.x - by, half.stack.edge.bottom]);
  const cover = [under(left, -1, underLeft), ...join((half) => half.cover), under(right, 1, underRight)];
  const profile = (half: Half): Point[] =>
    [...half.stack.x].map((u, i): Point => [u, half.stack.base[i]!]).filter(([u]) => u <= half.stack.edge.x + 1e-6);
  const bare = join((half) => half.pulled.line);
  const length = lineLength(cover);
  return {
    origin,
    direction,
    board: { left: run[0], right: run[1], thickness: stack.boardThickness, edge: stack.edgeThickness },
    base: join(profile),
    pads: stack.pads.flatMap((built, k) => {
      const lower = join((half) => layerLine(half, k, 'lower'));
      if (lower.length < 2) return [];
      return [{ id: built.pad.id, left: lower[0]![0], right: lower.at(-1)![0], lower, upper: join((half) => layerLine(half, k, 'upper')) }];
    }),
    covered: coveredPads(stack, pair),
    free: join((half) => freeLine(half.stack)),
    cover,
    bare,
    pressure: linePressure(bare, stack.pull),
    wadding: join((half) => half.wadding),
    top: { left: underLeft + left.length - left.top, right: length - underRight - right.length + right.top },
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
 * @param stack the built stack
 * @param chalk a point and a bearing (radians)
 * @param [options] how finely, and what is kept
 */
export function sectionAtChalk(stack: Stack, chalk: ChalkLine, options: SectionOptions = {}): Section | null {
  return sectionAlong(stack, [chalk.x, chalk.y], [Math.cos(chalk.angle), Math.sin(chalk.angle)], options);
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
