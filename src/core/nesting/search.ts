import { seededRandom } from '../foam-cutting/seeded-random';
import { fillBoxes, onlyBoxes } from './boxes';
import { emptied, placeFixed, laidInto, readied, type Filling, type ReadyShape } from './filling';
import type { Lay, LayBin, LayPlace, LayTask } from './types';

/** How good a lay is, the less the better, the first figure first: what is left over, bins that are bought, the length of the last. */
type Score = readonly [left: number, fresh: number, length: number, under: number];

function compare(a: Score, b: Score): number {
  for (let k = 0; k < a.length; k++) if (Math.abs(a[k]! - b[k]!) > 1e-6) return a[k]! - b[k]!;
  return 0;
}

type Found = { lay: Lay; score: Score; /** on one roll: as it was filled, to go on from */ filling?: Filling };

/** The next bin: from the store while there is any, then bought. */
function binAt({ stock, fresh }: LayTask, n: number): LayBin {
  return stock[n] ?? { ...fresh, id: `${fresh.id}-${n - stock.length + 1}` };
}

/** An order, and for each shape the only way round it is tried, or none. */
type Order = { at: number; way: number | undefined }[];

/** Lays shapes in an order, into one bin after another. */
function layIn(order: Order, ready: readonly ReadyShape[], task: LayTask): Found {
  const places: LayPlace[] = [];
  const bins: LayBin[] = [];
  const fillings: Filling[] = [];
  const holding = new Map<number, LayPlace[]>();
  for (const layPlace of task.locked) holding.set(layPlace.bin, [...(holding.get(layPlace.bin) ?? []), layPlace]);
  const byKey = new Map(ready.map((readyShape) => [readyShape.shape.key, readyShape]));
  const open = (n: number): Filling => {
    while (fillings.length <= n) {
      const at = fillings.length;
      const filling = emptied(binAt(task, at), task.gap);
      for (const layPlace of holding.get(at) ?? []) {
        const shape = byKey.get(layPlace.key);
        if (!shape) continue;
        placeFixed(shape, filling, layPlace);
        places.push(layPlace);
      }
      bins.push(filling.bin);
      fillings.push(filling);
    }
    return fillings[n]!;
  };
  const fixed = new Set(task.locked.map(({ key }) => key));
  for (const { bin } of task.locked) open(bin);
  const left: string[] = [];
  // What did not go into a bin is not tried there again by one that is cut alike.
  const refused = new Map<string, number>();
  for (const { at, way } of order) {
    const shape = ready[at]!;
    if (fixed.has(shape.shape.key)) continue;
    const alike = `${shape.area} ${shape.ways.length} ${shape.shape.outline.length}`;
    let done = false;
    for (let n = refused.get(alike) ?? 0; !done; n++) {
      const whole = n >= task.stock.length;
      const filling = open(n);
      const place = laidInto(shape, filling, task, way) ?? (way === undefined ? null : laidInto(shape, filling, task));
      if (place) {
        places.push({ ...place, bin: n });
        done = true;
      } else if (whole && filling.lying.length === filling.floor) {
        // Not even an empty one holds it.
        left.push(shape.shape.key);
        break;
      } else if (n === (refused.get(alike) ?? 0)) refused.set(alike, n + 1);
    }
  }
  const used = fillings.map(({ top }) => top);
  // Bins of the store that nothing lies in are not taken from the shelf.
  const fresh = fillings.slice(task.stock.length).filter(({ top }) => top > 0).length;
  const last = used.findLast((top) => top > 0) ?? 0;
  const under = places.reduce((sum, { y }) => sum + y, 0);
  return { lay: { bins, places, left, used }, score: [left.length, fresh, last, under] };
}

/** Whether a task is one roll off the shelf, with nothing held: an order that begins as another did is laid from there on. */
const isOneRoll = ({ stock, fresh, locked }: LayTask): boolean => stock.length === 0 && fresh.length === null && locked.length === 0;

/**
 * Lays shapes in an order on one roll, from where the order parts from one that was laid.
 *
 * @param before an order and how it was laid
 * @param longest it is given up once it is longer than this, mm
 */
function layOnRoll(
  order: Order,
  ready: readonly ReadyShape[],
  task: LayTask,
  before: (Found & { order: Order }) | null,
  longest: number,
): Found {
  const filling = emptied(binAt(task, 0), task.gap);
  const places: LayPlace[] = [];
  const left: string[] = [];
  const known = before?.filling && before.lay.left.length === 0 ? before : null;
  if (known?.filling) {
    let same = 0;
    while (same < order.length && order[same]!.at === known.order[same]!.at && order[same]!.way === known.order[same]!.way) same++;
    filling.lying.push(...known.filling.lying.slice(filling.floor, filling.floor + same));
    filling.tops.push(...known.filling.tops.slice(0, same));
    places.push(...known.lay.places.slice(0, same));
    places.forEach(({ y, turn }, k) => {
      const way = ready[order[k]!.at]!.ways.find((one) => one.turn === turn)!;
      filling.top = Math.max(filling.top, y + way.height);
    });
  }
  for (const { at, way } of order.slice(places.length)) {
    const shape = ready[at]!;
    const place = laidInto(shape, filling, task, way) ?? (way === undefined ? null : laidInto(shape, filling, task));
    if (place) places.push({ ...place, bin: 0 });
    else left.push(shape.shape.key);
    if (filling.top > longest + 1) return { lay: { bins: [], places, left, used: [] }, score: [Infinity, 0, 0, 0] };
  }
  const fresh = filling.top > 0 ? 1 : 0;
  const under = places.reduce((sum, { y }) => sum + y, 0);
  return { lay: { bins: [filling.bin], places, left, used: [filling.top] }, score: [left.length, fresh, filling.top, under], filling };
}

