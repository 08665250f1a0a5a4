import { kindOf } from './kinds';
import type { Piece } from './schema';

type WetFields = Pick<Piece, 'kind'> & { covering: Pick<Piece['covering'], 'outdoors' | 'slipFilm' | 'waterproof'> };

/** Whether a piece lives outdoors or gets wet: as it is ticked, or else a vehicle’s pan. */
export const getsWet = ({ kind, covering }: WetFields): boolean => covering.outdoors ?? kindOf(kind).traits.pan;

/** Whether film lies under the cover: as it is ticked, or because the piece is ticked to get wet and nothing else keeps the water out. */
export const hasFilm = ({ covering }: Pick<WetFields, 'covering'>): boolean =>
  covering.slipFilm ?? (covering.outdoors === true && !covering.waterproof);
