import { snappedPoint } from '../ties';
import { differenceD, FillRule } from 'clipper2-ts';
import { bounds, polygonArea, type Point, type Polygon } from '../outline';
import { between, chainsOf, forbidden, type Chains } from './chains';
import { atOrigin, grown, isBox, turned } from './turned';
import type { LayBin, LayPlace, LayRepeat, LayShape, LayTask, Turn } from './types';

/** A shape one way round, ready to be laid: its chains with half the gap round it. */
type Ready = { turn: Turn; chains: Chains; width: number; height: number; motif: Point | null; box: boolean };
/** A shape every way it may be laid. */
export type ReadyShape = { shape: LayShape; ways: Ready[]; area: number };

/** What lies in a bin already: a piece, a flaw, the corner that an offcut lacks. */
type Lying = { chains: Chains; x: number; y: number };
/** A bin as it is being filled. */
export type Filling = { bin: LayBin; lying: Lying[]; top: number; floor: number; tops: number[]; under: (many: number) => number };

const SMALL = 1e-6;

/**
 * Shapes made ready; pieces that are cut alike share their chains.
 *
 * @param shapes to lay
 * @param gap between two, mm
 * @param [boxed] each as its box: a first lay is there sooner
 */
export function readied(shapes: readonly LayShape[], gap: number, boxed = false): ReadyShape[] {
  const retained = new Map<string, { ways: Ready[]; area: number }>();
  return shapes.map((shape) => {
    const key = JSON.stringify([shape.outline, shape.turns, shape.motif]);
    let item = retained.get(key);
    if (!item) {
      const ways = shape.turns.map((turn): Ready => {
        const item = turned(shape.outline.map(snappedPoint), turn, shape.motif);
        const { point } = item;
        const { width, height } = bounds(item.outline);
        const outline = boxed ? boxOf(width, height) : item.outline;
        return { turn, chains: chainsOf(atOrigin(grown(outline, gap / 2)).outline), width, height, motif: point, box: isBox(outline) };
      });
      item = { ways, area: Math.abs(polygonArea(shape.outline)) };
      retained.set(key, item);
    }
    return { shape, ...item };
  });
}

const boxOf = (width: number, height: number): Polygon => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

/** What of an offcut's box is not there. */
function missing({ outline, width, length }: LayBin): Polygon[] {
  if (!outline || length === null) return [];
  const box = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: length },
    { x: 0, y: length },
  ];
  const rings = differenceD([box], [outline.map(([x, y]) => ({ x, y }))], FillRule.NonZero, 4);
  return rings.map((ring): Polygon => ring.map(({ x, y }) => [x, y] as const)).filter((ring) => Math.abs(polygonArea(ring)) > 1);
}

/** A bin with nothing in it but what is wrong with it. Half the gap that pieces carry hangs over its edges. */
export function emptied(bin: LayBin, gap: number): Filling {
  const flaws = bin.flaws.map(({ x, y, width, height }): Polygon => [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ]);
  const lying = [...flaws, ...missing(bin)].map((ring): Lying => {
    const { outline, by } = atOrigin(ring);
    // A flaw is kept clear of by no more than its own edge: the gap that a piece carries is beyond its cut.
    return { chains: chainsOf(outline), x: by[0] + gap / 2, y: by[1] + gap / 2 };
  });
  const tops: number[] = [];
  return { bin, lying, top: 0, floor: lying.length, tops, under: (many) => tops[tops.length - 1 - many] ?? 0 };
}

/** The next place on the repeat at or above a height. */
const onRepeat = (y: number, motif: number, repeat: number, phase: number): number =>
  repeat > 0 ? Math.ceil((y + motif - phase) / repeat - 1e-7) * repeat + phase - motif : y;

const heights: { low: number; high: number }[] = [];

/** The lowest height at which a shape can lie with its left end at x, or more than `most`. */
function lowest(chains: Chains, x: number, lying: readonly Lying[], most: number, snap: (y: number) => number): number {
  heights.length = 0;
  for (const item of lying) {
    if (!between(chains, x, item.chains, item.x)) continue;
    if (item.y + forbidden.high > SMALL) heights.push({ low: item.y + forbidden.low, high: item.y + forbidden.high });
  }
  heights.sort((a, b) => a.low - b.low);
  let y = snap(0);
  // Each that is in the way lifts it; one that was passed by below may be in the way after all once it is lifted onto the repeat.
  for (let k = 0; k < heights.length && y <= most; k++) {
    const { low, high } = heights[k]!;
    if (low < y - SMALL && high > y + SMALL) {
      y = snap(high);
      k = -1;
    }
  }
  return y;
}

/** Whether a shape lies free at a place. */
function free(chains: Chains, x: number, y: number, lying: readonly Lying[]): boolean {
  return lying.every(
    (candidate) =>
      !between(chains, x, candidate.chains, candidate.x) ||
      candidate.y + forbidden.low >= y - SMALL ||
      candidate.y + forbidden.high <= y + SMALL,
  );
}

