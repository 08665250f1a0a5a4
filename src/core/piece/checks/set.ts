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
        message: `${piece.panels.count} panels with these gaps would be ${Math.round(width)} mm wide; ${BOARD_SIZE[0]} mm minimum`,
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
 * How much wider than its board a panel of a piece is likely to be once it is covered, mm: a plan says what it really comes to.
 *
 * @param dressed cloth and wadding of the piece
 * @param [settled] what is left of loose wadding once smoothed down, percent
 */
export function likelyDress(dressed: Pick<Piece, 'cloth' | 'wadding'>, settled: number = ruleOf('waddingUnderCover')!.value): number {
  return 2 * (dressed.cloth.thickness + PRESSED * overAll(dressed.wadding, settled).thickness);
}

/**
 * The width of wall that a piece's panels fill as their board is now: each covered, with the gaps between, mm.
 *
 * @param piece with its panels
 * @param [dress] how much wider than its board one is covered, mm
 * @returns null where it has no panels, or a board without a width of its own
 */
export function filledWall(piece: Pick<Piece, 'panels' | 'base' | 'cloth' | 'wadding'>, dress = likelyDress(piece)): number | null {
  const { panels, base } = piece;
  if (!panels || !('width' in base.shape)) return null;
  return panels.count * (base.shape.width + dress) + (panels.count - 1) * panels.gap;
}

/**
 * A changed piece with its panels in step: where board or number was changed and the wall was not, the wall follows.
 *
 * @param before the piece before the change
 * @param after the piece as it was changed
 * @param [dress] how much wider than its board a panel is covered, as a plan of it says, mm
 */
export function wallInStep(before: Piece, after: Piece, dress?: number): Piece {
  if (!after.panels || after.panels !== before.panels) return after;
  const count = after.count === before.count ? after.panels.count : after.count;
  const widthOf = ({ base: { shape } }: Piece): number | null => ('width' in shape ? shape.width : null);
  if (count === after.panels.count && widthOf(after) === widthOf(before)) return after;
  // A board that was made to fill the wall leaves it as it is.
  const filled = filledWall(after, dress);
  if (count === after.panels.count && filled !== null && Math.abs(filled - after.panels.across) <= FILLED * count) return after;
  return withFilledWall({ ...after, panels: { ...after.panels, count } }, dress);
}

/**
 * A piece whose wall is as wide as its panels fill.
 *
 * @param piece with its panels, or without
 * @param [dress] how much wider than its board one is covered, mm
 */
export function withFilledWall(piece: Piece, dress?: number): Piece {
  const filled = filledWall(piece, dress);
  return filled === null || !piece.panels ? piece : { ...piece, panels: { ...piece.panels, across: Math.round(filled) } };
}

/** Width of one of N equal panels with gaps between them, as it hangs covered, mm. */
export function panelWidth({ across, gap, count }: Pick<Panels, 'across' | 'gap' | 'count'>): number {
  return (across - (count - 1) * gap) / count;
}

/** Boards are sawn to this, so that a panel fills its share of the wall within half of it, mm. */
const SAWN = 0.5;
/** A wall is measured to the millimetre: a panel's share of it and a sawn board differ by no more than this, mm. */
const FILLED = 0.3;
/** Of settled wadding so much is left on a side that the cover is pulled down over, as the solved sections of the usual ones give it. */
const PRESSED = 0.19;

/**
 * Width to saw the board of one of N equal panels, to half a millimetre: covered, it is wider.
 *
 * @param panels the wall
 * @param dress how much wider, mm
 */
export function panelBoard(panels: Pick<Panels, 'across' | 'gap' | 'count'>, dress: number): number {
  return Math.round((panelWidth(panels) - dress) / SAWN) * SAWN;
}
