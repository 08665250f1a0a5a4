/** Staple legs sold, mm. */
export const LEGS = [4, 6, 8, 10, 12, 14, 16, 20, 25] as const;

/** Cloth under a staple: the cover folded once. */
const CLOTH_LAYERS = 2;

/** What the leg was chosen from, mm. */
export type LegChoice = { leg: number; stack: number; least: number; most: number; fits: boolean };

/**
 * Chooses the shortest leg with cloth stack + bite ≤ leg ≤ board − clearance.
 *
 * @param clothThickness mm
 * @param board thickness, mm
 * @param rules bite into the board and clearance from its far face, mm
 * @returns the leg; when none fits, the longest that stays inside the board, with `fits` false
 */
export function stapleLeg(clothThickness: number, board: number, rules: { bite: number; clear: number }): LegChoice {
  const stack = clothThickness * CLOTH_LAYERS;
  const least = stack + rules.bite;
  const most = board - rules.clear;
  const found = LEGS.find((leg) => leg >= least && leg <= most);
  const inside = LEGS.filter((leg) => leg <= most);
  return { leg: found ?? inside.at(-1) ?? LEGS[0], stack, least, most, fits: found !== undefined };
}
