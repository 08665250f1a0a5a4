import { deckPlan, frameCuts } from '../base';
import { buttonPlaces, choicesOf, wayOf } from '../cover';
import type { Model } from '../padding';
import type { Point } from '../outline';

/** A needle finds it, a toggle does not go through it, mm. */
export const BUTTON_HOLE = 8;

/** Whether buttons are tied behind a board, which has to be drilled for them. */
export const throughBoard = ({ piece, board }: Model): boolean => !wayOf(piece.covering.way).loose && deckPlan(board, piece.base) === null;

/** How far a place lies from a line, mm: along it as well as beside it. */
function fromLine([x, y]: Point, [a, b]: readonly [Point, Point]): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const along = Math.min(1, Math.max(0, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx ** 2 + dy ** 2 || 1)));
  return Math.hypot(x - a[0] - along * dx, y - a[1] - along * dy);
}

/**
 * The buttons whose holes come on something behind the board, counted from 1 in the order of the grid: on a batten of the frame, which is
 * drilled through with the board, or on hardware, which cannot be.
 *
 * @param model the built piece
 */
export function holesBehind(model: Model): { onBattens: number[]; onHardware: { button: number; hardware: number }[] } {
  const { buttons } = choicesOf(model.piece.covering);
  if (!buttons || !throughBoard(model)) return { onBattens: [], onHardware: [] };
  const { frame, hardware = [] } = model.piece.base;
  const cuts = frame ? frameCuts(model.outline, frame) : null;
  const places = buttonPlaces(model, buttons).map(({ x, y }): Point => [x, y]);
  const isOnBatten = (place: Point): boolean =>
    (cuts?.battens ?? []).some(({ line, rib }) => {
      // A rib is told by its middle; a side by its outer edge, with all of it on the inside.
      const [[ax, ay], [bx, by]] = line;
      const inward = (bx - ax) * (place[1] - ay) - (by - ay) * (place[0] - ax) >= 0;
      return (rib || inward) && fromLine(place, line) <= cuts!.width / (rib ? 2 : 1) + BUTTON_HOLE / 2;
    });
  return {
    onBattens: places.flatMap((place, i) => (isOnBatten(place) ? [i + 1] : [])),
    onHardware: places.flatMap(([x, y], i) =>
      hardware.flatMap((item, k) =>
        Math.hypot(item.x - x, item.y - y) < (item.diameter + BUTTON_HOLE) / 2 ? [{ button: i + 1, hardware: k }] : [],
      ),
    ),
  };
}
