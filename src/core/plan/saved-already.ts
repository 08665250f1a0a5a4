import { wayOf } from '../cover';
import type { Piece } from '../piece';
import type { SheetPlan } from '../plan-data';

/** What the plan saves by itself because nobody sees it: in words, what it would take of the roll otherwise, mm, and the piece with it taken back. */
export type SavedAlready = { id: string; words: string; otherwise: number; takeBack: string; without: Piece };

/**
 * What was saved without asking, as it gives up nothing that anybody sees.
 *
 * @param piece the piece
 * @param plan its plan; without a cover nothing is saved
 */
export function savedAlready(piece: Piece, { cover }: Pick<SheetPlan, 'cover'>): SavedAlready[] {
  const { covering, cloth } = piece;
  const bands = cover?.pieces.filter(({ role }) => role === 'band') ?? [];
  const joined = wayOf(covering.way).fields.includes('joins') && (covering.joins ?? 'back') === 'back' && cloth.direction !== 'along';
  if (!joined || bands.length !== 2) return [];
  const strip = bands.reduce((sum, { width }) => sum + width, 0);
  return [
    {
      id: 'band',
      words: 'The band is joined from two, at the middles of the ends: in one strip it takes',
      otherwise: strip,
      takeBack: 'Cut it in one strip',
      without: { ...piece, covering: { ...covering, joins: 'one' } },
    },
  ];
}
