import {
  bounds,
  crossesItself,
  flatten,
  nodesOf,
  pointAt,
  polygonArea,
  UNNAMED,
  type OutlineNode,
  type Point,
  type Polygon,
  type Segment,
} from '../outline';
import { translated, reversed, scaledBy } from '../outline/polygon/segment';
import { BOARD_SIZE, HOLE_SIZE, POINTS } from '../piece';
import { DRAWING_UNITS, FileProblem, MOST_SEGMENTS, type DrawingUnit } from '../file-problem';

/** An outline read from a file: nodes about its middle, mm, and the round holes and other rings found inside it. */
export type ReadOutline = {
  nodes: OutlineNode[];
  holes: { x: number; y: number; diameter: number }[];
  width: number;
  depth: number;
  /** things the reader should know: pieces left out, ends joined */
  remarks: string[];
};

/** Ends nearer than this are one point, mm. */
const SAME = 0.05;
/** Squares of plan in which ends are looked up, mm: not smaller than what is one point. */
const CELL = 0.1;
/** Ends farther apart than this are not joined without asking, mm. */
const GAP = 0.5;

const start = (segment: Segment): Point => pointAt(segment, 0);
const end = (segment: Segment): Point => pointAt(segment, 1);
const distanceBetween = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Ends of loose pieces, found by the square of plan they lie in. */
class Ends {
  private readonly at = new Map<string, number[]>();

  constructor(
    private readonly pieces: readonly Segment[][],
    private readonly left: ReadonlySet<number>,
  ) {
    pieces.forEach((piece, i) => {
      for (const [x, y] of [start(piece[0]!), end(piece.at(-1)!)]) {
        const key = `${Math.round(x / CELL)} ${Math.round(y / CELL)}`;
        const here = this.at.get(key);
        if (here) here.push(i);
        else this.at.set(key, [i]);
      }
    });
  }

  /** A piece that is left and has an end at a place. What was used is forgotten on the way: a search passes it once. */
  near([x, y]: Point): number | undefined {
    const [i, j] = [Math.round(x / CELL), Math.round(y / CELL)];
    for (let a = i - 1; a <= i + 1; a++)
      for (let b = j - 1; b <= j + 1; b++) {
        const here = this.at.get(`${a} ${b}`);
        if (!here) continue;
        for (let k = here.length - 1; k >= 0; k--) {
          const piece = this.pieces[here[k]!]!;
          if (!this.left.has(here[k]!)) here.splice(k, 1);
          else if (distanceBetween(start(piece[0]!), [x, y]) <= SAME || distanceBetween(end(piece.at(-1)!), [x, y]) <= SAME) return here[k];
        }
      }
    return undefined;
  }
}

/** How far a segment goes, mm: an arc may end near by and swing out far beyond, which would take for ever to follow. */
function reachOf(segment: Segment): number[] {
  const ends = [...start(segment), ...end(segment)];
  if (segment.kind === 'arc') return [...ends, ...segment.centre, segment.radius];
  return segment.kind === 'curve' ? [...ends, ...segment.c1, ...segment.c2] : ends;
}

/** Joins loose pieces end to end as far as they go. */
function chains(pieces: readonly Segment[][]): Segment[][] {
  const open = pieces.filter((piece) => piece.length > 0);
  const left = new Set(open.keys());
  const ends = new Ends(open, left);
  const done: Segment[][] = [];
  for (const first of open.keys()) {
    if (!left.delete(first)) continue;
    let chain = [...open[first]!];
    for (let side = 0; side < 2; side++) {
      for (;;) {
        const tip = end(chain.at(-1)!);
        if (distanceBetween(tip, start(chain[0]!)) <= SAME) break;
        const next = ends.near(tip);
        if (next === undefined) break;
        left.delete(next);
        const piece = open[next]!;
        for (const segment of distanceBetween(start(piece[0]!), tip) <= SAME ? piece : [...piece].reverse().map(reversed))
          chain.push(segment);
      }
      // Then the other way from where it began.
      chain = chain.reverse().map(reversed);
    }
    done.push(chain);
  }
  return done;
}

function asCircle(ring: readonly Segment[]): { x: number; y: number; diameter: number } | null {
  const first = ring[0];
  if (first?.kind !== 'arc') return null;
  const same = ring.every(
    (s) => s.kind === 'arc' && distanceBetween(s.centre, first.centre) < 0.01 && Math.abs(s.radius - first.radius) < 0.01,
  );
  return same ? { x: first.centre[0], y: first.centre[1], diameter: 2 * first.radius } : null;
}

/** Nothing of a base lies farther away than this, mm. */
const FAR = 1e6;
/** Hardly any base is smaller than this, mm: a drawing that says so is asked about. */
const SMALL = 120;

/** Says that a size cannot be right, and which unit would make it one; a small one only where nobody chose the unit. */
function checkScale(width: number, depth: number, unit: DrawingUnit, chosen: boolean): void {
  const size = Math.max(width, depth);
  const [low, high] = BOARD_SIZE;
  if (size >= low && size <= high && (chosen || size >= SMALL)) return;
  const fitting = (Object.keys(DRAWING_UNITS) as DrawingUnit[]).filter((other) => {
    const would = (size / DRAWING_UNITS[unit]) * DRAWING_UNITS[other];
    return would >= 150 && would <= high;
  });
  if (size >= low && size <= high)
    throw new FileProblem(
      `Read in ${unit} the outline is ${Math.round(width)} × ${Math.round(depth)} mm, which is small for a base. ${fitting.length > 0 ? `Is it drawn in ${fitting.join(' or ')}? ` : ''}Choose its unit`,
      { needsUnit: true },
    );
  const hint = fitting.length > 0 ? ` Read in ${fitting.join(' or ')} it would fit.` : '';
  throw new FileProblem(
    `Read in ${unit} the outline would be ${Math.round(size * 100) / 100} mm long; bases are ${low} to ${high} mm.${hint}`,
    { needsUnit: fitting.length > 0 },
  );
}

