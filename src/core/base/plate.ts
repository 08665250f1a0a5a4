import type { Point } from '../outline';
import type { Mesh } from './mesh';

/** A thin plate of even thickness: flexural rigidity D = E·t³/12(1 − ν²), N·mm. */
export type PlateStiffness = { rigidity: number; poisson: number };
/** Which of a node's movements are held: its deflection, and its two slopes. */
export type Hold = 'free' | 'supported' | 'clamped';
/** A batten under the plate, glued or screwed along: nodes one after the other, and its own E·I, N·mm². */
export type Beam = { nodes: readonly number[]; stiffness: number };
export type PlateResult = {
  /** deflection at every node, mm */
  deflection: Float64Array;
  /** largest bending moment per width in any triangle, N·mm/mm; surface stress is 6·m/t² */
  moment: number;
  /** largest bending moment in any batten, N·mm */
  beamMoment: number;
};

/** Degrees of freedom at a node: deflection w, slopes ∂w/∂y and −∂w/∂x. */
const DOF = 3;

/**
 * Curvature–displacement matrix (3 × 9) of the discrete Kirchhoff triangle at area coordinates ξ, η (Batoz, Bathe and
 * Ho's explicit form).
 */
function curvatures(
  [a, b, c]: readonly [Point, Point, Point],
  xi: number,
  eta: number,
): { rows: [number[], number[], number[]]; area2: number } {
  const [x23, x31, x12] = [b[0] - c[0], c[0] - a[0], a[0] - b[0]];
  const [y23, y31, y12] = [b[1] - c[1], c[1] - a[1], a[1] - b[1]];
  const area2 = x31 * y12 - x12 * y31;
  const side = (x: number, y: number) => {
    const squared = x * x + y * y;
    return { p: (-6 * x) / squared, t: (-6 * y) / squared, q: (3 * x * y) / squared, r: (3 * y * y) / squared };
  };
  const [s4, s5, s6] = [side(x23, y23), side(x31, y31), side(x12, y12)];
  const [u, v] = [1 - 2 * xi, 1 - 2 * eta];
  const hxXi = [
    s6.p * u + (s5.p - s6.p) * eta,
    s6.q * u - (s5.q + s6.q) * eta,
    -4 + 6 * (xi + eta) + s6.r * u - eta * (s5.r + s6.r),
    -s6.p * u + eta * (s4.p + s6.p),
    s6.q * u - eta * (s6.q - s4.q),
    -2 + 6 * xi + s6.r * u + eta * (s4.r - s6.r),
    -eta * (s5.p + s4.p),
    eta * (s4.q - s5.q),
    -eta * (s5.r - s4.r),
  ];
  const hyXi = [
    s6.t * u + (s5.t - s6.t) * eta,
    1 + s6.r * u - (s5.r + s6.r) * eta,
    -s6.q * u + eta * (s5.q + s6.q),
    -s6.t * u + eta * (s4.t + s6.t),
    -1 + s6.r * u + eta * (s4.r - s6.r),
    -s6.q * u - eta * (s4.q - s6.q),
    -eta * (s4.t + s5.t),
    eta * (s4.r - s5.r),
    -eta * (s4.q - s5.q),
  ];
  const hxEta = [
    -s5.p * v - xi * (s6.p - s5.p),
    s5.q * v - xi * (s5.q + s6.q),
    -4 + 6 * (xi + eta) + s5.r * v - xi * (s5.r + s6.r),
    xi * (s4.p + s6.p),
    xi * (s4.q - s6.q),
    -xi * (s6.r - s4.r),
    s5.p * v - xi * (s4.p + s5.p),
    s5.q * v + xi * (s4.q - s5.q),
    -2 + 6 * eta + s5.r * v + xi * (s4.r - s5.r),
  ];
  const hyEta = [
    -s5.t * v - xi * (s6.t - s5.t),
    1 + s5.r * v - xi * (s5.r + s6.r),
    -s5.q * v + xi * (s5.q + s6.q),
    xi * (s4.t + s6.t),
    xi * (s4.r - s6.r),
    -xi * (s4.q - s6.q),
    s5.t * v - xi * (s4.t + s5.t),
    -1 + s5.r * v + xi * (s4.r - s5.r),
    -s5.q * v - xi * (s4.q - s5.q),
  ];
  const rows: [number[], number[], number[]] = [
    hxXi.map((h, i) => (y31 * h + y12 * hxEta[i]!) / area2),
    hyXi.map((h, i) => (-x31 * h - x12 * hyEta[i]!) / area2),
    hxXi.map((h, i) => (-x31 * h - x12 * hxEta[i]! + y31 * hyXi[i]! + y12 * hyEta[i]!) / area2),
  ];
  return { rows, area2 };
}

