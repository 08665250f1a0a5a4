import { flattenSurface, strainOf, strainSummary, type Strain, type StrainSummary, type SurfaceMesh } from '../../flattening';
import type { Place3 } from '../tape-over';
import { bounds, CORNER_BEND, crossesItself, polygonArea, type Point, type Polygon } from '../../outline';
import { flatPiece, withAllowances, type CoverPiece, type PieceEdge } from './cloth-piece';
import { discMesh, type DiscMesh } from './disc-mesh';
import { stripMesh } from './strip-mesh';
import { sewnEdges, runsOf } from './panel-runs';
import { aligned, corrected, distance, straightFlat } from './panel-shape';
import type { EdgeUse, Making, PanelSpec, Run } from './panel-spec';
import type { Ring } from '../surface/ring';

/** A panel with its surface, its flat shape and what lies between the two. */
export type MadePanel = {
  spec: PanelSpec;
  mesh: SurfaceMesh;
  flat: Float64Array;
  strain: Strain;
  pieces: CoverPiece[];
  /** where zips lie on the surface, mm */
  zips: Place3[][];
  settled: boolean;
};

/** Flat shapes at rest within this are cut to, mm. */
const SETTLED = 0.02;
/** A flat shape settles in a score of rounds; long bands take more. */
const ROUNDS = 160;
/** This near a corner the foam gives way to the cloth, mm. */
const CORNER = 60;
/** An edge faces the front when its way out points forward by this much. */
const FACES_FRONT = 0.3;

/** Where a place in the plan lies on a panel laid flat, or null where it is not on it. */
function onFlat(triangles: Uint32Array, start: Float64Array, flat: Float64Array, [x, y]: Point): Point | null {
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const [ux, uy] = [start[2 * b]! - start[2 * a]!, start[2 * b + 1]! - start[2 * a + 1]!];
    const [vx, vy] = [start[2 * c]! - start[2 * a]!, start[2 * c + 1]! - start[2 * a + 1]!];
    const det = ux * vy - uy * vx;
    const [px, py] = [x - start[2 * a]!, y - start[2 * a + 1]!];
    const s = (px * vy - py * vx) / det;
    const r = (ux * py - uy * px) / det;
    if (s < -1e-9 || r < -1e-9 || s + r > 1 + 1e-9) continue;
    const at = (k: 0 | 1): number => flat[2 * a + k]! * (1 - s - r) + flat[2 * b + k]! * s + flat[2 * c + k]! * r;
    return [at(0), at(1)];
  }
  return null;
}

/** The area of a surface of triangles, mm². */
export function surfaceArea({ points, triangles }: SurfaceMesh, of?: (triangle: number) => boolean): number {
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    if (of && !of(t)) continue;
    const [a, b, c] = [0, 1, 2].map((k) => points.subarray(3 * triangles[t + k]!, 3 * triangles[t + k]! + 3)) as [
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    const u = [b[0]! - a[0]!, b[1]! - a[1]!, b[2]! - a[2]!] as const;
    const v = [c[0]! - a[0]!, c[1]! - a[1]!, c[2]! - a[2]!] as const;
    sum += Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
  }
  return sum;
}

/** A panel's surface as triangles, its rim in runs, and which of its nodes lie on which edge. */
type Meshed = { mesh: SurfaceMesh & { start: Float64Array }; runs: Run[][]; disc: boolean };

/** What of an edge matters for how a panel is laid flat: those that are sewn are held to their length. */
const sewnOrNot = (use: EdgeUse | undefined): string => use?.kind ?? 'none';

type Region<K extends PanelSpec['region']['kind']> = { ring: Ring; region: Extract<PanelSpec['region'], { kind: K }> };

function meshDisc({ ring, region: { level, slits = [] }, spacing }: Region<'disc'> & { spacing: number }): DiscMesh {
  return discMesh(ring, level, spacing, slits);
}

function meshStrip({ ring, region: { inner, outer, from, to, lay } }: Region<'strip'>): ReturnType<typeof stripMesh> {
  return stripMesh(ring, { inner, outer, from, to }, lay);
}

