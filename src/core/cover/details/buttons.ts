import type { CoverModel } from '../reads';
import { bounds, distanceTo, isInside, type Point } from '../../outline';
import type { Buttons } from '../../piece';
import { movedPiece } from './finish';
import type { CoverPiece } from '../laying/cloth-piece';

/** The buttons of a piece. Lengths mm; `run` is the cloth from a button to its neighbour over the valley between
 * them, `spacing` the distance between those two; `takeUp` is what a step across takes of the cloth, `takeUpDown` one from row to row. */
export type ButtonPlan = {
  count: number;
  /** diameter of a button */
  size: number;
  spacing: number;
  depth: number;
  run: number;
  takeUp: number;
  takeUpDown: number;
  needle: number;
  thread: number;
  /** cloth circles to cover them */
  blank: number;
  places: { x: number; y: number }[];
};

/** From row to row, mm: as from button to button where nothing else is chosen. */
const rowStep = ({ down, spacing }: Buttons): number => down ?? spacing;

/** Whether a row lies half a step over, with one button less. */
const isBetween = ({ grid, columns }: Buttons, row: number): boolean => grid === 'diamond' && columns > 1 && row % 2 === 1;

/** Nearer to the board’s edge than this no button is drawn in, mm: it would lie on the pad’s rim. */
export const BUTTON_CLEAR = 30;

/**
 * Where buttons lie on the board: a grid about its middle, square or diamond, without those that would come on its rim or beside it.
 *
 * @param model the built piece
 * @param buttons the grid
 */
export function buttonPlaces(
  { middle: [mx, my], board }: Pick<CoverModel, 'middle' | 'board'>,
  buttons: Buttons,
): { x: number; y: number }[] {
  const { columns, rows, spacing } = buttons;
  const grid = Array.from({ length: rows }, (_, row) => {
    const across = isBetween(buttons, row) ? columns - 1 : columns;
    return Array.from({ length: across }, (_one, k) => ({
      x: mx + (k - (across - 1) / 2) * spacing,
      y: my + (row - (rows - 1) / 2) * rowStep(buttons),
    }));
  }).flat();
  const clear = grid.filter(({ x, y }) => isInside(board, [x, y]) && distanceTo(board, [x, y]) >= BUTTON_CLEAR);
  // On a board that is nowhere so wide they stay where they were put.
  return clear.length > 0 ? clear : grid;
}

/** In a diamond grid rows are so much nearer than buttons when they are spread: diamonds half as high again as wide. */
const DIAMOND = 0.75;

/**
 * A grid spread over the board: as many buttons as come nearest to the spacing, half a step left at the edges.
 *
 * @param size of the board, mm
 * @param buttons the spacing to come near to; its number of rows and columns is worked out
 */
export function spreadButtons(size: { width: number; depth: number }, buttons: Buttons): Buttons {
  const wanted = buttons.spacing * (buttons.grid === 'diamond' ? DIAMOND : 1);
  const [columns, rows] = [Math.max(1, Math.round(size.width / buttons.spacing)), Math.max(1, Math.round(size.depth / wanted))];
  return { ...buttons, columns, rows, spacing: Math.floor(size.width / columns), down: Math.floor(size.depth / rows) };
}

/** Cloth over a distance between two buttons that are drawn in. Source: docs/models.md, "Buttons": 2·√((s/2)² + t²). */
const clothOver = (distance: number, depth: number): number => 2 * Math.hypot(distance / 2, depth);

/**
 * Buttons on a grid about the middle. On a square grid the cloth dips from each to its neighbours across and down; on a
 * diamond grid along the diagonals, which take it up across and down in the same proportion.
 *
 * @param model the built piece
 * @param buttons the grid
 * @param padding thickness of the padding at the middle, mm
 */
export function buttonPlan(model: CoverModel, buttons: Buttons, padding: number): ButtonPlan {
  const { spacing, depth, size } = buttons;
  const down = rowStep(buttons);
  const between = buttons.grid === 'diamond' ? Math.hypot(spacing / 2, down) : spacing;
  const run = clothOver(between, depth);
  const places = buttonPlaces(model, buttons);
  const through = padding + model.boardThickness;
  const diagonal = run / between - 1;
  return {
    count: places.length,
    size,
    spacing: between,
    depth,
    run,
    takeUp: buttons.grid === 'diamond' ? spacing * diagonal : run - spacing,
    takeUpDown: buttons.grid === 'diamond' ? down * diagonal : clothOver(down, depth) - down,
    needle: through + model.rule('needleExtra'),
    thread: places.length * (2 * through + 200),
    blank: size * 2,
    places,
  };
}

/** Where a place of a cover comes to once it is opened for its buttons, mm. */
export function buttonOpening(piece: CoverPiece, plan: ButtonPlan, buttons: Buttons): (at: Point) => Point {
  const { columns, rows, spacing } = buttons;
  const middle = bounds(piece.sewn);
  const [mx, my] = [(middle.minX + middle.maxX) / 2, (middle.minY + middle.maxY) / 2];
  const open = (value: number, count: number, step: number, takeUp: number): number => {
    const reach = (count * step) / 2;
    const inside = Math.max(-reach, Math.min(reach, value));
    return value + (inside / step) * takeUp;
  };
  return ([x, y]) => [mx + open(x - mx, columns, spacing, plan.takeUp), my + open(y - my, rows, rowStep(buttons), plan.takeUpDown)];
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