/** Left ends that are worth trying: against what lies there, against either selvedge, and for what is no box a few between. */
function leftEnds(ready: Ready, { bin, lying }: Filling, repeat: LayRepeat | null, gap: number): number[] {
  const last = bin.width + gap - ready.chains.width;
  if (last < -SMALL) return [];
  if (ready.motif && repeat && repeat.across > 0) {
    const phase = repeat.between ? repeat.across / 2 : 0;
    const ends: number[] = [];
    for (let x = onRepeat(0, ready.motif[0], repeat.across, phase); x <= bin.width - ready.width + SMALL; x += repeat.across) ends.push(x);
    return ends;
  }
  const ends = [0, Math.max(0, last)];
  for (const { chains, x } of lying.slice(-BESIDE))
    ends.push(x, x + chains.width, x - ready.chains.width, x + chains.width - ready.chains.width);
  if (!ready.box) for (let k = 1; k < BETWEEN; k++) ends.push((last * k) / BETWEEN);
  return [
    ...new Set(
      ends.filter((x) => x > -SMALL && x < last + SMALL).map((x) => Math.round(Math.min(Math.max(0, x), Math.max(0, last)) * 1e5) / 1e5),
    ),
  ];
}

/** Left ends between the two selvedges that a shape which is no box is tried at. */
const BETWEEN = 8;
/** Such a shape is then moved to the left by steps that halve, mm. */
const SLIDES = [64, 32, 16, 8, 4, 2, 1, 0.5];
/** So many of the last that were laid are leant against. */
const BESIDE = 6;
/** Where more than these lie in a bin, the next one lies above all the others: far below there is no room any more. */
const MANY = 12;

/**
 * Lays one shape into a bin as low as it goes.
 *
 * @param ready the shape
 * @param filling is changed where it fits
 * @param task gap and repeat
 * @param [way] the only way round that is tried
 * @returns where it lies, or null
 */
export function laidInto(
  ready: ReadyShape,
  filling: Filling,
  { gap, repeat }: Pick<LayTask, 'gap' | 'repeat'>,
  way?: number,
): Omit<LayPlace, 'bin'> | null {
  const { bin } = filling;
  const lying =
    filling.lying.length > MANY + filling.floor ? [...filling.lying.slice(0, filling.floor), ...filling.lying.slice(-MANY)] : filling.lying;
  // What was left out of the look lies below the lowest of those that are looked at, or is taken to.
  const under = lying === filling.lying ? 0 : filling.under(MANY);
  let best: { way: Ready; x: number; y: number; top: number } | null = null as { way: Ready; x: number; y: number; top: number } | null;
  for (const item of way === undefined ? ready.ways : [ready.ways[way % ready.ways.length]!]) {
    const phase = repeat?.between ? repeat.along / 2 : 0;
    const snap = (y: number): number => {
      const from = Math.max(y, under);
      return item.motif && repeat && repeat.along > 0 ? onRepeat(from, item.motif[1], repeat.along, phase) : from;
    };
    const most = bin.length === null ? Infinity : bin.length + gap - item.chains.height + SMALL;
    if (most < -SMALL) continue;
    for (const end of leftEnds(item, filling, repeat, gap)) {
      // No higher than the best so far is worth looking.
      const high: number = best ? Math.min(most, best.top - item.chains.height + SMALL) : most;
      const x: number = end;
      const y: number = lowest(item.chains, x, lying, high, snap);
      if (y > high) continue;
      const top = y + item.chains.height;
      if (!best || top < best.top - SMALL || (top < best.top + SMALL && (y < best.y - SMALL || (y < best.y + SMALL && x < best.x))))
        best = { way: item, x, y, top };
    }
  }
  if (!best) return null;
  // What is no box slides to the left and down against what lies there.
  if (!best.way.box && !(best.way.motif && repeat && (repeat.across > 0 || repeat.along > 0))) {
    for (let again = 0; again < 2; again++) {
      for (const by of SLIDES) while (best.x - by >= 0 && free(best.way.chains, best.x - by, best.y, lying)) best.x -= by;
      best.y = Math.min(
        best.y,
        Math.max(
          under,
          lowest(best.way.chains, best.x, lying, best.y, (y) => Math.max(y, under)),
        ),
      );
    }
  }
  filling.lying.push({ chains: best.way.chains, x: best.x, y: best.y });
  filling.tops.push(Math.max(filling.tops.at(-1) ?? 0, best.y + best.way.chains.height));
  filling.top = Math.max(filling.top, best.y + best.way.height);
  return { key: ready.shape.key, x: best.x, y: best.y, turn: best.way.turn };
}

/** Puts a piece where it is held by hand. */
export function placeFixed(ready: ReadyShape, filling: Filling, { x, y, turn }: Pick<LayPlace, 'x' | 'y' | 'turn'>): void {
  const found = ready.ways.find((way) => way.turn === turn) ?? ready.ways[0]!;
  // What is held is not among those that are covered up in the end: it may lie anywhere.
  filling.lying.splice(filling.floor++, 0, { chains: found.chains, x, y });
  filling.top = Math.max(filling.top, y + found.height);
}
