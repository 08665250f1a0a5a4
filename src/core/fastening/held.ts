import type { FixModel, HeldFields } from './reads';
import { endsInSight, wayOf } from '../cover';
import { edgeLength } from '../outline';
import { kindOf } from '../piece';
import { bites } from './takes-staples';

/** A pan thinner than this holds no staple: cover and washers are riveted through it, mm. */
const THIN_PAN = 6;

/**
 * What holds a piece's cover: what was chosen, or what its board asks for; null where it is closed round its pad.
 *
 * @param model the built piece
 */
export function heldBy({ piece }: Sided): string | null {
  if (wayOf(piece.covering.way).loose) return null;
  if (piece.covering.held) return piece.covering.held;
  const { board, edges = [] } = piece.base;
  if (kindOf(piece.kind).traits.pan && board.thickness < THIN_PAN) return 'rivets';
  // Nothing can be driven into foam board: what it takes is glue, unless there is a strip along its edge.
  return bites(board.material) || edges.some(({ strip }) => strip !== null) ? 'staples' : 'glue';
}

/** A side of a base with what it has of its own. */
type Sided = { piece: HeldFields };

/** What holds the cover along an edge: what was chosen for it, or what holds the rest. */
export function heldOn(model: Sided, edge: string): string | null {
  const main = heldBy(model);
  const found = (model.piece.base.edges ?? []).find(({ edge: part }) => part.name === edge);
  return main === null ? null : (found?.held ?? main);
}

/** Edges that are held by something of their own, fastened at all, each with what. */
export function ownHolds(model: Pick<FixModel, 'piece' | 'outline'>): { edge: string; by: string; length: number }[] {
  const main = heldBy(model);
  if (main === null) return [];
  const finished = endsInSight(model.piece);
  return (model.piece.base.edges ?? []).flatMap(({ edge, held, fasten, end }) => {
    const length = edgeLength(model.outline, edge);
    return held && held !== main && fasten && !(end && finished) && length > 0 ? [{ edge: edge.name, by: held, length }] : [];
  });
}

/** Everything that holds the cover: what holds most of it, then what holds single edges. */
export function holdsOf(model: Pick<FixModel, 'piece' | 'outline'>): string[] {
  const main = heldBy(model);
  return main === null ? [] : [...new Set([main, ...ownHolds(model).map(({ by }) => by)])];
}

/** Of the way round so much is held by it: nothing to one. */
export function shareHeld(model: Pick<FixModel, 'piece' | 'outline' | 'perimeter'>, by: string): number {
  const holds = ownHolds(model);
  const sum = (all: typeof holds): number => all.reduce((total, { length }) => total + length, 0) / model.perimeter;
  return by === heldBy(model) ? Math.max(0, 1 - sum(holds)) : sum(holds.filter((edge) => edge.by === by));
}

/** What holds where staples do not, the likeliest first, in words: a board that nothing bites into is glued or drawn. */
export function nextBest({ piece }: Pick<FixModel, 'piece'>): string {
  if (!bites(piece.base.board.material)) return 'glue, a draw-cord in a hem, or clips';
  if (kindOf(piece.kind).traits.pan) return 'rivets with washers, clips, or glue';
  return piece.base.frame ? 'screws with cup washers, or glue' : 'a batten behind the edge to staple into, or glue';
}
