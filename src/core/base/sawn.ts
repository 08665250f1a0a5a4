import type { Base } from '../piece';
import { stretchedIn } from './deck';
import { isMoulded } from './moulded';

/**
 * Whether the board is sawn new from a sheet: not one that is there, a frame with webbing, a shell, or one put together from planks.
 *
 * @param base of the piece
 */
export function isSawn(base: Pick<Base, 'board' | 'courses' | 'deck' | 'mould' | 'shape'>): boolean {
  return base.board.made === 'sawn' && !stretchedIn(base) && !isMoulded(base) && !base.courses;
}
