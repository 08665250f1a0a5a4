import { flattenSurface, strainOf, strainSummary, type Give, type Strain, type StrainSummary, type SurfaceMesh } from '../flattening';
import { bounds, type Point, type Polygon } from '../outline';
import type { Correction } from '../piece';
import { flatPiece, withAllowances, type CoverPiece, type EdgeKind, type PieceEdge } from './cloth-piece';
import { discMesh, rimLoops, stripMesh, type Level, type Slit } from './panel-mesh';
import { onRing, type Ring } from './ring';

/** What is done with an edge of a panel. */
export type EdgeUse = { id: string; kind: EdgeKind; seam: string | null; allowance: number };

/** A part of the surface that becomes a cloth piece. */
export type PanelSpec = {
  id: string;
  name: string;
  role: CoverPiece['role'];
  cloth?: CoverPiece['cloth'];
  hand?: CoverPiece['hand'];
  note?: string;
  region:
    | { kind: 'disc'; level: Level; slits?: readonly Slit[] }
    | { kind: 'strip'; inner: Level; outer: Level; from: number; to: number; lay?: 'unrolled' | 'plan' };
  /** cut as a straight strip along its inner seam, or laid flat as it is shaped; `if it gives`: straight where the cloth can */
  straight?: boolean | 'if it gives';
  outer: EdgeUse;
  inner?: EdgeUse;
  /** a strip's two ends, where it begins and where it ends */
  first?: EdgeUse;
  last?: EdgeUse;
  /** distance of the staple line beyond the outer edge */
  stapleAt?: number;
};

/** Everything that the panels of one cover share while they are made. */
export type Making = {
  ring: Ring;
  spacing: number;
  give: Give;
  count: number;
  /** 1/(1 − shrinkage) */
  preShrink: number;
  /** places of the ring that carry a notch, with their labels */
  notches: ReadonlyMap<number, string>;
  corrections: readonly Correction[];
  motif: Point | null;
  /** flat length of each seam from place to place, as its first piece was cut */
  seams: Map<string, Float64Array>;
};

/** A panel with its surface, its flat shape and what lies between the two. */
export type MadePanel = { spec: PanelSpec; mesh: SurfaceMesh; flat: Float64Array; strain: Strain; pieces: CoverPiece[]; settled: boolean };

/** Flat shapes at rest within this are cut to, mm. */
const SETTLED = 0.02;
/** A flat shape settles in a score of rounds; long bands take more. */
const ROUNDS = 160;
/** A correction fades out over this much edge beyond the one where it showed, mm. */
const FADE = 80;
/** This near a corner the foam gives way to the cloth, mm. */
const CORNER = 60;

/** A stretch of a panel's rim in the order in which it is walked, with the place of each node where it has one. */
type Run = { use: EdgeUse; nodes: number[]; places: number[] };

/** How much of a correction counts at a place round the edge. */
function weightAt(ring: Ring, where: string, i: number): number {
  if (where === 'all') return 1;
  const own = ring.places.filter((place) => place.edge === where);
  const away = Math.min(
    ...own.map((place) => {
      const d = Math.abs(place.at - ring.places[i]!.at);
      return Math.min(d, ring.total - d);
    }),
  );
  return Math.max(0, 1 - away / FADE);
}

function distance(a: readonly number[], b: readonly number[]): number {
  return Math.hypot(...a.map((value, k) => value - b[k]!));
}

/** Turns and moves a flat shape so that it lies as its first picture did. */
function aligned(flat: Float64Array, start: Float64Array): Float64Array {
  const n = flat.length / 2;
  const mean = (of: Float64Array): Point => {
    let [x, y] = [0, 0];
    for (let i = 0; i < n; i++) [x, y] = [x + of[2 * i]! / n, y + of[2 * i + 1]! / n];
    return [x, y];
  };
  const [a, b] = [mean(flat), mean(start)];
  let [c, s] = [0, 0];
  for (let i = 0; i < n; i++) {
    const [fx, fy] = [flat[2 * i]! - a[0], flat[2 * i + 1]! - a[1]];
    const [gx, gy] = [start[2 * i]! - b[0], start[2 * i + 1]! - b[1]];
    c += fx * gx + fy * gy;
    s += fx * gy - fy * gx;
  }
  const size = Math.hypot(c, s) || 1;
  const out = new Float64Array(flat.length);
  for (let i = 0; i < n; i++) {
    const [fx, fy] = [flat[2 * i]! - a[0], flat[2 * i + 1]! - a[1]];
    out[2 * i] = (c * fx - s * fy) / size + b[0];
    out[2 * i + 1] = (s * fx + c * fy) / size + b[1];
  }
  return out;
}

