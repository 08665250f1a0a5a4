import { crossesItself, distanceTo, isInside, polygonArea, type Polygon } from '../../outline';
import { foamOf } from '../foams';
import type { Problem } from '../problem';
import type { Pad, Piece } from '../schema';

/** A pad smaller than this is none, mm². */
const LEAST_AREA = 400;
/** Foam that stands out farther than this beyond the board hangs on nothing, mm. */
const FARTHEST_OUT = 150;

function short(mm: number): number {
  return Math.round(mm * 10) / 10;
}

/** What is wrong with a pad's drawn outline over its board, or null. */
function checkDrawn(drawn: Polygon, board: Polygon): string | null {
  if (Math.abs(polygonArea(drawn)) < LEAST_AREA) return 'The drawn pad has next to no area; pull its corners apart';
  if (crossesItself(drawn)) return 'The drawn pad crosses itself; move the corner back';
  const out = Math.max(...drawn.map((p) => (isInside(board, p) ? 0 : distanceTo(board, p))));
  if (out <= FARTHEST_OUT) return null;
  return `A corner of the drawn pad stands ${Math.round(out)} mm beyond the board; ${FARTHEST_OUT} mm is the most`;
}

/**
 * What keeps one pad from being built: its foam, rim, wedge, drawn outline and pocket.
 *
 * @param board the board's outline, mm
 */
export function checkPad(piece: Piece, pad: Pad, index: number, board: Polygon): Problem[] {
  const problems: Problem[] = [];
  const add = (path: string, message: string | null): void => {
    if (message) problems.push({ path: `pads.${index}.${path}`, message });
  };
  const { edge, pocket } = pad;
  if (!foamOf(piece, pad.material)) add('material', `“${pad.material}” is not a foam we know`);
  if (edge.kind === 'rounded' && edge.width > pad.thickness)
    add('edge.width', `A rounding of ${short(edge.width)} mm is more than the pad is thick; ${short(pad.thickness)} mm is the most`);
  if (pad.outline) add('outline', checkDrawn(pad.outline, board));
  if (pocket) {
    if (!foamOf(piece, pocket.material)) add('pocket.material', `“${pocket.material}” is not a foam we know`);
    const least = Math.min(pad.thickness, pad.wedge ?? pad.thickness);
    if (pocket.deep > least)
      add(
        'pocket.deep',
        `The pocket is ${short(pocket.deep)} mm deep and the foam ${short(least)} mm: it would go through to the base. ${short(least)} mm is the most`,
      );
    if (pad.outline && !isInside(pad.outline, [pocket.x, pocket.y])) add('pocket.x', 'The pocket lies beside its pad');
  }
  return problems;
}
