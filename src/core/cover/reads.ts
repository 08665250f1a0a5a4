import type { ModelOf } from '../padding';
import { cutCloth, cutCloths, fieldsOf, type Base, type CutCloth, type CutCloths, type Piece, type StripRecord } from '../piece';

/** What of the piece its wraps are measured for. */
export type WrapFields = Pick<Piece, 'kind' | 'covering'> & { base: Pick<Base, 'edges'> };
export type WrapModel = ModelOf<WrapFields>;

/** What of the piece its corners hang on. */
export type CornerFields = Pick<Piece, 'covering'> & { cloth: CutCloth; base: Pick<Base, 'notches'> };
export type CornerModel = ModelOf<CornerFields>;

/** What of the piece its linings hang on. */
export type LiningFields = Pick<Piece, 'kind' | 'count' | 'wadding' | 'covering'> & { base: Pick<Base, 'edges'> };
export type LiningModel = ModelOf<LiningFields>;

/** What of the piece its cover hangs on. */
export type CoverFields = Pick<Piece, 'kind' | 'count' | 'covering' | 'wadding' | 'loose'> &
  CutCloths & { base: Pick<Base, 'notches' | 'edges' | 'hidden'>; strip?: Pick<StripRecord, 'meet'> };
export type CoverModel = ModelOf<CoverFields>;

export const wrapFields = (piece: Piece): WrapFields => ({
  ...fieldsOf(piece, 'kind', 'covering'),
  base: fieldsOf(piece.base, 'edges'),
});

export const cornerFields = (piece: Piece): CornerFields => ({
  ...fieldsOf(piece, 'covering'),
  cloth: cutCloth(piece.cloth),
  base: fieldsOf(piece.base, 'notches'),
});

export const liningFields = (piece: Piece): LiningFields => ({
  ...fieldsOf(piece, 'kind', 'count', 'wadding', 'covering'),
  base: fieldsOf(piece.base, 'edges'),
});

export const coverFields = (piece: Piece): CoverFields => ({
  ...fieldsOf(piece, 'kind', 'count', 'covering', 'wadding', 'loose'),
  ...cutCloths(piece),
  base: fieldsOf(piece.base, 'notches', 'edges', 'hidden'),
  ...(piece.strip ? { strip: fieldsOf(piece.strip, 'meet') } : {}),
});
