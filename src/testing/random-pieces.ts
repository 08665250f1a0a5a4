import { KINDS, newPiece, type Piece } from '../core/piece';
import type { Planner } from '../core/plan';
import { editsOf } from './edits';
import { seededRandom } from './seeded-random';

/**
 * Pieces as somebody might have entered them: a kind as it starts, and then one field after the other set to something else. Only
 * pieces that can be planned are among them.
 *
 * @param count how many
 * @param seed which
 * @param planner checks them
 * @param edits how many fields are changed on each
 */
export function randomPieces(count: number, seed: number, planner: Pick<Planner, 'check'>, edits = 4): [says: string, piece: Piece][] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, k): [string, Piece] => {
    let piece = newPiece(KINDS[k % KINDS.length]!.id);
    const changed: string[] = [];
    for (let tries = 0; changed.length < edits && tries < 5 * edits; tries++) {
      const all = editsOf(piece);
      const edit = all[Math.floor(random() * all.length)]!;
      if (planner.check(edit.piece, {}).length > 0) continue;
      ({ piece } = edit);
      changed.push(edit.says);
    }
    return [`${k + 1}. ${piece.kind}: ${changed.join(', ')}`, piece];
  });
}
