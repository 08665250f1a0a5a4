import { mixer } from '../../mixing';
import { bounds, distanceField, type GridPlaces, type Polygon } from '../../outline';

/**
 * A deck stretched in a frame, over the nodes of a grid: straps along both directions, each free to slide through the
 * others, so that each has one tension over its whole length. Tensions are N per mm of width.
 */
export type DeckNet = GridPlaces & {
  /** 1 where it hangs free, 0 on the rail and off the piece */
  free: Uint8Array;
  /** tension when put in, front to back */
  tension: number;
  /** side to side, as a share of that */
  across: number;
  /** how far it was stretched when put in, as a share of its length: ΔT = T·Δε / stretch */
  stretch: number;
};

/** At rest when no place goes down by more than this from one round to the next, mm. */
const REST = 0.02;
const MOST_ROUNDS = 60;
const WINDOW = 4;

/**
 * The net of a deck that hangs inside an outline, on nodes that lie on those of another grid and reach round it all.
 *
 * @param inner the rail's inner line
 * @param grid whose nodes it shares
 * @param deckNet how it pulls
 */
export function netOver(inner: Polygon, grid: GridPlaces, deckNet: Pick<DeckNet, 'tension' | 'across' | 'stretch'>): DeckNet {
  const { step } = grid;
  const box = bounds(inner);
  // One node beyond the rail's line on every side: a strap's end.
  const left = Math.floor((box.minX - grid.x0) / step) - 1;
  const front = Math.floor((box.minY - grid.y0) / step) - 1;
  const places: GridPlaces = {
    x0: grid.x0 + left * step,
    y0: grid.y0 + front * step,
    step,
    columns: Math.ceil((box.maxX - grid.x0) / step) + 2 - left,
    rows: Math.ceil((box.maxY - grid.y0) / step) + 2 - front,
  };
  return { ...places, ...deckNet, free: distanceField(inner, places, step).inside };
}

/**
 * Values of one grid on the nodes of another that shares them; 0 where the first has none.
 *
 * @param values on `from`
 * @param from their grid
 * @param to the other
 */
export function carried(values: Float64Array, from: GridPlaces, to: GridPlaces): Float64Array {
  const out = new Float64Array(to.columns * to.rows);
  const [di, dj] = [Math.round((to.x0 - from.x0) / from.step), Math.round((to.y0 - from.y0) / from.step)];
  for (let j = 0; j < to.rows; j++)
    for (let i = 0; i < to.columns; i++) {
      const [u, v] = [i + di, j + dj];
      if (u >= 0 && v >= 0 && u < from.columns && v < from.rows) out[j * to.columns + i] = values[v * from.columns + u]!;
    }
  return out;
}

/** A run of free nodes in one row or column: one strap. Starts at `from`, `count` nodes, `by` apart in memory. */
type Run = { from: number; by: number; count: number };

function runsOf({ free, columns, rows }: DeckNet): { across: Run[]; along: Run[] } {
  const collect = (lines: number, length: number, start: (line: number) => number, by: number): Run[] => {
    const runs: Run[] = [];
    for (let line = 0; line < lines; line++) {
      let count = 0;
      for (let k = 0; k <= length; k++) {
        const at = start(line) + k * by;
        if (k < length && free[at]) count += 1;
        else if (count > 0) {
          runs.push({ from: at - count * by, by, count });
          count = 0;
        }
      }
    }
    return runs;
  };
  return {
    across: collect(rows, columns, (j) => j * columns, 1),
    along: collect(columns, rows, (i) => i, columns),
  };
}

/** How much longer a strap is for hanging down, as a share of its length. Its ends lie on the rail, one step beyond its last nodes. */
function stretchOf({ from, by, count }: Run, down: Float64Array, step: number): number {
  let long = 0;
  let before = 0;
  for (let k = 0; k <= count; k++) {
    const here = k < count ? down[from + k * by]! : 0;
    long += Math.hypot(step, here - before);
    before = here;
  }
  return long / ((count + 1) * step) - 1;
}

/** Fills the tension of every node of every run. */
function tensions(runs: readonly Run[], down: Float64Array, { step, stretch }: DeckNet, begun: number, into: Float64Array): void {
  for (const run of runs) {
    const tension = begun * (1 + stretchOf(run, down, step) / stretch);
    for (let k = 0; k < run.count; k++) into[run.from + k * run.by] = tension;
  }
}

