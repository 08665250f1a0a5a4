import type { Banded } from './banded';
import { tableOf, tableTerms, type LawTable } from './law';
import type { Mesh } from './mesh';

/** Entries that one triangle adds to: two for each of its nine pairs of nodes, those on the diagonal's other side left out. */
const ENTRIES = 21;

/**
 * Where every triangle's forces and stiffness go, and its law's table. What belongs to a node that is held goes to a
 * place behind all others, where nobody reads it.
 */
export type Assembly = { tables: LawTable[]; entries: Int32Array; unknowns: Int32Array };

/**
 * Prepares a mesh for being summed.
 *
 * @param mesh the triangles
 * @param matrix receives the stiffness
 */
export function assemblyOf({ triangles, laws, lawOf, freeX, freeZ, unknowns: n }: Mesh, matrix: Banded): Assembly {
  const { stride } = matrix;
  const count = lawOf.length;
  const entries = new Int32Array(count * ENTRIES);
  const unknowns = new Int32Array(count * 6);
  const nowhere = matrix.columns.length - 1;
  let e = 0;
  for (let t = 0; t < count; t++) {
    for (let m = 0; m < 3; m++) {
      const value = triangles[3 * t + m]!;
      const x = freeX[value]!;
      const z = freeZ[value]!;
      unknowns[6 * t + 2 * m] = x < 0 ? n : x;
      unknowns[6 * t + 2 * m + 1] = z < 0 ? n : z;
      for (let k = 0; k <= m; k++) {
        const other = triangles[3 * t + k]!;
        const ox = freeX[other]!;
        const oz = freeZ[other]!;
        const xs = x < 0 || ox < 0 ? nowhere : x >= ox ? ox * stride + x - ox : x * stride + ox - x;
        const zs = z < 0 || oz < 0 ? nowhere : z >= oz ? oz * stride + z - oz : z * stride + oz - z;
        const zx = z < 0 || ox < 0 ? nowhere : z >= ox ? ox * stride + z - ox : z * stride + ox - z;
        entries[e++] = xs;
        entries[e++] = zs;
        entries[e++] = zx;
        if (k !== m) entries[e++] = x < 0 || oz < 0 ? nowhere : x >= oz ? oz * stride + x - oz : x * stride + oz - x;
      }
    }
  }
  return { tables: laws.map(tableOf), entries, unknowns };
}

/** Scratch of one triangle: terms of its two stretches, gradients of its three shape functions. */
const TERMS = new Float64Array(6);
const GA = new Float64Array(3);
const GB = new Float64Array(3);

/** What a sum is written into. */
export type Sum = { assembly: Assembly; force: Float64Array; matrix: Banded };

/**
 * Foam energy of a shape, N; with `full` its forces and stiffness are added too.
 *
 * @param mesh the triangles
 * @param at where the nodes are
 * @param full whether forces and stiffness are wanted
 * @param exact the true stiffness; otherwise each triangle's is made positive
 * @param sum receives forces by unknown, and the stiffness
 */
export function addTriangles(mesh: Mesh, at: Float64Array, full: boolean, exact: boolean, sum: Sum): number {
  const { triangles, shape, lawOf } = mesh;
  const { force, matrix, assembly } = sum;
  const { tables, entries, unknowns } = assembly;
  const { columns } = matrix;
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
    const table = tables[lawOf[t]!]!;
    tableTerms(table, s1, TERMS, 0);
    tableTerms(table, s2, TERMS, 3);
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
    let e = t * ENTRIES;
    for (let m = 0; m < 3; m++) {
      const am = ga[m]!;
      const bm = gb[m]!;
      const f1 = area * p1 * am;
      const f2 = area * p2 * bm;
      const ux = unknowns[6 * t + 2 * m]!;
      const uz = unknowns[6 * t + 2 * m + 1]!;
      force[ux] = force[ux]! + f1 * cu - f2 * su;
      force[uz] = force[uz]! + f1 * su + f2 * cu;
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
        columns[entries[e]!] = columns[entries[e]!]! + r11 * cu - r12 * su;
        columns[entries[e + 1]!] = columns[entries[e + 1]!]! + r21 * su + r22 * cu;
        columns[entries[e + 2]!] = columns[entries[e + 2]!]! + r21 * cu - r22 * su;
        e += 3;
        if (m === n) continue;
        columns[entries[e]!] = columns[entries[e]!]! + r11 * su + r12 * cu;
        e += 1;
      }
    }
  }
  return total;
}
