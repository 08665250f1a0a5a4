import { BOARDS, findMaterial } from '../foam';
import { curvatureAt, samePart, segmentLength, tangentAt, type EdgePart, type Outline, type Segment } from '../outline';
import type { EdgeFact } from '../piece';

/** A thin wood strip along an edge: its length at the board's edge, and how its ends are cut. Lengths mm, angles radians. */
export type EdgeStrip = {
  edge: string;
  width: number;
  thickness: number;
  /** along the outside of the strip, mitre tip to mitre tip */
  length: number;
  /** along its inside */
  inside: number;
  /** angle of the cut from square at either end; + is longer outside */
  startMitre: number;
  endMitre: number;
};

/** Whether a trim of a thickness goes round its tightest bend, and in how many layers if not. */
export type TrimBend = {
  edge: string;
  thickness: number;
  length: number;
  /** tightest radius on the edge, mm; null where it is straight */
  radius: number | null;
  /** tightest radius that this thickness bends to */
  least: number;
  /** layers of thickness/layers each that bend to it */
  laminations: number;
  layer: number;
  /** each layer as it is sawn: over at both ends where it is bent in a jig */
  cut: number;
  /** radius of the jig's face, tighter than the edge by what the glued layers spring back; null where none is needed */
  jig: number | null;
};

/** Layers are left over at either end and sawn off once the glue holds, mm. */
const OVER = 50;

/**
 * The radius of the jig for layers glued round a bend. Bent dry, n equal layers hold an n²th of the stiffness they have once
 * glued: released, the bend opens by that share of its curvature, so κ = κ_jig · (1 − 1/n²).
 *
 * @param radius of the trim's inner face where it is fixed, mm
 * @param thickness of all its layers together, mm
 * @param layers how many
 * @returns radius of the jig's face, mm
 */
export function jigRadius(radius: number, thickness: number, layers: number): number {
  const middle = (radius + thickness / 2) * (1 - 1 / layers ** 2);
  return middle - thickness / 2;
}

/** The segments of an edge in order; corner arcs belong to no edge. */
function edgeRun(outline: Outline, edge: EdgePart): { run: Segment[]; before: Segment; after: Segment } | null {
  const { segments } = outline;
  const n = segments.length;
  const first = segments.findIndex((segment, i) => samePart(segment.edge, edge) && !samePart(segments[(i + n - 1) % n]!.edge, edge));
  if (first < 0) {
    const all = segments.filter((segment) => samePart(segment.edge, edge));
    return all.length > 0 ? { run: all, before: all.at(-1)!, after: all[0]! } : null;
  }
  const run: Segment[] = [];
  let i = first;
  while (samePart(segments[i % n]!.edge, edge) && run.length < n) run.push(segments[i++ % n]!);
  return { run, before: segments[(first + n - 1) % n]!, after: segments[i % n]! };
}

/** How far the way turns between two directions, radians. */
function turn(a: Segment, u: number, b: Segment, v: number): number {
  const [p, q] = [tangentAt(a, u), tangentAt(b, v)];
  return Math.atan2(p[0] * q[1] - p[1] * q[0], p[0] * q[0] + p[1] * q[1]);
}

/** The bend at a corner next to an edge: over a corner's arc to the next edge, or straight from edge to edge. */
function cornerTurn(outline: Outline, run: Segment, neighbour: Segment, side: 'start' | 'end'): { turn: number; reach: number } {
  if (neighbour.kind === 'arc' && neighbour.edge.kind === 'corner') {
    // A strip is mitred where the two edges would meet, outside the rounding.
    return { turn: neighbour.sweep, reach: neighbour.radius * Math.tan(Math.abs(neighbour.sweep) / 2) };
  }
  const bend = side === 'start' ? turn(neighbour, 1, run, 0) : turn(run, 1, neighbour, 0);
  return { turn: bend, reach: 0 };
}

/**
 * The hard-edge strips to cut: each straight strip runs to where its edge meets the next, mitred at half the bend.
 *
 * @param outline of the base
 * @param facts of its edges
 */
export function edgeStrips(outline: Outline, facts: readonly EdgeFact[]): EdgeStrip[] {
  return facts.flatMap((fact): EdgeStrip[] => {
    const found = fact.strip && edgeRun(outline, fact.edge);
    if (!found || !fact.strip) return [];
    const { run, before, after } = found;
    const start = cornerTurn(outline, run[0]!, before, 'start');
    const end = cornerTurn(outline, run.at(-1)!, after, 'end');
    const value = run.reduce((sum, segment) => sum + segmentLength(segment), 0);
    const length = value + start.reach + end.reach;
    const shorter = fact.strip.width * (Math.tan(start.turn / 2) + Math.tan(end.turn / 2));
    return [{ edge: fact.edge.name, ...fact.strip, length, inside: length - shorter, startMitre: start.turn / 2, endMitre: end.turn / 2 }];
  });
}

/** Places looked at along a curve for its tightest bend. */
const LOOKS = 24;

/**
 * Whether each edge's trim bends: a dry strip goes round k times its thickness at the tightest (k from the table of
 * boards); thinner layers glued together go round more.
 *
 * @param outline of the base
 * @param facts of its edges
 * @param material the trim is of the board's own material
 */
export function trimBends(outline: Outline, facts: readonly EdgeFact[], material: string): TrimBend[] {
  const bend = findMaterial(BOARDS, material)!.bend;
  return facts.flatMap((fact): TrimBend[] => {
    const found = fact.trim > 0 ? edgeRun(outline, fact.edge) : null;
    if (!found) return [];
    let tightest = 0;
    const corners = [found.before, found.after].filter((segment) => segment.kind === 'arc' && segment.edge.kind === 'corner');
    for (const segment of [...found.run, ...corners])
      for (let k = 0; k <= LOOKS; k++) tightest = Math.max(tightest, Math.abs(curvatureAt(segment, k / LOOKS)));
    const radius = tightest > 1e-6 ? 1 / tightest : null;
    const least = bend * fact.trim;
    const laminations = radius === null ? 1 : Math.max(1, Math.ceil(least / radius - 1e-9));
    const length = found.run.reduce((sum, segment) => sum + segmentLength(segment), 0);
    const jig = radius !== null && laminations > 1 ? jigRadius(radius, fact.trim, laminations) : null;
    const cut = length + (jig === null ? 0 : 2 * OVER);
    return [{ edge: fact.edge.name, thickness: fact.trim, length, radius, least, laminations, layer: fact.trim / laminations, cut, jig }];
  });
}
