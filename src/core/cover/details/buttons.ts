import type { CoverModel } from '../reads';
import { bounds, type Point } from '../../outline';
import type { Buttons } from '../../piece';
import { movedPiece } from './finish';
import type { CoverPiece } from '../laying/cloth-piece';

/** The buttons of a piece. Lengths mm; `run` is the cloth from button to button over the valley between them. */
export type ButtonPlan = {
  count: number;
  /** diameter of a button */
  size: number;
  spacing: number;
  depth: number;
  run: number;
  takeUp: number;
  needle: number;
  thread: number;
  /** cloth circles to cover them */
  blank: number;
  places: { x: number; y: number }[];
};

/**
 * Where buttons lie on the board: a grid about its middle.
 *
 * @param model the built piece
 * @param buttons the grid
 */
export function buttonPlaces(
  { middle: [mx, my] }: Pick<CoverModel, 'middle'>,
  { columns, rows, spacing }: Buttons,
): { x: number; y: number }[] {
  return Array.from({ length: rows * columns }, (_, i) => ({
    x: mx + ((i % columns) - (columns - 1) / 2) * spacing,
    y: my + (Math.floor(i / columns) - (rows - 1) / 2) * spacing,
  }));
}

/**
 * Buttons on a grid about the middle. Source: docs/models.md, "Buttons": over a spacing s drawn in by t the cloth runs
 * 2·√((s/2)² + t²).
 *
 * @param model the built piece
 * @param buttons the grid
 * @param padding thickness of the padding at the middle, mm
 */
export function buttonPlan(model: CoverModel, buttons: Buttons, padding: number): ButtonPlan {
  const { spacing, depth, size } = buttons;
  const run = 2 * Math.hypot(spacing / 2, depth);
  const places = buttonPlaces(model, buttons);
  const through = padding + model.boardThickness;
  return {
    count: places.length,
    size,
    spacing,
    depth,
    run,
    takeUp: run - spacing,
    needle: through + model.rule('needleExtra'),
    thread: places.length * (2 * through + 200),
    blank: size * 2,
    places,
  };
}

/** Where a place of a cover comes to once it is opened for its buttons, mm. */
export function buttonOpening(piece: CoverPiece, plan: ButtonPlan, { columns, rows, spacing }: Buttons): (at: Point) => Point {
  const middle = bounds(piece.sewn);
  const [mx, my] = [(middle.minX + middle.maxX) / 2, (middle.minY + middle.maxY) / 2];
  const open = (value: number, count: number): number => {
    const reach = (count * spacing) / 2;
    const inside = Math.max(-reach, Math.min(reach, value));
    return value + (inside / spacing) * plan.takeUp;
  };
  return ([x, y]) => [mx + open(x - mx, columns), my + open(y - my, rows)];
}

/**
 * Opens a cover by what its buttons draw in: each run from button to button takes its own, and half a run to the edge on
 * either side.
 *
 * @param piece the cover without buttons
 * @param plan the buttons
 * @param grid how many, across and along
 */
export function buttoned(piece: CoverPiece, plan: ButtonPlan, grid: Buttons): CoverPiece {
  const at = buttonOpening(piece, plan, grid);
  const opened = movedPiece(piece, at);
  return {
    ...opened,
    // What is sewn in is as long as it was opened to: its seam is eased by that.
    edges: piece.edges.map((edge) => ({ ...edge, flat: edgeLength(opened, edge) / piece.longer })),
    marks: [
      ...opened.marks,
      ...plan.places.map(({ x, y }, k) => {
        const [px, py] = at([x, y]);
        return { kind: 'button' as const, x: px, y: py, label: String(k + 1) };
      }),
    ],
  };
}

/** Length of a piece's edge along its sewn line, mm. */
function edgeLength({ sewn }: CoverPiece, { from, sides }: CoverPiece['edges'][number]): number {
  return Array.from({ length: sides }, (_, k) => {
    const [a, b] = [sewn[(from + k) % sewn.length]!, sewn[(from + k + 1) % sewn.length]!];
    return Math.hypot(b[0] - a[0], b[1] - a[1]);
  }).reduce((sum, side) => sum + side, 0);
}
