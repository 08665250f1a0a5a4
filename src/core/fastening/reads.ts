import type { ModelOf } from '../padding';
import { cutCloths, fieldsOf, type Base, type Covering, type CutCloths, type Piece } from '../piece';

/** What of the piece its fasteners hang on. */
export type FixFields = Pick<Piece, 'kind' | 'count' | 'covering' | 'wadding' | 'loose' | 'strip' | 'base'> & CutCloths;
export type FixModel = ModelOf<FixFields>;

export const fixFields = (piece: Piece): FixFields => ({
  ...fieldsOf(piece, 'kind', 'count', 'covering', 'wadding', 'loose', 'strip', 'base'),
  ...cutCloths(piece),
});

/** What of the piece tells what holds it. */
export type HeldFields = Pick<Piece, 'kind'> & {
  covering: Pick<Covering, 'way' | 'held'>;
  base: Pick<Base, 'edges'> & { board: Base['board'] };
};

/** What of the piece the places along its edge hang on. */
export type PlaceFields = Pick<Piece, 'kind'> & {
  covering: Pick<Covering, 'way' | 'held' | 'order'>;
  base: Pick<Base, 'edges' | 'holes' | 'hardware'> & { board: Base['board'] };
};
export type PlaceModel = ModelOf<PlaceFields>;

export const placeFields = ({ kind, covering, base }: PlaceFields): PlaceFields => ({
  kind,
  covering: fieldsOf(covering, 'way', 'held', 'order'),
  base: { ...fieldsOf(base, 'edges', 'holes', 'hardware'), board: base.board },
});
