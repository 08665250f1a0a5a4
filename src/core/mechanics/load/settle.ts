import { everySecond, overAll, type Springs } from './columns';
import { coarsen, hierarchy, levelOf, prepare, vCycle, type Level } from './multigrid';

/** A surface over springs, pulled by a cover: heights mm, pull N/mm, on a square grid row by row. */
export type Pulled = {
  columns: number;
  rows: number;
  step: number;
  /** 1 where the height is to be found, 0 where it is held or nothing is */
  free: Uint8Array;
  /** 1 where there is a surface at all; ties go only between such nodes */
  there: Uint8Array;
  /** height before covering: above it nothing presses */
  rest: Float64Array;
  springs: Springs;
  /** T of the cover */
  pull: number;
  /** what neighbouring columns pass on by shear, N/mm at each node */
  shear?: Float64Array;
  /** pressure from outside, upwards, N/mm² */
  load?: Float64Array;
  /** underside of something pressed in: the surface stays below it */
  over?: Float64Array;
  /** area of the surface as it is (true) or for gentle slopes only (false) */
  steep?: boolean;
};

/** A surface at rest. */
export type Settled = {
  height: Float64Array;
  /** pressure of the foam at each node, N/mm² */
  pressure: Float64Array;
  /** force with which the thing pressed in bears on each node, N; empty without one */
  contact: Float64Array;
  converged: boolean;
  rounds: number;
};

const MOST_ROUNDS = 60;
/** At rest when no height moves by more than this in a round, mm. */
const STILL = 1e-3;

/**
 * Finds the surface at rest: least Σ U(rest − h) + T·area, columns pressing one-sidedly, by Newton's method with a
 * multigrid solution of each step, begun from the same problem on a grid of twice the step.
 * Source: docs/models.md, "The crown surface".
 *
 * @param problem what is pulled over what
 * @param height first guess, with the held heights in their places
 * @param [borne] forces of an earlier answer, whose nodes in contact are the first guess of these
 */
export function settle(problem: Pulled, height: Float64Array, borne?: Float64Array): Settled {
  const { columns: n, rows: m } = problem;
  if (!problem.over && n > 24 && m > 24) {
    // The same on every second node gives the first guess; a thing pressed in brings its own.
    const coarse: Pulled = {
      ...problem,
      columns: (n + 1) >> 1,
      rows: (m + 1) >> 1,
      step: problem.step * 2,
      free: everySecond(problem.free, n, m),
      there: everySecond(problem.there, n, m),
      rest: everySecond(problem.rest, n, m),
      springs: problem.springs.coarser(n, m),
      ...(problem.shear && { shear: everySecond(problem.shear, n, m) }),
      ...(problem.load && { load: everySecond(problem.load, n, m) }),
    };
    const found = settle(coarse, everySecond(height, n, m));
    // What the foam gives, not the height itself: the foam's own shape is known on this grid.
    const given = overAll(
      coarse.rest.map((z, i) => z - found.height[i]!),
      coarse,
      n,
      m,
    );
    const guess = height.map((z, i) => (problem.free[i] && !Number.isNaN(given[i]!) ? problem.rest[i]! - given[i]! : z));
    return newton(problem, guess);
  }
  return newton(problem, height.slice(), borne);
}

