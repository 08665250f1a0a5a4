import { overAll } from '../../foam';
import { ruleOf } from '../../house';
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
    else problems.push(...checkWall(piece, piece.panels));
  }
  return problems;
}

/** A wall and its boards may differ by this much a panel: another cloth or wadding makes no other wall, mm. */
const DRESSING = 15;

/** Boards, gaps and wall must say the same: panels that were laid out for another width hang on the wrong cleats. */
function checkWall(piece: Piece, panels: Panels): Problem[] {
  const problems: Problem[] = [];
  const filled = filledWall(piece);
  if (filled !== null && Math.abs(filled - panels.across) > DRESSING * panels.count)
    problems.push({
      path: 'panels.across',
      message: `${panels.count} panels as wide as this board fill ${Math.round(filled)} mm of wall, not ${Math.round(panels.across)} mm. Which is right, the wall or the board?`,
    });
  if (piece.count % panels.count !== 0)
    problems.push({
      path: 'count',
      message: `The wall has ${panels.count} panels and the set ${piece.count}. Set both to the same number`,
    });
  return problems;
}

/**
 * The width of wall that a piece's panels fill as their board is now: each covered, with the gaps between, mm.
 *
 * @returns null where it has no panels, or a board without a width of its own
 */
export function filledWall({
  panels,
  base: { shape },
  cloth,
  wadding,
}: Pick<Piece, 'panels' | 'base' | 'cloth' | 'wadding'>): number | null {
  if (!panels || !('width' in shape)) return null;
  const dress = 2 * (cloth.thickness + PRESSED * overAll(wadding, ruleOf('waddingUnderCover')!.value).thickness);
  return panels.count * (shape.width + dress) + (panels.count - 1) * panels.gap;
}

/**
 * A changed piece with its panels in step: where board or number was changed and the wall was not, the wall follows.
 *
 * @param before the piece before the change
 * @param after the piece as it was changed
 */
export function wallInStep(before: Piece, after: Piece): Piece {
  if (!after.panels || after.panels !== before.panels) return after;
  const count = after.count === before.count ? after.panels.count : after.count;
  const widthOf = ({ base: { shape } }: Piece): number | null => ('width' in shape ? shape.width : null);
  if (count === after.panels.count && widthOf(after) === widthOf(before)) return after;
  return withFilledWall({ ...after, panels: { ...after.panels, count } });
}

/** A piece whose wall is as wide as its panels fill. */
export function withFilledWall(piece: Piece): Piece {
  const filled = filledWall(piece);
  return filled === null || !piece.panels ? piece : { ...piece, panels: { ...piece.panels, across: Math.round(filled) } };
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