/** Mid-sides of the triangle: three points integrate a quadratic exactly. */
const POINTS = [
  [0.5, 0],
  [0.5, 0.5],
  [0, 0.5],
] as const;

function bending([bx, by, bxy]: readonly [number, number, number], { rigidity, poisson }: PlateStiffness): [number, number, number] {
  return [rigidity * (bx + poisson * by), rigidity * (by + poisson * bx), (rigidity * (1 - poisson) * bxy) / 2];
}

/** A triangle's stiffness, 9 × 9. */
function stiffnessOf(corners: readonly [Point, Point, Point], plate: PlateStiffness): Float64Array {
  const k = new Float64Array(81);
  for (const [xi, eta] of POINTS) {
    const { rows, area2 } = curvatures(corners, xi, eta);
    const weight = area2 / 6;
    for (let j = 0; j < 9; j++) {
      const m = bending([rows[0][j]!, rows[1][j]!, rows[2][j]!], plate);
      for (let i = 0; i < 9; i++) k[i * 9 + j]! += weight * (rows[0][i]! * m[0] + rows[1][i]! * m[1] + rows[2][i]! * m[2]);
    }
  }
  return k;
}

/** Nodes in the order of the longer way across: neighbours then lie near each other and the matrix stays a band. */
function ordering(nodes: readonly Point[]): number[] {
  const span = (axis: 0 | 1): number => Math.max(...nodes.map((p) => p[axis])) - Math.min(...nodes.map((p) => p[axis]));
  const axis = span(0) >= span(1) ? 0 : 1;
  const order = nodes.map((_, i) => i).sort((i, j) => nodes[i]![axis] - nodes[j]![axis]);
  const place = new Array<number>(nodes.length);
  order.forEach((node, i) => (place[node] = i));
  return place;
}

/**
 * Solves a symmetric positive band matrix in place by Cholesky's method; rows hold the lower half, diagonal last. What lies
 * before a row's first entry stays nothing, so each row begins there: half the band of a board is before it.
 */
