import { bounds, cutNotch, distanceTo, flatten, isInside, measuredOutline, outlineArea, type Point } from '../../outline';
import type { Problem } from '../problem';
import { BOARD_SIZE, type Base } from '../schema';

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

/** Notches that cannot be cut, holes and hardware that are not on the board, moulds out of order. */
export function checkFeatures(base: Base): Problem[] {
  const problems: Problem[] = [];
  let { outline } = measuredOutline(base.shape);
  base.notches?.forEach((notch, i) => {
    const cut = cutNotch(outline, notch);
    if (typeof cut === 'string') problems.push({ path: `base.notches.${i}`, message: `${cut} (notch ${i + 1})` });
    else outline = cut;
  });
  if (problems.length > 0) return problems;
  if (outlineArea(outline) < BOARD_SIZE[0] ** 2)
    return [{ path: 'base.notches', message: 'The notches leave next to nothing of the board' }];
  const board = flatten(outline);
  return [...checkFittings(base, board), ...checkEnds(base), ...checkMould(base), ...checkHidden(base, bounds(board).height)];
}

function checkFittings(base: Base, board: Point[]): Problem[] {
  const problems: Problem[] = [];
  const reaches = (x: number, y: number, half: number): string | null => {
    const at: Point = [x, y];
    if (!isInside(board, at)) return 'lies beside the board';
    return distanceTo(board, at) < half ? 'reaches over the edge of the board' : null;
  };
  base.holes?.forEach((hole, i) => {
    const half = hole.kind === 'round' ? hole.diameter / 2 : Math.min(hole.width, hole.height) / 2;
    const wrong = reaches(hole.x, hole.y, half);
    if (wrong) problems.push({ path: `base.holes.${i}`, message: `Hole ${i + 1} ${wrong}; make it a notch, or move it in` });
  });
  base.hardware?.forEach((item, i) => {
    const wrong = reaches(item.x, item.y, item.diameter / 2);
    if (wrong) problems.push({ path: `base.hardware.${i}`, message: `The ${item.kind}, number ${i + 1}, ${wrong}; move it in` });
    if (item.kind === 'insert' && item.length > base.board.thickness)
      problems.push({
        path: `base.hardware.${i}.length`,
        message: `A threaded insert ${round(item.length)} mm long comes out of a ${round(base.board.thickness)} mm board; ${Math.floor(base.board.thickness)} mm maximum`,
      });
  });
  return problems;
}

/** A pin needs so much wood below the board's upper edge, mm. */
const PIN_WOOD = 3;

/** A fold higher than the board's edge would lie on foam, which holds no pin. */
function checkEnds({ edges, board }: Base): Problem[] {
  const most = Math.max(0, Math.floor(board.thickness - PIN_WOOD));
  return (edges ?? []).flatMap(({ edge, end }, i) =>
    end && end.up > most
      ? [
          {
            path: `base.edges.${i}.end.up`,
            message: `The fold of the ${edge.name} would sit on foam, not on the board; ${most} mm maximum`,
          },
        ]
      : [],
  );
}

/** Something hidden up to beyond the piece leaves nothing to be seen. */
function checkHidden({ hidden }: Base, depth: number): Problem[] {
  if (!hidden) return [];
  if (hidden.upTo >= depth)
    return [
      {
        path: 'base.hidden.upTo',
        message: `Hidden up to ${Math.round(hidden.upTo)} mm, nothing of this piece is seen; ${Math.floor(depth - 1)} mm maximum`,
      },
    ];
  return [];
}

function checkMould({ mould }: Base): Problem[] {
  if (mould?.kind === 'rows') {
    const late = mould.rows.findIndex((row, i) => i > 0 && row.at <= mould.rows[i - 1]!.at);
    if (late < 0) return [];
    return [
      {
        path: `base.mould.rows.${late}.at`,
        message: `Cross-section ${late + 1} lies before or on the one above it; they go from the front backwards`,
      },
    ];
  }
  if (mould?.kind !== 'map' || mould.heights.length === mould.columns * mould.rows) return [];
  return [
    {
      path: 'base.mould.heights',
      message: `A map of ${mould.columns} × ${mould.rows} places needs as many heights; there are ${mould.heights.length}`,
    },
  ];
}
