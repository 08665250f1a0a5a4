import {
  bounds,
  crossesItself,
  flatten,
  measuredOutline,
  outlineArea,
  quarteredCorners,
  tangentLength,
  type Point,
  type Polygon,
} from '../../outline';
import type { Problem } from '../problem';
import { BOARD_SIZE, readField, shapeKind, type BaseShape, type ShapeField } from '../schema';
import { sayRange } from '../schema/say';

/** Two radii on one edge may not reach past each other. */
function checkRadii(shape: Extract<BaseShape, { type: 'rectangle' | 'trapezoid' }>, path: string): Problem[] {
  const corners = quarteredCorners(shape);
  for (let i = 0; i < corners.length; i++) {
    const next = corners[(i + 1) % corners.length]!;
    const corner = corners[i]!;
    const length = Math.hypot(next.at[0] - corner.at[0], next.at[1] - corner.at[1]);
    const reach = tangentLength(corners, i) + tangentLength(corners, (i + 1) % corners.length);
    if (reach <= length + 1e-6) continue;
    const share = length / reach;
    const front = corner.edgeAfter !== 'back' && shape.cornerRadius.front > 0;
    const radius = front ? shape.cornerRadius.front : shape.cornerRadius.back;
    return [
      {
        path: `${path}.cornerRadius.${front ? 'front' : 'back'}`,
        message: `The corner radii need ${Math.ceil(reach)} mm of the ${corner.edgeAfter} edge, which is ${Math.floor(length)} mm long; ${Math.floor(radius * share)} mm would fit`,
      },
    ];
  }
  return [];
}

/** What cannot be between two measurements of a shape: [field, what is wrong]. */
function checkTogether(shape: BaseShape): [string, string] | null {
  const fit = (mm: number): string => `${Math.floor(mm)} mm would fit`;
  switch (shape.type) {
    case 'bowed':
      if (shape.bow > Math.min(shape.frontWidth / 2, shape.depth - 20))
        return ['bow', `The bow is more than half a circle, or leaves no side; ${fit(Math.min(shape.frontWidth / 2, shape.depth - 20))}`];
      return null;
    case 'd':
      if (shape.straight > shape.depth - 5) return ['straight', `The straight side is as long as the depth; ${fit(shape.depth - 5)}`];
      if (shape.depth - shape.straight > shape.width / 2 + 1e-6)
        return [
          'straight',
          `The round front is more than half a circle; a straight side of ${Math.ceil(shape.depth - shape.width / 2)} mm makes it one`,
        ];
      return null;
    case 'kidney':
      return shape.hollow > shape.depth * 0.6 ? ['hollow', `The hollow nearly cuts it in two; ${fit(shape.depth * 0.6)}`] : null;
    case 'arched':
    case 'crowned':
    case 'stepped': {
      if (shape.height <= shape.sideHeight) return ['height', 'The middle must be higher than the sides'];
      if (shape.type === 'arched' && shape.height - shape.sideHeight > shape.width / 2)
        return ['height', `The arch is more than half a circle; ${fit(shape.sideHeight + shape.width / 2)}`];
      if (shape.type !== 'arched' && shape.shoulder >= shape.width / 2 - 20)
        return ['shoulder', `Two shoulders leave no middle; ${fit(shape.width / 2 - 20)}`];
      return null;
    }
    case 'saddle':
    case 'offsets': {
      const late = shape.rows.findIndex((row, i) => i > 0 && row.at <= shape.rows[i - 1]!.at);
      if (late >= 0)
        return [
          `rows.${late}.at`,
          `Row ${late + 1} lies at ${shape.rows[late]!.at} mm, before or on the one above it; they go from the front backwards`,
        ];
      if (shape.type === 'offsets') {
        const narrow = shape.rows.findIndex((row, i) => row.left + row.right <= (i === 0 || i === shape.rows.length - 1 ? -1e-9 : 1));
        if (narrow >= 0) return [`rows.${narrow}.left`, `Row ${narrow + 1}: left and right cross over each other`];
      }
      return null;
    }
    case 'two-tapes': {
      const impossibleRow = shape.rows.findIndex(({ a, b }) => a + b < shape.apart * 0.999 || Math.abs(a - b) > shape.apart * 1.001);
      if (impossibleRow < 0) return null;
      const { a, b } = shape.rows[impossibleRow]!;
      return [
        `rows.${impossibleRow}.a`,
        a + b < shape.apart
          ? `Point ${impossibleRow + 1}: ${a} and ${b} mm do not reach each other over the ${shape.apart} mm between the fixed points`
          : `Point ${impossibleRow + 1}: ${a} and ${b} mm differ by more than the ${shape.apart} mm between the fixed points`,
      ];
    }
    default:
      return null;
  }
}

