import type { Model } from '../build';
import { wayOf } from '../cover';
import { BOARDS, findMaterial } from '../foam';
import { EDGE_HOLDS, kindOf, type EdgeHold } from '../piece';

/** A pan thinner than this holds no staple: cover and washers are riveted through it, mm. */
const THIN_PAN = 6;

/** The name of what holds a cover, as it is said. */
export const nameOfHold = (id: EdgeHold): string => EDGE_HOLDS.find((own) => own.id === id)!.name;

/**
 * What holds a piece's cover: what was chosen, or what its board asks for; null where it is closed round its pad.
 *
 * @param model the built piece
 */
export function heldBy({ piece }: Pick<Model, 'piece'>): EdgeHold | null {
  if (wayOf(piece.covering.way).loose) return null;
  if (piece.covering.held) return piece.covering.held;
  return kindOf(piece.kind).traits.pan && piece.base.board.thickness < THIN_PAN ? 'rivets' : 'staples';
}

/** What holds where staples do not, the likeliest first, in words: a board that nothing bites into is glued or drawn. */
export function nextBest({ piece }: Pick<Model, 'piece'>): string {
  const bites = findMaterial(BOARDS, piece.base.board.material)?.bears ?? true;
  if (!bites) return 'glue, a draw-cord in a hem, or clips';
  if (kindOf(piece.kind).traits.pan) return 'rivets with washers, clips, or glue';
  return piece.base.frame ? 'screws with cup washers, or glue' : 'a batten behind the edge to staple into, or glue';
}