/** The same where there are but boxes: the lowest hollow is filled by what fits it best. */
function layBoxes(order: Order, ready: readonly ReadyShape[], task: LayTask, longest = Infinity): Found {
  const { width, length } = task.fresh;
  // On one roll it is known before it ends that a lay cannot be as short as one that is known: by what it has wasted.
  const plain = length === null && task.stock.length === 0 && Number.isFinite(longest);
  const grossArea = plain ? ready.reduce((sum, { ways }) => sum + (ways[0]!.width + task.gap) * (ways[0]!.height + task.gap), 0) : 0;
  const spare = plain ? (longest + task.gap) * (width + task.gap) - grossArea : Infinity;
  const places: LayPlace[] = [];
  const bins: LayBin[] = [];
  const used: number[] = [];
  let rest: Order = order;
  const left: string[] = [];
  for (let n = 0; rest.length > 0; n++) {
    const bin = binAt(task, n);
    const filled = fillBoxes(rest, ready, { width: bin.width, length: bin.length, gap: task.gap, spare });
    if (plain && filled.rest.length > 0) return { lay: { bins, places, left, used }, score: [Infinity, 0, 0, 0] };
    if (n >= task.stock.length && filled.places.length === 0) {
      left.push(...rest.map(({ at }) => ready[at]!.shape.key));
      break;
    }
    places.push(...filled.places.map((place) => ({ ...place, bin: n })));
    bins.push(bin);
    used.push(filled.top);
    rest = filled.rest;
  }
  const fresh = used.slice(task.stock.length).filter((top) => top > 0).length;
  return { lay: { bins, places, left, used }, score: [left.length, fresh, used.findLast((top) => top > 0) ?? 0, 0] };
}

/** Widths that are taken for one when rows are made, mm. */
const ROWS = 120;

/** Orders to begin from: the largest, longest and widest first. */
function beginnings(ready: readonly ReadyShape[]): Order[] {
  const by = (measure: (readyShape: ReadyShape) => number, way: (readyShape: ReadyShape) => number | undefined): Order =>
    ready
      .map((readyShape, at) => ({ at, way: way(readyShape), size: measure(readyShape) }))
      .sort((a, b) => b.size - a.size || a.at - b.at)
      .map(({ at, way: only }) => ({ at, way: only }));
  const wide = (readyShape: ReadyShape): number => readyShape.ways[0]!.width;
  const high = (readyShape: ReadyShape): number => readyShape.ways[0]!.height;
  const free = (): undefined => undefined;
  const lying = (readyShape: ReadyShape): number =>
    readyShape.ways.reduce((best, way, k) => (way.height < readyShape.ways[best]!.height ? k : best), 0);
  const orders = [
    by(({ area }) => area, free),
    by(high, free),
    by(wide, free),
    by((readyShape) => Math.max(wide(readyShape), high(readyShape)), free),
    by(high, () => 0),
    by(({ area }) => area, lying),
  ];
  // Every second one turned round, the narrow ones by themselves: tapered seats nest, and three go where two did.
  const everySecond = (order: Order): Order => order.map(({ at }, k) => ({ at, way: k % 2 }));
  const narrow = by((readyShape) => -wide(readyShape), free);
  const byRows = by((readyShape) => Math.round(wide(readyShape) / ROWS) * -1e6 + high(readyShape), free);
  return [...orders, everySecond(orders[0]!), narrow, everySecond(narrow), byRows, everySecond(byRows), everySecond(orders[1]!)];
}

/** An order with two pieces changed over, one moved, or one laid another way round. */
function changed(order: Order, ready: readonly ReadyShape[], random: () => number): Order {
  const next = [...order];
  const pick = (): number => Math.floor(random() * next.length);
  const [i, j, what] = [pick(), pick(), random()];
  const ways = ready[next[i]!.at]!.ways.length;
  if (ways > 1 && what < 0.3) next[i] = { at: next[i]!.at, way: random() < 0.3 ? undefined : Math.floor(random() * ways) };
  else if (what < 0.65) [next[i], next[j]] = [next[j]!, next[i]!];
  else next.splice(j, 0, ...next.splice(i, 1));
  return next;
}

