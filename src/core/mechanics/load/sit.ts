import { SHEAR_SHARE } from '../../foam';
import { mixer } from '../../mixing';
import { foamSprings, strainsAt, type Columns } from './columns';
import { carried, sagOf, type DeckNet } from './deck';
import { imbalance, settle, type Pulled, type Settled } from './settle';

/** Padding on a grid, at rest under its cover, ready to be sat on. */
export type Bed = {
  columns: number;
  rows: number;
  step: number;
  x0: number;
  y0: number;
  there: Uint8Array;
  /** 1 where the board lies below: only there can the padding bottom out */
  board: Uint8Array;
  /** height before covering, and as covered, mm */
  rest: Float64Array;
  height: Float64Array;
  /** the board's top face */
  base: Float64Array;
  layers: Columns;
  /** layers that are padding proper */
  foams: readonly number[];
  pull: number;
};

/** Something sat on: where it came to rest and what it does to the padding. Lengths mm, pressures N/mm², force N. */
export type SitResult = {
  load: number;
  /** how far the form has gone down from where it first touched */
  sink: number;
  /** height of the form's lowest place over the reference plane */
  lowest: number;
  peakPressure: number;
  meanPressure: number;
  /** mm² */
  contactArea: number;
  /** padding left over the board at the place where least is */
  leastLeft: number;
  leastAt: [number, number];
  /** highest strain of each layer under the load */
  strains: number[];
  /** pressure on each node, and the height of the loaded surface */
  pressure: Float64Array;
  height: Float64Array;
  converged: boolean;
  /** force found ÷ force wanted − 1 */
  residual: number;
};

/** Shear stiffness of all layers at each node, N/mm. */
export function shearOf(layers: Columns): Float64Array {
  const n = layers.thickness[0]?.length ?? 0;
  const shear = new Float64Array(n);
  layers.thickness.forEach((t, k) => {
    const g = (SHEAR_SHARE * layers.foams[k]!.curve.plateau) / 3;
    for (let i = 0; i < n; i++) shear[i]! += g * t[i]!;
  });
  return shear;
}

/** The load is met when the force is this near. */
const NEAR = 0.002;
const MOST_TRIES = 40;

type Found = Pick<Settled, 'height' | 'pressure' | 'contact' | 'converged'>;

/** A form over its padding: where it first touches, how deep the padding is at most, and the force at a depth. */
type Presser = {
  touch: number;
  most: number;
  /** presses the form to where its lowest place is at a height; the force that takes, N */
  at: (lowest: number) => number;
  /** what was found last */
  found: () => Found;
};

/** Sets a form over the padding; each depth begins from what the last one came to. */
function presserOf(bed: Bed, underside: (x: number, y: number) => number): Presser {
  const { columns, rows, step, there, rest, height, layers } = bed;
  const n = columns * rows;
  const form = new Float64Array(n).fill(Infinity);
  let touch = -Infinity;
  let most = 0;
  for (let i = 0; i < n; i++) {
    if (!there[i]) continue;
    form[i] = underside(bed.x0 + (i % columns) * step, bed.y0 + Math.floor(i / columns) * step);
    touch = Math.max(touch, height[i]! - form[i]!);
    most = Math.max(most, rest[i]! - bed.base[i]!);
  }
  const problem: Pulled = {
    columns,
    rows,
    step,
    free: there,
    there,
    rest,
    springs: foamSprings(layers),
    pull: bed.pull,
    shear: shearOf(layers),
    steep: false,
  };
  // Unloaded, the padding is at rest as it was found: whatever the rim does to keep it so goes on doing it.
  problem.load = imbalance(problem, height).map((force) => -force / (step * step));
  let found: Found = { height: height.slice(), pressure: new Float64Array(n), contact: new Float64Array(n), converged: true };
  return {
    touch,
    most,
    at: (lowest) => {
      const over = form.map((z) => z + lowest);
      found = settle(
        { ...problem, over },
        found.height.map((h, i) => (there[i] ? Math.min(h, over[i]!) : h)),
        found.contact,
      );
      return found.contact.reduce((sum, f) => sum + f, 0);
    },
    found: () => found,
  };
}

/**
 * The force that a rigid form takes to be pressed in to a depth.
 *
 * @param bed the padding
 * @param underside of the form over its lowest place at a plan point, mm
 * @param depth below where it first touches, mm
 * @returns N, and whether it came to rest
 */
export function forceAt(bed: Bed, underside: (x: number, y: number) => number, depth: number): { force: number; converged: boolean } {
  const presser = presserOf(bed, underside);
  const force = presser.at(presser.touch - depth);
  return { force, converged: presser.found().converged };
}

/**
 * Presses a rigid form into the padding until it bears a load: one-sided contact, layers in series under each place,
 * shear between neighbouring columns, the cover in tension around. Source: docs/models.md, "Sit".
 *
 * @param bed the padding
 * @param underside of the form over its lowest place at a plan point, mm; Infinity where there is none
 * @param load N
 */
export function sitOn(bed: Bed, underside: (x: number, y: number) => number, load: number): SitResult {
  const { touch, most, at, found } = presserOf(bed, underside);
  // The force grows without end as the foam shuts: the depth is found between a touch and next to nothing left.
  let high = touch;
  let low = touch - most;
  let forceHigh = 0;
  let forceLow = Infinity;
  let lowest = touch - Math.min(0.25 * most, 25);
  let force = 0;
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    force = at(lowest);
    if (Math.abs(force / load - 1) < NEAR) break;
    if (force > load) [low, forceLow] = [lowest, force];
    else [high, forceHigh] = [lowest, force];
    if (forceLow === Infinity) {
      lowest -= 0.3 * (lowest - low);
    } else {
      // The force bends upwards with depth: between the two, its logarithm is nearly straight.
      const [a, b, c] = [Math.log(forceHigh + 0.02 * load), Math.log(forceLow + 0.02 * load), Math.log(1.02 * load)];
      const share = Math.min(0.92, Math.max(0.08, (c - a) / (b - a)));
      lowest = high + (low - high) * share;
      if (high - low < 1e-6) break;
    }
  }
  return {
    ...reading(bed, found(), bed.layers),
    load,
    sink: touch - lowest,
    lowest,
    residual: force / load - 1,
    converged: found().converged && Math.abs(force / load - 1) < 0.005,
  };
}

