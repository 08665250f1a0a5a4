import { FOAMS, type Foam } from '../foam';
import type { Piece } from './schema';

/** Every foam that a piece can be built from: the workshop's own that travel with it, then the shipped ones. */
export function foamsOf(piece: Pick<Piece, 'foams'>): readonly Foam[] {
  return piece.foams?.length ? [...piece.foams.map((foam): Foam => ({ ...OWN, ...foam })), ...FOAMS] : FOAMS;
}

/** What the workshop does not know of its own foam is taken as a middling one's. */
const OWN = { recovery: 1, set: 8, price: 0 };

/**
 * The foam of that id, the piece's own first.
 *
 * @returns undefined when there is none
 */
export function foamOf(piece: Pick<Piece, 'foams'>, id: string): Foam | undefined {
  return foamsOf(piece).find((foam) => foam.id === id);
}
