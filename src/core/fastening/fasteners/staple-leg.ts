import { STAPLE_LEGS } from '../../wares';

/** Cloth under a staple: the cover folded once. */
const CLOTH_LAYERS = 2;

/** What the leg was chosen from, mm. */
export type LegChoice = {
  leg: number;
  stack: number;
  least: number;
  most: number;
  fits: boolean;
  /** the leg that would hold, where only the gun does not take it; otherwise null */
  withoutGun: number | null;
};

/** What a gun takes, mm: [0, Infinity] is any. */
export type GunLegs = readonly [shortest: number, longest: number];

/**
 * Chooses the shortest leg that the gun takes with cloth stack + bite ≤ leg ≤ cloth stack + board − clearance: it goes through the cloth
 * before it reaches the wood.
 *
 * @param clothThickness mm
 * @param board thickness, mm
 * @param rules bite into the board and clearance from its far face, mm
 * @param [gun] the legs that the gun there is takes
 * @returns the leg; when none fits, the longest that stays inside the board, with `fits` false
 */
export function stapleLeg(
  clothThickness: number,
  board: number,
  rules: { bite: number; clear: number },
  gun: GunLegs = [0, Infinity],
): LegChoice {
  const stack = clothThickness * CLOTH_LAYERS;
  const least = stack + rules.bite;
  const most = stack + board - rules.clear;
  const holds = STAPLE_LEGS.filter((leg) => leg >= least && leg <= most);
  const found = holds.find((leg) => leg >= gun[0] && leg <= gun[1]);
  const inside = STAPLE_LEGS.filter((leg) => leg <= most);
  const leg = found ?? holds[0] ?? inside.at(-1) ?? STAPLE_LEGS[0];
  return { leg, stack, least, most, fits: found !== undefined, withoutGun: found === undefined ? (holds[0] ?? null) : null };
}