/**
 * Makes one outline of the pieces of line found in a drawing: the largest closed ring is the outline, rings inside it
 * are holes.
 *
 * @param pieces runs of segments as they stood in the file, in its own unit
 * @param unit of the drawing
 * @param [options.unit] the unit where somebody chose it
 * @param [options.close=false] whether an open outline is closed by a straight line
 * @throws FileProblem when there is no outline, it is open, it crosses itself, or its size cannot be right
 */
export function ringsOf(
  pieces: readonly Segment[][],
  unit: DrawingUnit,
  options: { unit?: DrawingUnit; close?: boolean } = {},
): ReadOutline {
  const k = DRAWING_UNITS[unit];
  const count = pieces.reduce((sum, piece) => sum + piece.length, 0);
  if (count > MOST_SEGMENTS)
    throw new FileProblem(`There are ${count} pieces of line in this drawing; one outline has at most ${MOST_SEGMENTS}`);
  const scaled = pieces.map((piece) =>
    piece.map((segment) => scaledBy(segment, k)).filter((s) => s.kind !== 'line' || distanceBetween(s.from, s.to) > 1e-6),
  );
  const finite = scaled.every((piece) => piece.every((s) => reachOf(s).every((v) => Number.isFinite(v) && Math.abs(v) < FAR)));
  if (!finite) throw new FileProblem('The drawing has coordinates that are not figures, or lie kilometres away');
  const joined = chains(scaled);
  // An outline is told by hand and eye; what has far more points is another kind of drawing, and slow to look through.
  const longest = Math.max(0, ...joined.map((chain) => chain.length));
  if (longest > 4 * POINTS[1])
    throw new FileProblem(`A line in this drawing has ${longest} points; ${POINTS[1]} maximum. Draw it with fewer, longer curves`);
  const found = joined.map((segments) => ({ segments, gap: distanceBetween(end(segments.at(-1)!), start(segments[0]!)) }));
  if (found.length === 0) throw new FileProblem('There is no line in this drawing');
  const remarks: string[] = [];
  const rings = found.flatMap(({ segments, gap }) => {
    if (gap > GAP && !options.close) return [];
    const closed: Segment[] =
      gap > 1e-6 ? [...segments, { kind: 'line', edge: UNNAMED, from: end(segments.at(-1)!), to: start(segments[0]!) }] : segments;
    const polygon = flatten({ segments: closed }, 0.1);
    return polygon.length >= 3 ? [{ segments: closed, polygon, area: polygonArea(polygon), gap }] : [];
  });
  const openOnes = found.filter(({ gap }) => gap > GAP);
  const outer = rings.reduce<(typeof rings)[number] | null>(
    (best, ring) => (!best || Math.abs(ring.area) > Math.abs(best.area) ? ring : best),
    null,
  );
  if (!outer) {
    const worst = openOnes[0];
    if (!worst) throw new FileProblem('The lines in this drawing have no area between them');
    const [x, y] = end(worst.segments.at(-1)!);
    throw new FileProblem(
      `The outline is open: its ends are ${Math.round(worst.gap * 10) / 10} mm apart, at ${Math.round(x)}, ${Math.round(y)} mm. Join them in the drawing, or have it closed with a straight line`,
    );
  }
  if (outer.gap > SAME) remarks.push(`Its ends were ${Math.round(outer.gap * 100) / 100} mm apart and were joined`);
  if (Math.abs(outer.area) < 1e-3) throw new FileProblem('The outline has no area inside');
  const box = bounds(outer.polygon);
  checkScale(box.width, box.height, unit, options.unit !== undefined);
  const crossing = crossesItself(outer.polygon);
  if (crossing)
    throw new FileProblem(
      `The outline crosses itself at ${Math.round(crossing[0])}, ${Math.round(crossing[1])} mm; there it has no inside`,
    );
  const by: Point = [-(box.minX + box.maxX) / 2, -(box.minY + box.maxY) / 2];
  const ring = (outer.area < 0 ? [...outer.segments].reverse().map(reversed) : outer.segments).map((segment) => translated(segment, by));
  const nodes = nodesOf(ring);
  if (nodes.length > POINTS[1])
    throw new FileProblem(`The outline has ${nodes.length} points; ${POINTS[1]} maximum. Draw it with fewer, longer curves`);
  const inner = rings.filter((other) => other !== outer);
  const holes = inner.flatMap(({ segments, polygon }) => {
    const circle = asCircle(segments);
    if (!circle) {
      remarks.push('A shape inside the outline that is not round was left out');
      return [];
    }
    return polygon.length > 0 && circle.diameter >= HOLE_SIZE[0] && circle.diameter <= HOLE_SIZE[1]
      ? [{ x: circle.x + by[0], y: circle.y + by[1], diameter: circle.diameter }]
      : [];
  });
  if (openOnes.length > (options.close ? 1 : 0)) remarks.push(`${openOnes.length} open lines were left out`);
  return { nodes, holes: holes.slice(0, 60), width: box.width, depth: box.height, remarks: [...new Set(remarks)] };
}

/** A closed polyline as line segments, for readers of plain coordinates. */
export function asLines(points: Polygon): Segment[] {
  return points.map((from, i) => ({ kind: 'line', edge: UNNAMED, from, to: points[(i + 1) % points.length]! }));
}
