import { curveCatmullRom, curveLinearClosed, line } from 'd3';

type Points = readonly (readonly [number, number])[];

const open = line<readonly [number, number]>();
const closed = line<readonly [number, number]>().curve(curveLinearClosed);

/** The drawing is the other way up from the plan: y to the back is up on the screen. */
export function flip(points: Points): [number, number][] {
  return points.map(([x, y]) => [x, -y]);
}

/** Half way between a chord and a tight curve: it passes through every point and does not swing out at a corner. */
const SMOOTH = 0.5;
const smooth = line<readonly [number, number]>().curve(curveCatmullRom.alpha(SMOOTH));

/** An SVG path through points as a smooth line: cloth has no corners where nothing holds it. */
export function smoothPath(points: Points): string {
  return smooth(flip(points)) ?? '';
}

/** An SVG path through points, closed. */
export function closedPath(points: Points): string {
  return closed(flip(points)) ?? '';
}

/** An SVG path through points, open. */
export function openPath(points: Points): string {
  return open(flip(points)) ?? '';
}

/**
 * Where a pointer is in a drawing's own millimetres, y up.
 *
 * @param inverse of the drawing's screen matrix
 * @param event the pointer
 */
export function toDrawing(inverse: DOMMatrix, event: { clientX: number; clientY: number }): { x: number; y: number } {
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
  return { x: p.x, y: -p.y };
}
