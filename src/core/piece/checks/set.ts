import { overAll } from '../../foam';
import type { Problem } from '../problem';
import { BOARD_SIZE, type Panels, type Piece } from '../schema';
import { checkShape } from './shape';

/** Pieces of the set that differ, and panels on a wall. */
export function checkSet(piece: Piece): Problem[] {
  const problems: Problem[] = [];
  const variants = piece.variants ?? [];
  variants.forEach((variant, i) => problems.push(...checkShape(variant.shape, `variants.${i}.shape`)));
  const differing = variants.reduce((sum, variant) => sum + variant.count, 0);
  if (differing >= piece.count && variants.length > 0)
    problems.push({
      path: 'variants',
      message: `${differing} of a set of ${piece.count} differ; at least one must be as drawn, or the set must be larger`,
    });
  if (piece.panels) {
    const width = panelWidth(piece.panels);
    if (width < BOARD_SIZE[0])
      problems.push({
        path: 'panels.count',
        message: `${piece.panels.count} panels with these gaps would be ${Math.round(width)} mm wide; ${BOARD_SIZE[0]} mm is the least`,
      });
  }
  return problems;
}

/** Width of one of N equal panels with gaps between them, as it hangs covered, mm. */
export function panelWidth({ across, gap, count }: Pick<Panels, 'across' | 'gap' | 'count'>): number {
  return (across - (count - 1) * gap) / count;
}

/** Of settled wadding so much is left on a side that the cover is pulled down over. */
const PRESSED = 0.5;

/**
 * Width of the board of one of N equal panels: covered, it is wider by its cloth and what the cover leaves of the wadding,
 * on either side, mm.
 *
 * @param panels the wall
 * @param dressed cloth and wadding of the piece
 * @param settled what is left of loose wadding once smoothed down, percent
 */
export function panelBoard(
  panels: Pick<Panels, 'across' | 'gap' | 'count'>,
  dressed: Pick<Piece, 'cloth' | 'wadding'>,
  settled: number,
): number {
  return panelWidth(panels) - 2 * (dressed.cloth.thickness + PRESSED * overAll(dressed.wadding, settled).thickness);
}
