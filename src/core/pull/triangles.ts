import type { Banded } from './banded';
import { stretchTerms } from './law';
import type { Mesh } from './mesh';

/** Scratch of one triangle: terms of its two stretches. */
const TERMS = new Float64Array(6);
const GA = new Float64Array(3);
const GB = new Float64Array(3);
const FX = new Int32Array(3);
const FZ = new Int32Array(3);

/**
 * Foam energy of a shape, N; with `full` its forces and stiffness are added too.
 *
 * @param mesh the triangles
 * @param at where the nodes are
 * @param full whether forces and stiffness are wanted
 * @param exact the true stiffness; otherwise each triangle's is made positive
 * @param force receives the forces, by unknown
 * @param matrix receives the stiffness
 */
export function addTriangles(mesh: Mesh, at: Float64Array, full: boolean, exact: boolean, force: Float64Array, matrix: Banded): number {
  const { triangles, shape, laws, lawOf, freeX, freeZ } = mesh;
  let total = 0;
  const count = lawOf.length;
  for (let t = 0; t < count; t++) {
    const i = triangles[3 * t]!;
    const j = triangles[3 * t + 1]!;
    const k = triangles[3 * t + 2]!;
    // No pairs are taken apart in this loop: each would be an object for the garbage collector.
    const x0 = at[2 * i]!;
    const z0 = at[2 * i + 1]!;
    const d00 = at[2 * j]! - x0;
    const d10 = at[2 * j + 1]! - z0;
    const d01 = at[2 * k]! - x0;
    const d11 = at[2 * k + 1]! - z0;
    const s = 5 * t;
    const m0 = shape[s]!;
    const m1 = shape[s + 1]!;
    const m2 = shape[s + 2]!;
    const m3 = shape[s + 3]!;
    const area = shape[s + 4]!;
    // F = Ds·Dm⁻¹, split as U·diag(s1, s2)·Vᵀ.
    const a = d00 * m0 + d01 * m2;
    const b = d00 * m1 + d01 * m3;
    const c = d10 * m0 + d11 * m2;
    const d = d10 * m1 + d11 * m3;
    const E = (a + d) / 2;
    const F = (a - d) / 2;
    const G = (c + b) / 2;
    const H = (c - b) / 2;
    const Q = Math.sqrt(E * E + H * H);
    const R = Math.sqrt(F * F + G * G);
    const s1 = Q + R;
    const s2 = Q - R;
    const law = laws[lawOf[t]!]!;
    stretchTerms(law, s1, TERMS, 0);
    stretchTerms(law, s2, TERMS, 3);
    total += area * (TERMS[0]! + TERMS[3]!);
    if (!full) continue;
    // U turns by (a₂ + a₁)/2, V by (a₁ − a₂)/2, where a₁ = ∠(F, G) and a₂ = ∠(E, H): by half angles, without a tangent.
    const c1 = R > 1e-14 ? Math.sqrt(Math.max(0, (1 + F / R) / 2)) : 1;
    const s1h = R > 1e-14 ? (c1 > 1e-9 ? G / R / (2 * c1) : 1) : 0;
    const c2 = Q > 1e-14 ? Math.sqrt(Math.max(0, (1 + E / Q) / 2)) : 1;
    const s2h = Q > 1e-14 ? (c2 > 1e-9 ? H / Q / (2 * c2) : 1) : 0;
    const cu = c2 * c1 - s2h * s1h;
    const su = s2h * c1 + c2 * s1h;
    const cv = c1 * c2 + s1h * s2h;
    const sv = s1h * c2 - c1 * s2h;
    // u1 = (cu, su), u2 = (−su, cu); v1 = (cv, sv), v2 = (−sv, cv).
    const p1 = TERMS[1]!;
    const p2 = TERMS[4]!;
    const e1 = Math.max(0, TERMS[2]!);
    const e2 = Math.max(0, TERMS[5]!);
    const turn = (p1 + p2) / Math.max(s1 + s2, 1e-3);
    const twist = turn < 0 && !exact ? 0 : turn;
    const flip = s1 - s2 > 1e-9 ? Math.max(0, (p1 - p2) / (s1 - s2)) : e1;
    const mean = (twist + flip) / 2;
    const cross = (flip - twist) / 2;
    // Gradients of the three shape functions, turned into v1, v2.
    const g1a = m0 * cv + m1 * sv;
    const g1b = -m0 * sv + m1 * cv;
    const g2a = m2 * cv + m3 * sv;
    const g2b = -m2 * sv + m3 * cv;
    const ga = GA;
    const gb = GB;
    ga[0] = -g1a - g2a;
    ga[1] = g1a;
    ga[2] = g2a;
    gb[0] = -g1b - g2b;
    gb[1] = g1b;
    gb[2] = g2b;
    const fx = FX;
    const fz = FZ;
    fx[0] = freeX[i]!;
    fx[1] = freeX[j]!;
    fx[2] = freeX[k]!;
    fz[0] = freeZ[i]!;
    fz[1] = freeZ[j]!;
    fz[2] = freeZ[k]!;
    for (let m = 0; m < 3; m++) {
      const am = ga[m]!;
      const bm = gb[m]!;
      const f1 = area * p1 * am;
      const f2 = area * p2 * bm;
      if (fx[m]! >= 0) force[fx[m]!] = force[fx[m]!]! + f1 * cu - f2 * su;
      if (fz[m]! >= 0) force[fz[m]!] = force[fz[m]!]! + f1 * su + f2 * cu;
      // The matrix is symmetric: the pair (m, n) stands for (n, m) too.
      for (let n = 0; n <= m; n++) {
        const an = ga[n]!;
        const bn = gb[n]!;
        const k11 = area * (e1 * am * an + mean * bm * bn);
        const k22 = area * (e2 * bm * bn + mean * am * an);
        const k12 = area * cross * bm * an;
        const k21 = area * cross * am * bn;
        // U·M·Uᵀ
        const r11 = cu * k11 - su * k21;
        const r12 = cu * k12 - su * k22;
        const r21 = su * k11 + cu * k21;
        const r22 = su * k12 + cu * k22;
        addEither(matrix, fx[m]!, fx[n]!, r11 * cu - r12 * su);
        addEither(matrix, fz[m]!, fz[n]!, r21 * su + r22 * cu);
        addEither(matrix, fz[m]!, fx[n]!, r21 * cu - r22 * su);
        if (m !== n) addEither(matrix, fx[m]!, fz[n]!, r11 * su + r12 * cu);
      }
    }
  }
  return total;
}

/** Adds to a symmetric matrix of which only the lower half is kept; −1 is a node that is held. */
export function addTo({ rows, width }: Banded, i: number, j: number, value: number): void {
  if (j < 0 || i < j) return;
  const at = i * (width + 1) + width - i + j;
  rows[at] = rows[at]! + value;
}

/** The same for a pair in either order. */
function addEither(matrix: Banded, i: number, j: number, value: number): void {
  if (i < 0 || j < 0) return;
  if (i >= j) addTo(matrix, i, j, value);
  else addTo(matrix, j, i, value);
}
