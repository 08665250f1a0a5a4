import type { Blank, Laid } from './blank';
import { fewestSheets, leastLength, shortest } from './look';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';

type Rect = { x: number; y: number; width: number; height: number; label: string; rot?: boolean };

/** Sizes are laid in steps of this, mm: finer than any blade, coarser than what two halves of a mirrored cover differ by. */
const LAID_STEP = 2 ** -10;

/** Pieces that are alike in truth are alike to the bit: which of two comes first then hangs on their order alone. */
function snappedBlank(blank: Blank): Blank {
  const inSteps = (size: number): number => Math.round(size / LAID_STEP) * LAID_STEP;
  return { ...blank, width: inSteps(blank.width), height: inSteps(blank.height) };
}

function rectangles(blanks: readonly Blank[], gap: number): Rect[] {
  return blanks.map(({ label, width, height }) => ({ x: 0, y: 0, width: width + gap, height: height + gap, label }));
}

function laid(rect: Rect, gap: number): Laid {
  const turned = rect.rot === true;
  // The packer marks a turned piece but leaves its width and height as they were given.
  const [width, height] = turned ? [rect.height, rect.width] : [rect.width, rect.height];
  return { label: rect.label, x: rect.x, y: rect.y, width: width - gap, height: height - gap, turned };
}

/** On as few sheets as the rectangle packer finds. */
function packedSheets(
  blanks: readonly Blank[],
  sheet: { width: number; height: number },
  options: { gap: number; turn: boolean },
): { sheets: Laid[][]; tooLarge: Blank[] } {
  const fits = ({ width, height }: Blank): boolean =>
    (width <= sheet.width && height <= sheet.height) || (options.turn && height <= sheet.width && width <= sheet.height);
  const tooLarge = blanks.filter((blank) => !fits(blank));
  // A gap is needed between pieces, not at the sheet's own edge.
  const packer = new MaxRectsPacker<Rect>(sheet.width + options.gap, sheet.height + options.gap, 0, {
    smart: true,
    pot: false,
    square: false,
    allowRotation: options.turn,
  });
  packer.addArray(rectangles(blanks.filter(fits), options.gap));
  return { sheets: packer.bins.map((bin) => bin.rects.map((rect) => laid(rect, options.gap))), tooLarge };
}

/**
 * Lays rectangles on as few sheets as are found, by the packer or by looking from order to order.
 *
 * @param given sizes, mm
 * @param sheet width and length, mm
 * @param options.gap left between pieces, mm
 * @param options.turn whether a piece may be turned a quarter
 * @returns the pieces sheet by sheet, and those that fit on none
 */
export function packSheets(
  given: readonly Blank[],
  sheet: { width: number; height: number },
  options: { gap: number; turn: boolean },
): { sheets: Laid[][]; tooLarge: Blank[] } {
  const blanks = given.map(snappedBlank);
  const packed = packedSheets(blanks, sheet, options);
  const fitting = blanks.filter((blank) => !packed.tooLarge.includes(blank));
  const least = Math.ceil(fitting.reduce((sum, { width, height }) => sum + width * height, 0) / (sheet.width * sheet.height) - 1e-9);
  if (packed.sheets.length <= Math.max(1, least)) return packed;
  const found = fewestSheets(fitting, sheet, options, least);
  return found && found.length < packed.sheets.length ? { ...packed, sheets: found } : packed;
}

/**
 * What fits nowhere whole, in the fewest even parts that do: side by side, and one behind the other where that is not enough.
 *
 * @param blank that is too large
 * @param most how wide and how long a part may be, mm
 * @param options.turn whether a part may be turned a quarter
 * @param options.seam what each part has more on a side where it is joined, mm
 */
export function inParts(blank: Blank, most: { width: number; height: number }, { turn, seam }: { turn: boolean; seam: number }): Blank[] {
  const across = (size: number, room: number): number => {
    if (size <= room) return 1;
    // A strip has a seam on either side; where even those leave no room nothing can be joined.
    return room > 2 * seam ? Math.ceil(size / (room - 2 * seam) - 1e-9) : Infinity;
  };
  const grids = [most, ...(turn ? [{ width: most.height, height: most.width }] : [])].map((room) => ({
    columns: across(blank.width, room.width),
    rows: across(blank.height, room.height),
  }));
  const { columns, rows } = grids.reduce((least, result) => (result.columns * result.rows < least.columns * least.rows ? result : least));
  if (!Number.isFinite(columns * rows)) return [];
  const part = (size: number, count: number): number => size / count + (count > 1 ? 2 * seam : 0);
  return Array.from({ length: columns * rows }, () => ({
    label: `${blank.label}, part`,
    width: part(blank.width, columns),
    height: part(blank.height, rows),
  }));
}

