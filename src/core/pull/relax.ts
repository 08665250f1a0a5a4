import { banded, clear, factor, solve, type Banded } from './banded';
import { stretchTerms } from './law';
import type { Mesh } from './mesh';
import { pullLine, type Start } from './string';

/** How a relaxation went. */
export type Relaxed = {
  /** where the nodes came to rest, pairs x, z */
  at: Float64Array;
  /** places the cover touches, in order: pairs x, z */
  line: Float64Array;
  converged: boolean;
  rounds: number;
};

/** Out-of-balance force at any node for which the shape is at rest, as a share of the pull. */
const AT_REST = 2e-4;
/** The same in energy, as a length of cover, mm. */
const CALM = 1e-3;
const MOST_ROUNDS = 45;
/** The board's edge pushes foam out with this many times the foam's modulus, per mm. */
const HARD = 40;
const HALVINGS = 24;

/**
 * Finds where foam and cover come to rest: the least foam energy + pull × length of the covered line, by Newton's
 * method, halving a step that does not lead down; where the stiffness is not positive it is made so, triangle by triangle.
 *
 * @param mesh the foam
 * @param pull T in N/mm
 * @param start where the cover begins in the middle
 * @param edge the board's edge: x, top and bottom, mm; the cover is held at its lower end
 * @param [from] a shape to begin with
 */
export function relax(
  mesh: Mesh,
  pull: number,
  start: Start,
  edge: { x: number; top: number; bottom: number },
  from?: Float64Array,
): Relaxed {
  const problem = new Pulled(mesh, pull, start, edge);
  let at: Float64Array = from && from.length === mesh.at.length ? from.slice() : mesh.at.slice();
  let result = problem.descend(at);
  if (!result.converged) {
    // A hard pull on soft foam is put on in steps, each from the last one's rest.
    at = mesh.at.slice();
    let rounds = result.rounds;
    for (const share of [0.05, 0.12, 0.25, 0.45, 0.7, 1]) {
      problem.pull = pull * share;
      result = problem.descend(at);
      rounds += result.rounds;
      at = result.at;
    }
    result = { ...result, rounds };
  }
  return result;
}

/**
 * The same problem for somebody else's optimiser: the energy over the unknown displacements, and its slope.
 *
 * @param mesh the foam
 * @param pull T in N/mm
 * @param start where the cover begins in the middle
 * @param edge the board's edge
 */
export function pulledProblem(
  mesh: Mesh,
  pull: number,
  start: Start,
  edge: { x: number; top: number; bottom: number },
): {
  unknowns: number;
  energy: (moved: ArrayLike<number>, slope?: { [i: number]: number }) => number;
  line: (moved: ArrayLike<number>) => Float64Array;
} {
  return new Pulled(mesh, pull, start, edge).asProblem();
}

/** Scratch of one triangle: terms of its two stretches. */
const TERMS = new Float64Array(6);

class Pulled {
  private readonly matrix: Banded;
  private readonly force: Float64Array;
  private readonly step: Float64Array;
  private readonly xs: Float64Array;
  private readonly zs: Float64Array;
  /** node of each place of the line, −1 for places that do not move */
  private readonly nodeOf: Int32Array;
  private readonly path: Int32Array;
  /** places in the order the line passes them, as it was last found */
  private readonly order: Int32Array;
  private readonly bearing: Float64Array;

  private exact = true;

