import { mixer } from '../../mixing';
import type { Bed } from './bed';
import { foamSprings, strainsAt, type Columns } from './columns';
import { carried, sagOf, type DeckNet } from './deck';
import { presserOf, pressTo, type Begun, type Rested, type Underside } from './presser';

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
export function sitOn(bed: Bed, underside: Underside, load: number): SitResult {
  return resultOf(bed, load, pressTo(bed, underside, load));
}

/** What a form that came to rest on padding says of it. */
function resultOf(bed: Bed, load: number, { lowest, force, touch, found }: Rested): SitResult {
  return {
    ...reading(bed, found, bed.layers),
    load,
    sink: touch - lowest,
    lowest,
    residual: force / load - 1,
    converged: found.converged && Math.abs(force / load - 1) < 0.005,
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
  let begun: Begun | undefined;
  for (let round = 1; ; round++) {
    const less = (z: number, i: number): number => z - down[i]!;
    const lower: Bed = { ...bed, rest: bed.rest.map(less), height: bed.height.map(less), base: bed.base.map(less) };
    const drop = Math.max(...down);
    const rested = pressTo(lower, (x, y) => underside(x, y, drop), load, begun);
    const result = resultOf(lower, load, rested);
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
    const lain = down;
    down = mix.next(down, half).map((w) => Math.max(0, w));
    // The next round begins as this one came to rest, gone down by as much as the deck has.
    const height = rested.found.height.map((z, i) => z - down[i]! + lain[i]!);
    begun = { slope: rested.slope, lowest: rested.lowest - Math.max(...down) + drop, found: { ...rested.found, height } };
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