/** A straight strip: as long as its seam, at every place as high as the side there. */
function straightFlat(spec: PanelSpec, making: Making, start: Float64Array): Float64Array {
  const { ring, seams } = making;
  const { region } = spec;
  if (region.kind !== 'strip') return start;
  const n = ring.places.length;
  const partner = spec.inner?.seam ? seams.get(spec.inner.seam) : undefined;
  const columns = region.to - region.from + 1;
  const rows = start.length / 2 / columns - 1;
  const flat = new Float64Array(start.length);
  let x = 0;
  for (let k = 0; k < columns; k++) {
    const i = (region.from + k) % n;
    if (k > 0) {
      const before = (region.from + k - 1) % n;
      const own = partner?.[before];
      x +=
        own !== undefined && !Number.isNaN(own)
          ? own
          : distance(onRing(ring.places[before]!, region.inner[before]!), onRing(ring.places[i]!, region.inner[i]!));
    }
    const height = region.outer[i]! - region.inner[i]!;
    for (let r = 0; r <= rows; r++) flat.set([x, -(height * r) / rows], 2 * (k * (rows + 1) + r));
  }
  for (let i = 0; i < flat.length; i += 2) flat[i] = flat[i]! - x / 2;
  return flat;
}

/** The pairs of neighbouring nodes along the edges that are sewn. */
function held(runs: readonly Run[]): Uint32Array {
  return Uint32Array.from(
    runs
      .filter(({ use }) => use.kind !== 'staple' && use.kind !== 'turn')
      .flatMap(({ nodes }) => nodes.slice(1).flatMap((node, k) => [nodes[k]!, node])),
  );
}

/** The rim of a panel in runs, counter-clockwise; a split panel has more than one rim. */
function runsOf(spec: PanelSpec, triangles: Uint32Array, place: Int32Array | null, slits: readonly number[][], size: number): Run[][] {
  const { region } = spec;
  if (region.kind === 'strip') {
    const columns = region.to - region.from + 1;
    const rows = size / columns - 1;
    const at = (k: number, r: number): number => k * (rows + 1) + r;
    const along = Array.from({ length: columns }, (_, k) => k);
    const down = Array.from({ length: rows + 1 }, (_, r) => r);
    const end: EdgeUse = { id: 'end', kind: 'join', seam: null, allowance: 0 };
    const n = region.inner.length;
    const places = along.map((k) => (region.from + k) % n);
    const none = down.map(() => -1);
    return [
      [
        { use: spec.outer, nodes: along.map((k) => at(k, rows)), places },
        { use: spec.last ?? end, nodes: [...down].reverse().map((r) => at(columns - 1, r)), places: none },
        { use: spec.inner ?? end, nodes: [...along].reverse().map((k) => at(k, 0)), places: [...places].reverse() },
        { use: spec.first ?? end, nodes: down.map((r) => at(0, r)), places: none },
      ],
    ];
  }
  const tips = new Set(slits.flatMap((path, k) => (k % 2 === 0 && slits[k + 1]!.at(-1) === path.at(-1) ? [path.at(-1)!] : [])));
  const owner = (node: number): number => slits.findIndex((path) => path.includes(node));
  return rimLoops(triangles).map((loop) => {
    const outer = (k: number): boolean => {
      const [a, b] = [place![loop[k % loop.length]!]!, place![loop[(k + 1) % loop.length]!]!];
      return a >= 0 && b >= 0 && a !== b;
    };
    const steps = loop.length;
    let first = 0;
    // Begin where the seam begins again after a slit; a whole rim begins at the front middle.
    while (first < steps && !(outer(first) && !outer(first + steps - 1))) first++;
    if (first === steps) first = loop.findIndex((node) => place![node] === 0);
    const runs: Run[] = [];
    for (let k = first; k < first + steps; k++) {
      const [a, b] = [loop[k % steps]!, loop[(k + 1) % steps]!];
      const sewn = outer(k);
      const last = runs.at(-1);
      const fresh = !last || (last.use === spec.outer) !== sewn || (!sewn && tips.has(a));
      if (fresh) {
        const slit = sewn ? -1 : owner(place![a]! < 0 ? a : b) >> 1;
        const through = !sewn && slit >= 0 && slits[2 * slit]!.at(-1) !== slits[2 * slit + 1]!.at(-1);
        const dart: EdgeUse = {
          id: through ? 'split' : `dart ${slit + 1}`,
          kind: through ? 'join' : 'dart',
          seam: through ? 'split' : `dart ${slit + 1}`,
          allowance: spec.outer.allowance,
        };
        runs.push({ use: sewn ? spec.outer : dart, nodes: [a], places: [place![a]!] });
      }
      runs.at(-1)!.nodes.push(b);
      runs.at(-1)!.places.push(place![b]!);
    }
    return runs;
  });
}