function solveBand(band: Float64Array, width: number, right: Float64Array): void {
  const n = right.length;
  const w = width + 1;
  /** where column 0 of each row would stand, and its first column that holds anything */
  const row = (i: number): number => i * w - i + width;
  const first = new Int32Array(n);
  for (let i = 0; i < n; i++) {
    let k = Math.max(0, i - width);
    while (k < i && band[row(i) + k] === 0) k += 1;
    first[i] = k;
  }
  for (let i = 0; i < n; i++) {
    const ri = row(i);
    for (let j = first[i]!; j <= i; j++) {
      const rj = row(j);
      let sum = band[ri + j]!;
      for (let k = Math.max(first[i]!, first[j]!); k < j; k++) sum -= band[ri + k]! * band[rj + k]!;
      band[ri + j] = i === j ? Math.sqrt(Math.max(sum, 1e-300)) : sum / band[rj + j]!;
    }
  }
  for (let i = 0; i < n; i++) {
    const ri = row(i);
    let sum = right[i]!;
    for (let k = first[i]!; k < i; k++) sum -= band[ri + k]! * right[k]!;
    right[i] = sum / band[ri + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    const ri = row(i);
    right[i]! /= band[ri + i]!;
    for (let k = first[i]!; k < i; k++) right[k]! -= band[ri + k]! * right[i]!;
  }
}

/** What turns a node's movements into deflection and slope along a batten: rows w, ∂w/∂s over [w, ∂w/∂y, −∂w/∂x] of both ends. */
function alongBeam([ax, ay]: Point, [bx, by]: Point): { length: number; turn: number[][] } {
  const length = Math.hypot(bx - ax, by - ay);
  const [c, s] = [(bx - ax) / length, (by - ay) / length];
  return {
    length,
    turn: [
      [1, 0, 0, 0, 0, 0],
      [0, s, -c, 0, 0, 0],
      [0, 0, 0, 1, 0, 0],
      [0, 0, 0, 0, s, -c],
    ],
  };
}

/** Stiffness of a straight beam over w and slope of both ends (cubic shape functions). */
function hermite(stiffness: number, l: number): number[][] {
  const k = stiffness / l ** 3;
  return [
    [12 * k, 6 * l * k, -12 * k, 6 * l * k],
    [6 * l * k, 4 * l * l * k, -6 * l * k, 2 * l * l * k],
    [-12 * k, -6 * l * k, 12 * k, -6 * l * k],
    [6 * l * k, 2 * l * l * k, -6 * l * k, 4 * l * l * k],
  ];
}

/** Every stretch of every batten. */
const stretches = (beams: readonly Beam[]): { a: number; b: number; stiffness: number }[] =>
  beams.flatMap(({ nodes, stiffness }) => nodes.slice(1).map((b, k) => ({ a: nodes[k]!, b, stiffness })));

/**
 * Bends a thin plate: discrete Kirchhoff triangles, solved directly. Source: docs/models.md, "The board under load".
 *
 * @param mesh nodes and triangles, mm
 * @param plate its stiffness
 * @param holds of each node
 * @param loads downward force at each node, N
 * @param [beams] battens that bend with it; they do not twist it, nor slide on it
 */
export function bendPlate(
  mesh: Mesh,
  plate: PlateStiffness,
  holds: readonly Hold[],
  loads: Float64Array,
  beams: readonly Beam[] = [],
): PlateResult {
  const place = ordering(mesh.nodes);
  let reach = 0;
  for (const [a, b, c] of mesh.triangles)
    reach = Math.max(reach, Math.abs(place[a]! - place[b]!), Math.abs(place[b]! - place[c]!), Math.abs(place[c]! - place[a]!));
  const ribs = stretches(beams);
  for (const { a, b } of ribs) reach = Math.max(reach, Math.abs(place[a]! - place[b]!));
  const width = DOF * reach + DOF - 1;
  const w = width + 1;
  const n = mesh.nodes.length * DOF;
  const band = new Float64Array(n * w);
  const right = new Float64Array(n);
  for (const triangle of mesh.triangles) {
    const k = stiffnessOf(triangle.map((i) => mesh.nodes[i]!) as [Point, Point, Point], plate);
    const at = triangle.flatMap((node) => [0, 1, 2].map((d) => place[node]! * DOF + d));
    for (let i = 0; i < 9; i++)
      for (let j = 0; j < 9; j++) if (at[i]! >= at[j]!) band[at[i]! * w + (at[j]! - at[i]! + width)]! += k[i * 9 + j]!;
  }
  for (const { a, b, stiffness } of ribs) {
    const { length, turn } = alongBeam(mesh.nodes[a]!, mesh.nodes[b]!);
    const entries = hermite(stiffness, length);
    const at = [a, b].flatMap((node) => [0, 1, 2].map((d) => place[node]! * DOF + d));
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++) {
        if (at[i]! < at[j]!) continue;
        let sum = 0;
        for (let p = 0; p < 4; p++) for (let q = 0; q < 4; q++) sum += turn[p]![i]! * entries[p]![q]! * turn[q]![j]!;
        band[at[i]! * w + (at[j]! - at[i]! + width)]! += sum;
      }
  }
  // A held movement gets a spring so stiff that nothing is left of it.
  const stiff = plate.rigidity * 1e8;
  mesh.nodes.forEach((_, node) => {
    const first = place[node]! * DOF;
    right[first] = loads[node]!;
    const fixedDegrees = holds[node] === 'clamped' ? 3 : holds[node] === 'supported' ? 1 : 0;
    for (let d = 0; d < fixedDegrees; d++) band[(first + d) * w + width]! += stiff;
    // A node that no triangle uses must not leave an empty row.
    for (let d = 0; d < DOF; d++) if (band[(first + d) * w + width] === 0) band[(first + d) * w + width] = stiff;
  });
  solveBand(band, width, right);
  const deflection = Float64Array.from(mesh.nodes, (_, node) => right[place[node]! * DOF]!);
  let moment = 0;
  for (const triangle of mesh.triangles) {
    const { rows } = curvatures(triangle.map((i) => mesh.nodes[i]!) as [Point, Point, Point], 1 / 3, 1 / 3);
    const values = triangle.flatMap((node) => [0, 1, 2].map((d) => right[place[node]! * DOF + d]!));
    const kappa = rows.map((row) => row.reduce((sum, b, i) => sum + b * values[i]!, 0)) as [number, number, number];
    const [mx, my, mxy] = bending(kappa, plate);
    const half = Math.hypot((mx - my) / 2, mxy);
    moment = Math.max(moment, Math.abs((mx + my) / 2) + half);
  }
  return { deflection, moment, beamMoment: beamMoment(mesh, ribs, (node, d) => right[place[node]! * DOF + d]!) };
}