  constructor(
    private readonly mesh: Mesh,
    public pull: number,
    private readonly start: Start,
    private readonly edge: { x: number; top: number; bottom: number },
  ) {
    this.matrix = banded(mesh.unknowns, mesh.width);
    this.matrix.first.set(mesh.first);
    this.force = new Float64Array(mesh.unknowns);
    this.step = new Float64Array(mesh.unknowns);
    const lifted = start.height !== null;
    const fixed = mesh.beyond.length / 2 + 1;
    const places = mesh.face.length + fixed + (lifted ? 1 : 0);
    this.xs = new Float64Array(places);
    this.zs = new Float64Array(places);
    this.nodeOf = new Int32Array(places).fill(-1);
    mesh.face.forEach((k, i) => (this.nodeOf[i + (lifted ? 1 : 0)] = k));
    this.path = new Int32Array(places);
    this.order = Int32Array.from({ length: places }, (_, i) => i);
    this.bearing = new Float64Array(places);
    if (lifted) this.zs[0] = start.height!;
    for (let i = 0; i < fixed - 1; i++) {
      this.xs[places - fixed + i] = mesh.beyond[2 * i]!;
      this.zs[places - fixed + i] = mesh.beyond[2 * i + 1]!;
    }
    this.xs[places - 1] = edge.x;
    this.zs[places - 1] = edge.bottom;
  }

  asProblem(): ReturnType<typeof pulledProblem> {
    const { mesh } = this;
    const placed = (moved: ArrayLike<number>): Float64Array => {
      for (let u = 0; u < this.step.length; u++) this.step[u] = moved[u]!;
      return this.moved(mesh.at, 1);
    };
    return {
      unknowns: mesh.unknowns,
      energy: (moved, slope) => {
        const energy = this.sum(placed(moved), slope !== undefined);
        if (slope) this.force.forEach((f, u) => (slope[u] = f));
        return energy;
      },
      line: (moved) => this.line(placed(moved)),
    };
  }

  descend(from: Float64Array): Relaxed {
    const { mesh } = this;
    let at: Float64Array = from.slice();
    let energy = this.sum(at, true);
    let rounds = 0;
    let converged = false;
    const rest = AT_REST * this.pull;
    while (rounds < MOST_ROUNDS) {
      let worst = 0;
      for (let u = 0; u < mesh.unknowns; u++) worst = Math.max(worst, Math.abs(this.force[u]!));
      if (worst <= rest) {
        converged = true;
        break;
      }
      rounds++;
      const { step } = this;
      for (let u = 0; u < step.length; u++) step[u] = -this.force[u]!;
      if (!factor(this.matrix)) {
        // Past a place where pressed foam could give sideways: the stiffness is made positive, triangle by triangle.
        this.exact = false;
        this.sum(at, true);
        this.exact = true;
        if (!factor(this.matrix)) break;
      }
      solve(this.matrix, step);
      let slope = 0;
      for (let u = 0; u < step.length; u++) slope += step[u]! * this.force[u]!;
      if (-slope <= CALM * this.pull) {
        // What is left to gain is worth less than a thousandth of a millimetre of cover.
        const last = this.moved(at, 1);
        if (this.sum(last, false) <= energy) at = last;
        converged = true;
        break;
      }
      let share = 1;
      let next = at;
      let reached = Infinity;
      let halvings = 0;
      for (; halvings < HALVINGS; halvings++, share /= 2) {
        next = this.moved(at, share);
        // The whole step is taken nearly always: its forces are worked out at once.
        reached = this.sum(next, halvings === 0);
        if (reached <= energy + 1e-4 * share * slope + 1e-13 * Math.abs(energy)) break;
      }
      if (halvings === HALVINGS) {
        // No lower place along the step within rounding: at rest as well as numbers can say.
        converged = worst <= 20 * rest || -slope <= 20 * CALM * this.pull;
        break;
      }

      at = next;
      energy = halvings === 0 ? reached : this.sum(at, true);
    }
    return { at, line: this.line(at), converged, rounds };
  }

  private moved(at: Float64Array, share: number): Float64Array {
    const { freeX, freeZ, nodes } = this.mesh;
    const next = at.slice();
    for (let k = 0; k < nodes; k++) {
      if (freeX[k]! >= 0) next[2 * k] = next[2 * k]! + share * this.step[freeX[k]!]!;
      if (freeZ[k]! >= 0) next[2 * k + 1] = next[2 * k + 1]! + share * this.step[freeZ[k]!]!;
    }
    return next;
  }

