import { baseOutline, outlineSize } from '../outline';
import { checkShape, type BaseShape, type Opening } from '../piece';

/** A covered piece in the opening it goes into. Lengths mm. */
export type Room = {
  /** what is left on either side, once it stands in the middle; null where it is open */
  width: number | null;
  depth: number | null;
  /** what should be left */
  clear: number;
  fits: boolean;
  /** how much smaller the board must be for it, all in all; nothing where it fits */
  lessWidth: number;
  lessDepth: number;
};

/**
 * How a covered piece goes into its opening.
 *
 * @param opening what it goes between
 * @param covered how large it is, covered
 */
export function roomFor(opening: Opening, covered: { width: number; depth: number }): Room {
  const beside = (between: number | null, value: number): number | null => (between === null ? null : (between - value) / 2);
  const width = beside(opening.width, covered.width);
  const depth = beside(opening.depth, covered.depth);
  const less = (left: number | null): number => (left === null || left >= opening.clear - NEAR ? 0 : Math.ceil(2 * (opening.clear - left)));
  const [lessWidth, lessDepth] = [less(width), less(depth)];
  return { width, depth, clear: opening.clear, fits: lessWidth === 0 && lessDepth === 0, lessWidth, lessDepth };
}

/** Nobody planes off less than this, mm. */
const NEAR = 0.25;

/** Measurements that grow with a base’s width, and with its depth. */
const WIDTHS = ['width', 'frontWidth', 'backWidth', 'front', 'back', 'diameter'];
const DEPTHS = ['depth', 'height', 'leftDepth', 'rightDepth', 'left', 'right', 'sideHeight', 'straight'];

/**
 * The same shape, so much narrower and shallower; null where its measurements do not say how.
 *
 * @param shape of the base
 * @param lessWidth mm off its width, all in all
 * @param lessDepth mm off its depth
 */
export function smaller(shape: BaseShape, lessWidth: number, lessDepth: number): BaseShape | null {
  const round = shape.type === 'round' ? Math.max(lessWidth, lessDepth) : null;
  const next = Object.fromEntries(
    Object.entries(shape).map(([key, value]: [string, unknown]) => {
      const less = WIDTHS.includes(key) ? (round ?? lessWidth) : DEPTHS.includes(key) ? lessDepth : 0;
      return [key, typeof value === 'number' ? value - less : value];
    }),
  ) as BaseShape;
  if (checkShape(next).length > 0) return null;
  const [before, after] = [outlineSize(baseOutline(shape)), outlineSize(baseOutline(next))];
  // Some shapes are measured in a way that another figure gives their size: then it is left to the hand.
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.5;
  const asWanted = near(before.width - after.width, round ?? lessWidth) && near(before.depth - after.depth, round ?? lessDepth);
  return asWanted ? next : null;
}