/** What the first one of the set showed, taken into the pattern. */
function corrected(spec: PanelSpec, making: Making, flat: Float64Array): Float64Array {
  const own = making.corrections.filter((correction) => correction.piece === spec.id);
  if (own.length === 0) return flat;
  const out = Float64Array.from(flat);
  const { region } = spec;
  for (const { what, where, by } of own) {
    if (what === 'height' && region.kind === 'strip') {
      const columns = region.to - region.from + 1;
      const rows = out.length / 2 / columns - 1;
      for (let k = 0; k < columns; k++) {
        const weight = weightAt(making.ring, where, (region.from + k) % making.ring.places.length);
        const [top, low] = [k * (rows + 1), k * (rows + 1) + rows];
        const [dx, dy] = [out[2 * top]! - out[2 * low]!, out[2 * top + 1]! - out[2 * low + 1]!];
        const size = Math.hypot(dx, dy) || 1;
        for (let r = 0; r <= rows; r++) {
          const share = (by * weight * r) / rows / size;
          out[2 * (top + r)]! += dx * share;
          out[2 * (top + r) + 1]! += dy * share;
        }
      }
      continue;
    }
    const axis = what === 'width' ? 0 : 1;
    const values = out.filter((_, i) => i % 2 === axis);
    const [low, high] = [values.reduce((a, b) => Math.min(a, b), Infinity), values.reduce((a, b) => Math.max(a, b), -Infinity)];
    const factor = (high - low - by) / (high - low || 1);
    for (let i = axis; i < out.length; i += 2) out[i] = (low + high) / 2 + (out[i]! - (low + high) / 2) * factor;
  }
  return out;
}

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

/**
 * Makes a cloth piece (two where it is split) of a part of the covered surface: lays it flat, takes corrections in,
 * adds allowances, notches and lines.
 *
 * @param spec which part, and what is done with its edges
 * @param making what the panels share; the seams' flat lengths are kept in it for their partners
 * @throws SeamTooDeep where a seam crosses itself
 */