  /** The whole energy at a shape, N; with `full` its forces and stiffness too. */
  private sum(at: Float64Array, full: boolean): number {
    if (full) {
      this.force.fill(0);
      clear(this.matrix);
    }
    return this.foam(at, full) + this.cover(at, full) + this.obstacle(at, full);
  }

  private foam(at: Float64Array, full: boolean): number {
    const { triangles, shape, laws, lawOf, freeX, freeZ } = this.mesh;
    const { force } = this;
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
      const a1 = R > 1e-14 ? Math.atan2(G, F) : 0;
      const a2 = Math.atan2(H, E);
      const phi = (a2 + a1) / 2;
      const theta = (a1 - a2) / 2;
      const cu = Math.cos(phi);
      const su = Math.sin(phi);
      const cv = Math.cos(theta);
      const sv = Math.sin(theta);
      // u1 = (cu, su), u2 = (−su, cu); v1 = (cv, sv), v2 = (−sv, cv).
      const p1 = TERMS[1]!;
      const p2 = TERMS[4]!;
      const e1 = Math.max(0, TERMS[2]!);
      const e2 = Math.max(0, TERMS[5]!);
      const turn = (p1 + p2) / Math.max(s1 + s2, 1e-3);
      const twist = turn < 0 && !this.exact ? 0 : turn;
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
        for (let n = 0; n < 3; n++) {
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
          this.add(fx[m]!, fx[n]!, r11 * cu - r12 * su);
          this.add(fx[m]!, fz[n]!, r11 * su + r12 * cu);
          this.add(fz[m]!, fx[n]!, r21 * cu - r22 * su);
          this.add(fz[m]!, fz[n]!, r21 * su + r22 * cu);
        }
      }
    }
    return total;
  }

  private add(i: number, j: number, value: number): void {
    // Only the lower half is kept.
    if (j < 0 || i < j) return;
    const { rows, width } = this.matrix;
    const at = i * (width + 1) + width - i + j;
    rows[at] = rows[at]! + value;
  }

  private laid(at: Float64Array): number {
    const { xs, zs, nodeOf, path } = this;
    for (let i = 0; i < nodeOf.length; i++) {
      const k = nodeOf[i]!;
      if (k < 0) continue;
      xs[i] = at[2 * k]!;
      zs[i] = at[2 * k + 1]!;
    }
    this.sort();
    return pullLine(xs, zs, this.order, path);
  }

  /**
   * Puts the places between the first and the last in the order of their bearing from inside the board, clockwise:
   * crushed foam may have changed places. Nearly sorted already, so each is moved down until it fits.
   */
  private sort(): void {
    const { xs, zs, order, bearing, edge } = this;
    const [ox, oz] = [edge.x / 2, (edge.top + edge.bottom) / 2];
    for (let i = 0; i < xs.length; i++) bearing[i] = Math.atan2(xs[i]! - ox, zs[i]! - oz);
    for (let i = 2; i < order.length - 1; i++) {
      const own = order[i]!;
      const at = bearing[own]!;
      let j = i - 1;
      for (; j >= 1 && bearing[order[j]!]! > at; j--) order[j + 1] = order[j]!;
      order[j + 1] = own;
    }
  }

  private cover(at: Float64Array, full: boolean): number {
    const { xs, zs, nodeOf, path, pull, force } = this;
    const { freeX, freeZ } = this.mesh;
    const n = this.laid(at);
    let length = 0;
    const first = nodeOf[path[0]!]!;
    if (first >= 0) {
      // What lies beyond the middle pulls along the slope there.
      const steep = this.start.slope / Math.hypot(1, this.start.slope);
      length += steep * zs[path[0]!]!;
      if (full && freeZ[first]! >= 0) force[freeZ[first]!] = force[freeZ[first]!]! + pull * steep;
    }
    for (let i = 1; i < n; i++) {
      const [p, q] = [path[i - 1]!, path[i]!];
      const [dx, dz] = [xs[q]! - xs[p]!, zs[q]! - zs[p]!];
      const l = Math.hypot(dx, dz);
      length += l;
      if (!full || l < 1e-12) continue;
      const [tx, tz] = [dx / l, dz / l];
      const [a, b] = [nodeOf[p]!, nodeOf[q]!];
      const [ax, az] = a >= 0 ? [freeX[a]!, freeZ[a]!] : [-1, -1];
      const [bx, bz] = b >= 0 ? [freeX[b]!, freeZ[b]!] : [-1, -1];
      if (ax >= 0) force[ax] = force[ax]! - pull * tx;
      if (az >= 0) force[az] = force[az]! - pull * tz;
      if (bx >= 0) force[bx] = force[bx]! + pull * tx;
      if (bz >= 0) force[bz] = force[bz]! + pull * tz;
      const stiff = pull / Math.max(l, 0.05);
      const [kxx, kxz, kzz] = [stiff * tz * tz, -stiff * tx * tz, stiff * tx * tx];
      // Two places far apart along the line have no room for their coupling: each is held twice as hard instead.
      const far = a >= 0 && b >= 0 && Math.max(ax, az, bx, bz) - lowest(ax, az, bx, bz) > this.matrix.width;
      const own = far ? 2 : 1;
      this.addPair(ax, az, kxx * own, kxz * own, kzz * own);
      this.addPair(bx, bz, kxx * own, kxz * own, kzz * own);
      if (far || a < 0 || b < 0) continue;
      this.addEither(ax, bx, -kxx);
      this.addEither(ax, bz, -kxz);
      this.addEither(az, bx, -kxz);
      this.addEither(az, bz, -kzz);
    }
    return pull * length;
  }

  private addPair(x: number, z: number, kxx: number, kxz: number, kzz: number): void {
    if (x >= 0) this.add(x, x, kxx);
    if (z >= 0) this.add(z, z, kzz);
    if (x >= 0 && z >= 0) this.addEither(x, z, kxz);
  }

  private addEither(i: number, j: number, value: number): void {
    if (i < 0 || j < 0) return;
    if (i >= j) this.add(i, j, value);
    else this.add(j, i, value);
  }

  /** Foam that would reach into the board's edge is pushed out, the nearer way. */
  private obstacle(at: Float64Array, full: boolean): number {
    const { mesh, edge, force } = this;
    let total = 0;
    for (const k of mesh.under) {
      const into = edge.x - at[2 * k]!;
      const down = edge.top - at[2 * k + 1]!;
      if (into <= 0 || down <= 0) continue;
      // dx·dz / √(dx² + dz²) is the depth to the nearer face, rounded where both are as near: no kink to hang on.
      const stiff = HARD * mesh.laws[0]!.modulus;
      const r = Math.sqrt(into * into + down * down);
      const depth = (into * down) / r;
      total += 0.5 * stiff * depth * depth;
      if (!full) continue;
      const gx = -((down / r) ** 3);
      const gz = -((into / r) ** 3);
      const [x, z] = [mesh.freeX[k]!, mesh.freeZ[k]!];
      if (x >= 0) force[x] = force[x]! + stiff * depth * gx;
      if (z >= 0) force[z] = force[z]! + stiff * depth * gz;
      this.addPair(x, z, stiff * gx * gx, stiff * gx * gz, stiff * gz * gz);
    }
    return total;
  }

  private line(at: Float64Array): Float64Array {
    const n = this.laid(at);
    const out = new Float64Array(2 * n);
    for (let i = 0; i < n; i++) {
      out[2 * i] = this.xs[this.path[i]!]!;
      out[2 * i + 1] = this.zs[this.path[i]!]!;
    }
    return out;
  }
}

const GA = new Float64Array(3);
const GB = new Float64Array(3);
const FX = new Int32Array(3);
const FZ = new Int32Array(3);

function lowest(...places: number[]): number {
  return Math.min(...places.filter((u) => u >= 0));
}