/**
 * Says what keeps a shape from being drawn.
 *
 * @param shape as it was measured
 * @param [path] of the shape in the document
 */
export function checkShape(shape: BaseShape, path = 'base.shape'): Problem[] {
  const kind = shapeKind(shape.type);
  const problems: Problem[] = [];
  const add = (key: string, message: string | null): void => {
    if (message) problems.push({ path: `${path}.${key}`, message });
  };
  const check = (at: string, { label, unit, range }: ShapeField, value: number, row = ''): void =>
    add(at, sayRange(label + row, value, range, unit));
  for (const field of kind.fields) check(field.key, field, readField(shape, field.key));
  if (kind.rows && 'rows' in shape) {
    const { columns, label, least, most } = kind.rows;
    if (shape.rows.length < least) add('rows', `${label}: at least ${least}`);
    if (shape.rows.length > most) add('rows', `${label}: ${most} at most`);
    shape.rows.forEach((row, i) => {
      for (const column of columns)
        check(`rows.${i}.${column.key}`, column, (row as Record<string, number>)[column.key]!, `, row ${i + 1}`);
    });
  }
  if (problems.length > 0) return problems;
  if (shape.type === 'rectangle' || shape.type === 'trapezoid') return checkRadii(shape, path);
  const clash = checkTogether(shape);
  if (clash) return [{ path: `${path}.${clash[0]}`, message: clash[1] }];
  return checkDrawn(shape, path);
}

/** A bend sharper than this turns back on itself, radians. */
const BACK = Math.PI - 0.01;

/** Where an outline goes back the way it came, or null: there is no board between there and back. */
function doublesBack(polygon: Polygon): Point | null {
  const n = polygon.length;
  return (
    polygon.find(([x, y], i) => {
      const [before, after] = [polygon[(i + n - 1) % n]!, polygon[(i + 1) % n]!];
      const [ax, ay, bx, by] = [x - before[0], y - before[1], after[0] - x, after[1] - y];
      return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > BACK;
    }) ?? null
  );
}

/** What only the drawing shows: corners that do not fit, edges that cross, nothing inside, too large a whole. */
function checkDrawn(shape: BaseShape, path: string): Problem[] {
  const { outline, wrong } = measuredOutline(shape);
  if (wrong) return [{ path, message: wrong }];
  const polygon = flatten(outline, 0.2);
  if (polygon.length < 3 || !polygon.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)))
    return [{ path, message: 'These measurements do not make a closed outline yet' }];
  const crossing = crossesItself(polygon);
  if (crossing)
    return [
      { path, message: `The edge crosses itself ${Math.round(crossing[0])} mm right and ${Math.round(crossing[1])} mm back of the middle` },
    ];
  const back = doublesBack(polygon);
  if (back)
    return [
      { path, message: `The edge doubles back on itself ${Math.round(back[0])} mm right and ${Math.round(back[1])} mm back of the middle` },
    ];
  const box = bounds(polygon);
  const least = BOARD_SIZE[0];
  if (outlineArea(outline) < least * least)
    return [{ path, message: `The outline has next to no area inside; ${least} × ${least} mm minimum` }];
  if (Math.max(box.width, box.height) > BOARD_SIZE[1])
    return [{ path, message: `The outline is ${Math.round(Math.max(box.width, box.height))} mm long; ${BOARD_SIZE[1]} mm maximum` }];
  return [];
}
