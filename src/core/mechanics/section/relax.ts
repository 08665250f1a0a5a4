import { banded, clear, endsOf, entryAt, factor, solve, type Banded } from './banded';
import type { Edge, Mesh } from './mesh';
import { pullLine, type Start } from './string';
import { addTriangles, assemblyOf, type Sum } from './triangles';

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
/** A hard pull is put on in shares; on the way nobody needs the exact rest, only a start for the next. */
const SHARES = [0.05, 0.12, 0.25, 0.45, 0.7];
const ROUNDS_OF_A_SHARE = 8;
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
export function relax(mesh: Mesh, pull: number, start: Start, edge: Edge, from?: Float64Array): Relaxed {
  const problem = new Pulled(mesh, pull, start, edge);
  let at: Float64Array = from && from.length === mesh.at.length ? from.slice() : mesh.at.slice();
  let result = problem.descend(at);
  if (!result.converged) {
    // A hard pull on soft foam is put on in steps, each from the last one's rest.
    at = mesh.at.slice();
    let rounds = result.rounds;
    for (const share of SHARES) {
      problem.pull = pull * share;
      const part = problem.descend(at, ROUNDS_OF_A_SHARE);
      rounds += part.rounds;
      at = part.at;
    }
    problem.pull = pull;
    result = problem.descend(at);
    result = { ...result, rounds: rounds + result.rounds };
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
  edge: Edge,
): {
  unknowns: number;
  energy: (moved: ArrayLike<number>, slope?: { [i: number]: number }) => number;
  line: (moved: ArrayLike<number>) => Float64Array;
} {
  return new Pulled(mesh, pull, start, edge).asProblem();
}

class Pulled {
  private readonly matrix: Banded;
  private readonly into: Sum;
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
    private readonly edge: Edge,
  ) {
    this.matrix = banded(mesh.unknowns, mesh.width);
    this.matrix.last.set(endsOf(mesh.first));
    // One place more, for forces on what is held.
    this.force = new Float64Array(mesh.unknowns + 1);
    this.into = { assembly: assemblyOf(mesh, this.matrix), force: this.force, matrix: this.matrix };
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
    // It is held at the board's lower edge, or at the seam of a band.
    this.xs[places - 1] = edge.seam?.x ?? edge.x;
    this.zs[places - 1] = edge.seam?.z ?? edge.bottom;
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
        if (slope) for (let u = 0; u < mesh.unknowns; u++) slope[u] = this.force[u]!;
        return energy;
      },
      line: (moved) => this.line(placed(moved)),
    };
  }

  descend(from: Float64Array, most = MOST_ROUNDS): Relaxed {
    const { mesh } = this;
    let at: Float64Array = from.slice();
    let energy = this.sum(at, true);
    let rounds = 0;
    let converged = false;
    const rest = AT_REST * this.pull;
    while (rounds < most) {
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
    return addTriangles(this.mesh, at, full, this.exact, this.into) + this.cover(at, full) + this.obstacle(at, full) + this.band(at, full);
  }

  private add(i: number, j: number, value: number): void {
    const at = entryAt(this.matrix, i, j);
    this.matrix.columns[at] = this.matrix.columns[at]! + value;
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
      const value = order[i]!;
      const at = bearing[value]!;
      let j = i - 1;
      for (; j >= 1 && bearing[order[j]!]! > at; j--) order[j + 1] = order[j]!;
      order[j + 1] = value;
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
      const value = far ? 2 : 1;
      this.addPair(ax, az, kxx * value, kxz * value, kzz * value);
      this.addPair(bx, bz, kxx * value, kxz * value, kzz * value);
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

  /** A band stands straight: foam that would bulge beyond it is pressed back. */
  private band(at: Float64Array, full: boolean): number {
    const { mesh, edge, force } = this;
    if (!edge.seam) return 0;
    const stiff = HARD * mesh.laws[0]!.modulus;
    let total = 0;
    for (const k of mesh.banded) {
      const out = at[2 * k]! - edge.seam.x;
      const x = mesh.freeX[k]!;
      if (out <= 0 || x < 0) continue;
      total += 0.5 * stiff * out * out;
      if (!full) continue;
      force[x] = force[x]! + stiff * out;
      this.add(x, x, stiff);
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

function lowest(...places: number[]): number {
  return Math.min(...places.filter((u) => u >= 0));
}
