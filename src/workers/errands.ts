import { solveHalf, type HalfTask } from '../core/padding';
import { layFlat, type FlatTask, type LaidFlat } from '../core/cover';
import type { HouseRules } from '../core/house';
import type { Piece } from '../core/piece';
import type { Planner } from '../core/plan';
import type { PulledSection } from '../core/mechanics/section';
import { cureOfRow, type Cure } from '../core/seat-check';

/** What a helper may be sent for: plain data in, plain data back. A new one is a line in each. */
export type Errand =
  { kind: 'section'; task: HalfTask } | { kind: 'flat'; task: FlatTask } | { kind: 'cure'; piece: Piece; house: HouseRules; row: number };

/** What it brings back. */
export type Brought = PulledSection | LaidFlat | Cure | null;

/**
 * Does an errand: the same here and at a helper.
 *
 * @param errand what is wanted
 * @param planner keeps what trials of one piece share
 */
export function runErrand(errand: Errand, planner: Planner): Brought {
  if (errand.kind === 'section') return solveHalf(errand.task);
  if (errand.kind === 'flat') return layFlat(errand.task);
  return cureOfRow(errand.piece, errand.house, errand.row, planner.keep);
}
