import { defaultHouse, type HouseRules } from './rules';

/**
 * The figures that hold for one piece: the defaults, the workshop's own, then the piece's overrides.
 *
 * @param house the workshop's figures, by rule key
 * @param overrides the piece's, by rule key
 */
export function applyOverrides(house: HouseRules, overrides: Record<string, number>): (key: string) => number {
  const figures = { ...defaultHouse(), ...house, ...overrides };
  return (key) => {
    const value = figures[key];
    if (value === undefined) throw new Error(`No house rule “${key}”`);
    return value;
  };
}

/** Reads a rule's figure for the piece in hand. */
export type RuleReader = ReturnType<typeof applyOverrides>;