/** Something sat on over a deck: the bed as it lies on the deck that went down, and how far that is. */
export type SatOnDeck = { result: SitResult; bed: Bed; down: Float64Array; most: number };

/** The deck is at rest when no place of it goes down by more than this from one round to the next, mm. */
const DECK_REST = 0.4;
const DECK_ROUNDS = 24;

/**
 * Sits on padding that lies on a deck: what the padding passes on draws the deck down, and the padding goes with it, until
 * neither moves. Source: docs/models.md, "Webbing and springs".
 *
 * @param bed the padding over the deck as it is unloaded
 * @param underside as for `sitOn`, of a body on a deck that went down so far
 * @param load N
 * @param net the deck, its nodes on the bed's
 */
export function sitOnDeck(bed: Bed, underside: (x: number, y: number, drop: number) => number, load: number, net: DeckNet): SatOnDeck {
  const unloaded = foamPressure(bed, bed.height);
  const mix = mixer(4);
  let down = new Float64Array(bed.rest.length);
  let touch: number | null = null;
  for (let round = 1; ; round++) {
    const less = (z: number, i: number): number => z - down[i]!;
    const lower: Bed = { ...bed, rest: bed.rest.map(less), height: bed.height.map(less), base: bed.base.map(less) };
    const drop = Math.max(...down);
    const result = sitOn(lower, (x, y) => underside(x, y, drop), load);
    touch ??= result.lowest + result.sink;
    const passed = foamPressure(lower, result.height).map((p, i) => Math.max(0, p - unloaded[i]!));
    const next = carried(sagOf(net, carried(passed, bed, net)), net, bed);
    const change = next.reduce((most, w, i) => Math.max(most, Math.abs(w - down[i]!)), 0);
    if (change < DECK_REST || round === DECK_ROUNDS)
      return {
        // It goes down from where it first touched the padding on the deck as it was.
        result: { ...result, sink: touch - result.lowest, converged: result.converged && change < DECK_REST },
        bed: lower,
        down,
        most: Math.max(...down),
      };
    const half = next.map((w, i) => (w + down[i]!) / 2);
    down = mix.next(down, half).map((w) => Math.max(0, w));
  }
}

/**
 * What the foam passes on to what it lies on at each place, N/mm²: at the rim a loader bears on the cover's held edge as well,
 * which nobody feels as the board's.
 *
 * @param bed the padding
 * @param height of its surface
 */
export function foamPressure({ rest, layers }: Bed, height: Float64Array): Float64Array {
  const pressed = Float64Array.from(rest, (z, i) => z - height[i]!);
  const [p, k] = [new Float64Array(rest.length), new Float64Array(rest.length)];
  foamSprings(layers).read(pressed, p, k);
  return p;
}

/** What a loaded surface says of the padding under it. */
function reading(
  { columns, rows, step, there, board: overBoard, foams, x0, y0 }: Bed,
  found: { height: Float64Array; pressure: Float64Array; contact: Float64Array },
  layers: Columns,
): Omit<SitResult, 'load' | 'sink' | 'lowest' | 'residual' | 'converged'> {
  const n = columns * rows;
  const area = step * step;
  const pressure = found.contact.map((f) => Math.max(0, f) / area);
  let contactArea = 0;
  let sum = 0;
  let leastLeft = Infinity;
  let leastAt: [number, number] = [0, 0];
  let peak = 0;
  const strains = layers.foams.map(() => 0);
  for (let i = 0; i < n; i++) {
    if (!there[i] || found.contact[i]! <= 0) continue;
    contactArea += area;
    sum += found.contact[i]!;
    peak = Math.max(peak, smooth(pressure, there, i, columns, rows));
    const strain = strainsAt(layers, i, found.pressure[i]!);
    let left = 0;
    let padded = false;
    for (const k of foams) {
      const t = layers.thickness[k]![i]!;
      if (t <= 0) continue;
      padded = true;
      left += t * (1 - strain[k]!);
      strains[k] = Math.max(strains[k]!, strain[k]!);
    }
    // Where there is no padding, or only its carved-out rim, nothing is left to judge but the board.
    if (padded && overBoard[i] && left < leastLeft) {
      leastLeft = left;
      leastAt = [x0 + (i % columns) * step, y0 + Math.floor(i / columns) * step];
    }
  }
  return {
    peakPressure: peak,
    meanPressure: contactArea > 0 ? sum / contactArea : 0,
    contactArea,
    leastLeft: Number.isFinite(leastLeft) ? leastLeft : 0,
    leastAt,
    strains,
    pressure,
    height: found.height,
  };
}

/** A sensor is some 20 mm wide: the mean of a node and its neighbours. */
function smooth(pressure: Float64Array, there: Uint8Array, at: number, columns: number, rows: number): number {
  const [i, j] = [at % columns, Math.floor(at / columns)];
  let sum = 0;
  let count = 0;
  for (let dj = -1; dj <= 1; dj++)
    for (let di = -1; di <= 1; di++) {
      const [x, y] = [i + di, j + dj];
      if (x < 0 || y < 0 || x >= columns || y >= rows || !there[y * columns + x]) continue;
      sum += pressure[y * columns + x]!;
      count++;
    }
  return sum / count;
}
