import { crossesItself, distanceTo, isInside, polygonArea, type Polygon } from '../../outline';
import { foamOf } from '../foams';
import { letInMeet, letInto } from '../let-in';
import { formOf } from '../../pad-forms';
import { rimOf } from '../../pad-rims';
import { formedPad, thinnest } from '../pad-profile';
import type { Problem } from '../problem';
import type { Pad, Piece, Pocket } from '../schema';

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
  return `A corner of the drawn pad stands ${Math.round(out)} mm beyond the board; ${FARTHEST_OUT} mm maximum`;
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
  const { edge } = pad;
  if (!foamOf(piece, pad.material)) add('material', `“${pad.material}” is not a foam we know`);
  add('edge.width', rimOf(edge).check?.(edge, pad.thickness) ?? null);
  if (pad.outline) add('outline', checkDrawn(pad.outline, board));
  if (pad.profile) formOf(pad.profile).check?.(pad.profile, formedPad(pad), (path, message) => add(`profile.${path}`, message));
  const letIn = letInto(pad);
  letIn.forEach((pocket, value) =>
    checkLetIn(piece, pad, pocket, letIn.slice(0, value), (key, message) => add(`${letInPath(pad, value)}.${key}`, message)),
  );
  return problems;
}

/** Where a thing let in stands in its pad: the pocket, or one of what lies beside it. */
function letInPath(pad: Pad, value: number): string {
  return pad.pocket ? (value === 0 ? 'pocket' : `patches.${value - 1}`) : `patches.${value}`;
}

/** What keeps a pocket or a patch from being let in. */
function checkLetIn(piece: Piece, pad: Pad, pocket: Pocket, before: readonly Pocket[], add: (key: string, message: string) => void): void {
  const what = pocket === pad.pocket ? 'pocket' : 'patch';
  if (!foamOf(piece, pocket.material)) add('material', `“${pocket.material}” is not a foam we know`);
  const least = thinnest(pad);
  if (pocket.deep > least)
    add(
      'deep',
      `The ${what} is ${short(pocket.deep)} mm deep and the foam ${short(least)} mm: it would go through to the base. ${short(least)} mm maximum`,
    );
  const half = Math.min(pocket.width, pocket.length) / 2;
  if ((pocket.blend ?? 0) > half)
    add(
      'blend',
      `A blend of ${short(pocket.blend!)} mm leaves no floor in what is ${short(2 * half)} mm across; ${short(half)} mm maximum`,
    );
  if (pad.outline && !isInside(pad.outline, [pocket.x, pocket.y])) add('x', `The ${what} lies beside its pad`);
  if (before.some((other) => letInMeet(pocket, other))) add('x', `This ${what} lies over another: move it, or make one of both`);
}
