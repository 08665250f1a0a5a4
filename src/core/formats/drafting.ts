import simplify from 'simplify-js';
import type { Point, Polygon } from '../outline';
import { onTheFold, shapeOf, type Template } from './templates';

/** A batten laid through the points of a curve is nowhere farther off it than this, mm. */
export const DRAFT_TRUE = 0.7;
/** More points or marks than this are printed at full size: nobody plots a hundred. */
const MOST = { points: 64, inside: 40 };
/** A stretch of an outline bends where it leaves the straight line by more than this, mm. */
const BENDS = 0.05;

/**
 * A template as it is drafted from a base line, without printing it: places across and up, mm, from the lower left of its box; of one
 * that is the same left and right its right half, across from the fold.
 */
export type Draft = {
  fold: boolean;
  /** round the outline; after a point with a curve a batten is bent to the next */
  points: { across: number; up: number; curve: boolean }[];
  /** notches, buttons and other marks */
  marks: { says: string; across: number; up: number }[];
  /** cuts, from end to end */
  cuts: { from: [number, number]; to: [number, number] }[];
};

const distanceBetween = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Distance of a place from the straight line between two others. */
function off([x, y]: Point, a: Point, b: Point): number {
  const length = distanceBetween(a, b) || 1;
  return Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / length;
}

/** A closed line begun at the place farthest from its middle: a corner, where it is broken without harm. */
function fromCorner(outline: Polygon): Point[] {
  const middle: Point = [
    outline.reduce((sum, [x]) => sum + x, 0) / outline.length,
    outline.reduce((sum, [, y]) => sum + y, 0) / outline.length,
  ];
  const start = outline.reduce(
    (best, point, i) => (distanceBetween(point, middle) > distanceBetween(outline[best]!, middle) + BENDS ? i : best),
    0,
  );
  return [...outline.slice(start), ...outline.slice(0, start + 1)];
}

/** The right half of a closed line, from the foot of the fold round to its head; null where the fold cuts it more than twice. */
function rightHalf(template: Template): Point[] | null {
  const halves = onTheFold({ ...template, lines: template.lines.slice(0, 1) }).lines.slice(0, -1);
  // A line that begins on the right comes in two stretches: the second ends where the first begins.
  const [first, second] = halves;
  if (!first || halves.length > 2) return null;
  const half = second ? [...second.outline, ...first.outline.slice(1)] : [...first.outline];
  return half[0]![1] <= half.at(-1)![1] ? half : half.reverse();
}

/** The points of a line that a batten needs, and whether it bends to the next. */
function plotted(line: readonly Point[]): { at: Point; curve: boolean }[] {
  const few = simplify(
    line.map(([x, y], i) => ({ x, y, i })),
    DRAFT_TRUE,
    true,
  ) as { x: number; y: number; i: number }[];
  return few.map(({ x, y, i }, k) => {
    const next = few[k + 1];
    const between = next ? line.slice(i + 1, next.i) : [];
    return { at: [x, y], curve: between.some((point) => off(point, [x, y], [next!.x, next!.y]) > BENDS) };
  });
}

/**
 * How a template is drafted from a base line, or null where it has too much in it or is held to the work itself.
 *
 * @param template at full size
 */
export function draftOf(template: Template): Draft | null {
  if (template.stencil) return null;
  const { symmetric, box } = shapeOf(template);
  const middle = (box.minX + box.maxX) / 2;
  const x0 = symmetric ? middle : box.minX;
  const right = ([x]: Point): boolean => !symmetric || x >= middle - BENDS;
  const place = ([x, y]: Point): { across: number; up: number } => ({ across: x - x0, up: y - box.minY });
  const marks = template.marks.filter(right).map((mark) => {
    const label = template.labels?.find(({ at }) => distanceBetween(at, mark) < BENDS);
    const notch = template.notches?.some(({ at }) => distanceBetween(at, mark) < BENDS);
    return { says: label ? `${notch ? 'notch ' : ''}${label.says}` : 'middle', ...place(mark) };
  });
  const cuts = template.lines
    .slice(1)
    .filter(({ layer, closed, outline }) => layer === 'cut' && !closed && outline.some(right))
    .map(({ outline }) => {
      const [a, b] = [place(outline[0]!), place(outline.at(-1)!)];
      return { from: [a.across, a.up] as [number, number], to: [b.across, b.up] as [number, number] };
    });
  const line = symmetric ? rightHalf(template) : fromCorner(template.lines[0]!.outline);
  if (!line) return null;
  // A closed line ends where it began.
  const points = plotted(line)
    .slice(0, symmetric ? undefined : -1)
    .map(({ at, curve }) => ({ ...place(at), curve }));
  // Stitching, a pocket, joins between blocks, a bent cut: what is drawn into it needs its paper.
  const drawnIn = template.lines.slice(1).some(({ layer, along, closed, outline }) => {
    if (along || layer === 'seam') return false;
    return closed || layer === 'mark' || (layer === 'cut' && outline.length > 2);
  });
  if (drawnIn || points.length > MOST.points || marks.length + cuts.length > MOST.inside) return null;
  return { fold: symmetric, points, marks, cuts };
}