/** −∇·(T∇w) = p on the free nodes with w = 0 beside them, by conjugate gradients from the last answer. */
function hang(
  { free, columns, step }: DeckNet,
  along: Float64Array,
  across: Float64Array,
  pressure: Float64Array,
  down: Float64Array,
): void {
  const n = free.length;
  const square = step * step;
  const times = (v: Float64Array, into: Float64Array): void => {
    for (let i = 0; i < n; i++) {
      if (!free[i]) continue;
      // Tensions are a strap's own, so the two sides of a node pull alike and the matrix is symmetric.
      into[i] = across[i]! * (2 * v[i]! - v[i - 1]! - v[i + 1]!) + along[i]! * (2 * v[i]! - v[i - columns]! - v[i + columns]!);
    }
  };
  const [r, d, q] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  times(down, q);
  let rest = 0;
  let whole = 0;
  for (let i = 0; i < n; i++) {
    if (!free[i]) continue;
    const wanted = pressure[i]! * square;
    r[i] = d[i] = wanted - q[i]!;
    rest += r[i]! ** 2;
    whole += wanted ** 2;
  }
  for (let round = 0; round < 600 && rest > 1e-12 * whole + 1e-18; round++) {
    times(d, q);
    let dq = 0;
    for (let i = 0; i < n; i++) dq += d[i]! * q[i]!;
    if (!(dq > 0)) break;
    const share = rest / dq;
    let next = 0;
    for (let i = 0; i < n; i++) {
      down[i]! += share * d[i]!;
      r[i]! -= share * q[i]!;
      next += r[i]! ** 2;
    }
    const turn = next / rest;
    for (let i = 0; i < n; i++) d[i] = r[i]! + turn * d[i]!;
    rest = next;
  }
}

/**
 * How far a deck goes down under a pressure: straps in tension, which grow tighter as they are drawn out. Source: the
 * equilibrium of a string, T·w″ = −p, in both directions; docs/models.md, "Webbing and springs".
 *
 * @param net the deck
 * @param pressure on each node, N/mm²
 * @param [begun] an answer to begin from
 * @returns mm down at each node
 */
export function sagOf(net: DeckNet, pressure: Float64Array, begun?: Float64Array): Float64Array {
  const { along, across } = runsOf(net);
  let down = begun ? Float64Array.from(begun) : new Float64Array(net.free.length);
  const [ty, tx] = [new Float64Array(net.free.length), new Float64Array(net.free.length)];
  const mix = mixer(WINDOW);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    tensions(along, down, net, net.tension, ty);
    tensions(across, down, net, net.tension * net.across, tx);
    const next = Float64Array.from(down);
    hang(net, ty, tx, pressure, next);
    const change = next.reduce((most, w, i) => Math.max(most, Math.abs(w - down[i]!)), 0);
    if (change < REST) return next;
    // Going by halves keeps a slack deck, which tightens most, from swinging.
    const half = next.map((w, i) => (w + down[i]!) / 2);
    down = mix.next(down, half).map((w, i) => (net.free[i] ? Math.max(0, w) : 0));
  }
  return down;
}

/** The tension is found when the hand goes down by what was measured but for this share. */
const GIVE_FOUND = 2e-4;
/** A hand leant on a deck bears on a round so wide, mm. */
const HAND = 50;

/**
 * The tension a deck was put in with, from how far it goes down when a hand is leant on its middle.
 *
 * @param net the deck; its own tension is not read
 * @param give how far it goes down, mm
 * @param force of the hand, N
 * @returns N per mm of width, front to back
 */
export function tensionFor(net: DeckNet, give: number, force: number): number {
  const pressure = handOn(net, force);
  let low = 1e-3;
  let high = 1e3;
  let tension = 1;
  // A taut deck goes down as 1 / tension, a slack one as its cube root: between logarithms the slope lies from −1 to −1/3.
  let slope = -2 / 3;
  let last: { tension: number; miss: number } | null = null;
  let down: Float64Array | undefined;
  for (let round = 0; round < 40 && high / low > 1.002; round++) {
    down = sagOf({ ...net, tension }, pressure, down);
    const miss = Math.log(Math.max(...down) / give);
    if (Math.abs(miss) < GIVE_FOUND) return tension;
    if (miss > 0) low = tension;
    else high = tension;
    if (last) slope = Math.min(-1 / 3, Math.max(-1, (miss - last.miss) / Math.log(tension / last.tension)));
    last = { tension, miss };
    const next: number = tension * Math.exp(-miss / slope);
    tension = next > low && next < high ? next : Math.sqrt(low * high);
  }
  return tension;
}

/** The pressure of a hand where a deck is farthest from its rail. */
function handOn(net: DeckNet, force: number): Float64Array {
  const { free, columns, step } = net;
  const inner = [...free.keys()].filter((i) => free[i]);
  // In the middle, where a hand tries it; of a deck with a post through its middle, as near to it as there are straps.
  const mx = inner.reduce((sum, i) => sum + (i % columns), 0) / Math.max(1, inner.length);
  const my = inner.reduce((sum, i) => sum + Math.floor(i / columns), 0) / Math.max(1, inner.length);
  const away = (i: number): number => Math.hypot((i % columns) - mx, Math.floor(i / columns) - my) * step;
  const nearest = Math.min(...inner.map(away));
  const under = inner.filter((i) => away(i) <= Math.max(HAND, nearest + 1e-9));
  const pressure = new Float64Array(free.length);
  for (const i of under) pressure[i] = force / (under.length * step * step);
  return pressure;
}