function newton(problem: Pulled, h: Float64Array, borne?: Float64Array): Settled {
  const { columns: n, rows: m, step, free, there, rest, springs, shear, load, over, steep } = problem;
  const count = n * m;
  const area = step * step;
  const level = levelOf(n, m, free.slice());
  const levels = hierarchy(level);
  const c = new Float64Array(count);
  const p = new Float64Array(count);
  const k = new Float64Array(count);
  const bytes = new Uint8Array(count);
  if (over && borne) for (let i = 0; i < count; i++) bytes[i] = free[i] && borne[i]! > 0 && h[i]! >= over[i]! - 1e-6 ? 1 : 0;
  const contact = over ? new Float64Array(count) : new Float64Array(0);
  let converged = false;
  let rounds = 0;
  let last = Infinity;
  let share = 1;
  const before = new Float64Array(count);
  while (rounds < MOST_ROUNDS) {
    rounds++;
    for (let i = 0; i < count; i++) c[i] = there[i] ? rest[i]! - h[i]! : 0;
    springs.read(c, p, k);
    // Ties that do not hang on the slope, and springs and holds that are as they were, need not be carried down again.
    let fresh = rounds === 1 || Boolean(steep);
    if (fresh) weights(level, problem, h);
    // Right side of the step's linear problem.
    for (let i = 0; i < count; i++) {
      if (!there[i]) continue;
      const pressed = c[i]! > 0;
      const kappa = pressed ? k[i]! * area : 0;
      const loose = free[i]! && !bytes[i] ? 1 : 0;
      fresh ||= kappa !== level.kappa[i] || loose !== level.free[i];
      level.kappa[i] = kappa;
      level.free[i] = loose;
      level.b[i] = (pressed ? (p[i]! + k[i]! * h[i]!) * area : 0) + (load ? load[i]! * area : 0);
      level.h[i] = h[i]!;
    }
    if (shear) addRestShear(level, shear, rest, there);
    if (over) for (let i = 0; i < count; i++) if (bytes[i]) level.h[i] = over[i]!;
    if (fresh) {
      for (let l = 1; l < levels.length; l++) coarsen(levels[l - 1]!, levels[l]!);
      for (const each of levels) prepare(each);
    }
    vCycle(levels);
    if (over || rounds > 8) vCycle(levels);
    let largest = 0;
    before.set(h);
    for (let i = 0; i < count; i++) {
      if (!free[i]) continue;
      const change = level.h[i]! - h[i]!;
      largest = Math.max(largest, Math.abs(change));
    }
    // A round that moves more than the last did has overshot the foam's bend: go half as far.
    share = largest > 0.9 * last && rounds > 3 ? Math.max(0.25, share * 0.6) : Math.min(1, share * 1.3);
    for (let i = 0; i < count; i++) if (free[i]) h[i] = h[i]! + (bytes[i] ? 1 : share) * (level.h[i]! - h[i]!);
    last = largest;
    let switched = 0;
    if (over) switched = touch(level, problem, h, bytes, p, k, c, springs, contact);
    if (largest < STILL && switched === 0) {
      converged = true;
      break;
    }
  }
  for (let i = 0; i < count; i++) c[i] = there[i] ? rest[i]! - h[i]! : 0;
  springs.read(c, p, k);
  if (over) bearing(level, problem, h, p, bytes, contact);
  return { height: h, pressure: p, contact, converged, rounds };
}

/** Ties between neighbours: T over the slope's stretch, and shear. */
function weights(level: Level, problem: Pulled, h: Float64Array): void {
  const { columns: n, rows: m, there, pull, shear, steep } = problem;
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      const at = j * n + i;
      const right = i + 1 < n && there[at] && there[at + 1] ? at + 1 : -1;
      const up = j + 1 < m && there[at] && there[at + n] ? at + n : -1;
      level.east[at] =
        right < 0 ? 0 : (steep ? pull / stretch(problem, h, at, right, n) : pull) + (shear ? (shear[at]! + shear[right]!) / 2 : 0);
      level.north[at] = up < 0 ? 0 : (steep ? pull / stretch(problem, h, at, up, 1) : pull) + (shear ? (shear[at]! + shear[up]!) / 2 : 0);
    }
  }
}