/** A search that can be stopped at any time: the best so far is always whole. */
export type LaySearch = {
  best: () => Lay;
  /** nothing can be shorter, or take fewer: the area, the longest piece, what is held */
  bound: LayBound;
  /** looks for so long, ms, or so many tries, or until nothing better can be; true when something better was found */
  step: (ms: number, tries?: number) => boolean;
  /** what was tried so far */
  tried: () => number;
  done: () => boolean;
};

/** The least that a lay could take: sheets or rolls to buy, and the length on the last. */
export type LayBound = { fresh: number; length: number };

/** The bound of a task: what is bought if nothing were lost between pieces. */
export function boundOf(task: LayTask): LayBound {
  const ready = readied(task.shapes, 0, true);
  const area = ready.reduce((sum, readyShape) => sum + readyShape.area, 0);
  const flawless = (bin: LayBin): number =>
    Math.max(0, bin.width * (bin.length ?? 0) - bin.flaws.reduce((sum, { width, height }) => sum + width * height, 0));
  const inStock = task.stock.reduce((sum, bin) => sum + flawless(bin), 0);
  const rest = Math.max(0, area - inStock);
  const { width, length } = task.fresh;
  if (length !== null) return { fresh: Math.ceil(rest / (width * length) - 1e-9), length: 0 };
  const least = (readyShape: ReadyShape): number => Math.min(...readyShape.ways.map(({ height }) => height));
  const longest = Math.max(0, ...ready.map(least));
  if (task.stock.length === 0) return { fresh: ready.length > 0 ? 1 : 0, length: Math.max(area / width, longest) };
  return { fresh: rest > 0 ? 1 : 0, length: rest / width };
}

/** How many tries back a search compares itself with. */
const LATE = 20;
/** So many tries without anything better begin again from the best, changed in several places. */
const STUCK = 6000;

/**
 * Looks for a lay: pieces by their real outlines, from the store's rolls, sheets and offcuts first, then from what is bought. The
 * first lay is there at once; every step looks on from it. Source: docs/models.md, "Cutting".
 *
 * @param task what is laid and from what
 * @param [seed] another one looks elsewhere
 */
export function createSearch(task: LayTask, seed = 1): LaySearch {
  // The first lay is one of boxes: it is there at once, and nothing that is found later is worse.
  const boxed = readied(task.shapes, task.gap, true);
  let real: ReadyShape[] | null = null;
  const ready = (): ReadyShape[] => (real ??= readied(task.shapes, task.gap));
  const bound = boundOf(task);
  const starts = beginnings(boxed);
  let count = 0;
  let since = 0;
  const random = seededRandom(seed * 7919 + boxed.length);
  type Taken = Found & { order: Order };
  const take = (order: Order, longest?: number): Taken => {
    count++;
    const all = ready();
    if (onlyBoxes(all, task)) return { ...layBoxes(order, all, task, longest), order };
    return { ...(isOneRoll(task) ? layOnRoll(order, all, task, now, longest ?? Infinity) : layIn(order, all, task)), order };
  };
  const asBoxes = (order: Order): Taken => ({ ...(onlyBoxes(boxed, task) ? layBoxes : layIn)(order, boxed, task), order });
  let best = asBoxes(starts[0] ?? []);
  let now: Taken = best;
  let next = 0;
  let boxTries = 0;
  const history = Array.from({ length: LATE }, () => best.score);
  const enough = (): boolean =>
    best.score[0] === 0 &&
    (task.fresh.length === null
      ? best.score[1] <= bound.fresh && best.score[2] <= bound.length + 0.5
      : best.score[1] <= bound.fresh && bound.fresh === 0);
  const step = (ms: number, tries = Infinity): boolean => {
    const until = performance.now() + ms;
    const last = count + tries;
    const before = best;
    while (performance.now() < until && count < last && !enough() && boxed.length > 1) {
      const slot = count % LATE;
      const late = history[slot]!;
      const longest = best.score[0] === 0 ? Math.max(now.score[2], late[2]) : Infinity;
      if (boxTries < starts.length) {
        const plain = asBoxes(starts[boxTries++]!);
        if (compare(plain.score, best.score) < 0) best = now = plain;
      }
      const found = next < starts.length ? take(starts[next++]!) : take(changed(now.order, boxed, random), longest);
      // Late acceptance: as good as what stood so many tries ago will do, so that a search climbs out of small hollows.
      if (compare(found.score, now.score) <= 0 || compare(found.score, late) <= 0) now = found;
      history[slot] = now.score;
      if (compare(found.score, best.score) < 0) {
        best = found;
        now = found;
        since = 0;
      } else if (++since % STUCK === 0) {
        now = take(Array.from({ length: 4 }).reduce<Order>((order) => changed(order, boxed, random), best.order));
      }
    }
    return compare(best.score, before.score) < 0;
  };
  return { best: () => best.lay, bound, step, tried: () => count, done: enough };
}
