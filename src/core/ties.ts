/**
 * Choices that come out the same on every engine. `sin`, `exp`, `pow`, `atan2`, `hypot` … of two browsers differ in the last bit, so
 * where a choice hangs on two figures that are equal in truth, a bare `<` goes one way in the page and the other on the server. Every
 * discrete choice is made here: two figures nearer than `TIE` count as equal, and of equals the first wins.
 */

/** Two lengths (mm), areas or shares nearer than this are equal: far above rounding, far below any tape. */
export const TIE = 1e-6;

/** Figures are snapped to whole steps of a power of two, so that halves and doubles of a snapped figure are exact. */
const STEPS = 2 ** 20;

/** A figure without its last bits: equal figures of two engines are then equal to the bit. */
export function snapped(value: number): number {
  return Math.round(value * STEPS) / STEPS;
}

/** A point without its last bits. */
export function snappedPoint<P extends readonly number[]>(point: P): P {
  return point.map(snapped) as unknown as P;
}

/** Clearly less: equal figures are not. */
export function isLess(a: number, b: number): boolean {
  return a < b - TIE;
}

/** Clearly greater: equal figures are not. */
export function isGreater(a: number, b: number): boolean {
  return a > b + TIE;
}

/** The next whole number up; a figure a hair over a whole number is that number. */
export function wholeUp(value: number): number {
  return Math.ceil(value - TIE);
}

/** The next whole number down; a figure a hair under a whole number is that number. */
export function wholeDown(value: number): number {
  return Math.floor(value + TIE);
}

/** For sorting: which of two figures comes first; 0 where they are equal, so that the order before it stands. */
export function compared(a: number, b: number): number {
  return isLess(a, b) ? -1 : isLess(b, a) ? 1 : 0;
}

/**
 * Where in a list the least figure stands, the first of equals.
 *
 * @param count how many there are
 * @param measure the figure of each, by its place in the list
 * @returns −1 of an empty list
 */
export function leastOf(count: number, measure: (index: number) => number): number {
  let best = -1;
  let least = Infinity;
  for (let i = 0; i < count; i++) {
    const value = measure(i);
    if (best < 0 || isLess(value, least)) [best, least] = [i, value];
  }
  return best;
}

/** Where in a list the greatest figure stands, the first of equals; −1 of an empty list. */
export function greatestOf(count: number, measure: (index: number) => number): number {
  return leastOf(count, (i) => -measure(i));
}