/** How much longer the surface is than its plan at the tie of two neighbours; `aside` leads to those beside them. */
function stretch({ step, there }: Pulled, h: Float64Array, a: number, b: number, aside: number): number {
  const along = (h[b]! - h[a]!) / step;
  // The slope across is the mean of what lies on either side of the tie.
  let across = 0;
  let sides = 0;
  for (let at = a, twice = 0; twice < 2; at = b, twice++) {
    const here = h[at]!;
    if (at + aside < h.length && there[at + aside]) {
      across += h[at + aside]! - here;
      sides++;
    }
    if (at >= aside && there[at - aside]) {
      across += here - h[at - aside]!;
      sides++;
    }
  }
  const slope = sides > 0 ? across / sides / step : 0;
  return Math.sqrt(1 + along * along + slope * slope);
}

/** Shear answers to compression, not to height: the foam's own shape is taken off. */
function addRestShear({ columns: n, rows: m, b }: Level, shear: Float64Array, rest: Float64Array, there: Uint8Array): void {
  const add = (a: number, c: number): void => {
    if (!there[a] || !there[c]) return;
    const force = ((shear[a]! + shear[c]!) / 2) * (rest[c]! - rest[a]!);
    b[a] = b[a]! - force;
    b[c] = b[c]! + force;
  };
  for (let j = 0; j < m; j++)
    for (let i = 0; i < n; i++) {
      const at = j * n + i;
      if (i + 1 < n) add(at, at + 1);
      if (j + 1 < m) add(at, at + n);
    }
}

/** Force downwards that keeps each held node where it is, N. */
function bearing(level: Level, problem: Pulled, h: Float64Array, p: Float64Array, bytes: Uint8Array, contact: Float64Array): void {
  const { columns: n, rows: m, step, load, shear, rest } = problem;
  const { east, north } = level;
  const up = (at: number, other: number, tie: number): number => {
    if (!tie) return 0;
    const s = shear ? (shear[at]! + shear[other]!) / 2 : 0;
    return (tie - s) * (h[other]! - h[at]!) + s * (h[other]! - rest[other]! - h[at]! + rest[at]!);
  };
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      const at = j * n + i;
      contact[at] = 0;
      if (!bytes[at]) continue;
      let sum = (p[at]! + (load ? load[at]! : 0)) * step * step;
      if (i + 1 < n) sum += up(at, at + 1, east[at]!);
      if (i > 0) sum += up(at, at - 1, east[at - 1]!);
      if (j + 1 < m) sum += up(at, at + n, north[at]!);
      if (j > 0) sum += up(at, at - n, north[at - n]!);
      contact[at] = sum;
    }
  }
}

/** Nodes that have come up against what is pressed in are held by it; those it would have to pull are let go. */
function touch(
  level: Level,
  problem: Pulled,
  h: Float64Array,
  bytes: Uint8Array,
  p: Float64Array,
  k: Float64Array,
  c: Float64Array,
  springs: Springs,
  contact: Float64Array,
): number {
  const { over, free, rest, there } = problem;
  let switched = 0;
  for (let i = 0; i < h.length; i++) c[i] = there[i] ? rest[i]! - h[i]! : 0;
  springs.read(c, p, k, bytes);
  bearing(level, problem, h, p, bytes, contact);
  for (let i = 0; i < h.length; i++) {
    if (!free[i]) continue;
    if (bytes[i]) {
      if (contact[i]! < -1e-7) {
        bytes[i] = 0;
        switched++;
      }
    } else if (h[i]! > over![i]! + 1e-6) {
      h[i] = over![i]!;
      bytes[i] = 1;
      switched++;
    }
  }
  return switched;
}

/**
 * The force that is left over at each node of a surface, upwards, N.
 *
 * @param problem what is pulled over what
 * @param height of the surface
 */
export function imbalance(problem: Pulled, height: Float64Array): Float64Array {
  const { columns, rows, there, rest, springs } = problem;
  const level = levelOf(columns, rows, there.slice());
  weights(level, problem, height);
  const c = Float64Array.from(height, (h, i) => (there[i] ? rest[i]! - h : 0));
  const p = new Float64Array(c.length);
  springs.read(c, p, new Float64Array(c.length));
  const force = new Float64Array(c.length);
  bearing(level, problem, height, p, there, force);
  return force;
}