/** Triangles over a panel's part of the surface. */
function meshed(spec: PanelSpec, { ring, spacing, keep }: Making): Meshed {
  const { region } = spec;
  if (region.kind === 'disc') {
    const mesh = keep('panel mesh', { ring, region, spacing }, meshDisc);
    return { mesh, runs: runsOf(spec, mesh.triangles, mesh.place, mesh.slits, mesh.start.length / 2), disc: true };
  }
  const mesh = keep('panel mesh', { ring, region }, meshStrip);
  return { mesh, runs: runsOf(spec, mesh.triangles, null, [], mesh.start.length / 2), disc: false };
}

/** A panel's surface to be laid flat: plain data, so that it can be worked elsewhere. */
export type FlatTask = { mesh: SurfaceMesh & { start: Float64Array }; kinds: string[]; hold: ReturnType<typeof sewnEdges> };

/** What it comes to. */
export type LaidFlat = { flat: Float64Array; settled: boolean };

/** What a laid panel is known by again: how its edges are held hangs on its mesh and their kinds, and on nothing else. */
export const flatReads = ({ mesh, kinds, hold }: FlatTask): FlatTask => ({ mesh, kinds, hold });

const flatTask = (spec: PanelSpec, { mesh, runs }: Meshed): FlatTask => ({
  mesh,
  kinds: [spec.outer, spec.inner, spec.first, spec.last].map(sewnOrNot),
  hold: sewnEdges(runs.flat()),
});

/** Lays a panel's surface flat. */
export function layFlat({ mesh, hold }: FlatTask): LaidFlat {
  const { flat, settled } = flattenSurface(mesh, mesh.start, { hold, tolerance: SETTLED, rounds: ROUNDS });
  return { flat: aligned(flat, mesh.start), settled };
}

/**
 * The panels that will be laid flat as they are shaped: a straight one may not be wanted.
 *
 * @param specs the panels of a cover
 * @param making what they share
 */
export function flatTasks(specs: readonly PanelSpec[], making: Making): FlatTask[] {
  return specs.filter(({ straight }) => !straight).map((spec) => flatTask(spec, meshed(spec, making)));
}

type Judged = { flat: Float64Array; strain: Strain; summary: StrainSummary; settled: boolean };

/** A panel's flat shape: a straight strip where that is wanted and the cloth gives so much, otherwise as it is shaped. */
function laidFlat(spec: PanelSpec, making: Making, panel: Meshed): Judged & { straight: boolean } {
  const { ring, keep, give } = making;
  const { mesh } = panel;
  const away = awayFromCorners(ring, mesh);
  const judged = (flat: Float64Array, settled: boolean): Judged => {
    const strain = strainOf(mesh, flat);
    return { flat, strain, summary: strainSummary(strain, give, away), settled };
  };
  if (spec.straight) {
    const strip = judged(straightFlat(spec, making, mesh.start), true);
    if (spec.straight === true || strip.summary.share <= 1) return { ...strip, straight: true };
  }
  const task = flatTask(spec, panel);
  const found = keep('laid flat', flatReads(task), layFlat);
  return { ...judged(found.flat, found.settled), straight: false };
}

/** Keeps how long a panel's sewn edges came out, place by place: their partners are cut to the same lengths. */
function keepSeams(runs: readonly Run[], flat: Float64Array, { seams, ring }: Making): void {
  for (const run of runs) {
    if ((run.use.kind !== 'seam' && run.use.kind !== 'zip') || !run.use.seam) continue;
    const lengths = seams.get(run.use.seam) ?? new Float64Array(ring.places.length).fill(NaN);
    run.nodes.slice(1).forEach((node, k) => {
      const before = run.nodes[k]!;
      const [i, j] = [run.places[k]!, run.places[k + 1]!];
      const at = (i + 1) % ring.places.length === j ? i : j;
      if (Number.isNaN(lengths[at]!))
        lengths[at] = distance([flat[2 * before]!, flat[2 * before + 1]!], [flat[2 * node]!, flat[2 * node + 1]!]);
    });
    seams.set(run.use.seam, lengths);
  }
}

/**
 * Makes a cloth piece (two where it is split) of a part of the covered surface: lays it flat, takes corrections in,
 * adds allowances, notches and lines.
 *
 * @param spec which part, and what is done with its edges
 * @param shared what the panels share; the seams' flat lengths are kept in it for their partners
 * @throws SeamTooDeep where a seam crosses itself
 */
