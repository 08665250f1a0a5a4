import { defaultHouse, type HouseRules } from './rules';

/** Reads a rule's figure for the piece in hand. */
export type RuleReader = (key: string) => number;

/**
 * The figures that hold for one piece: the defaults, the workshop's own, then the piece's overrides.
 *
 * @param house the workshop's figures, by rule key
 * @param overrides the piece's, by rule key
 */
export function figuresFor(house: HouseRules, overrides: Record<string, number>): Record<string, number> {
  return { ...defaultHouse(), ...house, ...overrides };
}

/**
 * Reads figures by rule key.
 *
 * @param figures from `figuresFor`
 */
export function readerOf<F extends string>(figures: Readonly<Record<F, number>>): (key: F) => number {
  return (key) => {
    const value = figures[key];
    if (value === undefined) throw new Error(`No house rule “${key}”`);
    return value;
  };
}

/** Both at once. */
export function applyOverrides(house: HouseRules, overrides: Record<string, number>): RuleReader {
  return readerOf(figuresFor(house, overrides));
}