/** The largest moment at the middle of any stretch of batten: M = E·I·w″ there, between its ends' slopes. */
function beamMoment(mesh: Mesh, ribs: ReturnType<typeof stretches>, moved: (node: number, d: number) => number): number {
  return ribs.reduce((most, { a, b, stiffness }) => {
    const { length, turn } = alongBeam(mesh.nodes[a]!, mesh.nodes[b]!);
    const values = [a, b].flatMap((node) => [0, 1, 2].map((d) => moved(node, d)));
    const slope = (row: number): number => turn[row]!.reduce((sum, t, k) => sum + t * values[k]!, 0);
    return Math.max(most, Math.abs((stiffness * (slope(3) - slope(1))) / length));
  }, 0);
}

/** A force spread over a round patch, shared out to the nodes under it; a patch of no size goes to the nearest node. */
export function patchLoad(mesh: Mesh, [x, y]: Point, radius: number, force: number): Float64Array {
  const loads = new Float64Array(mesh.nodes.length);
  const far = mesh.nodes.map(([nx, ny]) => Math.hypot(nx - x, ny - y));
  const used = new Set(mesh.triangles.flat());
  const under = far.flatMap((d, i) => (d <= radius && used.has(i) ? [i] : []));
  if (under.length === 0) {
    let nearest = 0;
    far.forEach((d, i) => {
      if (used.has(i) && (d < far[nearest]! || !used.has(nearest))) nearest = i;
    });
    loads[nearest] = force;
    return loads;
  }
  const shares = new Float64Array(mesh.nodes.length);
  for (const [a, b, c] of mesh.triangles) {
    const [p, q, r] = [mesh.nodes[a]!, mesh.nodes[b]!, mesh.nodes[c]!];
    const area = ((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])) / 6;
    for (const node of [a, b, c]) shares[node]! += area;
  }
  const total = under.reduce((sum, i) => sum + shares[i]!, 0);
  for (const i of under) loads[i] = (force * shares[i]!) / total;
  return loads;
}