export function makePanel(spec: PanelSpec, shared: Making): MadePanel {
  // A panel of the second cloth gives and shrinks as that does; seams and notches it shares.
  const making = spec.cloth === 'second' && shared.second ? { ...shared, ...shared.second } : shared;
  const panel = meshed(spec, making);
  const laid = laidFlat(spec, making, panel);
  const flat = corrected(spec, making, laid.flat);
  const { mesh, runs, disc } = panel;
  const split = runs.length > 1;
  const pieces = runs.map((run, k): CoverPiece => {
    const x = centreX(run, flat);
    const side = split && Math.abs(x) >= 1 ? (x < 0 ? 'left' : 'right') : null;
    return pieceOf({ spec, making, mesh, flat, runs: run, strain: laid.summary, side, part: split ? k + 1 : null, disc });
  });
  keepSeams(runs.flat(), flat, making);
  const zips = runs
    .flat()
    .filter(({ use }) => use.kind === 'zip')
    .map(({ nodes }) => nodes.map((node): Place3 => [mesh.points[3 * node]!, mesh.points[3 * node + 1]!, mesh.points[3 * node + 2]!]));
  // What lies over itself has come to rest on no table.
  const settled = laid.settled && pieces.every(({ sewn }) => crossesItself(sewn) === null);
  return { spec: { ...spec, straight: laid.straight }, mesh, flat, strain: laid.strain, pieces, zips, settled };
}

/** Which triangles of a panel lie away from the piece's sharp corners. */
export function awayFromCorners(ring: Ring, { points, triangles }: SurfaceMesh): (triangle: number) => boolean {
  const corners = ring.places.filter(({ turn }) => Math.abs(turn) > CORNER_BEND);
  return (t) => {
    const at = (k: 0 | 1): number => [0, 1, 2].reduce((sum, c) => sum + points[3 * triangles[3 * t + c]! + k]!, 0) / 3;
    const [x, y] = [at(0), at(1)];
    return corners.every(({ point }) => Math.hypot(point[0] - x, point[1] - y) > CORNER);
  };
}

function centreX(runs: readonly Run[], flat: Float64Array): number {
  const nodes = runs.flatMap((run) => run.nodes);
  return nodes.reduce((sum, node) => sum + flat[2 * node]!, 0) / nodes.length;
}

/** A panel, or one part of a split one, laid flat. */
type Laid = {
  spec: PanelSpec;
  making: Making;
  mesh: SurfaceMesh & { start: Float64Array };
  flat: Float64Array;
  runs: readonly Run[];
  strain: StrainSummary;
  side: 'left' | 'right' | null;
  part: number | null;
  disc: boolean;
};

/** The sewn line of a piece, its edges and notches. */
type Walked = { sewn: Polygon; allowance: number[]; edges: PieceEdge[]; notches: CoverPiece['notches'] };

function walked({ making, mesh, flat, runs }: Laid): Walked {
  const { preShrink } = making;
  const at = (node: number): Point => [flat[2 * node]! * preShrink, flat[2 * node + 1]! * preShrink];
  const found: Walked = { sewn: [], allowance: [], edges: [], notches: [] };
  runs.forEach((run) => {
    const from = found.sewn.length;
    const whole = runs.length === 1;
    run.nodes.slice(0, -1).forEach((node) => {
      found.sewn.push(at(node));
      found.allowance.push(run.use.allowance);
    });
    const lengthOf = (point: (node: number) => readonly number[]): number =>
      run.nodes.slice(1).reduce((sum, node, k) => sum + distance(point(run.nodes[k]!), point(node)), 0);
    found.edges.push({
      id: run.use.id,
      kind: run.use.kind,
      seam: run.use.seam,
      from,
      sides: run.nodes.length - 1,
      allowance: run.use.allowance,
      flat: lengthOf(at) / preShrink,
      sewn: lengthOf((node) => [...mesh.points.subarray(3 * node, 3 * node + 3)]),
    });
    if (run.use.kind !== 'seam') return;
    run.places.forEach((place, k) => {
      const label = making.notches.get(place);
      // A rim that closes on itself carries its first notch once.
      if (label === undefined || (whole && k === run.places.length - 1)) return;
      const [x, y] = at(run.nodes[k]!);
      found.notches.push({ x, y, label, edge: run.use.id });
    });
  });
  return found;
}