export function makePanel(spec: PanelSpec, making: Making): MadePanel {
  const { ring, spacing, seams } = making;
  const { region } = spec;
  const disc = region.kind === 'disc' ? discMesh(ring, region.level, spacing, region.slits ?? []) : null;
  const strip = region.kind === 'strip' ? stripMesh(ring, region.inner, region.outer, region.from, region.to, spacing, region.lay) : null;
  const mesh = (disc ?? strip)!;
  const runs = runsOf(spec, mesh.triangles, disc?.place ?? null, disc?.slits ?? [], mesh.start.length / 2);
  const away = awayFromCorners(ring, mesh);
  const judged = (flat: Float64Array): { flat: Float64Array; strain: Strain; summary: StrainSummary; settled: boolean } => {
    const strain = strainOf(mesh, flat);
    return { flat, strain, summary: strainSummary(strain, making.give, away), settled: true };
  };
  const asStrip = spec.straight ? judged(straightFlat(spec, making, mesh.start)) : null;
  const straight = asStrip !== null && (spec.straight === true || asStrip.summary.share <= 1);
  let laid = asStrip;
  if (!straight) {
    const found = flattenSurface(mesh, mesh.start, { hold: held(runs.flat()), tolerance: SETTLED, rounds: ROUNDS });
    laid = { ...judged(aligned(found.flat, mesh.start)), settled: found.settled };
  }
  const { flat: shaped, strain, summary, settled } = laid!;
  const flat = corrected(spec, making, shaped);
  const pieces = runs.map((own, k): CoverPiece => {
    const sides = runs.length > 1 ? (centreX(own, flat) < 0 ? 'left' : 'right') : null;
    const depthwise = runs.length > 1 && Math.abs(centreX(own, flat)) < 1 ? k : null;
    return pieceOf(
      spec,
      making,
      mesh,
      flat,
      own,
      summary,
      depthwise !== null ? null : sides,
      runs.length > 1 ? k + 1 : null,
      disc !== null,
    );
  });
  // The partners of these seams are cut to the same lengths.
  for (const run of runs.flat()) {
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
  return { spec: { ...spec, straight }, mesh, flat, strain, pieces, settled };
}

/** Which triangles of a panel lie away from the piece's sharp corners. */
export function awayFromCorners(ring: Ring, { points, triangles }: SurfaceMesh): (triangle: number) => boolean {
  const corners = ring.places.filter(({ turn }) => Math.abs(turn) > 0.3);
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

function pieceOf(
  spec: PanelSpec,
  making: Making,
  mesh: SurfaceMesh & { start: Float64Array },
  flat: Float64Array,
  runs: readonly Run[],
  strain: CoverPiece['strain'],
  side: 'left' | 'right' | null,
  part: number | null,
  disc: boolean,
): CoverPiece {
  const { preShrink } = making;
  const at = (node: number): Point => [flat[2 * node]! * preShrink, flat[2 * node + 1]! * preShrink];
  const sewn: Polygon = [];
  const allowance: number[] = [];
  const edges: PieceEdge[] = [];
  const notches: CoverPiece['notches'] = [];
  runs.forEach((run) => {
    const from = sewn.length;
    const whole = runs.length === 1;
    run.nodes.slice(0, -1).forEach((node) => {
      sewn.push(at(node));
      allowance.push(run.use.allowance);
    });
    const lengthOf = (point: (node: number) => readonly number[]): number =>
      run.nodes.slice(1).reduce((sum, node, k) => sum + distance(point(run.nodes[k]!), point(node)), 0);
    edges.push({
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
      notches.push({ x, y, label, edge: run.use.id });
    });
  });
  const outline = withAllowances(sewn, allowance);
  const name = side ? `${spec.name}, ${side}` : part ? `${spec.name} ${part}` : spec.name;
  const box = bounds(sewn);
  const nodes = new Set(runs.flatMap((run) => run.nodes));
  // Of a split panel each part covers the triangles on its own side.
  const own = part === null ? undefined : sideTriangles(mesh, nodes);
  const flatOutline = flatPiece(name, making.count, outline);
  const motif = making.motif ? motifOn(spec, making, mesh, flat, runs, disc) : null;
  const stapled = runs.find((run) => run.use.kind === 'staple');
  const stapleLine =
    stapled && spec.stapleAt !== undefined
      ? withAllowances(
          sewn,
          sewn.map((_, i) => staplesAt(edges, i, spec.stapleAt!)),
        )
      : [];
  const net = Math.abs(area(sewn)) / preShrink ** 2;
  return {
    ...flatOutline,
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
    net,
    surface: surfaceArea(mesh, own),
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

function area(polygon: Polygon): number {
  return polygon.reduce((sum, [x, y], i) => {
    const [u, v] = polygon[(i + 1) % polygon.length]!;
    return sum + (x * v - u * y) / 2;
  }, 0);
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
function motifOn(
  spec: PanelSpec,
  making: Making,
  mesh: SurfaceMesh & { start: Float64Array },
  flat: Float64Array,
  runs: readonly Run[],
  disc: boolean,
): Point | null {
  const point = making.motif!;
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
    if (xa * xb > 0 || a.out[1] > -0.3) return;
    const t = xa === xb ? 0 : xa / (xa - xb);
    if (a.point[1] < nearest) {
      nearest = a.point[1];
      best = [flat[2 * before]! * (1 - t) + flat[2 * node]! * t, flat[2 * before + 1]! * (1 - t) + flat[2 * node + 1]! * t];
    }
  });
  return best;
}
