import { proposalsFor, type Proposal } from '../cover';
import type { HouseRules } from '../house';
import type { Piece } from '../piece';
import { curesFor, forLoadedHeight, type Cure } from '../seat-check';
import { crownByWish, type CrownChoice, type CrownWish } from '../inverse-crown';
import type { Planner } from './planner';
import { coverStep } from './steps';

/** Told how far a search is; false gives it up. */
export type Tell = (done: number, of: number) => boolean;

const goOn: Tell = () => true;

/** Longer questions about a piece, each answered with the planner's own steps: what a trial does not change is kept. */
export type Asked = { piece: Piece; house: HouseRules; planner: Planner; tell?: Tell };

/** What would make a cover ask less of its cloth. */
export function proposals({ piece, house, planner, tell = goOn }: Asked): { share: number; proposals: Proposal[] } {
  return proposalsFor(planner.model(piece, house), (item) => coverStep(planner.model(item, house)), tell);
}

/** What would cure a sitting's complaints. */
export function cures({ piece, house, planner, tell = goOn }: Asked): Cure[] {
  return curesFor(piece, house, { onTry: tell, keep: planner.keep });
}

/** The pads for a crown as it should be once covered. */
export function crownPads({ piece, house, planner, tell = goOn }: Asked, wish: CrownWish): CrownChoice[] {
  return crownByWish(piece, house, wish, { onTry: tell, keep: planner.keep });
}

/** The main pad for a height under the sitter, mm. */
export function padForHeight({ piece, house, planner }: Asked, wanted: number): ReturnType<typeof forLoadedHeight> {
  return forLoadedHeight(piece, house, wanted, planner.keep);
}
