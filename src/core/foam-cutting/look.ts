import type { Blank, Laid } from './blank';
import { seededRandom } from './seeded-random';
import { laySkyline, type Wanted } from './skyline';

/** Orders that are tried, so many for few pieces and fewer for many: a lay is looked for while one waits. */
const TRIES = { alike: 40, few: 150, many: 50, from: 80 };

/** Orders to begin from: the longest, widest, largest first, as they come and all one way round. */
function beginnings(blanks: readonly Blank[], turn: boolean): Wanted[][] {
  const by = (measure: (blank: Blank) => number, turned: (blank: Blank) => boolean | null): Wanted[] =>
    blanks.map((blank) => ({ blank, turned: turned(blank) })).sort((a, b) => measure(b.blank) - measure(a.blank));
  const measures = [
    (blank: Blank) => blank.height,
    (blank: Blank) => blank.width,
    (blank: Blank) => blank.width * blank.height,
    (blank: Blank) => Math.max(blank.width, blank.height),
  ];
  const ways = turn
    ? [() => null, (blank: Blank) => blank.width > blank.height, (blank: Blank) => blank.height > blank.width]
    : [() => null];
  return measures.flatMap((measure) => ways.map((way) => by(measure, way)));
}

/** An order with two pieces changed over, one moved, or one laid the other way round. */
function changed(order: readonly Wanted[], random: () => number, turn: boolean): Wanted[] {
  const next = [...order];
  const pick = (): number => Math.floor(random() * next.length);
  const [i, j, what] = [pick(), pick(), random()];
  if (turn && what < 0.25) {
    const { turned } = next[i]!;
    next[i] = { ...next[i]!, turned: turned === null ? random() < 0.5 : turned ? false : null };
  } else if (what < 0.6) [next[i], next[j]] = [next[j]!, next[i]!];
  else next.splice(j, 0, ...next.splice(i, 1));
  return next;
}

/** How good a lay is: the less the better, the first figure first. */
type Score = readonly number[];

function better(a: Score, b: Score): number {
  for (let k = 0; k < a.length; k++) if (Math.abs(a[k]! - b[k]!) > 1e-6) return a[k]! - b[k]!;
  return 0;
}

/** How many orders are worth trying: of pieces that are all alike none but the ways round. */
function triesFor(blanks: readonly Blank[], turn: boolean): number {
  if (blanks.length < 3) return 0;
  const sizes = new Set(blanks.map(({ width, height }) => `${Math.round(width)} ${Math.round(height)}`)).size;
  if (sizes === 1) return turn ? TRIES.alike : 0;
  return blanks.length > TRIES.from ? TRIES.many : TRIES.few;
}

/** Goes from order to order, on to any that is no worse, and keeps the best. */
function lookFor<T extends { score: Score }>(
  blanks: readonly Blank[],
  turn: boolean,
  lay: (order: readonly Wanted[]) => T,
  enough: (best: T) => boolean,
): T {
  let best: (T & { order: Wanted[] }) | null = null;
  const consider = (order: Wanted[]): void => {
    const found = lay(order);
    if (!best || better(found.score, best.score) <= 0) best = { ...found, order };
  };
  for (const order of beginnings(blanks, turn)) consider(order);
  const random = seededRandom(blanks.length);
  const tries = triesFor(blanks, turn);
  for (let k = 0; k < tries && !enough(best!); k++) consider(changed(best!.order, random, turn));
  return best!;
}

const lengthOf = (laid: readonly Laid[]): number => Math.max(0, ...laid.map(({ y, height }) => y + height));

/**
 * The least length of a roll that could hold blanks: their area, and the longest that must lie along it, mm.
 *
 * @param blanks that fit its width
 * @param width of the roll, mm
 * @param turn whether a blank may be turned a quarter
 */
export function leastLength(blanks: readonly Blank[], width: number, turn: boolean): number {
  const area = blanks.reduce((sum, blank) => sum + blank.width * blank.height, 0) / width;
  const along = (blank: Blank): number =>
    turn && blank.height <= width ? (blank.width <= width ? Math.min(blank.width, blank.height) : blank.width) : blank.height;
  return Math.max(area, ...blanks.map(along));
}

/**
 * Looks for a short lay on a roll, from order to order.
 *
 * @param blanks that fit its width one way or the other
 * @param width of the roll, mm
 * @param options.gap left between two, mm
 * @param options.turn whether a blank may be turned a quarter
 */
export function shortest(blanks: readonly Blank[], width: number, { gap, turn }: { gap: number; turn: boolean }): Laid[] {
  const least = leastLength(blanks, width, turn);
  return lookFor(
    blanks,
    turn,
    (order) => {
      const { laid, left, under } = laySkyline(order, { width, height: Infinity, gap, turn });
      return { laid, score: [left.length, lengthOf(laid), under] };
    },
    ({ score }) => score[0] === 0 && score[1]! <= least + 1,
  ).laid;
}

/**
 * Looks for a lay on as few sheets as it can, each filled before the next is begun.
 *
 * @param blanks that fit a sheet
 * @param sheet width and length, mm
 * @param options.gap left between two, mm
 * @param options.turn whether a blank may be turned a quarter
 * @param good a number of sheets that is not worth looking beyond
 */
export function fewestSheets(
  blanks: readonly Blank[],
  sheet: { width: number; height: number },
  { gap, turn }: { gap: number; turn: boolean },
  good: number,
): Laid[][] | null {
  const found = lookFor(
    blanks,
    turn,
    (order) => {
      const sheets: Laid[][] = [];
      let rest: readonly Wanted[] = order;
      while (rest.length > 0) {
        const { laid, left } = laySkyline(rest, { ...sheet, gap, turn });
        if (laid.length === 0) break;
        sheets.push(laid);
        rest = left;
      }
      return { sheets, score: [rest.length, sheets.length, lengthOf(sheets.at(-1) ?? [])] };
    },
    ({ score }) => score[0] === 0 && score[1]! <= good,
  );
  return found.score[0] === 0 ? found.sheets : null;
}
