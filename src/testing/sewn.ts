import type { Model } from '../core/padding';
import type { CoverPiece, SewnCover } from '../core/cover';
import { newPiece, type Covering, type Piece, type PieceKind } from '../core/piece';
import { createPlanner } from '../core/plan';
import { coverStep } from '../core/plan/steps';

/** A kind's piece, built, and ways to cover it. */
export type Built = { model: Model; sew: (covering: Covering, change?: Partial<Piece>) => SewnCover };

/** One planner for the whole file: a piece is built once and covered in many ways. */
const planner = createPlanner();

/** Builds a piece of a kind, with changes. */
export function built(kind: PieceKind, change: Partial<Piece> = {}): Built {
  const piece: Piece = { ...newPiece(kind), ...change, panels: null };
  return {
    model: planner.model(piece, {}),
    sew: (covering, item = {}) => coverStep(planner.model({ ...piece, ...item, covering }, {})),
  };
}

/** One of a cover's pieces. */
export const pieceOf = (cover: SewnCover, id: string): CoverPiece => cover.cover.pieces.find((piece) => piece.id === id)!;

/** Kinds whose padding reaches the board's edge: the others are nailed, not sewn. */
export const KINDS: PieceKind[] = [
  'chair-seat',
  'round-seat',
  'bench',
  'corner-seat',
  'headboard',
  'headboard-bordered',
  'saddle',
  'arm-pad',
  'block-seat',
  'tight-seat',
];
