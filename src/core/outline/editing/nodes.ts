import type { NodeLine, OutlineNode } from '../schema/shapes';
import { edgeNamed, jointPart, UNNAMED } from '../edge-part';
import { fillet } from '../polygon/fillet';
import { polygonArea } from '../polygon/measure';
import { flatten } from '../polygon/flatten';
import { arcByRise, pointAt, reversed, tangentAt } from '../polygon/segment';
import { spline } from '../polygon/spline';
import type { Outline, Point, Segment } from '../types';

/** A free outline. When `mirrored`, the nodes are its right half from the front middle to the back middle. */
export type Drawn = { nodes: readonly OutlineNode[]; mirrored: boolean };

const ON_CENTRE = 1e-6;

function mirrorLine(line: NodeLine): NodeLine {
  if (line.kind !== 'curve') return line;
  return { kind: 'curve', c1: [-line.c2[0], line.c2[1]], c2: [-line.c1[0], line.c1[1]] };
}

function mirrorName(name: string | undefined): string | undefined {
  return name?.replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left'));
}

/** Both halves of a mirrored outline as one ring of nodes. */
export function wholeRing({ nodes, mirrored }: Drawn): OutlineNode[] {
  if (!mirrored) return [...nodes];
  const ring: OutlineNode[] = [...nodes];
  const last = nodes.length - 1;
  const lastOnCentre = Math.abs(nodes[last]!.x) < ON_CENTRE;
  const firstOnCentre = Math.abs(nodes[0]!.x) < ON_CENTRE;
  if (lastOnCentre) ring.pop();
  // Walking back on the left side, the way from a mirrored node on is the one that led to its twin.
  for (let i = last; i >= 0; i--) {
    if (i === 0 && firstOnCentre) break;
    const node = nodes[i]!;
    const arrives = i > 0 ? nodes[i - 1]! : undefined;
    ring.push({
      ...node,
      x: Math.abs(node.x) < ON_CENTRE ? 0 : -node.x,
      to: arrives ? mirrorLine(arrives.to) : { kind: 'line' },
      name: mirrorName(arrives?.name),
    });
  }
  return ring;
}

/** The edge's everyday name by the way it faces. */
function facing(from: Point, to: Point): string {
  const [x, y] = [to[1] - from[1], -(to[0] - from[0])];
  if (Math.abs(y) >= Math.abs(x)) return y <= 0 ? 'front' : 'back';
  return x > 0 ? 'right' : 'left';
}

function nameEdges(segments: Segment[], named: (string | undefined)[]): void {
  const n = segments.length;
  const names = segments.map((segment, i) => named[i] ?? facing(pointAt(segment, 0), pointAt(segment, 1)));
  // Pieces of one smooth run that face the same way are one edge.
  const goesOn = segments.map((segment, i) => {
    const before = (i + n - 1) % n;
    return named[i] === undefined && segment.kind === 'curve' && segments[before]!.kind === 'curve' && names[before] === names[i] && n > 1;
  });
  // Named from where an edge begins, so that it does not matter at which of its points the outline was begun.
  const first = Math.max(0, goesOn.indexOf(false));
  const used = new Map<string, number>();
  for (let k = 0; k < n; k++) {
    const i = (first + k) % n;
    if (k > 0 && goesOn[i]) {
      segments[i]!.edge = segments[(i + n - 1) % n]!.edge;
      continue;
    }
    const count = (used.get(names[i]!) ?? 0) + 1;
    used.set(names[i]!, count);
    segments[i]!.edge = edgeNamed(count === 1 ? names[i]! : `${names[i]} ${count}`);
  }
}

/**
 * Draws a free outline: lines, arcs by their rise, smooth runs as a flexible rule would lie, curves by their handles;
 * then its corners are rounded.
 *
 * @param drawn the nodes, mm, either way round
 * @returns the outline, counter-clockwise, with the nodes (by index in the whole ring) whose radius does not fit
 */
export function drawNodes(drawn: Drawn): { outline: Outline; tooRound: number[] } {
  const ring = wholeRing(drawn);
  const n = ring.length;
  const at = (i: number): Point => [ring[i % n]!.x, ring[i % n]!.y];
  const segments: Segment[] = [];
  const smoothAt = (i: number): boolean => ring[((i % n) + n) % n]!.to.kind === 'smooth';
  const allSmooth = ring.every((node) => node.to.kind === 'smooth');
  const smooth = new Map<number, { from: Point; c1: Point; c2: Point; to: Point }>();
  if (allSmooth) {
    spline(
      ring.map((_, i) => at(i)),
      true,
    ).forEach((piece, i) => smooth.set(i, piece));
  } else {
    for (let i = 0; i < n; i++) {
      if (!smoothAt(i) || smoothAt(i - 1)) continue;
      let length = 1;
      while (smoothAt(i + length)) length += 1;
      spline(Array.from({ length: length + 1 }, (_, k) => at(i + k))).forEach((piece, k) => smooth.set((i + k) % n, piece));
    }
  }
  ring.forEach(({ to }, i) => {
    const [from, end] = [at(i), at(i + 1)];
    const edge = UNNAMED;
    if (to.kind === 'arc') segments.push(arcByRise(edge, from, end, to.rise));
    else if (to.kind === 'curve') segments.push({ kind: 'curve', edge, from, c1: to.c1, c2: to.c2, to: end });
    else if (to.kind === 'smooth') segments.push({ kind: 'curve', edge, ...smooth.get(i)! });
    else segments.push({ kind: 'line', edge, from, to: end });
  });
  const clockwise = polygonArea(flatten({ segments }, 0.5)) < 0;
  nameEdges(
    segments,
    ring.map((node) => node.name),
  );
  const rounded = roundJoints(
    segments,
    ring.map((node) => node.radius),
  );
  if (!clockwise) return rounded;
  return { ...rounded, outline: { segments: rounded.outline.segments.map(reversed).reverse() } };
}

/**
 * Rounds the joints of a ring of segments.
 *
 * @param segments in order; each ends where the next begins
 * @param radii of the corner at the start of each segment, mm
 */
export function roundJoints(segments: readonly Segment[], radii: readonly number[]): { outline: Outline; tooRound: number[] } {
  const ring = segments.map((segment) => ({ segment, corner: null as Segment | null }));
  const tooRound: number[] = [];
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const radius = radii[i] ?? 0;
    if (radius <= 0 || n < 2) continue;
    const before = ring[(i + n - 1) % n]!;
    const here = ring[i]!;
    const [a, b] = [tangentAt(before.segment, 1), tangentAt(here.segment, 0)];
    if (Math.abs(a[0] * b[1] - a[1] * b[0]) < 1e-3 && a[0] * b[0] + a[1] * b[1] > 0) continue;
    const made = fillet(before.segment, here.segment, radius, jointPart(before.segment.edge, here.segment.edge));
    if (!made) {
      tooRound.push(i);
      continue;
    }
    [before.segment, here.corner, here.segment] = made;
  }
  return { outline: { segments: ring.flatMap(({ segment, corner }) => (corner ? [corner, segment] : [segment])) }, tooRound };
}

export type { NodeLine, OutlineNode };