function pieceOf(laid: Laid): CoverPiece {
  const { spec, making, mesh, runs, strain, side, part } = laid;
  const { preShrink } = making;
  const { sewn, allowance, edges, notches } = walked(laid);
  const outline = withAllowances(sewn, allowance);
  const name = side ? `${spec.name}, ${side}` : part ? `${spec.name} ${part}` : spec.name;
  const box = bounds(sewn);
  // Of a split panel each part covers the triangles on its own side.
  const item = part === null ? undefined : sideTriangles(mesh, new Set(runs.flatMap((run) => run.nodes)));
  const motif = making.motif ? motifOn(laid, making.motif) : null;
  const stapled = runs.find((run) => run.use.kind === 'staple');
  const stapleLine =
    stapled && spec.stapleAt !== undefined
      ? withAllowances(
          sewn,
          sewn.map((_, i) => staplesAt(edges, i, spec.stapleAt!)),
        )
      : [];
  return {
    ...flatPiece(name, making.count, outline),
    id: part ? `${spec.id}-${part}` : spec.id,
    role: spec.role,
    cloth: spec.cloth ?? 'cover',
    grain: 'depth',
    hand: spec.hand ?? side,
    centreMarks: [
      [(box.minX + box.maxX) / 2, box.minY],
      [box.maxX, (box.minY + box.maxY) / 2],
      [(box.minX + box.maxX) / 2, box.maxY],
      [box.minX, (box.minY + box.maxY) / 2],
    ],
    trimLine: outline,
    stapleLine,
    sewn,
    edges,
    notches,
    lines: stapleLine.length > 0 && stapled ? [stapleStretch(stapleLine, sewn)] : [],
    marks: [],
    strain,
    template: null,
    longer: preShrink,
    net: Math.abs(polygonArea(sewn)) / preShrink ** 2,
    surface: surfaceArea(mesh, item),
    motif: motif && { x: motif[0] * preShrink, y: motif[1] * preShrink },
    note: spec.note ?? '',
  };
}

function staplesAt(edges: readonly PieceEdge[], i: number, stapleAt: number): number {
  const edge = edges.find(({ from, sides }) => i >= from && i < from + sides);
  return edge?.kind === 'staple' ? stapleAt : 0;
}

/** The staple line along the stapled edge only: where it stands off the sewn line. */
function stapleStretch(line: Polygon, sewn: Polygon): CoverPiece['lines'][number] {
  const points = line.filter(([x, y]) => sewn.every(([a, b]) => Math.hypot(a - x, b - y) > 1));
  return { kind: 'staple', points, closed: false };
}

/** The triangles that hang together with a rim. */
function sideTriangles({ triangles }: SurfaceMesh, rim: ReadonlySet<number>): (triangle: number) => boolean {
  const reached = new Set(rim);
  for (let grew = true; grew;) {
    grew = false;
    for (let t = 0; t < triangles.length; t += 3) {
      const three = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      const inside = three.filter((node) => reached.has(node)).length;
      if (inside > 0 && inside < 3) {
        three.forEach((node) => reached.add(node));
        grew = true;
      }
    }
  }
  return (t) => reached.has(triangles[t]!);
}

/** Where the motif's point lies on a piece: on the panel itself, or where its line meets a band's seam at the front. */
function motifOn({ spec, making, mesh, flat, runs, disc }: Laid, point: Point): Point | null {
  if (disc) return onFlat(mesh.triangles, mesh.start, flat, point);
  const inner = runs.find((run) => run.use === spec.inner);
  if (!inner) return null;
  let best: Point | null = null;
  let nearest = Infinity;
  inner.nodes.forEach((node, k) => {
    const before = inner.nodes[k - 1];
    if (before === undefined) return;
    const [a, b] = [making.ring.places[inner.places[k - 1]!]!, making.ring.places[inner.places[k]!]!];
    const [xa, xb] = [a.point[0] - point[0], b.point[0] - point[0]];
    if (xa * xb > 0 || a.out[1] > -FACES_FRONT) return;
    const t = xa === xb ? 0 : xa / (xa - xb);
    if (a.point[1] < nearest) {
      nearest = a.point[1];
      best = [flat[2 * before]! * (1 - t) + flat[2 * node]! * t, flat[2 * before + 1]! * (1 - t) + flat[2 * node + 1]! * t];
    }
  });
  return best;
}