/** Stop looking for a shorter roll when the answer is known to this, mm. */
const ROLL_STEP = 1;
/** Each try halves what is left to look through; this is more than any roll needs. */
const MOST_TRIES = 40;

/** Lengths between the least and the best that the packer is asked for beside halving. */
const PROBES = 12;

/** How often the packer is given a third more room before the pieces are laid one after another. */
const MORE_ROOM = 4;

/**
 * The pieces in rows, as one lays them out by hand: the tallest first, each into the first row that has room for it. Often
 * shorter than what the packer finds, and always right.
 */
function inRows(blanks: readonly Blank[], rollWidth: number, gap: number): Laid[] {
  const upright = blanks
    .map((blank, at) => {
      const turned = blank.width > rollWidth;
      const [width, height] = turned ? [blank.height, blank.width] : [blank.width, blank.height];
      return { label: blank.label, width, height, turned, at };
    })
    .sort((a, b) => b.height - a.height || a.at - b.at);
  const rows: { y: number; filled: number }[] = [];
  let next = 0;
  return upright
    .map(({ at, ...item }) => {
      let row = rows.find(({ filled }) => filled + item.width <= rollWidth + 1e-9);
      if (!row) {
        rows.push((row = { y: next, filled: 0 }));
        next += item.height + gap;
      }
      const laid: Laid = { ...item, x: row.filled, y: row.y };
      row.filled += item.width + gap;
      return { laid, at };
    })
    .sort((a, b) => a.at - b.at)
    .map(({ laid }) => laid);
}

const lengthOf = (laid: readonly Laid[]): number => Math.max(0, ...laid.map(({ y, height }) => y + height));

/**
 * Lays rectangles on a roll: the shortest length on which the packer finds room for all of them, that rows by hand take, or that
 * is found by looking from order to order.
 *
 * @param given sizes across and along the roll, mm
 * @param rollWidth mm
 * @param options.gap left between pieces, mm
 * @param options.turn whether a piece may be turned a quarter
 */
export function packRoll(
  given: readonly Blank[],
  rollWidth: number,
  options: { gap: number; turn: boolean },
): { length: number; laid: Laid[]; tooLarge: Blank[] } {
  const { gap, turn } = options;
  const blanks = given.map(snappedBlank);
  const fits = ({ width, height }: Blank): boolean => width <= rollWidth || (turn && height <= rollWidth);
  const tooLarge = blanks.filter((blank) => !fits(blank));
  const wanted = blanks.filter(fits);
  if (wanted.length === 0) return { length: 0, laid: [], tooLarge };
  const tryLength = (height: number): Laid[] | null => {
    const { sheets } = packedSheets(wanted, { width: rollWidth, height }, options);
    return sheets.length === 1 && sheets[0]!.length === wanted.length ? sheets[0]! : null;
  };
  let high = wanted.reduce((sum, blank) => sum + Math.max(blank.width, blank.height) + gap, 0);
  // The packer may spread unlike pieces so that even their whole length does not hold them: it gets more room, and
  // when that does not help they are simply laid one after another.
  let best = tryLength(high);
  for (let more = 0; !best && more < MORE_ROOM; more++) best = tryLength((high *= 1.3));
  const rows = inRows(wanted, rollWidth, gap);
  best ??= rows;
  let low = wanted.reduce((sum, { width, height }) => sum + width * height, 0) / (rollWidth + gap);
  for (let tries = 0; high - low > ROLL_STEP && tries < MOST_TRIES; tries++) {
    const middle = (low + high) / 2;
    const found = tryLength(middle);
    if (found) {
      best = found;
      high = Math.max(...found.map((r) => r.y + r.height));
    } else low = middle;
  }
  if (lengthOf(rows) < lengthOf(best)) best = rows;
  // What is no longer than it must be is not looked at again.
  const least = leastLength(wanted, rollWidth, turn);
  if (lengthOf(best) > least + ROLL_STEP) {
    const found = shortest(wanted, rollWidth, { gap, turn });
    if (found.length === wanted.length && lengthOf(found) < lengthOf(best) - 0.5) best = found;
    // The packer may hold on a short length what it does not on a longer one: halving alone steps over that.
    for (let k = 1; k < PROBES; k++) {
      const probed = tryLength(least + ((lengthOf(best) - least) * k) / PROBES);
      if (probed && lengthOf(probed) < lengthOf(best) - 0.5) best = probed;
    }
  }
  return { length: lengthOf(best), laid: best, tooLarge };
}
